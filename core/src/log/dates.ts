import { type DateFile, dayMinutes, momentText } from '../records/index.ts';

/** One time a date comes round: days of the calendar. */
export interface Occurrence {
  readonly name: string;
  readonly sort: DateFile['sort'];
  readonly from: string;
  readonly to: string;
  /** By when flies for it are ready; null where nothing is told. */
  readonly tieBy: string | null;
}

const DAY = 24 * 60;
const dayText = (minutes: number): string => momentText(minutes).slice(0, 10);

/** The same day so many years later; the last of February where it is a day that year has not. */
function yearsLater(day: string, years: number): string {
  const text = `${String(Number(day.slice(0, 4)) + years).padStart(4, '0')}${day.slice(4)}`;
  return Number.isFinite(dayMinutes(text)) ? text : `${text.slice(0, 8)}28`;
}

/**
 * When a date comes round between two days, the first one first.
 * @param from `2026-03-14`; what lasts into the time is told too @param to the last day
 */
export function occurrencesOf(date: DateFile, from: string, to: string): readonly Occurrence[] {
  const { name, sort, every } = date;
  const all: Occurrence[] = [];
  const last = Number(to.slice(0, 4)) - Number(date.from.slice(0, 4));
  const first = Number(from.slice(0, 4)) - Number(date.from.slice(0, 4));
  const begins = every === undefined ? 0 : Math.max(0, Math.floor(first / every - 1) * every);
  for (let years = begins; years <= Math.max(0, last); years += every ?? Infinity) {
    const [start, end] = [yearsLater(date.from, years), yearsLater(date.to ?? date.from, years)];
    if (dayMinutes(start) > dayMinutes(to) || dayMinutes(end) < dayMinutes(from)) continue;
    const tieBy = date.tieDays === undefined ? null : dayText(dayMinutes(start) - date.tieDays * DAY);
    all.push({ name, sort, from: start, to: end, tieBy });
  }
  return all;
}

/** The run a day falls in, by its name; null where there is none. */
export function runOn(dates: readonly DateFile[], day: string): string | null {
  const runs = dates.filter(({ sort }) => sort === 'run').flatMap((date) => occurrencesOf(date, day, day));
  return runs[0]?.name ?? null;
}

/** What comes next, in order: of each date the first time that is not over. @param today `2026-11-30` */
export function nextDates(dates: readonly DateFile[], today: string): readonly Occurrence[] {
  const horizon = yearsLater(today, 11);
  return dates
    .flatMap((date) => occurrencesOf(date, today, horizon).slice(0, 1))
    .sort((one, other) => dayMinutes(one.from) - dayMinutes(other.from));
}
