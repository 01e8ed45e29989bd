import { z } from 'zod';
import { parseQuantity, type QuantityKind, readNumber } from '../units/index.ts';

/** The measures of records as people write them: days, times of day, shares. */

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/;
const CLOCK = /^([01]\d|2[0-3]):([0-5]\d)$/;

/** Minutes from the beginning of 1970 to a day's midnight, as the calendar has it; NaN for a day there is not. */
export function dayMinutes(text: string): number {
  const found = DAY.exec(text);
  if (!found) return Number.NaN;
  const [year, month, day] = found.slice(1).map(Number) as [number, number, number];
  const at = new Date(Date.UTC(year, month - 1, day));
  return at.getUTCMonth() === month - 1 && at.getUTCDate() === day ? at.getTime() / 60_000 : Number.NaN;
}

/** Minutes from midnight to a time of day; NaN for what is none. */
export function clockMinutes(text: string): number {
  const found = CLOCK.exec(text);
  return found ? 60 * Number(found[1]) + Number(found[2]) : Number.NaN;
}

/** Minutes from the beginning of 1970 to a moment, by the calendar; NaN for what is none. */
export function momentMinutes(text: string): number {
  const seconds = /^:[0-5]\d$/.test(text.slice(16)) ? Number(text.slice(17)) : text.length === 16 ? 0 : Number.NaN;
  return dayMinutes(text.slice(0, 10)) + clockMinutes(text.slice(11, 16)) + seconds / 60;
}

/** A moment by the calendar, as `2026-03-02T19:30`; seconds are kept where there are any. @param minutes from the beginning of 1970, by the calendar */
export function momentText(minutes: number): string {
  const text = new Date(Math.round(minutes * 60_000)).toISOString();
  return text.slice(17, 19) === '00' ? text.slice(0, 16) : text.slice(0, 19);
}

/** A share written in per cent, or as a number from 0 to 1. @returns NaN for what is none */
export function readShare(text: string): number {
  const plain = text.trim();
  const percent = plain.endsWith('%');
  const body = percent ? plain.slice(0, -1).trim() : plain;
  const number = readNumber(body, 0);
  if (!number || number.ask !== undefined || number.end !== body.length) return Number.NaN;
  return percent ? number.value / 100 : number.value;
}

const text = (meaning: string, most: number, holds: (text: string) => boolean, wrong: string) =>
  z
    .string()
    .max(most)
    .refine(holds, { error: ({ input }) => `"${String(input)}" ${wrong}` })
    .describe(meaning);

/** A day of the calendar: `2026-03-14`. */
export const day = (meaning: string) =>
  text(meaning, 10, (each) => Number.isFinite(dayMinutes(each)), 'is no day of the calendar; write it as 2026-03-14');

/** A time of day: `19:30`. */
export const clock = (meaning: string) =>
  text(meaning, 5, (each) => Number.isFinite(clockMinutes(each)), 'is no time of day; write it as 19:30');

/** A moment by the local calendar: `2026-03-02T20:12`. */
export const moment = (meaning: string) =>
  text(
    meaning,
    25,
    (each) => Number.isFinite(dayMinutes(each.slice(0, 10))) && Number.isFinite(clockMinutes(each.slice(11, 16))),
    'is no moment; write it as 2026-03-02T20:12',
  );

/** A share below `most`: `5 %`. */
export const share = (meaning: string, most: number) =>
  text(
    meaning,
    20,
    (each) => readShare(each) >= 0 && readShare(each) <= most,
    `is no share from 0 to ${String(100 * most)} %; write it as 5 %`,
  );

/** A measure with its unit; it stays as it was written. @param wrong what is the matter with one that reads, by its value in the unit of its kind; null where nothing is */
export const quantity = (
  kind: QuantityKind,
  meaning: string,
  wrong: (value: number, text: string) => string | null = () => null,
) =>
  z
    .string()
    .max(60)
    .superRefine((written, into) => {
      const read = parseQuantity(kind, written);
      const message = read.ok ? wrong(read.value, written) : read.message;
      if (message !== null) into.addIssue({ code: 'custom', message });
    })
    .describe(meaning);
