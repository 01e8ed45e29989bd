import { useState } from 'react';
import type { ListedFly } from '../../shared/api/client.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { groupOf } from './sorting.ts';
import { called, groupFlies } from './together.ts';

interface GroupDialogProps {
  readonly flies: readonly ListedFly[];
  /** Words that flies are kept by already. */
  readonly words: readonly string[];
  readonly onClose: () => void;
}

/** The word that flies are kept together by. */
export function GroupDialog({ flies, words, onClose }: GroupDialogProps) {
  const [first] = flies;
  const [word, setWord] = useState((first && groupOf(first)) ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      await groupFlies(flies, word);
      onClose();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It was not kept.');
    }
  };
  return (
    <DialogBox
      title={`Keep ${called(flies)} together by a word`}
      open
      onClose={onClose}
      note="Nothing takes them out of their group."
    >
      <form onSubmit={(event) => void keep(event)} className="flex gap-3">
        <input
          aria-label="group"
          list="groups"
          maxLength={60}
          className="flex-1 h-8 px-2 border border-rule bg-sheet text-row"
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
        <datalist id="groups">
          {words.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        <button type="submit" className="sheet-button primary">
          {word.trim() === '' ? 'Out of any group' : 'Keep them so'}
        </button>
      </form>
      {problem !== null && (
        <p role="alert" className="mt-2 text-warn">
          {problem}
        </p>
      )}
    </DialogBox>
  );
}
