import { type Drawers, NOMINAL_DRAWERS } from '../../drawers/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import { cutCells, type CellTable } from '../geometry/cells.ts';
import { frontArea } from '../geometry/front.ts';
import { project, sumSilhouette } from '../geometry/silhouette.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import type { BalanceModel } from '../balance/model.ts';
import { restAndSink, solveBalance, type Balance } from '../balance/solveBalance.ts';
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

const TRAILS_FROM = 0.35;

/** Marks the ellipses that trail when sinking nose-first: soft parts, and see-through wraps and hackles. */
function trailing(laid: LaidFly, table: CellTable): { trails: Uint8Array; stiff: Uint8Array; any: boolean } {
  const seeThrough = new Set(laid.parts.filter((part) => part.built.seeThrough).map((part) => part.built.id));
  const trails = Uint8Array.from(table.section, (index, i) =>
    (table.softness[i] ?? 0) >= TRAILS_FROM || seeThrough.has(laid.sections[index]?.owner ?? '') ? 1 : 0,
  );
  return { trails, stiff: trails.map((mark) => 1 - mark), any: trails.includes(1) };
}

/** 1 when a ball or the thread head leads the stiff parts, 2 for a blunt front. */
function bluntness(laid: LaidFly): 1 | 2 {
  const stiff = laid.parts.filter(
    (part) => !part.built.seeThrough && part.built.sections.some((each) => each.softness < TRAILS_FROM),
  );
  const foremost = [...stiff].sort((a, b) => a.extent.startMm - b.extent.startMm)[0];
  if (laid.thread.headMm && (!foremost || laid.thread.headMm[0] <= foremost.extent.startMm)) return 1;
  return foremost?.built.ball ? 1 : 2;
}

const models = new WeakMap<LaidFly, BalanceModel>();

/** Brings a laid fly to weights and sections; worked out once for a fly. */
export function balanceModel(laid: LaidFly): BalanceModel {
  let model = models.get(laid);
  if (!model) models.set(laid, (model = modelOf(laid)));
  return model;
}

/** Steady sinking speed of a laid fly, mm/s, 0 where it floats; what is worked out for it serves when the fly is settled. */
export const sinkSpeed = (laid: LaidFly): number => restAndSink(balanceModel(laid)).sink?.terminal ?? 0;

function modelOf(laid: LaidFly): BalanceModel {
  const table = cutCells(laid.sections);
  const { trails, stiff, any } = trailing(laid, table);
  return {
    water: laid.water,
    leverMm: laid.platform.leverMm,
    pointUp: laid.platform.pointUp,
    tow: laid.platform.towPoint,
    dragFactor: laid.file.measured?.dragFactor ?? 1,
    weights: laid.weights,
    table,
    nose: {
      stiffFrontMm2: frontArea(table, (index) => laid.sections[index]?.owner ?? '', stiff),
      trails: any ? trails : null,
      blunt: bluntness(laid),
      lengthMm: table.toMm - table.fromMm,
      skinMm2:
        laid.platform.skinMm2 + laid.thread.skinMm2 + laid.parts.reduce((sum, part) => sum + part.built.skinMm2, 0),
    },
  };
}

/** Slack rest, holds-to, trim and sinking of a laid fly. */
export function settleFly(laid: LaidFly): SolvedFly {
  const model = balanceModel(laid);
  const { table } = model;
  const side = sumSilhouette(table, project(table, 'side', 0));
  const plan = sumSilhouette(table, project(table, 'plan', 0));
  return {
    laid,
    balance: solveBalance(model),
    silhouette: {
      sideMm2: side?.areaMm2 ?? 0,
      planMm2: plan?.areaMm2 ?? 0,
      frontMm2: frontArea(table, (index) => laid.sections[index]?.owner ?? ''),
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
