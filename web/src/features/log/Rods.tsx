import { fishedOf, type Fished } from '@jobbet/core/log';
import type { FlyFile } from '@jobbet/core/pattern';
import { type Loss, LOSSES, type Rod } from '@jobbet/core/records';
import { useEffect, useRef } from 'react';
import type { StoredOuting } from '../../shared/api/client.ts';
import { ChoiceField, TextField } from '../../shared/fields/Fields.tsx';
import { FlyAside } from './FlyAside.tsx';
import { changed } from './outings.ts';
import { LOST_WORDS } from './words.ts';
import { fileOf, withRod } from './writing.ts';

interface RodsProps {
  readonly stored: StoredOuting;
  readonly files: Readonly<Record<string, FlyFile>>;
  readonly at: number;
  readonly onAt: (at: number) => void;
  /** Opens what came by the minute. */
  readonly onMinutes: (at: number) => void;
}

/** A rod without some of what is told of it. */
const without = (rod: Rod, key: keyof Rod): Rod =>
  Object.fromEntries(Object.entries(rod).filter(([name]) => name !== key)) as Rod;

/** The flies of an outing: each drawn, over the bar of its minutes, with what came to it. */
export function Rods({ stored, files, at, onAt, onMinutes }: RodsProps) {
  const { record } = stored;
  const fished = fishedOf(record);
  if (record.rods.length === 0)
    return <p className="px-4 py-6 text-ink2">Nothing in the water yet: write of the first fly in a line.</p>;
  return (
    <ol aria-label="Flies of the outing" className="flex-1 min-h-0 overflow-y-auto">
      {record.rods.map((rod, i) => (
        <OneRod
          // A fly has no name of its own on an outing: its place is what tells it from another.
          key={`${rod.fly ?? ''} ${rod.from ?? ''} ${String(i)}`}
          rod={rod}
          file={fileOf(rod, files)}
          fished={fished.ok ? (fished.value[i] ?? null) : null}
          span={spanOf(fished.ok ? fished.value : [])}
          chosen={i === at}
          onChoose={() => onAt(i)}
          onMinutes={() => onMinutes(i)}
          onChange={(next, words = null) => changed(stored, withRod(record, i, next), words)}
        />
      ))}
    </ol>
  );
}

const spanOf = (all: readonly Fished[]): readonly [from: number, to: number] => [
  Math.min(...all.map(({ fromMinutes }) => fromMinutes)),
  Math.max(...all.map(({ fromMinutes, minutes }) => fromMinutes + minutes)),
];

interface OneRodProps {
  readonly rod: Rod;
  readonly file: FlyFile | undefined;
  readonly fished: Fished | null;
  readonly span: readonly [from: number, to: number];
  readonly chosen: boolean;
  readonly onChoose: () => void;
  readonly onMinutes: () => void;
  readonly onChange: (rod: Rod | null, words?: string | null) => ReturnType<typeof changed>;
}

function OneRod({ rod, file, fished, span, chosen, onChoose, onMinutes, onChange }: OneRodProps) {
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const name = file?.name ?? rod.fly ?? 'a fly';
  const text = (key: 'from' | 'to' | 'line' | 'count' | 'seen', label: string, empty: string) => (
    <TextField
      label={`${label}, ${name}`}
      value={rod[key] ?? ''}
      empty={empty}
      later
      onChange={(value) => onChange(value.trim() === '' ? without(rod, key) : { ...rod, [key]: value.trim() })}
    />
  );
  return (
    <li
      ref={row}
      aria-current={chosen}
      className={`relative flex max-[640px]:flex-wrap gap-3 items-center px-4 py-1 border-b border-hair ${chosen ? 'bg-sunk' : ''}`}
      onClick={onChoose}
    >
      {chosen && <span className="absolute left-0 top-0 bottom-0 w-[5px] bg-pick" aria-hidden="true" />}
      {file ? <FlyAside file={file} width={116} height={46} /> : <span className="w-[116px]" />}
      <div className="w-40 shrink-0 min-w-0">
        <button type="button" className="font-bold truncate block max-w-full text-left" onClick={onChoose}>
          {name}
        </button>
        <span className="text-label text-ink2 whitespace-nowrap">
          {text('from', 'put on', '15:10')} to {text('to', 'taken off', '16:00')}
        </span>
      </div>
      <div className="flex-1 min-w-0 max-[640px]:basis-full">
        {fished && <Minutes fished={fished} span={span} chosen={chosen} />}
        <p className="text-label text-ink2 truncate">
          {text('line', 'line', 'line')}
          {rod.manner === undefined ? '' : `, ${rod.manner}`} {text('seen', 'what was seen', 'what was seen')}
        </p>
      </div>
      <Counts {...{ rod, name, onMinutes, onChange }} />
      <ByThumb {...{ rod, name, onChange }} />
      <button
        type="button"
        className="text-label text-ink2 hover:text-ink"
        onClick={() => onChange(null, `${name} is off the outing.`)}
      >
        take out<span className="sr-only"> {name}</span>
      </button>
    </li>
  );
}

