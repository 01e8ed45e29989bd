import { type BatchFile, dayMinutes, clockMinutes, momentText, progressAt, type HookAt } from '@jobbet/core/records';
import type { RowReport } from '@jobbet/core/batch';
import { useEffect, useState } from 'react';

const MINUTE_MS = 60_000;

/** Minutes by the calendar of this place, as records count them. */
export const minutesNow = (now = new Date()): number => now.getTime() / MINUTE_MS - now.getTimezoneOffset();

/** This moment as records write it, to the minute. */
export const momentNow = (): string => momentText(Math.floor(minutesNow()));

export const minutesOf = (moment: string): number =>
  dayMinutes(moment.slice(0, 10)) + clockMinutes(moment.slice(11, 16));

/** Minutes now, told anew every half minute. */
export function useMinutes(): number {
  const [now, setNow] = useState(minutesNow);
  useEffect(() => {
    const timer = setInterval(() => setNow(minutesNow()), MINUTE_MS / 2);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** When the last coat that is on a fly is dry, in minutes by the calendar; null where it has none. */
export function dryAt(batch: BatchFile, at: HookAt, row: RowReport | undefined): number | null {
  const on = progressAt(batch, at.row, at.n)?.coats ?? [];
  const last = on.at(-1);
  const coat = row?.coats_min[on.length - 1];
  return last === undefined || !coat ? null : minutesOf(last) + coat.dry;
}

/** `21:25`, of minutes by the calendar. */
export const clockText = (minutes: number): string => momentText(Math.round(minutes)).slice(11, 16);

/** A day as this browser writes it, with its weekday: `Tue 10 Mar`. @param day `2026-03-10` */
export const dayWords = (day: string): string =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' });
