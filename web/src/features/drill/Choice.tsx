import type { ReactNode } from 'react';
import { useTable } from '../../shared/commands/useKeys.ts';
import { CHOICES } from './commands.ts';

interface ChoiceProps {
  readonly label: string;
  /** What can be answered: in words, and drawn where there is something to see. */
  readonly choices: readonly { readonly key: string; readonly words: string; readonly drawn?: ReactNode }[];
  /** What was answered, and what is so; null until it is. */
  readonly given: string | null;
  readonly truth: string;
  readonly onChoose: (key: string) => void;
  readonly onNext: () => void;
}

/** One of a few answers, by its number or by the pointer; then which was so. */
export function Choice({ label, choices, given, truth, onChoose, onNext }: ChoiceProps) {
  const at = (i: number): (() => void) | null => {
    const choice = choices[i];
    if (!choice) return null;
    // Once it is answered the same keys do nothing: they would leave the drill else.
    return given === null ? () => onChoose(choice.key) : () => undefined;
  };
  useTable('drill-task', CHOICES, {
    next: given === null ? null : onNext,
    first: at(0),
    second: at(1),
    third: at(2),
    fourth: at(3),
  });
  return (
    <ol aria-label={label} className="flex flex-wrap gap-3 justify-center">
      {choices.map(({ key, words, drawn }, i) => (
        <li key={key}>
          <button
            type="button"
            disabled={given !== null}
            aria-pressed={given === key}
            className={`border px-3 py-2 text-left min-w-32 ${given !== null && key === truth ? 'border-measure bg-band' : 'border-rule'} ${given === key && key !== truth ? 'border-warn' : ''} ${given === null ? 'hover:border-ink' : ''}`}
            onClick={() => onChoose(key)}
          >
            {drawn}
            <span className="flex gap-2 items-baseline">
              <span className="plain-key">{i + 1}</span> <b>{words}</b>
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}
