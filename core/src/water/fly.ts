import {
  type BalanceModel,
  balanceModel,
  cellLoad,
  effectiveMass,
  type Ellipse,
  extentOf,
  G,
  type LaidFly,
  project,
  restAndSink,
  type Ride,
  rideOf,
  SideCurrent,
  sinkingDrag,
  silhouetteAt,
  sumWeights,
  toDeg,
  toRad,
  type Vec3,
  weightCentre,
} from '../model/index.ts';
import type { Place } from './cast.ts';
import type { Body } from './loads.ts';

/** Speeds that curves are tabulated at, in equal steps of their logarithm, mm/s. */
const [SLOWEST, FASTEST, SPEEDS] = [2, 4000, 24] as const;
const STEP = Math.log(FASTEST / SLOWEST) / (SPEEDS - 1);

/** A curve of speed, read from a table; straight between its logarithms. */
function tabled(curve: (speedMmS: number) => number): (speedMmS: number) => number {
  const values = Float64Array.from({ length: SPEEDS }, (_, i) =>
    Math.log(Math.max(1e-12, curve(SLOWEST * Math.exp(i * STEP)))),
  );
  return (speed) => {
    const at = Math.log(Math.max(speed, 1e-3) / SLOWEST) / STEP;
    const i = Math.min(SPEEDS - 2, Math.max(0, Math.floor(at)));
    const low = values[i] as number;
    return Math.exp(low + (at - i) * ((values[i + 1] as number) - low));
  };
}

/** Joessel’s shift of the pressure centre toward the leading end, of a plate’s length. */
const PRESSURE_SHIFT = 0.3;
/** On a line that pulls with less than this share of the fly’s weight nothing holds it as the line would. */
const SLACK = 0.05;
/** Once it has gone over it rights itself under this share of what it holds to. */
const RIGHTS = 0.7;
const MARCH_RAD = toRad(3);
const BISECTIONS = 10;
/** Sliding friction of a fly on the bed. */
const FRICTION = 0.6;
const FADES_MM = 2;
const HEELS = 24;
/** A fly turns in about so long. Judgement, from its mass and its length. */
const TURNS_S = 0.12;
const normalRad = (rad: number): number => Math.atan2(Math.sin(rad), Math.cos(rad));

/** How a fly lies at a moment. Degrees; heel as the model counts it, 0 point-down on a plain hook. */
export interface Lies {
  readonly noseDownDeg: number;
  readonly heelDeg: number;
  readonly ride: Ride;
  /** Whether it has been turned over by the water across it, and which side that comes from as one looks from it to the rod. */
  readonly over: boolean;
  readonly side: 'left' | 'right';
  /** Whether nothing pulls on it. */
  readonly slack: boolean;
}

/** What turns a fly about its weight at one roll. */
interface Levers {
  /** From the weight to the tow point, to the plan’s pressure centre, and up to the side’s, mm. */
  readonly towX: number;
  readonly towZ: number;
  readonly planX: number;
  readonly sideZ: number;
  readonly plateMm: number;
  readonly weightMg: number;
  /** Load across the shank, mg. */
  readonly load: (speedMmS: number) => number;
}

function leversAt(model: BalanceModel, rollDeg: number): Levers | null {
  const sums = sumWeights(model.weights);
  const centre = weightCentre(sums);
  const theta = toRad(rollDeg);
  const plan = silhouetteAt(model.table, 'plan', theta);
  const side = silhouetteAt(model.table, 'side', theta);
  if (!centre || !plan || !side) return null;
  const high = ([, y, z]: Vec3): number => y * Math.sin(theta) + z * Math.cos(theta);
  const load = (speed: number): number => {
    const shape = project(model.table, 'plan', theta, { speedMmS: speed, wants: 'breadth' });
    let sum = 0;
    for (let c = 0; c < model.table.cells; c++)
      sum += cellLoad(shape, c, speed, model.water) * (model.table.dx[c] as number);
    return sum;
  };
  return {
    towX: model.tow[0] - centre[0],
    towZ: high(model.tow) - high(centre),
    planX: plan.loadX - centre[0],
    sideZ: Math.max(0, side.load - high(centre)),
    plateMm: Math.sqrt(12) * plan.spreadX,
    weightMg: sums.total,
    load: tabled(load),
  };
}

