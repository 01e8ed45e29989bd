import { nextDates, type Occurrence } from '@jobbet/core/log';
import type { StoredDate } from '../../shared/api/client.ts';
import { longDay } from '../../shared/ui/dates.ts';
import { SORT_WORDS } from './words.ts';

interface DatesProps {
  readonly dates: readonly StoredDate[];
  readonly today: string;
  /** Whether anything was lost that a batch could make good. */
  readonly canBatch: boolean;
  readonly onSet: (stored: StoredDate | null) => void;
  readonly onBatch: (comes: Occurrence) => void;
}

/** What comes: runs, seasons and trips one set, and by when flies for them are to be ready. */
export function Dates({ dates, today, canBatch, onSet, onBatch }: DatesProps) {
  const comes = nextDates(
    dates.map(({ record }) => record),
    today,
  );
  return (
    <section aria-label="What comes" className="mt-3">
      <h3 className="font-bold border-b border-hair">What comes</h3>
      {comes.length === 0 && <p className="text-ink2">No run, season or trip is set.</p>}
      <ul>
        {comes.map((each) => {
          const stored = dates.find(({ record }) => record.name === each.name && record.sort === each.sort);
          return (
            <li key={each.name + each.from} className="border-b border-hair py-0.5">
              <button type="button" className="font-bold text-left" onClick={() => onSet(stored ?? null)}>
                {each.name}
              </button>{' '}
              <i className="text-ink2">{SORT_WORDS[each.sort]}</i>
              <p className="text-label">
                {each.from <= today ? 'on until' : 'from'} {longDay(each.from <= today ? each.to : each.from)}
                {each.tieBy !== null && each.from > today && <>; flies ready by {longDay(each.tieBy)}</>}
              </p>
              {canBatch && each.tieBy !== null && each.from > today && (
                <button
                  type="button"
                  aria-label={`Plan a batch for it: ${each.name}`}
                  className="text-label text-ink2 hover:text-ink"
                  onClick={() => onBatch(each)}
                >
                  Plan a batch for it
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <button type="button" className="sheet-button mt-1" onClick={() => onSet(null)}>
        Set a date <span className="plain-key">D</span>
      </button>
    </section>
  );
}
