import { useState, type ReactNode } from 'react';
import { DialogBox } from './DialogBox.tsx';

interface WordDialogProps {
  readonly title: string;
  readonly note?: string;
  readonly label: string;
  readonly most: number;
  readonly first: string;
  /** Whether nothing at all may be kept. */
  readonly mayBeEmpty?: boolean;
  /** What the button says of a word. */
  readonly doing: (word: string) => string;
  /** Words to pick from. */
  readonly among?: readonly string[];
  readonly onKeep: (word: string) => Promise<void>;
  readonly onClose: () => void;
}

/** Asks for one word or name and keeps it; where it cannot be kept it says why and stays. */
export function WordDialog(props: WordDialogProps): ReactNode {
  const { title, note, label, most, first, mayBeEmpty = false, doing, among = [], onKeep, onClose } = props;
  const [word, setWord] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      await onKeep(word.trim());
      onClose();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It was not kept.');
    }
  };
  return (
    <DialogBox title={title} open onClose={onClose} {...(note === undefined ? {} : { note })}>
      <form onSubmit={(event) => void keep(event)} className="flex gap-3">
        <input
          aria-label={label}
          maxLength={most}
          required={!mayBeEmpty}
          list={among.length > 0 ? 'words' : undefined}
          className="flex-1 h-8 px-2 border border-rule bg-sheet text-row"
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
        <datalist id="words">
          {among.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        <button type="submit" className="sheet-button primary" disabled={!mayBeEmpty && word.trim() === ''}>
          {doing(word.trim())}
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
