import { formatDistanceToNow } from 'date-fns';

type When = number | string | Date;

/** A day and a time as this browser writes them. */
export const dateAndTime = (when: When): string => new Date(when).toLocaleString();

/** A day as this browser writes it. */
export const day = (when: When): string => new Date(when).toLocaleDateString();

/** A day and a time in short, without the year. */
export const shortly = (when: When): string =>
  new Date(when).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** How long ago, in words. @example ago(Date.now() - 120_000) // '2 minutes ago' */
export const ago = (when: When): string => formatDistanceToNow(when, { addSuffix: true });

/** A day of the calendar in short, without the year: `1 Nov`. @param date `2026-11-01` */
export const calendarDay = (date: string): string =>
  new Date(`${date}T12:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** A day of the calendar as it is said: `1 November 2026`. @param date `2026-11-01` */
export const longDay = (date: string): string =>
  new Date(`${date}T12:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' });

/** A day of the calendar in short, with its year where that is not this one. @param date `2026-11-01` */
export const dayLately = (date: string, now: Date = new Date()): string =>
  date.startsWith(String(now.getFullYear()))
    ? calendarDay(date)
    : new Date(`${date}T12:00`).toLocaleDateString(undefined, { month: 'short', year: 'numeric' });
