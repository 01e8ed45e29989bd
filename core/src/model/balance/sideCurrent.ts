import { between } from '../../numeric/index.ts';
import { blankSilhouette, type Silhouette } from '../geometry/silhouette.ts';
import { HeelingLoads } from './heeling.ts';
import { speedFor, toRad, type BalanceModel } from './model.ts';
import type { TightKeel } from './keel.ts';

/** How a side current heels the fly on a tight line. Speeds in mm/s, null holdsTo meaning that no current capsizes it. */
export interface SideHold {
  readonly holdsTo: number | null;
  readonly heelAt100Deg: number | null;
}

/** How a fly withstands the flow from one side: the least speed (mm/s, null for any) at which it gives way, and the roll it does so at. */
export interface SideLimit {
  /** 1 for a flow along +η, −1 against it. */
  readonly flow: 1 | -1;
  /** The side it goes over to, in the sense of the roll. */
  readonly toward: 1 | -1;
  readonly holdsTo: number | null;
  readonly atDeg: number | null;
}

const MOST_MM_S = 2000;
const LAST_DEG = 45;
/** Heels the silhouette is cut at; every degree between them is interpolated. */
const CUT_DEG = 5;
const CUTS = (2 * LAST_DEG) / CUT_DEG + 1;
const WHOLE = 2 * LAST_DEG + 1;
/** Speeds the loads are worked out at: one an octave, from the slowest; between them they are read by cubics. */
const SLOWEST_MM_S = 2;
const SPEEDS = 12;
/** A fly is asked at speeds so far apart whether it stands, and then between the last two. */
const STRIDE = 1.03;
const HALVINGS = 12;

/** What gives way, and how: the roll off the rest and the speed, as the table has them. */
interface GivesWay {
  readonly speed: number;
  readonly deltaDeg: number;
}

/** A flow by the rows of the table at the speeds around it. */
interface Push {
  readonly a: Float64Array;
  readonly b: Float64Array;
  readonly c: Float64Array;
  readonly d: Float64Array;
  readonly t: number;
  readonly square: number;
}

/** The heels of a fly between 45° to either side of its tight rest, and what any side current does to it there. */
class Heels {
  private readonly known = new Map<number, HeelingLoads>();
  private readonly model: BalanceModel;
  private readonly shape: Silhouette;
  private readonly restDeg: number;
  private readonly stiffness: number;
  private readonly symmetric: boolean;
  /** Moment of the flow over v², by speed and whole degree, without the sign of the flow. */
  private readonly table = Array.from({ length: SPEEDS }, () => new Float64Array(WHOLE));
  private readonly row = new Float64Array(WHOLE);

  constructor(model: BalanceModel, restDeg: number, stiffness: number, symmetric: boolean) {
    this.model = model;
    this.shape = blankSilhouette(model.table.cells);
    this.restDeg = restDeg;
    this.stiffness = stiffness;
    this.symmetric = symmetric;
    this.tabulate();
  }

  private loads(deltaDeg: number): HeelingLoads {
    const known = this.known.get(deltaDeg);
    if (known) return known;
    const fresh = new HeelingLoads(this.model, toRad(this.restDeg + deltaDeg), this.shape);
    this.known.set(deltaDeg, fresh);
    return fresh;
  }

  private tabulate(): void {
    const moments = new Float64Array(SPEEDS);
    const cut = Array.from({ length: CUTS }, (_, i): Float64Array => {
      const delta = -LAST_DEG + i * CUT_DEG;
      // A fly that is its own mirror image is pushed alike at either heel.
      const loads = this.loads(this.symmetric ? Math.abs(delta) : delta);
      loads.atOctaves(SLOWEST_MM_S, moments);
      return Float64Array.from(moments, (moment, k) => moment / speedAt(k) ** 2);
    });
    for (let k = 0; k < SPEEDS; k++) {
      const at = (i: number): number => cut[Math.min(CUTS - 1, Math.max(0, i))]?.[k] as number;
      for (let d = 0; d < WHOLE; d++) {
        const i = Math.min(CUTS - 2, Math.floor(d / CUT_DEG));
        const t = d / CUT_DEG - i;
        (this.table[k] as Float64Array)[d] = between(at(i - 1), at(i), at(i + 1), at(i + 2), t);
      }
    }
  }

  private rowAt(k: number): Float64Array {
    return this.table[Math.min(SPEEDS - 1, Math.max(0, k))] as Float64Array;
  }

  /** The table between its speeds: what a flow does at any whole degree. */
  private pushAt(speed: number, flow: 1 | -1): Push {
    const at = Math.log2(speed / SLOWEST_MM_S);
    const i = Math.min(SPEEDS - 2, Math.max(0, Math.floor(at)));
    const [a, b, c, d] = [this.rowAt(i - 1), this.rowAt(i), this.rowAt(i + 1), this.rowAt(i + 2)];
    return { a, b, c, d, t: Math.max(0, at - i), square: flow * speed * speed };
  }

