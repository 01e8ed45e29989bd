import { project, type Silhouette } from '../geometry/silhouette.ts';
import { armsOf, loadMoment } from './heeling.ts';
import { speedFor, toRad, type BalanceModel } from './model.ts';
import type { TightKeel } from './keel.ts';

/** How a side current heels the fly on a tight line. Speeds in mm/s, null holdsTo meaning that no current capsizes it. */
export interface SideHold {
  readonly holdsTo: number | null;
  readonly heelAt100Deg: number | null;
}

const MOST_MM_S = 2000;
const LAST_DEG = 45;
const COARSE = [1, 5, 9, 13, 17, 21, 25, 29, 33, 37, 41, 45];

/** One flow direction pushing toward one side, with the silhouettes it has met. */
class Push {
  private readonly known = new Map<number, { shape: Silhouette; arms: Float64Array; speed: number | null }>();
  private readonly model: BalanceModel;
  private readonly restDeg: number;
  private readonly stiffness: number;
  readonly flow: 1 | -1;
  private readonly toward: 1 | -1;
  private held: number | undefined;

  constructor(model: BalanceModel, restDeg: number, stiffness: number, flow: 1 | -1, toward: 1 | -1) {
    this.model = model;
    this.restDeg = restDeg;
    this.stiffness = stiffness;
    this.flow = flow;
    this.toward = toward;
  }

  private at(delta: number): { shape: Silhouette; arms: Float64Array; speed: number | null } {
    const known = this.known.get(delta);
    if (known) return known;
    const theta = toRad(this.restDeg + this.toward * delta);
    const shape = project(this.model.table, 'side', theta);
    const fresh = { shape, arms: armsOf(this.model, shape, theta), speed: null };
    this.known.set(delta, fresh);
    return fresh;
  }

  /** Heeling moment toward the pushed side at a heel of δ from rest, mg·mm. */
  private heeling(delta: number, speed: number): number {
    const { shape, arms } = this.at(delta);
    return -this.flow * this.toward * loadMoment(this.model, shape, arms, speed);
  }

  /** The speed whose heeling moment equals the righting one at δ; Infinity where none up to 2 m/s does. */
  speedAt(delta: number): number {
    const cell = this.at(delta);
    cell.speed ??= speedFor((speed) => this.heeling(delta, speed), this.stiffness * Math.sin(toRad(delta)), MOST_MM_S);
    return cell.speed;
  }

  /** The greatest speed it withstands over δ = 1°…45°, found coarse to fine. */
  holds(): number {
    this.held ??= this.speedAt(this.bestHeel());
    return this.held;
  }

  /** What it withstands, and the heel it gives way at. */
  get limit(): SideLimit {
    const holds = this.holds();
    return {
      flow: this.flow,
      toward: this.toward,
      holdsTo: Number.isFinite(holds) ? holds : null,
      atDeg: Number.isFinite(holds) ? this.restDeg + this.toward * this.bestHeel() : null,
    };
  }

  /** Where it lies in a current, degrees of roll; null where it capsizes. */
  restsAt(speed: number): number | null {
    if (speed <= 0) return this.restDeg;
    const heel = this.heelAt(speed);
    return heel === null ? null : this.restDeg + this.toward * heel;
  }

  private bestHeel(): number {
    let best = COARSE.reduce((top, delta) => (this.speedAt(delta) > this.speedAt(top) ? delta : top), COARSE[0] ?? 1);
    for (;;) {
      const next = [best - 1, best + 1].find(
        (delta) => delta >= 1 && delta <= LAST_DEG && this.speedAt(delta) > this.speedAt(best),
      );
      if (next === undefined) return best;
      best = next;
    }
  }

  /** The smallest heel at which it withstands `speed`, in whole degrees, or null where none does. */
  heelAt(speed: number): number | null {
    if (speed > this.holds()) return null;
    const stands = (delta: number): boolean => this.heeling(delta, speed) <= this.stiffness * Math.sin(toRad(delta));
    const coarse = COARSE.find(stands);
    // A peak may lie between two coarse heels; then every degree is tried.
    const [from, to] = coarse === undefined ? [1, LAST_DEG] : [Math.max(1, coarse - 3), coarse];
    for (let delta = from; delta <= to; delta++) if (stands(delta)) return delta;
    return null;
  }
}

