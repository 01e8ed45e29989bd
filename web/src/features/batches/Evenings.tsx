import { clockMinutes, type BatchFile } from '@jobbet/core/records';
import { TextField } from '../../shared/fields/Fields.tsx';
import { momentNow } from '../../fly/batches/clock.ts';
import type { Change } from '../../fly/batches/kept.ts';

type Evening = NonNullable<BatchFile['evenings']>[number];

interface EveningsProps {
  readonly batch: BatchFile;
  readonly onChange: Change;
}

const DAY_MS = 86_400_000;
const FIRST: Omit<Evening, 'date'> = { from: '19:30', to: '21:30' };

/** The day after, as records write it. */
const dayAfter = (day: string): string => new Date(Date.parse(`${day}T12:00Z`) + DAY_MS).toISOString().slice(0, 10);

/** Evenings there are for it: a day, from when to when. An evening that ends before it begins is not taken. */
export function Evenings({ batch, onChange }: EveningsProps) {
  const evenings = batch.evenings ?? [];
  const keep = (words: string, next: readonly Evening[]): void =>
    onChange(words, (now) => {
      const { evenings: _was, ...rest } = now;
      return next.length === 0 ? rest : { ...rest, evenings: [...next] };
    });
  const set = (at: number, change: Partial<Evening>): void => {
    const next = evenings.map((each, i) => (i === at ? { ...each, ...change } : each));
    const changed = next[at];
    if (changed && changed.date !== '' && changed.from < changed.to) keep('an evening', next);
  };
  const last = evenings.at(-1);
  return (
    <div className="px-3 py-2">
      <h2 className="font-bold">Evenings</h2>
      {evenings.map((each, i) => (
        <p key={i} className="flex items-center gap-1.5 py-0.5">
          <input
            aria-label={`day of evening ${String(i + 1)}`}
            type="date"
            className="bg-transparent w-[82px] [&::-webkit-calendar-picker-indicator]:hidden"
            value={each.date}
            onChange={(event) => set(i, { date: event.target.value })}
          />
          <Clock
            label={`evening ${String(i + 1)} begins`}
            value={each.from}
            onChange={(from) => set(i, { from })}
            holds={(from) => from < each.to}
          />
          to
          <Clock
            label={`evening ${String(i + 1)} ends`}
            value={each.to}
            onChange={(to) => set(i, { to })}
            holds={(to) => each.from < to}
          />
          <button
            type="button"
            aria-label={`without evening ${String(i + 1)}`}
            className="px-1 text-ink2 hover:text-ink"
            onClick={() =>
              keep(
                'an evening less',
                evenings.filter((_, k) => k !== i),
              )
            }
          >
            ×
          </button>
        </p>
      ))}
      <button
        type="button"
        className="underline text-label"
        onClick={() =>
          keep('an evening more', [
            ...evenings,
            last ? { ...last, date: dayAfter(last.date) } : { date: momentNow().slice(0, 10), ...FIRST },
          ])
        }
      >
        {last ? 'One more' : 'Name an evening'}
      </button>
    </div>
  );
}

interface ClockProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (time: string) => void;
  /** Whether the evening still ends after it begins. */
  readonly holds: (time: string) => boolean;
}

/** A time of day as records write it; `19` and `7:30` are read too. */
const Clock = ({ label, value, onChange, holds }: ClockProps) => (
  <TextField
    label={label}
    value={value}
    onChange={(text) => {
      const [, hours = '', minutes = '00'] = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(text.trim()) ?? [];
      const time = `${hours.padStart(2, '0')}:${minutes}`;
      const no = (message: string) => [{ path: '', code: 'syntax' as const, message }];
      if (!Number.isFinite(clockMinutes(time))) return no('a time of day, such as 19:30');
      if (!holds(time)) return no('an evening ends after it begins');
      onChange(time);
      return [];
    }}
  />
);
