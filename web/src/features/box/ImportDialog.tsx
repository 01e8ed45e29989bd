import { useEffect, useRef, useState } from 'react';
import { mutate } from 'swr';
import { say } from '../../shared/ui/toast.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import type { Incoming, Known } from './importing.ts';
import { takeIn, type Answer } from './takingIn.ts';

const WORDS: Readonly<Record<Answer, string>> = {
  both: 'keep both',
  replace: 'replace it (the old one stays in its history)',
  skip: 'leave it out',
};

/** Asks where a name is taken, says what was refused and why, then takes the rest in. */
export function ImportDialog({ incoming, onClose }: { readonly incoming: Incoming; readonly onClose: () => void }) {
  const { fresh, known, refused } = incoming;
  const [answers, setAnswers] = useState<readonly Answer[]>(known.map(() => 'both'));
  const [done, setDone] = useState<number | null>(null);
  const started = useRef(false);
  const takes = fresh.length + answers.filter((answer) => answer !== 'skip').length;
  const take = async (): Promise<void> => {
    setDone(0);
    try {
      const count = await takeIn(incoming, answers, setDone);
      say(`${String(count)} ${count === 1 ? 'fly' : 'flies'} imported.`);
    } catch (error) {
      say(error instanceof Error ? error.message : 'They were not all imported.');
    }
    await mutate('flies');
    onClose();
  };
  useEffect(() => {
    if (known.length + refused.length > 0 || started.current) return;
    started.current = true;
    void take();
  });
  if (done !== null)
    return (
      <DialogBox title="Taking in pattern files" open onClose={() => undefined}>
        <p role="status" className="mb-2">
          {done} of {takes} in.
        </p>
        <progress className="w-full" max={takes} value={done} aria-label="Files imported" />
      </DialogBox>
    );
  if (known.length + refused.length === 0) return null;
  return (
    <DialogBox title="Taking in pattern files" open onClose={onClose} wide>
      {fresh.length > 0 && <p className="mb-3">New: {fresh.map((file) => file.name).join(', ')}.</p>}
      {known.map((each, i) => (
        <NameTaken
          key={i}
          known={each}
          name={`known-${String(i)}`}
          answer={answers[i] ?? 'both'}
          onAnswer={(answer) => setAnswers(answers.map((other, at) => (at === i ? answer : other)))}
        />
      ))}
      {refused.map(({ name, reasons }) => (
        <section key={name} className="border-t border-hair py-2">
          <h3 className="font-semibold text-warn flex gap-1.5 items-center">
            <SnagFlag /> {name} is not imported
          </h3>
          <ul className="pl-5">
            {reasons.slice(0, 8).map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
            {reasons.length > 8 && <li>and {reasons.length - 8} more</li>}
          </ul>
        </section>
      ))}
      <div className="flex gap-3 mt-4">
        {takes > 0 && (
          <button type="button" className="sheet-button primary" data-first onClick={() => void take()}>
            Take {takes} in
          </button>
        )}
        <button type="button" className="sheet-button" onClick={onClose}>
          {takes > 0 ? 'None of them' : 'Close'}
        </button>
      </div>
    </DialogBox>
  );
}

interface NameTakenProps {
  readonly known: Known;
  readonly name: string;
  readonly answer: Answer;
  readonly onAnswer: (answer: Answer) => void;
}

function NameTaken({ known: { file, stored }, name, answer, onAnswer }: NameTakenProps) {
  const among: readonly Answer[] = stored ? ['both', 'replace', 'skip'] : ['both', 'skip'];
  return (
    <fieldset className="flex items-baseline gap-4 border-t border-hair py-2">
      <legend className="float-left w-72 font-semibold">
        {stored ? `The box already holds ${file.name}` : `Another of these files is called ${file.name} too`}
      </legend>
      {among.map((value) => (
        <label key={value} className="flex gap-1.5 items-baseline">
          <input type="radio" name={name} checked={answer === value} onChange={() => onAnswer(value)} />
          {WORDS[value]}
        </label>
      ))}
    </fieldset>
  );
}
