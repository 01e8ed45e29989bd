import { readFlyValue } from '@jobbet/core/pattern';
import { dequal } from 'dequal';
import { dropDraft, putAside, takeDraft } from './drafts.ts';
import { change, type Bench } from './store.ts';

/** What became of work that was found on this device: none was there, taken up, against what was saved since, or no longer to be laid out. */
export type TakenUp = 'none' | 'taken' | 'conflict' | 'aside';

/**
 * Takes up work on the fly that never reached the server. The bench stands on the revision that work was made from, and is in conflict
 * before the file is changed, so that nothing is ever sent over what was saved meanwhile.
 */
export function takeUpDraft(bench: Bench): TakenUp {
  const { id, file, revision } = bench.getState();
  const draft = takeDraft(id);
  if (!draft) return 'none';
  if (dequal(draft.file, file)) {
    dropDraft(id);
    return 'none';
  }
  const overtaken = draft.revision !== revision;
  if (overtaken) bench.setState({ save: 'conflict', revision: draft.revision });
  const read = readFlyValue(draft.file);
  if (read.ok && change(bench, read.value).length === 0) return overtaken ? 'conflict' : 'taken';
  bench.setState({ save: 'saved', revision });
  putAside(id, draft);
  return 'aside';
}
