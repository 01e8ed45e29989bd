import { blankSilhouette, project, silhouetteArea } from '../geometry/silhouette.ts';
import { cellLoad, speedFor, sumWeights, toRad, type BalanceModel } from './model.ts';
import { G, skinCf, sphereCd, sphereCdFast } from './drag.ts';
import type { Water } from './water.ts';

export type SinkClass = 'hang' | 'slow' | 'medium' | 'fast' | 'very fast';

/** Steady sinking speeds in mm/s: at its own attitude, held level, held nose-first. */
export interface Sinking {
  readonly terminal: number;
  readonly level: number;
  readonly noseFirst: number;
  readonly class: SinkClass;
}

const MOST_MM_S = 20_000;
/** Drag of a fly grows with about this power of the speed. */
const USUAL_POWER = 1.8;
/** Drag of trailing soft stuff on its side area; flags have 0.1-0.2 a side. The least certain number of the model. */
const TRAILING_CD = 0.4;

/** Classes of terminal speed, slowest first: from which speed on, mm/s. */
export const SINK_CLASSES: readonly (readonly [name: SinkClass, fromMmS: number])[] = [
  ['hang', 0],
  ['slow', 40],
  ['medium', 120],
  ['fast', 220],
  ['very fast', 350],
];

/** Class of a terminal speed. */
export const sinkClass = (mmPerS: number): SinkClass =>
  SINK_CLASSES.findLast(([, from]) => mmPerS >= from)?.[0] ?? 'hang';

/** The speeds of a class, mm/s; without an end for the fastest. */
export function sinkRange(name: SinkClass): readonly [from: number, to: number] {
  const at = SINK_CLASSES.findIndex(([each]) => each === name);
  return [SINK_CLASSES[at]?.[1] ?? 0, SINK_CLASSES[at + 1]?.[1] ?? Infinity];
}

const hasSoft = (model: BalanceModel): boolean => model.table.softness.some((softness) => softness > 0);

/** Drag of level sinking at a roll, as a function of speed (mm/s → mg). Soft sections narrow with speed. */
function levelDrag(model: BalanceModel, theta: number): (speed: number) => number {
  const { table, water, dragFactor = 1 } = model;
  const into = blankSilhouette(table.cells);
  const rigid = hasSoft(model) ? null : project(table, 'plan', theta, { into, wants: 'breadth' });
  return (speed) => {
    const shape = rigid ?? project(table, 'plan', theta, { speedMmS: speed, into, wants: 'breadth' });
    let drag = 0;
    for (let c = 0; c < table.cells; c++) drag += cellLoad(shape, c, speed, water) * (table.dx[c] as number);
    return dragFactor * drag;
  };
}

/**
 * Drag of sinking along the shank: stiff front as spheres of equal area, soft parts on their side area, and skin. mm/s → mg.
 * Nose-first the soft parts trail and narrow; tail-first they lead, and the water pushes them open: they do not narrow.
 */
function alongDrag(model: BalanceModel, theta: number, leads: 'nose' | 'tail'): (speed: number) => number {
  const { water, nose, dragFactor = 1, softDrag = 1 } = model;
  const equivalentMm = Math.sqrt((4 * nose.stiffFrontMm2) / Math.PI);
  const blunt = leads === 'nose' ? nose.blunt : nose.bluntBehind;
  const into = nose.trails && blankSilhouette(nose.trails.cells);
  const softAt = (speedMmS: number): number =>
    nose.trails && into
      ? silhouetteArea(
          nose.trails,
          project(nose.trails, 'side', theta, { speedMmS, beyondCore: true, into, wants: 'breadth' }),
        )
      : 0;
  const open = leads === 'tail' ? softAt(0) : null;
  return (speed) => {
    const pressure = (water.density * speed * speed) / (2 * G);
    const front = sphereCdFast((speed * equivalentMm) / water.viscosity) * blunt * nose.stiffFrontMm2;
    const soft = open ?? softAt(speed);
    return (
      dragFactor *
      pressure *
      (front + softDrag * TRAILING_CD * soft + skinCf((speed * nose.lengthMm) / water.viscosity) * nose.skinMm2)
    );
  };
}

/** Remembers a curve at the speeds it was asked for: the three solutions pass through the same ones. */
function remembered(curve: (speed: number) => number): (speed: number) => number {
  const known = new Map<number, number>();
  return (speed) => {
    const value = known.get(speed) ?? curve(speed);
    known.set(speed, value);
    return value;
  };
}

/** Shares of the two drags at an attitude: cos²φ and sin²φ, and which end leads. */
function attitudeOf(noseDownDeg: number): { readonly along: number; readonly leads: 'nose' | 'tail' } {
  return { along: Math.sin(toRad(noseDownDeg)) ** 2, leads: noseDownDeg < 0 ? 'tail' : 'nose' };
}

/** Drag of a fly that sinks at a rest and an attitude, mg at mm/s: D_level·cos²φ + D_along·sin²φ, nose-first above 0°, tail-first below. */
export function sinkingDrag(model: BalanceModel, restDeg: number, noseDownDeg: number): (speed: number) => number {
  const { along, leads } = attitudeOf(noseDownDeg);
  const level = levelDrag(model, toRad(restDeg));
  if (along === 0) return level;
  const led = alongDrag(model, toRad(restDeg), leads);
  return (speed) => level(speed) * (1 - along) + led(speed) * along;
}

/**
 * Terminal, level and nose-first sinking speeds at a rest, from W·g = D_level·cos²φ + D_along·sin²φ.
 * @param restDeg roll the fly sinks at
 * @param noseDownDeg its attitude, negative where the tail is down
 * @returns null when it floats
 */
export function sinking(model: BalanceModel, restDeg: number, noseDownDeg: number): Sinking | null {
  const weight = sumWeights(model.weights).total;
  if (weight <= 0 || model.table.cells === 0) return null;
  const theta = toRad(restDeg);
  const { along, leads } = attitudeOf(noseDownDeg);
  const [levelOf, noseOf] = [remembered(levelDrag(model, theta)), remembered(alongDrag(model, theta, 'nose'))];
  const ledOf = leads === 'nose' ? noseOf : alongDrag(model, theta, 'tail');
  const level = speedFor(levelOf, weight, MOST_MM_S, 220);
  const noseFirst = speedFor(noseOf, weight, MOST_MM_S, 1.8 * level);
  const guess = (level ** -USUAL_POWER * (1 - along) + noseFirst ** -USUAL_POWER * along) ** (-1 / USUAL_POWER);
  const terminal =
    along === 0
      ? level
      : speedFor((speed) => levelOf(speed) * (1 - along) + ledOf(speed) * along, weight, MOST_MM_S, guess);
  return { terminal, level, noseFirst, class: sinkClass(terminal) };
}

/** Drag of a lone ball, which sinks as a sphere in every attitude, mg at mm/s. */
export const sphereDrag =
  (diameterMm: number, { density, viscosity }: Water) =>
  (speed: number): number =>
    speed <= 0
      ? 0
      : ((density * speed * speed) / (2 * G)) *
        sphereCd((speed * diameterMm) / viscosity) *
        (Math.PI / 4) *
        diameterMm ** 2;

/** Steady speed of a lone ball. @returns mm/s, or null when it floats */
export const sphereSinking = (diameterMm: number, submergedMg: number, water: Water): number | null =>
  submergedMg <= 0 ? null : speedFor(sphereDrag(diameterMm, water), submergedMg, MOST_MM_S, 500);
