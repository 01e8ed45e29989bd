import type { Hand } from '@jobbet/core/drawing';

/** Sizes of the dial, px. */
export const DIAL = { size: 480, centre: 240, zero: 106, most: 174, rim: 190 } as const;

const toRad = (deg: number): number => (deg * Math.PI) / 180;

/** Where on the dial a roll is: clockwise from the top, degrees. The point of the hook shows the way: up at the top, down at the foot. */
export const clockOf = (rollDeg: number, hand: Hand): number => (hand === 'right' ? rollDeg : -rollDeg) + 180;
/** The roll that a place on the dial stands for, degrees in (−180, 180]. */
export function rollOf(clockDeg: number, hand: Hand): number {
  const turned = (hand === 'right' ? 1 : -1) * (clockDeg - 180);
  const roll = ((((turned + 180) % 360) + 360) % 360) - 180;
  return roll === -180 ? 180 : roll;
}

/** A point on the dial, px. */
export const pointAt = (clockDeg: number, radius: number): readonly [x: number, y: number] => [
  DIAL.centre + radius * Math.sin(toRad(clockDeg)),
  DIAL.centre - radius * Math.cos(toRad(clockDeg)),
];

/** A smooth line through points of the dial, closed where it goes all round. */
export const lineThrough = (points: readonly (readonly [number, number])[], closed: boolean): string =>
  points.length === 0
    ? ''
    : `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}${closed ? 'Z' : ''}`;
