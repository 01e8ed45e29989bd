import { z } from 'zod';
import { kept } from '../shell/kept.ts';

/** One fly as it was tied: which version, how far, how long each step took, what differed. Times in ms. */
const record = z.object({
  fly: z.string(),
  /** The sheet it is tied by: another version of the fly has another. */
  sheet: z.string(),
  begun: z.number(),
  step: z.string(),
  /** ms spent on each step, by its key. */
  spent: z.record(z.string(), z.number()),
  counts: z.record(z.string(), z.number()),
  differs: z.record(z.string(), z.string()),
  /** When what was coated is dry, by the step's key. */
  drying: z.record(z.string(), z.number()),
  done: z.number().nullable(),
});
export type TyingRecord = z.infer<typeof record>;

const MOST = 200;
const tyings = kept('jobbet.tyings', z.array(record), []);

/** All tyings of a fly that are kept in this browser, the newest last. */
export const tyingsOf = (fly: string): TyingRecord[] => tyings.read().filter((each) => each.fly === fly);

/** The tying that was left in the middle, of the fly as it is. */
export const openTying = (fly: string, sheet: string): TyingRecord | null =>
  tyingsOf(fly).findLast((each) => each.done === null && each.sheet === sheet) ?? null;

export const newTying = (fly: string, sheet: string, step: string, now: number): TyingRecord => ({
  fly,
  sheet,
  begun: now,
  step,
  spent: {},
  counts: {},
  differs: {},
  drying: {},
  done: null,
});

/** Keeps a tying; one is known by its fly and when it was begun. */
export function keepTying(tying: TyingRecord): void {
  const others = tyings.read().filter((each) => each.fly !== tying.fly || each.begun !== tying.begun);
  tyings.write([...others, tying].slice(-MOST));
}

/** The usual time a fly takes: the median of those that were finished, ms; null where none was. */
export function usualTime(fly: string): number | null {
  const times = tyingsOf(fly)
    .filter((each) => each.done !== null)
    .map((each) => Object.values(each.spent).reduce((sum, ms) => sum + ms, 0))
    .sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? null;
}

/** `3:40`, or `1:02:05` from an hour on. */
export function clock(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (value: number): string => String(value).padStart(2, '0');
  return h > 0 ? `${String(h)}:${two(m)}:${two(s)}` : `${String(m)}:${two(s)}`;
}