/** When it was fished, on the time of the outing. */
const Minutes = ({
  fished: { fromMinutes, minutes, takes, lost },
  span: [from, to],
  chosen,
}: {
  readonly fished: Fished;
  readonly span: readonly [number, number];
  readonly chosen: boolean;
}) => {
  const share = (at: number): string => `${String((100 * (at - from)) / Math.max(1, to - from))}%`;
  return (
    <div className="relative h-3 my-1" aria-hidden="true">
      <span className="absolute inset-x-0 top-1.5 border-t border-hair" />
      <span
        className={`absolute top-0.5 h-2 ${chosen ? 'bg-pick border border-ink' : 'bg-ink'}`}
        style={{ left: share(fromMinutes), right: `calc(100% - ${share(fromMinutes + minutes)})` }}
      />
      {Array.from({ length: takes }, (_, i) => (
        <span
          key={`take ${String(i)}`}
          className="absolute top-0 w-3 h-3 -ml-1.5 rounded-full border-2 border-sheet bg-ink"
          style={{ left: share(fromMinutes + ((i + 1) * minutes) / (takes + 1)) }}
        />
      ))}
      {lost.map((how, i) => (
        <span
          key={`${how} ${String(i)}`}
          className="absolute -top-0.5 w-1 h-4 bg-warn"
          style={{ left: `calc(${share(fromMinutes + minutes)} - ${String(4 + 6 * i)}px)` }}
        />
      ))}
    </div>
  );
};

const landedWords = ({ landed = [] }: Rod): string =>
  landed.length === 0 ? 'by the minute' : `${String(landed.length)} landed`;

/** Takes, touches, how often it fouled, and how flies were lost; counted by events where there are any. */
function Counts({
  rod,
  name,
  onMinutes,
  onChange,
}: Pick<OneRodProps, 'rod' | 'onMinutes' | 'onChange'> & { readonly name: string }) {
  const counted = (key: 'takes' | 'touches' | 'fouled', label: string) => (
    <label className="text-label text-ink2 flex flex-col items-center">
      {label}
      <input
        type="number"
        min={0}
        max={1000}
        className="field w-12 !text-center text-row text-ink"
        aria-label={`${label}, ${name}`}
        value={rod[key] ?? 0}
        onChange={(event) => {
          const value = Math.floor(Number(event.target.value));
          if (Number.isFinite(value) && value >= 0) onChange({ ...rod, [key]: value });
        }}
      />
    </label>
  );
  const lost = rod.lost ?? [];
  if (rod.events && rod.events.length > 0)
    return (
      <button type="button" className="text-label text-ink2 hover:text-ink" onClick={onMinutes}>
        <u className="decoration-dotted">{String(rod.events.length)} told by the minute</u>
        <span className="sr-only">, {name}</span>
      </button>
    );
  return (
    <div className="flex gap-2 items-start shrink-0">
      {counted('takes', 'takes')}
      {counted('touches', 'touches')}
      {counted('fouled', 'fouled')}
      <div className="text-label text-ink2 flex flex-col w-28">
        lost
        {lost.map(({ how }, i) => (
          <ChoiceField
            key={`${how} ${String(i)}`}
            label={`how it was lost, ${name}`}
            value={how}
            empty="not lost after all"
            options={LOSSES.map((each) => [each, LOST_WORDS[each]] as const)}
            onChange={(next) =>
              onChange({
                ...rod,
                lost: lost.flatMap((each, k) => (k !== i ? [each] : next === '' ? [] : [{ how: next as Loss }])),
              })
            }
          />
        ))}
        <button type="button" className="text-left text-ink2 hover:text-ink" onClick={() => onChange(oneLost(rod))}>
          <u className="decoration-dotted">{lost.length === 0 ? 'none; add one' : 'add one'}</u>
          <span className="sr-only"> lost, {name}</span>
        </button>
        <button type="button" className="text-left text-ink2 hover:text-ink whitespace-nowrap" onClick={onMinutes}>
          <u className="decoration-dotted">{landedWords(rod)}</u>
          <span className="sr-only">, {name}</span>
        </button>
      </div>
    </div>
  );
}

/** Take and loss, large enough for a thumb, where there is little room. */
const ByThumb = ({ rod, name, onChange }: Pick<OneRodProps, 'rod' | 'onChange'> & { readonly name: string }) => (
  <div className="hidden max-[640px]:flex gap-2 basis-full">
    {(
      [
        ['Take', oneTaken],
        ['Loss', oneLost],
      ] as const
    ).map(([words, more]) => (
      <button key={words} type="button" className="sheet-button flex-1 min-h-11" onClick={() => onChange(more(rod))}>
        {words}
        <span className="sr-only">, {name}</span>
      </button>
    ))}
  </div>
);

/** One taken more, and one lost: where it was lost most often, on the bed. */
export const oneTaken = (rod: Rod): Rod => ({ ...rod, takes: (rod.takes ?? 0) + 1 });
export const oneLost = (rod: Rod): Rod => ({ ...rod, lost: [...(rod.lost ?? []), { how: 'bed' }] });
