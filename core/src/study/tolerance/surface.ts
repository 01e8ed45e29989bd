import type { Drawers } from '../../drawers/index.ts';
import { layDeviant, type Deviation } from './deviant.ts';
import type { LaidFly } from '../../model/index.ts';
import type { Spread } from './spreads.ts';

/** What decides the ride on a tight line, and the weight: keel moment, lateral moment (mg·mm), submerged weight, sum of its sizes (mg). */
export const ANSWERS = 4;

export const answersOf = (laid: LaidFly): readonly number[] => [
  laid.tight.momentMgMm,
  laid.tight.lateralMgMm,
  laid.submergedMg,
  laid.weights.reduce((sum, weight) => sum + Math.abs(weight.submergedMg), 0),
];

/** A pair of spreads of one part whose effects do not simply add. */
interface Cross {
  readonly i: number;
  readonly j: number;
  readonly of: readonly number[];
}

/** How the answers change with each spread, in standard deviations: straight, curved, and together within a part. */
export interface Surface {
  readonly middle: readonly number[];
  readonly straight: readonly (readonly number[])[];
  readonly curved: readonly (readonly number[])[];
  readonly cross: readonly Cross[];
}

/** Standard deviations out that the fly is laid at. */
const OUT = 1.5;
const NONE: readonly number[] = Array.from({ length: ANSWERS }, () => 0);

/**
 * Lays the fly with each spread a little off either way, and with those of one part off together, so that any mixture of them can be
 * reckoned without laying it. A fly that cannot be tied so far off on one side is taken to go on as on the other.
 */
export function* surfaceOf(laid: LaidFly, drawers: Drawers, spreads: readonly Spread[]): Generator<number, Surface> {
  const middle = answersOf(laid);
  const pairs = spreads.flatMap((one, i) =>
    spreads.flatMap((other, j) => (j > i && one.part !== null && one.part === other.part ? [[i, j] as const] : [])),
  );
  const steps = 2 * spreads.length + pairs.length;
  let done = 0;
  const off = (i: number, out: number): Deviation[] => {
    const spread = spreads[i];
    return spread ? [{ part: spread.part, kind: spread.kind, off: out * spread.sigma }] : [];
  };
  const changeAt = (deviations: readonly Deviation[]): readonly number[] | null => {
    done++;
    const fly = layDeviant(laid, drawers, deviations);
    return fly.ok ? answersOf(fly.value).map((answer, a) => answer - (middle[a] ?? 0)) : null;
  };
  const straight: number[][] = [];
  const curved: number[][] = [];
  for (let i = 0; i < spreads.length; i++) {
    const [up, down] = [changeAt(off(i, OUT)), changeAt(off(i, -OUT))];
    yield done / steps;
    const [plus, minus] = [up ?? down?.map((each) => -each) ?? NONE, down ?? up?.map((each) => -each) ?? NONE];
    straight.push(plus.map((each, a) => (each - (minus[a] ?? 0)) / (2 * OUT)));
    curved.push(plus.map((each, a) => (each + (minus[a] ?? 0)) / (2 * OUT * OUT)));
  }
  const alone = (i: number, a: number): number => OUT * (straight[i]?.[a] ?? 0) + OUT * OUT * (curved[i]?.[a] ?? 0);
  const cross: Cross[] = [];
  for (const [i, j] of pairs) {
    const both = changeAt([...off(i, OUT), ...off(j, OUT)]);
    if (both) cross.push({ i, j, of: both.map((each, a) => (each - alone(i, a) - alone(j, a)) / (OUT * OUT)) });
    yield done / steps;
  }
  return { middle, straight, curved, cross };
}

/** The change of one answer of a fly off by `z` standard deviations in each spread, of the spreads that `counts` lets through. */
export function changeOf(
  surface: Surface,
  z: ArrayLike<number>,
  answer: number,
  counts: (i: number) => boolean,
): number {
  const { straight, curved, cross } = surface;
  let sum = 0;
  for (let i = 0; i < straight.length; i++)
    if (counts(i)) {
      const off = z[i] ?? 0;
      sum += off * ((straight[i]?.[answer] ?? 0) + off * (curved[i]?.[answer] ?? 0));
    }
  for (const { i, j, of } of cross) if (counts(i) && counts(j)) sum += (z[i] ?? 0) * (z[j] ?? 0) * (of[answer] ?? 0);
  return sum;
}