  /** Torque at a whole degree, positive toward +θ: what rights it and what pushes it. */
  private torque({ a, b, c, d, t, square }: Push, x: number): number {
    const push = between(a[x] as number, b[x] as number, c[x] as number, d[x] as number, t);
    return -this.stiffness * (SINES[x] as number) - square * push;
  }

  private torques(speed: number, flow: 1 | -1): Float64Array {
    const push = this.pushAt(speed, flow);
    for (let x = 0; x < WHOLE; x++) this.row[x] = this.torque(push, x);
    return this.row;
  }

  /** Whether it has a stable heel in a flow: somewhere the torque comes down through nothing. */
  private stands(speed: number, flow: 1 | -1): boolean {
    const push = this.pushAt(speed, flow);
    let above = false;
    for (let x = 0; x < WHOLE; x++) {
      const now = this.torque(push, x);
      if (now > 0) above = true;
      else if (now < 0 && above) return true;
    }
    return false;
  }

  /** Stable heels off the rest in a flow, degrees: where the torque comes down through nothing. */
  stable(speed: number, flow: 1 | -1): number[] {
    const torque = this.torques(speed, flow);
    const rests: number[] = [];
    let above = -1;
    for (let x = 0; x < WHOLE; x++) {
      const now = torque[x] as number;
      if (now > 0) above = x;
      else if (now < 0 && above >= 0) {
        const last = torque[above] as number;
        rests.push(above - LAST_DEG + ((x - above) * last) / (last - now));
        above = -1;
      }
    }
    return rests;
  }

  /** The least speed at which no stable heel is left. */
  givesWay(flow: 1 | -1): GivesWay | null {
    let [low, high] = [0, 0];
    for (let speed = SLOWEST_MM_S; speed <= MOST_MM_S * STRIDE && high === 0; speed *= STRIDE)
      if (!this.stands(speed, flow)) high = speed;
      else low = speed;
    if (high === 0) return null;
    for (let i = 0; i < HALVINGS && low > 0; i++) {
      const mid = (low + high) / 2;
      if (!this.stands(mid, flow)) high = mid;
      else low = mid;
    }
    return this.refined({ speed: high, deltaDeg: this.lastHeel(low, flow) }, flow);
  }

  /** Where it last stood: between its last stable heel and the one it cannot come back from. */
  private lastHeel(speed: number, flow: 1 | -1): number {
    const [rest] = speed > 0 ? this.stable(speed, flow) : [];
    const torque = this.torques(Math.max(speed, SLOWEST_MM_S), flow);
    // The side it is pushed to is the one its last heel lies on; there the least torque back toward the rest is what gave way.
    const side = rest === undefined ? -flow * this.restMoment : rest;
    if (side === 0) return 0;
    let best = 0;
    for (let delta = 1; delta <= LAST_DEG; delta++) {
      const back = Math.sign(side) * (torque[LAST_DEG + Math.sign(side) * delta] as number);
      if (best === 0 || back < Math.sign(side) * (torque[LAST_DEG + best] as number)) best = Math.sign(side) * delta;
    }
    return best;
  }

  /** The same on the silhouettes themselves: the greatest speed it withstands at a whole heel near the one it was read at. */
  private refined({ speed, deltaDeg }: GivesWay, flow: 1 | -1): GivesWay {
    if (deltaDeg === 0) return { speed, deltaDeg };
    const toward = deltaDeg > 0 ? 1 : -1;
    let best = Math.abs(deltaDeg);
    for (;;) {
      const here = this.withstands(best, toward, flow, speed);
      const next = [best - 1, best + 1].find(
        (delta) => delta >= 1 && delta <= LAST_DEG && this.withstands(delta, toward, flow, speed) > here,
      );
      if (next === undefined) break;
      best = next;
    }
    const exact = this.withstands(best, toward, flow, speed);
    return Math.abs(exact / speed - 1) < TRUSTED
      ? { speed: exact, deltaDeg: toward * best }
      : { speed, deltaDeg: toward * best };
  }

  private readonly speeds = new Map<string, number>();

  /** The speed whose push equals what rights it at a heel; Infinity where none up to 2 m/s does. */
  private withstands(delta: number, toward: 1 | -1, flow: 1 | -1, guess: number): number {
    const key = `${String(delta * toward)} ${String(flow)}`;
    const known = this.speeds.get(key);
    if (known !== undefined) return known;
    const loads = this.loads(this.symmetric ? delta : toward * delta);
    const push = (speed: number): number => -flow * toward * loads.at(speed);
    const speed = speedFor(push, this.stiffness * Math.sin(toRad(delta)), MOST_MM_S, guess);
    this.speeds.set(key, speed);
    return speed;
  }

  /** Area moment of the side silhouette about the tow axis at rest: its sign tells which way a flow pushes. */
  private get restMoment(): number {
    const { moment, size } = this.loads(0).areaMoment;
    return Math.abs(moment) <= 1e-9 * size ? 0 : moment;
  }

