import { type Drawers, NOMINAL_DRAWERS } from '../../drawers/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import { silhouetteAt } from '../geometry/silhouette.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { solveBalance, type Balance } from '../balance/solveBalance.ts';
import { balanceModel } from './balanceModel.ts';
import { layFly, type LaidFly } from './layFly.ts';

export interface SilhouetteFigures {
  readonly sideMm2: number;
  readonly planMm2: number;
  readonly frontMm2: number;
  readonly sideCentre: readonly [x: number, z: number];
  readonly planCentre: readonly [x: number, y: number];
}

/** A fly with everything that is computed of it. */
export interface SolvedFly {
  readonly laid: LaidFly;
  readonly balance: Balance;
  readonly silhouette: SilhouetteFigures;
}

/** Slack rest, holds-to, trim and sinking of a laid fly. */
export function settleFly(laid: LaidFly): SolvedFly {
  const model = balanceModel(laid);
  const { table } = model;
  const side = silhouetteAt(table, 'side', 0);
  const plan = silhouetteAt(table, 'plan', 0);
  return {
    laid,
    balance: solveBalance(model),
    silhouette: {
      sideMm2: side?.areaMm2 ?? 0,
      planMm2: plan?.areaMm2 ?? 0,
      frontMm2: model.nose.frontMm2,
      sideCentre: [side?.x ?? 0, side?.across ?? 0],
      planCentre: [plan?.x ?? 0, plan?.across ?? 0],
    },
  };
}

/**
 * Solves a fly: what the command line, the server, the worker and the drawing all call.
 * @returns the solved fly, or every fault with its path in the file
 */
export function solveFly(file: FlyFile, drawers: Drawers = NOMINAL_DRAWERS): Outcome<SolvedFly> {
  const laid = layFly(file, drawers);
  return laid.ok ? solveLaid(laid.value) : laid;
}

/** Solves a fly that is laid out already. @returns the solved fly, or a fault where its figures come out beyond any number */
export function solveLaid(laid: LaidFly): Outcome<SolvedFly> {
  const solved = settleFly(laid);
  return comesToNumbers(solved) ? good(solved) : bad(BEYOND);
}

const BEYOND: Fault = {
  path: '',
  code: 'range',
  message: 'its figures come out beyond any number; a length or a weight of it is far from what a fly has',
};

/** Whether all that is computed came out as numbers. */
function comesToNumbers({ balance, silhouette, laid }: SolvedFly): boolean {
  const { tight, slack, hold, trim, sink } = balance;
  const figures = [
    laid.dryMg,
    laid.castingMg,
    laid.submergedMg,
    laid.effectiveGapMm,
    laid.tipping?.massMg,
    tight.momentMgMm,
    tight.lateralMgMm,
    tight.heelDeg,
    slack.heelDeg,
    hold.holdsTo,
    hold.heelAt100Deg,
    trim.lever,
    trim.noseDownDeg,
    sink?.terminal,
    sink?.level,
    sink?.noseFirst,
    silhouette.sideMm2,
    silhouette.planMm2,
    silhouette.frontMm2,
    ...silhouette.sideCentre,
    ...silhouette.planCentre,
  ];
  return figures.every((each) => each === null || each === undefined || Number.isFinite(each));
}
