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

/** A day of the calendar in short, without the year: `1 Nov`. */
export const calendarDay = (date: string): string =>
  new Date(`${date}T12:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
