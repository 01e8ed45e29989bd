import { saying, type Style } from '@jobbet/core/units';
import type { Fishes, Moment } from '@jobbet/core/water';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';

/** Which end of it hangs, where it does not lie level. */
export function noseWords(noseDownDeg: number, style: Style): string {
  if (Math.abs(noseDownDeg) < 5) return 'level';
  return `${noseDownDeg > 0 ? 'nose-first' : 'tail hangs'} ${saying(style).angle(Math.abs(noseDownDeg))}`;
}

/** How a fly of the box fishes here: how deep, on what, and what is against it. */
export const fishesWords = ({ lowestMm, line, countS, against }: Fishes, style: Style): string =>
  [
    `${saying(style).depth(lowestMm)} deep`,
    ...(against.length > 0 ? against : [line, ...(countS > 0 ? [`count ${String(countS)}`] : [])]),
  ].join(', ');

/** How a moment is said: when, how deep, how it lies. */
export const momentWords = ({ t, fly, ride, noseDownDeg }: Moment, style: Style): string =>
  `${t.toFixed(1)} s, ${saying(style).depth(-fly[2])} deep, ${rideWords(ride)}, ${noseWords(noseDownDeg, style)}`;