/** Area moment of the side silhouette about the tow axis at rest: its sign tells which way a flow pushes. */
function restMoment(model: BalanceModel, restDeg: number): { moment: number; size: number } {
  const theta = toRad(restDeg);
  const shape = project(model.table, 'side', theta);
  const arms = armsOf(model, shape, theta);
  let moment = 0;
  let size = 0;
  for (let c = 0; c < model.table.cells; c++) {
    const area = (shape.b[c] as number) * (model.table.dx[c] as number);
    moment += area * (arms[c] as number);
    size += area * Math.abs(arms[c] as number);
  }
  return { moment, size };
}

/** Both flow directions, each toward the side it pushes at rest; where it pushes neither way both sides are tried. */
function pushesOf(model: BalanceModel, keel: TightKeel, heelDeg: number): Push[] {
  const stiffness = Math.hypot(keel.momentMgMm, keel.lateralMgMm);
  const { moment, size } = restMoment(model, heelDeg);
  const still = Math.abs(moment) <= 1e-9 * size;
  // A fly that is its own mirror image withstands both directions alike.
  const symmetric = model.table.mirrored && Math.abs(keel.lateralMgMm) <= 1e-9 * stiffness;
  const flows: readonly (1 | -1)[] = symmetric ? [1] : [1, -1];
  const sides = (flow: 1 | -1): (1 | -1)[] => (still ? (symmetric ? [1] : [1, -1]) : [-flow * moment > 0 ? 1 : -1]);
  return flows.flatMap((flow) => sides(flow).map((side) => new Push(model, heelDeg, stiffness, flow, side)));
}

const worstHeel = (pushes: readonly Push[], speedMmS: number): number | null => {
  if (speedMmS <= 0) return 0;
  const heels = pushes.map((push) => push.heelAt(speedMmS));
  return heels.some((heel) => heel === null) ? null : Math.max(...heels.map((heel) => heel ?? 0));
};

/** Heel away from the tight rest in a side current, whole degrees; null where it capsizes or the rest is undecided. @param speedMmS mm/s */
export function sideHeel(model: BalanceModel, keel: TightKeel, speedMmS: number): number | null {
  return keel.heelDeg === null ? null : worstHeel(pushesOf(model, keel, keel.heelDeg), speedMmS);
}

/** How a fly withstands the flow from one side: the greatest speed (mm/s, null for any) and the roll at which it gives way. */
export interface SideLimit {
  /** 1 for a flow along +η, −1 against it. */
  readonly flow: 1 | -1;
  readonly toward: 1 | -1;
  readonly holdsTo: number | null;
  readonly atDeg: number | null;
}

/** A side current against one fly, from either side; what it has met is remembered, so that many speeds can be asked. */
export class SideCurrent {
  private readonly pushes: readonly Push[];
  private readonly restDeg: number | null;

  constructor(model: BalanceModel, keel: TightKeel) {
    this.restDeg = keel.heelDeg;
    this.pushes = keel.heelDeg === null ? [] : pushesOf(model, keel, keel.heelDeg);
  }

  /** What it withstands from either side; a fly that is its own mirror image withstands both alike. Nothing where its rest is undecided. */
  get limits(): readonly SideLimit[] {
    const own = this.pushes.map((push) => push.limit);
    const [only] = own;
    return only && own.length === 1 ? [only, this.mirrored(only)] : own;
  }

  /** Where it lies, degrees of roll; null where it capsizes or its rest is undecided. @param speedMmS mm/s @param flow 1 along +η, −1 against it */
  restAt(speedMmS: number, flow: 1 | -1): number | null {
    const own = this.pushes.find((push) => push.flow === flow);
    if (own) return own.restsAt(speedMmS);
    const mirror = this.pushes[0]?.restsAt(speedMmS) ?? null;
    return mirror === null || this.restDeg === null ? null : 2 * this.restDeg - mirror;
  }

  private mirrored({ flow, toward, holdsTo, atDeg }: SideLimit): SideLimit {
    return {
      flow: flow === 1 ? -1 : 1,
      toward: toward === 1 ? -1 : 1,
      holdsTo,
      atDeg: atDeg === null || this.restDeg === null ? null : 2 * this.restDeg - atDeg,
    };
  }
}

const REPORTED_MM_S = 100;

/** Side current: for each flow direction the greatest v over 1°…45° of heel from the tight rest; the lesser of the two counts. */
export function sideHold(model: BalanceModel, keel: TightKeel): SideHold {
  if (keel.heelDeg === null) return { holdsTo: 0, heelAt100Deg: null };
  const pushes = pushesOf(model, keel, keel.heelDeg);
  const holdsTo = Math.min(...pushes.map((push) => push.holds()));
  return { holdsTo: Number.isFinite(holdsTo) ? holdsTo : null, heelAt100Deg: worstHeel(pushes, REPORTED_MM_S) };
}
