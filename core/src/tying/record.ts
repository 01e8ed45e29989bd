import { isTruer, type TyingRecord } from '../contract/index.ts';

/** A tying that begins. Known by its fly and the moment. @param of the fly of a batch it is */
export const newTying = (fly: string, sheet: string, step: string, now: number, of?: string): TyingRecord => ({
  fly,
  sheet,
  begun: now,
  ...(of === undefined ? {} : { of }),
  changed: now,
  edits: 0,
  step,
  spent: {},
  counts: {},
  differs: {},
  drying: {},
  done: null,
});

/** Two lists of tyings as one, the newest last; of two accounts of one tying the truer one. */
export function mergedTyings(kept: readonly TyingRecord[], here: readonly TyingRecord[]): TyingRecord[] {
  const all = new Map<number, TyingRecord>();
  for (const each of [...kept, ...here]) {
    const known = all.get(each.begun);
    if (!known || isTruer(each, known)) all.set(each.begun, each);
  }
  return [...all.values()].sort((a, b) => a.begun - b.begun);
}

/** The tying that was left in the middle, of the fly as it is. @param of the fly of a batch it is; then a finished one stands for itself too */
export const openTying = (tyings: readonly TyingRecord[], sheet: string, of?: string): TyingRecord | null =>
  tyings.findLast((each) => each.sheet === sheet && each.of === of && (of !== undefined || each.done === null)) ?? null;

/** ms a tying took, or has taken so far. */
export const tyingTime = ({ spent }: TyingRecord): number => Object.values(spent).reduce((sum, ms) => sum + ms, 0);

export const isFinished = ({ done }: TyingRecord): boolean => done !== null;

const median = (values: readonly number[]): number | null =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? null;

/** The usual time a fly takes: the median of those that were finished, ms; null where none was. */
export const usualTime = (tyings: readonly TyingRecord[]): number | null =>
  median(tyings.filter(isFinished).map(tyingTime));

/** The usual time one step takes, of the flies that were finished, ms; null where none was. */
export const usualStepTime = (tyings: readonly TyingRecord[], step: string): number | null =>
  median(tyings.filter(isFinished).flatMap(({ spent }) => spent[step] ?? []));

/** `3:40`, or `1:02:05` from an hour on. */
export function clock(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (value: number): string => String(value).padStart(2, '0');
  return h > 0 ? `${String(h)}:${two(m)}:${two(s)}` : `${String(m)}:${two(s)}`;
}
