import type { Drawers } from '@jobbet/core/drawers';
import type { BatchRow } from '@jobbet/core/records';
import type { FlyFile } from '@jobbet/core/pattern';
import { useState } from 'react';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { ShadePreview } from './ShadePreview.tsx';

type Shade = NonNullable<BatchRow['shade']>;

interface ShadeDialogProps {
  readonly file: FlyFile;
  readonly row: BatchRow;
  readonly drawers: Drawers;
  readonly onKeep: (shade: Shade) => Promise<void>;
  readonly onClose: () => void;
}

const box = 'h-8 px-2 border border-rule bg-sheet text-row not-italic text-ink min-w-0';

/** Keys a part may have otherwise: its colour and material first, then whatever else is said of it by words. */
function keysOf(file: FlyFile, id: string): readonly string[] {
  if (id === 'thread') return ['colour'];
  const part = file.parts.find((each) => each.id === id);
  const own = Object.entries(part ?? {}).flatMap(([key, value]) =>
    typeof value === 'string' && !['id', 'role', 'construction', 'colour', 'material'].includes(key) ? [key] : [],
  );
  return ['colour', 'material', ...own];
}

const LEAVE_OUT = 'leave it out';

/** A change of a shade, a line each. */
const linesOf = (shade: Shade): readonly { readonly part: string; readonly key: string; readonly value: string }[] =>
  Object.entries(shade).flatMap(([part, by]) =>
    by === null
      ? [{ part, key: LEAVE_OUT, value: '' }]
      : typeof by === 'string'
        ? [{ part, key: '', value: by }]
        : Object.entries(by).map(([key, value]) => ({ part, key, value: String(value) })),
  );

/** The shade without one key of a part, or without the part where nothing else of it changes. */
function without(shade: Shade, part: string, key: string): Shade {
  const by = shade[part];
  const { [part]: _gone, ...rest } = shade;
  if (typeof by !== 'object' || by === null) return rest;
  const { [key]: _key, ...others } = by;
  return Object.keys(others).length === 0 ? rest : { ...rest, [part]: others };
}

/** What a row has otherwise than its fly: colours, materials, any key of a part, parts left out. */
export function ShadeDialog({ file, row, drawers, onKeep, onClose }: ShadeDialogProps) {
  const [draft, setDraft] = useState<Shade>(row.shade ?? {});
  const [part, setPart] = useState(file.parts[0]?.id ?? 'thread');
  const [key, setKey] = useState('colour');
  const [value, setValue] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const parts = [...file.parts.map(({ id }) => id), 'thread'];
  const put = (): Shade => {
    if (key === LEAVE_OUT) return { ...draft, [part]: null };
    if (value.trim() === '') return draft;
    const by = draft[part];
    return { ...draft, [part]: { ...(typeof by === 'object' ? by : {}), [key]: value.trim() } };
  };
  const keep = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      await onKeep(put());
      onClose();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It was not kept.');
    }
  };
  return (
    <DialogBox
      title={`${file.name}, otherwise`}
      open
      onClose={onClose}
      note="What these have that the fly does not; the fly itself stays as it is."
    >
      <ShadePreview {...{ file, drawers }} row={{ ...row, shade: put() }} />
      <ShadeLines shade={draft} onWithout={(part, key) => setDraft(without(draft, part, key))} />
      <form onSubmit={(event) => void keep(event)} className="flex gap-2 flex-wrap">
        <select
          aria-label="part"
          data-first
          className={box}
          value={part}
          onChange={(event) => setPart(event.target.value)}
        >
          {parts.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
        <select aria-label="what of it" className={box} value={key} onChange={(event) => setKey(event.target.value)}>
          {[...keysOf(file, part), LEAVE_OUT].map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
        {key !== LEAVE_OUT && (
          <input
            aria-label="is then"
            className={`${box} flex-1`}
            value={value}
            placeholder="black"
            onChange={(event) => setValue(event.target.value)}
          />
        )}
        <button type="submit" className="sheet-button primary">
          Keep
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

interface ShadeLinesProps {
  readonly shade: Shade;
  readonly onWithout: (part: string, key: string) => void;
}

/** What is otherwise so far, each with the way back. */
const ShadeLines = ({ shade, onWithout }: ShadeLinesProps) => (
  <ul className="mb-2">
    {linesOf(shade).map(({ part, key, value }) => (
      <li key={`${part} ${key}`} className="flex justify-between gap-3 border-b border-hair py-1">
        <span>
          {part} {key === LEAVE_OUT ? 'left out' : `${key} ${value}`}
        </span>
        <button type="button" className="text-ink2 hover:text-ink" onClick={() => onWithout(part, key)}>
          as the fly has it
        </button>
      </li>
    ))}
  </ul>
);