/** A pull and a flow in the plane they turn a fly in: forward along the level toward the pull, and up. */
interface Turning {
  readonly pullMg: number;
  /** Of the pull over the level, radians. */
  readonly pullRad: number;
  readonly flowForward: number;
  readonly flowUp: number;
}

/**
 * Moment that turns the nose up, mg·mm, at an angle nose-down, radians. Falling free it is the trim’s, about the weight: drag along the flow, at
 * a pressure centre that shifts toward the end that leads. On a line that bears its weight it is the droop’s, about the tow point, where the pull
 * turns nothing: its weight, and the load across the shank at the plan’s own centre. Between the two they are mixed by how much the line bears.
 * @param freeShare 1 falling free, 0 where the line bears it
 */
function noseUp(alpha: number, levers: Levers, turning: Turning, freeShare: number): number {
  const { towX, towZ, planX, sideZ, plateMm, weightMg, load } = levers;
  const { pullMg, pullRad, flowForward, flowUp } = turning;
  const [cos, sin] = [Math.cos(alpha), Math.sin(alpha)];
  const turned = alpha + pullRad;
  const pulled = pullMg * (-towX * Math.sin(turned) - towZ * Math.cos(turned));
  const hung = -weightMg * (towX * cos - towZ * sin);
  const speed = Math.hypot(flowForward, flowUp);
  const [qf, qu] = speed < 1e-6 ? [0, 0] : [flowForward / speed, flowUp / speed];
  const up = qf * sin + qu * cos;
  const across = Math.abs(up);
  if (across < 1e-6) return freeShare * pulled + (1 - freeShare) * hung;
  const force = load(speed * across);
  const toNose = qf * cos - qu * sin;
  const x = planX + (toNose < 0 ? -1 : 1) * PRESSURE_SHIFT * plateMm * (1 - across);
  const free = (force / across) * ((-x * cos + sideZ * sin) * qu - (x * sin + sideZ * cos) * qf);
  const borne = -force * Math.sign(up) * (planX - towX);
  return freeShare * (pulled + free) + (1 - freeShare) * (hung + borne);
}

/** The angle it comes to rest at, nose-down, radians: from where it is, the way it is turned, to where nothing turns it. */
function restFrom(alpha: number, levers: Levers, turning: Turning, freeShare: number): number {
  const way = noseUp(alpha, levers, turning, freeShare) > 0 ? -1 : 1;
  let [from, to] = [alpha, alpha];
  for (let gone = 0; gone < Math.PI; gone += MARCH_RAD) {
    to = from + way * MARCH_RAD;
    if (noseUp(to, levers, turning, freeShare) * way >= 0) break;
    from = to;
  }
  for (let i = 0; i < BISECTIONS; i++) {
    const mid = (from + to) / 2;
    if (noseUp(mid, levers, turning, freeShare) * way >= 0) to = mid;
    else from = mid;
  }
  const rest = (from + to) / 2;
  return Math.abs(rest) > Math.PI ? rest - Math.sign(rest) * 2 * Math.PI : rest;
}

/** Heels by the speed of the water across a fly, from either side, as far as it holds. */
class Heeling {
  readonly holdsToMmS: number;
  private readonly tables: readonly Float64Array[];
  private readonly top: number;

  constructor(model: BalanceModel, laid: LaidFly) {
    const current = new SideCurrent(model, laid.tight);
    const holds = current.limits.map(({ holdsTo }) => holdsTo ?? Infinity);
    this.holdsToMmS = laid.tight.heelDeg === null ? 0 : Math.min(...holds, Infinity);
    this.top = Math.min(this.holdsToMmS, 2000);
    const rest = laid.tight.heelDeg ?? 0;
    this.tables = ([1, -1] as const).map((flow) =>
      Float64Array.from(
        { length: HEELS + 1 },
        (_, i) => (current.restAt((0.999 * this.top * i) / HEELS, flow) ?? rest) - rest,
      ),
    );
  }

  /** Degrees off its tight rest. @param speed across it, positive from its right to its left */
  at(speed: number): number {
    const table = this.tables[speed >= 0 ? 0 : 1] as Float64Array;
    const at = this.top > 0 ? (HEELS * Math.min(Math.abs(speed), this.top)) / this.top : 0;
    const i = Math.min(HEELS - 1, Math.floor(at));
    const low = table[i] as number;
    return low + (at - i) * ((table[i + 1] as number) - low);
  }
}

