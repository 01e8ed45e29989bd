import type { Fault } from '@jobbet/core/base';
import { EVENTS, LOSSES, type OutingFile, type Rod } from '@jobbet/core/records';
import { ChoiceField, TextField } from '../../shared/fields/Fields.tsx';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import type { StoredOuting } from '../../shared/api/client.ts';
import { changed } from './outings.ts';
import { EVENT_WORDS, LOST_WORDS } from './words.ts';
import { clockNow, withRod } from './writing.ts';

type Event = NonNullable<Rod['events']>[number];
type Landed = NonNullable<Rod['landed']>[number];

interface ByMinuteProps {
  readonly stored: StoredOuting;
  readonly at: number;
  readonly name: string;
  readonly onClose: () => void;
}

/** A thing with one of its texts told anew; without it where nothing is told. */
const told = <T extends object>(thing: T, key: keyof T, text: string): T => {
  const others = Object.fromEntries(Object.entries(thing).filter(([each]) => each !== key));
  return (text.trim() === '' ? others : { ...others, [key]: text.trim() }) as T;
};
/** A list with one entry told anew, or without it. */
const put = <T,>(all: readonly T[], at: number, next: T | null): T[] =>
  all.flatMap((each, i) => (i === at ? (next === null ? [] : [next]) : [each]));

/** How a fly was fished, beside what is told in its line. */
const HOW = [
  ['leader', 'leader'],
  ['manner', 'manner'],
  ['count', 'count'],
  ['hand', 'tied by'],
  ['note', 'note'],
] as const;

/** What came to a fly, by the minute, and the fish that were landed. Where anything is told by the minute the counts are of it. */
export function ByMinute({ stored, at, name, onClose }: ByMinuteProps) {
  const rod = stored.record.rods[at];
  if (!rod) return null;
  const change = (more: Partial<Rod>): readonly Fault[] => {
    const kept = Object.fromEntries(
      Object.entries({ ...rod, ...more }).filter(([, value]) => !(Array.isArray(value) && value.length === 0)),
    ) as Rod;
    return changed(stored, withRod(stored.record, at, kept));
  };
  const { events = [], landed = [] } = rod;
  return (
    <DialogBox
      open
      wide
      title={`What came to ${name}`}
      note="Where anything is told by the minute, takes, touches, fouls and losses are counted from it."
      onClose={onClose}
    >
      <p className="border-b border-hair pb-2" data-testid="how">
        {HOW.map(([key, empty]) => (
          <span key={key} className="mr-3">
            <i className="text-ink2 text-label">{empty}</i>{' '}
            <TextField
              label={`${empty}, ${name}`}
              value={rod[key] ?? ''}
              empty="not told"
              later
              onChange={(words) => changed(stored, withRod(stored.record, at, told(rod, key, words)))}
            />
          </span>
        ))}
      </p>
      <Events {...{ events, name, rod }} outing={stored.record} onChange={(next) => change({ events: next })} />
      <Sizes {...{ landed, name }} onChange={(next) => change({ landed: next })} />
    </DialogBox>
  );
}

function Events({
  events,
  name,
  outing,
  rod,
  onChange,
}: {
  readonly events: readonly Event[];
  readonly name: string;
  readonly outing: OutingFile;
  readonly rod: Rod;
  readonly onChange: (events: Event[]) => readonly Fault[];
}) {
  return (
    <section aria-label="By the minute">
      <ol>
        {events.map((event, i) => {
          const tell = (next: Event | null): readonly Fault[] => onChange(put(events, i, next));
          const text = (key: 'part' | 'note', empty: string) => (
            <TextField
              label={`${empty}, ${event.at}, ${name}`}
              value={event[key] ?? ''}
              empty={empty}
              later
              onChange={(words) => tell(told(event, key, words))}
            />
          );
          return (
            <li
              key={`${event.at} ${String(i)}`}
              className="border-t border-hair py-1 flex flex-wrap gap-2 items-baseline"
            >
              <TextField
                label={`when, ${String(i + 1)}, ${name}`}
                value={event.at}
                later
                onChange={(at) => tell({ ...event, at: at.trim() })}
              />
              <ChoiceField
                label={`what came, ${event.at}, ${name}`}
                value={event.what}
                options={EVENTS.map((each) => [each, EVENT_WORDS[each]] as const)}
                onChange={(what) => tell({ ...event, what: what as Event['what'] })}
              />
              {event.what === 'lost' && (
                <ChoiceField
                  label={`how it was lost, ${event.at}, ${name}`}
                  value={event.how ?? 'bed'}
                  options={LOSSES.map((each) => [each, LOST_WORDS[each]] as const)}
                  onChange={(how) => tell({ ...event, how })}
                />
              )}
              {(event.what === 'fouled' || event.what === 'damaged') && text('part', 'which part')}
              {text('note', 'note')}
              <button type="button" className="text-label text-ink2 hover:text-ink ml-auto" onClick={() => tell(null)}>
                take out<span className="sr-only">, {event.at}</span>
              </button>
            </li>
          );
        })}
      </ol>
      <p className="flex flex-wrap gap-2 py-2">
        {EVENTS.map((what) => (
          <button
            key={what}
            type="button"
            className="sheet-button"
            onClick={() => onChange([...events, { at: clockNow(new Date(), outing, rod), what }])}
          >
            {EVENT_WORDS[what]}
          </button>
        ))}
        <span className="text-label text-ink2 self-center">put down with the time it is</span>
      </p>
    </section>
  );
}

function Sizes({
  landed,
  name,
  onChange,
}: {
  readonly landed: readonly Landed[];
  readonly name: string;
  readonly onChange: (landed: Landed[]) => readonly Fault[];
}) {
  return (
    <section aria-label="Landed" className="border-t border-rule mt-2 pt-2">
      <h3 className="font-bold">Landed</h3>
      <ol>
        {landed.map((fish, i) => {
          const text = (key: 'length' | 'weight', empty: string) => (
            <TextField
              label={`${key} of fish ${String(i + 1)}, ${name}`}
              value={fish[key] ?? ''}
              empty={empty}
              later
              onChange={(words) => onChange(put(landed, i, told(fish, key, words)))}
            />
          );
          return (
            // Fish have no names: the place is what tells one from another.
            <li key={`fish ${String(i)}`} className="border-t border-hair py-1 flex flex-wrap gap-2 items-baseline">
              Fish {i + 1}: {text('length', '62 cm')} {text('weight', '2.4 kg')}
              <label className="flex gap-1 items-baseline">
                <input
                  type="checkbox"
                  checked={fish.kept === true}
                  onChange={(event) => onChange(put(landed, i, { ...fish, kept: event.target.checked }))}
                />
                kept
              </label>
              <button
                type="button"
                className="text-label text-ink2 hover:text-ink ml-auto"
                onClick={() => onChange(put(landed, i, null))}
              >
                take out<span className="sr-only"> fish {i + 1}</span>
              </button>
            </li>
          );
        })}
      </ol>
      <button type="button" className="sheet-button mt-1" onClick={() => onChange([...landed, {}])}>
        Another fish
      </button>
    </section>
  );
}
