import {
  balanceModel,
  CURVE_DEG,
  contributionsOf,
  dragFactorOf,
  droopAt,
  fallOf,
  SideCurrent,
  SideFlow,
  slackRest,
  slackTorque,
  SOAKED_ALONE,
  toRad,
  type Contribution,
  type Fall,
  type FallWith,
  type LaidFly,
  holdRange,
  type HoldRange,
  type SideLimit,
  type SlackRest,
} from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import {
  findWeights,
  scatterOf,
  spreadsOf,
  type Deviation,
  type FinderStep,
  type Finding,
  type ScatterStep,
  type Solved,
  type Wish,
} from '@jobbet/core/study';
import type { Desk } from '../../shared/solve/desk.ts';
import { goodOf } from '../../shared/solve/reckon.ts';

/** What the balance of a fly is shown by; curves at the heels of CURVE_DEG. */
export interface BalanceFigures {
  readonly slack: SlackRest;
  /** What turns it on a slack line, mg·mm. */
  readonly slackTorque: readonly number[];
  readonly limits: readonly SideLimit[];
  /** How far the least of them moves with the soft lengths; null where it is steady. */
  readonly holdRange: HoldRange | null;
  readonly contributions: readonly Contribution[];
  /** From rest in still water, soaked and alone, to somewhat below the depth asked for; null where it floats. */
  readonly fall: Fall | null;
}

/** A fly in a side current. */
export interface InCurrent {
  /** Torque about the shank at the heels of CURVE_DEG, mg·mm. */
  readonly torque: readonly number[];
  /** Where it lies, degrees of roll; null where it has gone over. */
  readonly restDeg: number | null;
}

/** Falls from rest, and how the fly hangs at each pull. */
export interface CurveFigures {
  readonly soaked: Fall | null;
  /** As it goes in dry; null where it floats, nothing where no air was asked for. */
  readonly airy?: Fall | null;
  /** Degrees tail down at each pull. */
  readonly droopDeg: readonly number[];
}

export interface CurvesAsked extends FallWith {
  readonly depthMm: number;
  readonly pullsMmS: readonly number[];
}

interface Currents {
  readonly flow: SideFlow;
  readonly side: SideCurrent;
}

// oxlint-disable-next-line max-lines-per-function -- a table of handlers that share what was reckoned of a fly
export const balanceReckon = (desk: Desk) => {
  const currents = new WeakMap<LaidFly, Currents>();
  const currentsOf = (laid: LaidFly): Currents => {
    let known = currents.get(laid);
    if (!known) {
      const model = balanceModel(laid);
      known = { flow: new SideFlow(model), side: new SideCurrent(model, laid.tight) };
      currents.set(laid, known);
    }
    return known;
  };
  return {
    /** @param depthMm how deep it is watched sinking @throws Unsolved */
    shown(file: FlyFile, off: readonly Deviation[], depthMm: number): BalanceFigures {
      const laid = goodOf(desk.laid(file, off));
      const model = balanceModel(laid);
      return {
        slack: slackRest(model),
        slackTorque: CURVE_DEG.map((deg) => slackTorque(model, toRad(deg))),
        limits: currentsOf(laid).side.limits,
        holdRange: holdRange(laid),
        contributions: contributionsOf(laid),
        fall: fallOf(laid, SOAKED_ALONE, depthMm),
      };
    },
    /** @throws Unsolved */
    inCurrent(file: FlyFile, off: readonly Deviation[], speedMmS: number, flow: 1 | -1): InCurrent {
      const { flow: pushed, side } = currentsOf(goodOf(desk.laid(file, off)));
      return { torque: pushed.torque(speedMmS, flow), restDeg: side.restAt(speedMmS, flow) };
    },
    /** @throws Unsolved */
    curves(file: FlyFile, off: readonly Deviation[], asked: CurvesAsked): CurveFigures {
      const laid = goodOf(desk.laid(file, off));
      const model = balanceModel(laid);
      const { leader, airShare, depthMm } = asked;
      return {
        soaked: fallOf(laid, { leader, airShare: 0 }, depthMm),
        ...(airShare > 0 ? { airy: fallOf(laid, { leader, airShare }, depthMm) } : {}),
        droopDeg: asked.pullsMmS.map((pull) => droopAt(model, laid.tight.heelDeg ?? 0, pull)),
      };
    },
    /** How many times its computed drag it has by a timed fall; null where no sensible drag gives that time. @throws Unsolved */
    dragFactor: (file: FlyFile, depthMm: number, seconds: number): number | null =>
      dragFactorOf(goodOf(desk.laid(file)), { depthMm }, seconds),
    /**
     * Looks for weights that do what is wished. Longer work asked for later, or `leave`, ends it: it answers null then.
     * @param onStep told how much of it is done, and now and then what was found so far
     */
    async find(file: FlyFile, wish: Wish, onStep: (step: FinderStep) => void): Promise<Finding | null> {
      const own = desk.laid(file);
      return own.ok
        ? desk.work.inBits(findWeights(own.value, desk.drawers, wish), onStep, (step) => step.soFar !== undefined)
        : null;
    },
    /**
     * Ties a fly ten thousand times, each a little off. Longer work asked for later, or `leave`, ends it: it answers null then.
     * @param spreads standard deviations other than the usual, by their keys
     * @param onStep told how much is done, 0 to 1, and what was reckoned once that is known
     */
    async scatter(
      file: FlyFile,
      spreads: Readonly<Record<string, number>>,
      seed: number,
      onStep: (step: ScatterStep) => void,
    ): Promise<Solved | null> {
      const own = desk.laid(file);
      return own.ok
        ? desk.work.inBits(
            scatterOf(own.value, desk.drawers, spreadsOf(own.value, spreads), seed),
            onStep,
            (step) => 'reckoned' in step,
          )
        : null;
    },
  };
};