/** Points of a fly whose lowest is looked for: so far aft of the eye, with its cut. */
const CUTS = 5;

/** What is known of a fly whatever pulls on it: worked out once, since the same one is fished many times. */
interface Known {
  readonly massMg: number;
  /** Its rest on a slack line, and its nose there. */
  readonly slackDeg: number;
  readonly noseDownDeg: number;
  readonly pointUp: boolean | undefined;
  readonly levers: { readonly tight: Levers | null; readonly slack: Levers | null };
  readonly heeling: Heeling;
  /** Its drag lying across what comes from above or below, from the side, and along the shank with either end leading; mg at mm/s. */
  readonly level: (speedMmS: number) => number;
  readonly across: (speedMmS: number) => number;
  readonly alongNose: (speedMmS: number) => number;
  readonly alongTail: (speedMmS: number) => number;
}

const flies = new WeakMap<LaidFly, Known>();

function knownOf(laid: LaidFly): Known {
  const there = flies.get(laid);
  if (there) return there;
  const model = balanceModel(laid);
  const { restDeg, trim } = restAndSink(model);
  const tightDeg = laid.tight.heelDeg ?? restDeg;
  const balls = laid.parts.reduce((sum, { built }) => sum + (built.ball?.volumeMm3 ?? 0), 0);
  const noseDownDeg = trim.noseDownDeg ?? 0;
  const known: Known = {
    massMg: effectiveMass(model, laid.castingMg, balls, restDeg, noseDownDeg),
    slackDeg: restDeg,
    noseDownDeg,
    pointUp: model.pointUp,
    levers: { tight: leversAt(model, tightDeg), slack: leversAt(model, restDeg) },
    heeling: new Heeling(model, laid),
    level: tabled(sinkingDrag(model, tightDeg, 0)),
    across: tabled(sinkingDrag(model, tightDeg + 90, 0)),
    alongNose: tabled(sinkingDrag(model, tightDeg, 90)),
    alongTail: tabled(sinkingDrag(model, tightDeg, -90)),
  };
  flies.set(laid, known);
  return known;
}

/** A fly on a line: how it lies by what pulls on it and how the water meets it, and what drag it has by that. */
export class WaterFly {
  readonly laid: LaidFly;
  readonly submergedMg: number;
  readonly massMg: number;
  readonly holdsToMmS: number;
  /** Where it lies now. */
  lies: Lies;
  private readonly known: Known;
  private readonly weight: number;
  private over = false;
  /** Shares of the flow along the shank, down on it and across it, squared; and which end leads. */
  private shares = { along: 0, plan: 1, side: 0, nose: true };
  private reach = { mm: 0, heel: Infinity, nose: Infinity, owner: 'platform' };

  /** @param weight times its weight under water, for the question what depends on it */
  constructor(laid: LaidFly, { weight = 1 }: { readonly weight?: number } = {}) {
    this.laid = laid;
    this.known = knownOf(laid);
    this.weight = weight;
    this.submergedMg = weight * laid.submergedMg;
    this.massMg = this.known.massMg + (weight - 1) * laid.submergedMg;
    this.holdsToMmS = this.known.heeling.holdsToMmS;
    const { slackDeg, noseDownDeg, pointUp } = this.known;
    this.lies = {
      noseDownDeg,
      heelDeg: slackDeg,
      ride: rideOf(slackDeg, pointUp),
      over: false,
      side: 'left',
      slack: true,
    };
  }

  /**
   * How it lies now: what pulls on it, and how the water moves past it.
   * @param pullMg mg @param way of the pull, a unit vector @param flow of the water past the fly, mm/s
   * @param seconds since it was asked last: it turns at its own pace; endless: it has come to rest
   */
  settle(pullMg: number, way: Place, flow: Place, seconds = Infinity): void {
    const slack = pullMg < SLACK * Math.abs(this.submergedMg);
    // Forward is along the level toward the pull; where that hangs straight up, against the flow.
    const level = Math.hypot(way[0], way[1]);
    const [fx, fy] = level > 0.02 ? [way[0] / level, way[1] / level] : forwardIn(flow);
    const flowForward = flow[0] * fx + flow[1] * fy;
    const side = flow[1] * fx - flow[0] * fy;
    const turning: Turning = {
      pullMg: slack ? 0 : pullMg,
      pullRad: Math.atan2(way[2], level),
      flowForward,
      flowUp: flow[2],
    };
    const freeShare = slack ? 1 : Math.max(0, 1 - pullMg / Math.max(1, Math.abs(this.submergedMg)));
    const levers = slack ? this.known.levers.slack : this.known.levers.tight;
    const still = slack && Math.hypot(flowForward, flow[2]) < 1;
    const was = toRad(this.lies.noseDownDeg);
    const rest = levers && !still ? restFrom(was, levers, turning, freeShare) : was;
    const alpha = normalRad(was + normalRad(rest - was) * Math.min(1, seconds / TURNS_S));
    this.roll(side, slack);
    this.lie(toDeg(alpha), side, slack);
    this.meet(alpha, flowForward, flow[2], side);
  }

