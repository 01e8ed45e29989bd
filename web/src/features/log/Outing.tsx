import type { Fault } from '@jobbet/core/base';
import { fishedOf, readLogLine } from '@jobbet/core/log';
import type { FlyFile } from '@jobbet/core/pattern';
import { LIGHTS, type OutingFile, TRENDS } from '@jobbet/core/records';
import { saying } from '@jobbet/core/units';
import { type RefObject, useState } from 'react';
import type { StoredBeat, StoredOuting } from '../../shared/api/client.ts';
import { useGauge } from '../../shared/records/useGauge.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { TextField, ChoiceField } from '../../shared/fields/Fields.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { changed } from './outings.ts';
import { Pictures } from './Pictures.tsx';
import { Rods } from './Rods.tsx';
import { byNumber, dayText, fileOf, withLine, withTold } from './writing.ts';

interface OutingProps {
  readonly stored: StoredOuting;
  readonly beats: readonly StoredBeat[];
  readonly files: Readonly<Record<string, FlyFile>>;
  /** Which of its flies is chosen. */
  readonly at: number;
  readonly onAt: (at: number) => void;
  readonly line: RefObject<HTMLInputElement | null>;
  readonly pictures: RefObject<HTMLInputElement | null>;
  readonly onMinutes: (at: number) => void;
}

/** An outing: what it was like as a sentence with blanks, a line for each fly, and the flies with what came to them. */
export function Outing({ stored, beats, files, at, onAt, onMinutes, line, pictures }: OutingProps) {
  const fished = fishedOf(stored.record);
  return (
    <section aria-label="The outing" className="flex flex-col min-h-0" data-testid="outing">
      <Sentence {...{ stored, beats, pictures }} />
      <Line {...{ stored, files, line }} onAdded={() => onAt(stored.record.rods.length)} />
      {!fished.ok && (
        <div role="alert" className="px-4 py-1 text-warn">
          <ul>
            {fished.faults.map(({ path, message }) => (
              <li key={path} className="flex gap-1.5">
                <SnagFlag /> {message}
              </li>
            ))}
          </ul>
        </div>
      )}
      <Rods {...{ stored, files, at, onAt, onMinutes }} />
    </section>
  );
}

type Texts = 'date' | 'from' | 'to' | 'clarity' | 'hand';

function Sentence({ stored, beats, pictures }: Pick<OutingProps, 'stored' | 'beats' | 'pictures'>) {
  const { record } = stored;
  const { depth } = saying(useStyle());
  const beat = beats.find(({ name }) => name === record.beat);
  const station = useGauge(beat?.record.gauge?.station, undefined);
  const nowText = station.now && depth(1000 * station.now.row.levelM);
  const [isToday] = useState(() => record.date === dayText(new Date()));
  const put = (part: Partial<OutingFile>, gone: readonly (keyof OutingFile)[] = []): readonly Fault[] =>
    changed(
      stored,
      Object.fromEntries(
        Object.entries({ ...record, ...part }).filter(([key]) => !gone.includes(key as keyof OutingFile)),
      ) as OutingFile,
    );
  const blank = (key: Texts, label: string, empty: string) => (
    <TextField
      label={label}
      value={record[key] ?? ''}
      empty={empty}
      later
      onChange={(text) => (text.trim() === '' ? put({}, [key]) : put({ [key]: text.trim() }))}
    />
  );
  const gauge = (key: 'level' | 'temperature', label: string, empty: string) => (
    <TextField
      label={label}
      value={record.gauge?.[key] ?? ''}
      empty={empty}
      later
      onChange={(text) => {
        const { [key]: _was, ...others } = record.gauge ?? {};
        return put({ gauge: text.trim() === '' ? others : { ...others, [key]: text.trim() } });
      }}
    />
  );
  return (
    <p className="px-4 py-1.5 border-b border-hair text-row leading-[1.9]" data-testid="outing-sentence">
      {blank('date', 'day', '2026-10-12')},{' '}
      <TextField
        label="beat"
        value={record.beat}
        later
        options={beats.map(({ name }) => name)}
        onChange={(text) => put({ beat: text.trim() })}
      />
      , gauge {gauge('level', 'level of the gauge', '0.6 m')}
      {station.now && nowText !== null && isToday && nowText !== (record.gauge?.level ?? '') && (
        <button
          type="button"
          className="ml-1 text-label italic text-ink2 underline decoration-dotted hover:text-ink"
          onClick={() => put({ gauge: { ...record.gauge, level: nowText, trend: station.now?.trend ?? 'steady' } })}
        >
          now {nowText}, {station.now.trend}
          {station.simulated && ', simulated'}
        </button>
      )}{' '}
      and{' '}
      <ChoiceField
        label="the gauge is"
        value={record.gauge?.trend ?? ''}
        empty="so"
        options={TRENDS}
        onChange={(trend) => put({ gauge: { ...record.gauge, trend: trend as (typeof TRENDS)[number] } })}
      />
      ,{' '}
      <ChoiceField
        label="light"
        value={LIGHTS.find((each) => each === record.light) ?? ''}
        empty={record.light ?? 'any light'}
        options={LIGHTS}
        onChange={(light) => put({ light })}
      />
      , clear to {blank('clarity', 'clear to', '1.2 m')}, {gauge('temperature', 'temperature of the water', '8 C')},{' '}
      {blank('from', 'it began', '15:10')} to {blank('to', 'it ended', '18:30')}, by {blank('hand', 'who fished', 'me')}{' '}
      <Pictures {...{ stored }} input={pictures} />
    </p>
  );
}

