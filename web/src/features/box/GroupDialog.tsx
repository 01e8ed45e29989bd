import type { ListedFly } from '../../shared/api/client.ts';
import { groupOf } from './sorting.ts';
import { called, groupFlies } from './together.ts';
import { WordDialog } from '../../shared/ui/WordDialog.tsx';

interface GroupDialogProps {
  readonly flies: readonly ListedFly[];
  /** Words that flies are kept by already. */
  readonly words: readonly string[];
  readonly onClose: () => void;
}

/** The word that flies are kept together by. */
export function GroupDialog({ flies, words, onClose }: GroupDialogProps) {
  const [first] = flies;
  return (
    <WordDialog
      title={`Keep ${called(flies)} together by a word`}
      note="An empty line takes them out of their group."
      label="group"
      most={60}
      first={(first && groupOf(first)) ?? ''}
      mayBeEmpty
      doing={(word) => (word === '' ? 'Take them out' : 'Keep them so')}
      among={words}
      onKeep={(word) => groupFlies(flies, word)}
      onClose={onClose}
    />
  );
}