  private roll(side: number, slack: boolean): void {
    const across = Math.abs(side);
    if (slack || across < RIGHTS * this.holdsToMmS) this.over = false;
    else if (across > this.holdsToMmS) this.over = true;
  }

  private lie(noseDownDeg: number, side: number, slack: boolean): void {
    const rest = this.laid.tight.heelDeg;
    const heelDeg =
      slack || rest === null
        ? this.known.slackDeg
        : this.over
          ? rest + Math.sign(side) * 90
          : rest + this.known.heeling.at(side);
    this.lies = {
      noseDownDeg,
      heelDeg,
      ride: rideOf(heelDeg, this.known.pointUp),
      over: this.over,
      side: side > 0 ? 'right' : 'left',
      slack,
    };
  }

  /** By which share the water meets it along the shank, from above or below, and from the side. */
  private meet(alpha: number, forward: number, up: number, side: number): void {
    const all = forward * forward + up * up + side * side;
    if (all < 1e-6) return;
    const [cos, sin] = [Math.cos(alpha), Math.sin(alpha)];
    const toNose = forward * cos - up * sin;
    const along = Math.min(1, (toNose * toNose) / all);
    const aside = Math.min(1 - along, (side * side) / all);
    this.shares = { along, plan: 1 - along - aside, side: aside, nose: toNose <= 0 };
  }

  /** Its drag as it lies, mg. */
  dragMg(speed: number): number {
    const { along, plan, side, nose } = this.shares;
    const { level, across, alongNose, alongTail } = this.known;
    const led = nose ? alongNose : alongTail;
    return along * led(speed) + plan * level(speed) + side * across(speed);
  }

  /** How far its lowest part lies under the eye, mm. */
  reachMm(): number {
    const { heelDeg, noseDownDeg } = this.lies;
    const known = this.reach;
    if (Math.abs(known.heel - heelDeg) < 2 && Math.abs(known.nose - noseDownDeg) < 2) return known.mm;
    const [theta, alpha] = [toRad(heelDeg), toRad(noseDownDeg)];
    const [cos, sin] = [Math.cos(alpha), Math.sin(alpha)];
    const up: Vec3 = [0, Math.sin(theta), Math.cos(theta)];
    const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
    let [low, owner] = [0, 'platform'];
    for (const section of this.laid.sections)
      for (let i = 0; i <= CUTS; i++) {
        const x = section.fromMm + ((section.toMm - section.fromMm) * i) / CUTS;
        section.at(x, cut);
        const [middle, half] = extentOf(section, cut, up);
        const here = Math.min(x * sin + (middle - half) * cos, x * sin + (middle + half) * cos);
        if (here < low) [low, owner] = [here, section.owner];
      }
    this.reach = { mm: -low, heel: heelDeg, nose: noseDownDeg, owner };
    return -low;
  }

  /** What of it is lowest: a part by its id, or `platform`. */
  get lowestPart(): string {
    this.reachMm();
    return this.reach.owner;
  }

  /** It as a node of a line. */
  body(): Body {
    const dry = this.weight * this.laid.castingMg;
    return {
      massMg: this.massMg,
      sunkMg: this.submergedMg,
      dryMg: dry,
      fadesMm: FADES_MM,
      dragPerSpeed: (speed) => (speed > 1e-3 ? (G * this.dragMg(speed)) / speed : 0),
      reachMm: this.reachMm(),
      friction: FRICTION,
    };
  }
}

function forwardIn([x, y]: Place): readonly [number, number] {
  const all = Math.hypot(x, y);
  return all > 1e-6 ? [-x / all, -y / all] : [-1, 0];
}
