import { useState } from 'react';
import type { ListedFly } from '../../shared/api/client.ts';
import { isSound, useFlies } from '../../shared/api/listed.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { USUAL_COUNT } from '../../fly/batches/planning.ts';

/** What is asked before flies are planned. */
export interface RowAsked {
  readonly name: string;
  readonly date: string;
  readonly fly: string;
  readonly on: string;
  readonly count: number;
}

interface RowDialogProps {
  /** Whether it plans a batch of its own, which has a name and a day. */
  readonly whole: boolean;
  readonly onKeep: (asked: RowAsked) => Promise<void>;
  readonly onClose: () => void;
}

const label = 'flex flex-col gap-0.5 text-label italic text-ink2';
const box = 'h-8 px-2 border border-rule bg-sheet text-row not-italic text-ink min-w-0';

/** Asks how many of which, on what, and by when. */
export function RowDialog({ whole, onKeep, onClose }: RowDialogProps) {
  const { flies } = useFlies();
  const sound = (flies ?? []).filter(isSound);
  const [asked, setAsked] = useState<RowAsked>({ name: '', date: '', fly: '', on: '', count: USUAL_COUNT });
  const [problem, setProblem] = useState<string | null>(null);
  const set = (change: Partial<RowAsked>): void => setAsked({ ...asked, ...change });
  const fly = asked.fly === '' ? (sound[0]?.id ?? '') : asked.fly;
  const named = sound.find(({ id }) => id === fly)?.name ?? '';
  const keep = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      await onKeep({ ...asked, fly, name: asked.name.trim() === '' ? named : asked.name.trim() });
      onClose();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It was not kept.');
    }
  };
  if (flies && sound.length === 0)
    return (
      <DialogBox title="Plan a batch" open onClose={onClose}>
        <p>The box is empty: lay out a fly first, then tie some of it.</p>
      </DialogBox>
    );
  return (
    <DialogBox title={whole ? 'Plan a batch' : 'More flies in this batch'} open onClose={onClose}>
      <form onSubmit={(event) => void keep(event)} className="flex flex-col gap-3">
        <FlyFields asked={{ ...asked, fly }} flies={sound} onSet={set} />
        {whole && <NameFields asked={asked} named={named} onSet={set} />}
        {problem !== null && (
          <p role="alert" className="text-warn">
            {problem}
          </p>
        )}
        <div>
          <button type="submit" className="sheet-button primary" disabled={fly === ''}>
            {whole ? 'Plan it' : 'Add them'}
          </button>
        </div>
      </form>
    </DialogBox>
  );
}

interface FieldsProps {
  readonly asked: RowAsked;
  readonly onSet: (change: Partial<RowAsked>) => void;
}

/** How many of which fly, and on what. */
const FlyFields = ({ asked, flies, onSet }: FieldsProps & { readonly flies: readonly ListedFly[] }) => (
  <div className="flex gap-3">
    <label className={label}>
      how many
      <input
        aria-label="how many"
        type="number"
        min={1}
        max={10_000}
        required
        className={`${box} w-20`}
        value={asked.count}
        onChange={(event) => onSet({ count: Number(event.target.value) })}
      />
    </label>
    <label className={`${label} flex-1`}>
      of which fly
      <select
        aria-label="of which fly"
        className={box}
        value={asked.fly}
        onChange={(event) => onSet({ fly: event.target.value })}
      >
        {flies.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
    <label className={label}>
      on
      <input
        aria-label="on what"
        placeholder="its own hook"
        title="a size such as 6, 1/0, double:6, tube:28mm"
        className={`${box} w-28`}
        value={asked.on}
        onChange={(event) => onSet({ on: event.target.value })}
      />
    </label>
  </div>
);

/** What a batch is called, and by when it is wanted. */
const NameFields = ({ asked, named, onSet }: FieldsProps & { readonly named: string }) => (
  <div className="flex gap-3">
    <label className={`${label} flex-1`}>
      what it is called
      <input
        aria-label="what it is called"
        placeholder={named}
        maxLength={120}
        className={box}
        value={asked.name}
        onChange={(event) => onSet({ name: event.target.value })}
      />
    </label>
    <label className={label}>
      by when
      <input
        aria-label="by when"
        type="date"
        className={box}
        value={asked.date}
        onChange={(event) => onSet({ date: event.target.value })}
      />
    </label>
  </div>
);