/** What came of a line before it is kept, in words. */
function readWords(text: string, names: readonly string[]): { readonly words: string; readonly ok: boolean } {
  const read = readLogLine(text, names);
  if (!read.ok) return { words: read.faults[0]?.message ?? '', ok: false };
  const { rod, minutes } = read.value;
  const said = [
    rod.fly,
    minutes === null ? rod.from && `${rod.from} to ${rod.to ?? ''}` : `${String(minutes)} min`,
    rod.line,
    rod.manner,
    rod.count && `count ${rod.count}`,
    rod.casts !== undefined && `${String(rod.casts)} casts`,
    rod.touches !== undefined && `touches ${String(rod.touches)}`,
    rod.takes !== undefined && `takes ${String(rod.takes)}`,
    rod.landed && `landed ${String(rod.landed.length)}`,
    rod.lost && `lost: ${rod.lost.map(({ how }) => how).join(', ')}`,
    rod.fouled !== undefined && `fouled ${String(rod.fouled)}`,
    rod.seen && `seen: ${rod.seen}`,
  ];
  return { words: said.filter((each) => typeof each === 'string').join(' · '), ok: true };
}

/** One line is enough to begin with: it is read into fields, and shown so before it is kept. */
function Line({
  stored,
  files,
  line,
  onAdded,
}: {
  readonly stored: StoredOuting;
  readonly files: OutingProps['files'];
  readonly line: OutingProps['line'];
  readonly onAdded: () => void;
}) {
  const [text, setText] = useState('');
  const names = Object.values(files).map(({ name }) => name);
  const there = stored.record.rods.map((rod) => fileOf(rod, files)?.name ?? '');
  const said = byNumber(text, there);
  const read = text.trim() === '' ? null : readWords(said.text, names);
  const keep = (): void => {
    const told = readLogLine(said.text, names);
    if (!told.ok) return;
    if (said.at !== null) {
      changed(stored, withTold(stored.record, said.at, told.value), `${told.value.rod.fly ?? ''} is written down.`);
      setText('');
      return;
    }
    const [id, file] = Object.entries(files).find(([, { name }]) => name === told.value.rod.fly) ?? [];
    if (id === undefined || !file) return;
    const next = withLine(stored.record, told.value, id, file);
    if (changed(stored, next, `${file.name} is written down.`).length > 0) return;
    setText('');
    onAdded();
  };
  return (
    <form
      className="flex items-baseline max-[640px]:flex-wrap gap-3 px-4 py-1 border-b border-hair"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <span className="plain-key">W</span>
      <input
        ref={line}
        className="field w-[46%] max-[640px]:w-full max-[640px]:min-h-11 !text-left"
        aria-label="a fly in a line"
        placeholder={`${names[0] ?? 'a fly'}, 40 min, 2 takes, lost on the bed`}
        autoComplete="off"
        spellCheck={false}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') event.currentTarget.blur();
        }}
      />
      <span
        role="status"
        className={`flex-1 min-w-0 truncate text-label italic ${read?.ok === false ? 'text-warn' : 'text-ink2'}`}
        title={read?.words ?? ''}
      >
        {read?.words ??
          'how long, takes, touches, how it was lost, line, manner, count, what was seen: read before it is kept'}
      </span>
      <button type="submit" className="sheet-button shrink-0" disabled={read?.ok !== true}>
        Write it down
      </button>
    </form>
  );
}
