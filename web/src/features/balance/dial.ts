import type { Hand } from '@jobbet/core/drawing';
import { CURVE_DEG, normalDeg, rightingMoment, toRad, type LaidFly } from '@jobbet/core/model';
import type { BalanceFigures } from './reckon.ts';
import type { CurrentShown } from './useBalance.ts';

/** Sizes of the dial, px. */
export const DIAL = { size: 480, centre: 240, zero: 106, most: 174, rim: 190 } as const;

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

/** How far from its rest the push of a current is shown, degrees. */
const PUSH_SPAN = 90;

/** What turns one fly back, drawn round the circle: how far outside the zero circle, so strongly. */
export class Dial {
  readonly restDeg: number | null;
  /** The most that turns it back, mg·mm. */
  readonly mostMgMm: number;
  private readonly keel: LaidFly['tight'];
  private readonly hand: Hand;

  constructor(keel: LaidFly['tight'], hand: Hand) {
    this.keel = keel;
    this.hand = hand;
    this.restDeg = keel.heelDeg;
    this.mostMgMm = Math.max(1e-6, Math.hypot(keel.momentMgMm, keel.lateralMgMm));
  }

  /** Where on the dial a roll is, clockwise from the top. */
  clock(deg: number): number {
    return clockOf(deg, this.hand);
  }

  /** A place at a roll, px. @param radius px */
  at(deg: number, radius: number): readonly [x: number, y: number] {
    return pointAt(this.clock(deg), radius);
  }

  /** A place at a roll as far out as a moment is strong. @param mgMm mg·mm */
  along(deg: number, mgMm: number): readonly [x: number, y: number] {
    const share = Math.min(1.25, Math.abs(mgMm) / this.mostMgMm);
    return this.at(deg, DIAL.zero + share * (DIAL.most - DIAL.zero));
  }

  /** What turns it at a roll on a tight line, mg·mm. */
  moment(deg: number): number {
    return rightingMoment(this.keel.momentMgMm, this.keel.lateralMgMm, toRad(deg));
  }

  /** Which way it is turned at a roll: clockwise on the dial, against it, or not. */
  way(deg: number): number {
    return Math.sign(this.moment(deg)) * (this.hand === 'right' ? 1 : -1);
  }

  /** The roll at a place beside the middle of the dial, whole degrees. @param dx, dy px */
  rollAt(dx: number, dy: number): number {
    return Math.round(rollOf((Math.atan2(dx, -dy) * 180) / Math.PI, this.hand));
  }

  /** What turns it back all round, tight. */
  get righting(): string {
    return lineThrough(
      CURVE_DEG.map((deg) => this.along(deg, this.moment(deg))),
      true,
    );
  }

  /** What turns it on a slack line, as a share of the most of it: a scale of its own. @param torque mg·mm at the rolls of CURVE_DEG */
  slack(torque: readonly number[]): string {
    const largest = Math.max(1e-6, ...torque.map(Math.abs));
    return lineThrough(
      CURVE_DEG.map((deg, i) => this.along(deg, ((torque[i] ?? 0) / largest) * this.mostMgMm)),
      true,
    );
  }

  /** The push of a current from the rest toward the side it pushes to. */
  push({ torque, flow }: CurrentShown, limits: BalanceFigures['limits']): string {
    const rest = this.restDeg;
    if (rest === null) return '';
    const toward = limits.find((limit) => limit.flow === flow)?.toward ?? 1;
    const points = CURVE_DEG.map((deg, i) => ({ off: normalDeg(toward * (deg - rest)), deg, mgMm: torque[i] ?? 0 }))
      .filter(({ off, mgMm }) => off >= 0 && off <= PUSH_SPAN && mgMm * toward >= 0)
      .sort((a, b) => a.off - b.off);
    return lineThrough(
      points.map(({ deg, mgMm }) => this.along(deg, mgMm)),
      false,
    );
  }
}
