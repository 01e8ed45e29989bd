import { sinkRange, type LaidFly } from '@jobbet/core/model';
import type { Wish } from '@jobbet/core/study';
import { figureOf, formatSpeed, readTyped, type Style, type Typed } from '@jobbet/core/units';

/** A wish as it is written: its speeds may not read. */
export interface WishDraft {
  readonly ride: string;
  readonly holds: string;
  readonly low: string;
  readonly high: string;
  readonly lead: boolean;
  readonly from: Wish['from'];
}

/** What a fly is meant for, as the wish a search begins with. */
export function draftOf({ file: { intent }, platform }: LaidFly, style: Style): WishDraft {
  const [low, high] = intent?.sink === undefined ? [0, Infinity] : sinkRange(intent.sink);
  const written = (mmS: number): string => (mmS > 0 && mmS < Infinity ? formatSpeed(mmS, style).figure : '');
  return {
    ride: intent?.ride ?? (platform.pointUp ? 'point-down' : 'point-up'),
    holds: intent?.current ?? '',
    low: written(low),
    high: written(high),
    lead: false,
    from: 'sold',
  };
}

/** A speed as typed, in the tier's unit where none is written; mm/s. */
export const speedTyped = (text: string, style: Style): Typed =>
  readTyped('speed', text, { bare: style.speed, least: 0 });

/** Faster than anything sinks, mm/s. */
const ANY_SPEED = 100_000;

/** The wish as it is searched for; null where it does not read. */
export function wishOf({ ride, holds, low, high, lead, from }: WishDraft, style: Style): Wish | null {
  const speeds = [holds, low, high].map((text) => speedTyped(text, style));
  const [holdsMmS = null, lowMmS = null, highMmS = null] = speeds.map(figureOf);
  if (speeds.some((each) => each.is === 'wrong') || (lowMmS ?? 0) > (highMmS ?? Infinity)) return null;
  return {
    ride: ride === 'point-up' || ride === 'point-down' ? ride : null,
    holdsMmS,
    sinkMmS: lowMmS === null && highMmS === null ? null : [lowMmS ?? 0, highMmS ?? ANY_SPEED],
    lead,
    from,
  };
}