  /** How it lies in a flow, degrees off its rest: the first heel on the side it is pushed to, else the nearest of the other; null where it goes over. */
  heelAt(speed: number, flow: 1 | -1): number | null {
    if (speed <= 0) return 0;
    const rests = this.stable(speed, flow);
    const toward = -flow * this.restMoment;
    const pushed = rests.filter((rest) => rest * toward >= 0);
    const nearest = (from: readonly number[]): number | null =>
      from.reduce<number | null>(
        (least, rest) => (least === null || Math.abs(rest) < Math.abs(least) ? rest : least),
        null,
      );
    return nearest(pushed.length > 0 ? pushed : rests);
  }
}

/** A speed of the table that differs by more from the one on the silhouettes gave way in another manner. */
const TRUSTED = 0.1;

const speedAt = (k: number): number => SLOWEST_MM_S * 2 ** k;
const SINES = Float64Array.from({ length: WHOLE }, (_, x) => Math.sin(toRad(x - LAST_DEG)));

/** A side current against one fly, from either side; what it has met is remembered, so that many speeds can be asked. */
export class SideCurrent {
  private readonly restDeg: number | null;
  private readonly heels: Heels | null;
  /** A fly that is its own mirror image withstands both directions alike. */
  private readonly symmetric: boolean;
  private found: readonly SideLimit[] | undefined;

  constructor(model: BalanceModel, keel: TightKeel) {
    const stiffness = Math.hypot(keel.momentMgMm, keel.lateralMgMm);
    this.restDeg = keel.heelDeg;
    this.symmetric = model.table.mirrored && Math.abs(keel.lateralMgMm) <= 1e-9 * stiffness;
    this.heels = keel.heelDeg === null ? null : new Heels(model, keel.heelDeg, stiffness, this.symmetric);
  }

  /** What it withstands from either side. Nothing where its rest is undecided. */
  get limits(): readonly SideLimit[] {
    this.found ??= this.limitsOf();
    return this.found;
  }

  private limitsOf(): readonly SideLimit[] {
    const { heels, restDeg } = this;
    if (!heels || restDeg === null) return [];
    const limitOf = (flow: 1 | -1): SideLimit => {
      const way = heels.givesWay(flow);
      return way
        ? { flow, toward: way.deltaDeg < 0 ? -1 : 1, holdsTo: way.speed, atDeg: restDeg + way.deltaDeg }
        : { flow, toward: (heels.heelAt(MOST_MM_S, flow) ?? 1) < 0 ? -1 : 1, holdsTo: null, atDeg: null };
    };
    const one = limitOf(1);
    return [one, this.symmetric ? mirrored(one, restDeg) : limitOf(-1)];
  }

  /** Where it lies, degrees of roll; null where it goes over or its rest is undecided. @param speedMmS mm/s @param flow 1 along +η, −1 against it */
  restAt(speedMmS: number, flow: 1 | -1): number | null {
    const { heels, restDeg } = this;
    const limit = this.limits.find((each) => each.flow === flow);
    if (!heels || restDeg === null || !limit || speedMmS > (limit.holdsTo ?? Infinity)) return null;
    const heel = heels.heelAt(speedMmS, flow);
    return heel === null ? null : restDeg + heel;
  }

  /** The greater heel away from the tight rest of the two directions, degrees; null where it goes over. @param speedMmS mm/s */
  heelAt(speedMmS: number): number | null {
    const { restDeg } = this;
    if (restDeg === null) return null;
    const rests = (this.symmetric ? [1 as const] : [1 as const, -1 as const]).map((flow) =>
      this.restAt(speedMmS, flow),
    );
    return rests.some((rest) => rest === null)
      ? null
      : Math.max(...rests.map((rest) => Math.abs((rest ?? 0) - restDeg)));
  }
}

const mirrored = ({ flow, toward, holdsTo, atDeg }: SideLimit, restDeg: number): SideLimit => ({
  flow: flow === 1 ? -1 : 1,
  toward: toward === 1 ? -1 : 1,
  holdsTo,
  atDeg: atDeg === null ? null : 2 * restDeg - atDeg,
});

/** Heel away from the tight rest in a side current, degrees; null where it goes over or the rest is undecided. @param speedMmS mm/s */
export const sideHeel = (model: BalanceModel, keel: TightKeel, speedMmS: number): number | null =>
  new SideCurrent(model, keel).heelAt(speedMmS);

const REPORTED_MM_S = 100;

/** Holds to: the least speed, from either side, at which no stable heel within 45° of the tight rest is left. */
export function sideHold(model: BalanceModel, keel: TightKeel): SideHold {
  if (keel.heelDeg === null) return { holdsTo: 0, heelAt100Deg: null };
  const current = new SideCurrent(model, keel);
  const holds = current.limits.map(({ holdsTo }) => holdsTo ?? Infinity);
  const least = Math.min(...holds);
  return { holdsTo: Number.isFinite(least) ? least : null, heelAt100Deg: current.heelAt(REPORTED_MM_S) };
}
