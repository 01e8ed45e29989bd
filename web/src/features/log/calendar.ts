import { occurrencesOf } from '@jobbet/core/log';
import type { DateFile } from '@jobbet/core/records';

/** A calendar is told of so many years from today. */
const YEARS = 3;
const DAY_MS = 86_400_000;
const midnight = (day: string): Date => new Date(`${day}T00:00:00Z`);

interface Wanted {
  readonly id: string;
  readonly name: string;
  /** By when its flies are to be ready: `2026-03-14`. */
  readonly date: string;
}

/**
 * Dates as a calendar takes them (RFC 5545), whole days, each time they come round within three years; and by when flies are to be ready, for a date or in a batch.
 * @param today `2026-11-30`
 */
export async function calendarOfDates(
  dates: readonly { readonly id: string; readonly record: DateFile }[],
  batches: readonly Wanted[],
  today: string,
): Promise<string> {
  const { ICalCalendar } = await import('ical-generator');
  const calendar = new ICalCalendar({ name: 'Runs, seasons and trips', prodId: { company: 'Jobbet', product: 'Log' } });
  const last = `${String(Number(today.slice(0, 4)) + YEARS)}${today.slice(4)}`;
  const whole = (id: string, summary: string, from: string, to: string): void => {
    calendar.createEvent({
      id,
      allDay: true,
      start: midnight(from),
      // The day an event ends on is the first it is not on.
      end: new Date(midnight(to).getTime() + DAY_MS),
      summary,
      timezone: 'UTC',
    });
  };
  for (const { id, record } of dates)
    for (const { name, from, to, tieBy } of occurrencesOf(record, today, last)) {
      whole(`${id}-${from}`, name, from, to);
      if (tieBy !== null && tieBy >= today) whole(`${id}-${from}-tie`, `Flies ready for ${name}`, tieBy, tieBy);
    }
  for (const { id, name, date } of batches.filter((each) => each.date >= today))
    whole(`${id}-by`, `Flies ready: ${name}`, date, date);
  return calendar.toString();
}
