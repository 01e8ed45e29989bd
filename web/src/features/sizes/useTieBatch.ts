import type { FlyFile } from '@jobbet/core/pattern';
import { useNavigate } from 'react-router';
import { carriedOnce, keepBatch, newBatch, rowOf, USUAL_COUNT } from '../../fly/batches/planning.ts';
import { say } from '../../shared/ui/toast.ts';
import type { Column } from './RunTable.tsx';
import type { RunOfFly } from './useRunAsked.ts';

/** Plans a batch of the run, a row a size. A size with something pinned on it carries the fly as the run has it there. */
export function useTieBatch(
  id: string,
  revision: number,
  file: FlyFile,
): (run: RunOfFly, columns: readonly Column[]) => void {
  const navigate = useNavigate();
  return (run, columns) => {
    const rows = columns.flatMap(({ size: { text }, answer }) => {
      if (!answer?.ok) return [];
      const pinned = run.pins.some(({ size }) => size === text);
      if (pinned) return [rowOf({ id, revision: `${String(revision)}, ${text}`, file: answer.file }, USUAL_COUNT, '')];
      const row = rowOf({ id, revision, file }, USUAL_COUNT, text);
      return [run.hold === 'shape' ? row : { ...row, hold: run.hold }];
    });
    if (rows.length === 0) say('No size of the run lays out, so there is nothing to tie.');
    else
      keepBatch(newBatch(file.name, '', carriedOnce(rows))).then(
        (made) => void navigate(`/batches/${made}`),
        (reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not planned.'),
      );
  };
}
