import { traitsOf, type LaidFly, type LaidPart } from '../model/index.ts';
import type { Step } from './step.ts';

/** Something on the hook or the fly that is as long as what is to be measured, for a tier without a ruler. */
export interface ByEye {
  /** `the bend to the front of the weight`. */
  readonly words: string;
  readonly mm: number;
  /** Where it lies along the shank, mm from the eye; null for what lies across. */
  readonly span: readonly [fromMm: number, toMm: number] | null;
}

/** What an eye takes for the same length. */
const ALIKE_SHARE = 0.03;
/** Shorter lengths are not compared by eye. mm */
const LEAST_MM = 2;
/** What is worth a more familiar thing: the gap or the shank before two places on the fly. */
const FAMILIAR_SHARE = 0.01;

interface Place {
  readonly words: string;
  readonly mm: number;
}

/** Weight is not seen any more once a body lies over it. */
const isCovered = ({ file, extent }: LaidPart, laid: LaidFly, on: ReadonlySet<string>): boolean =>
  file.role === 'underbody' &&
  laid.parts.some(
    (other) =>
      other.file.role === 'body' &&
      on.has(other.file.id) &&
      other.extent.startMm < extent.endMm &&
      other.extent.endMm > extent.startMm,
  );

/** Places one sees along the shank when a step is done: its ends, and where parts that are on it begin and end. Point and barb lie below it. */
function placesOn(laid: LaidFly, on: ReadonlySet<string>): Place[] {
  const { landmarksMm } = laid.platform;
  const hook: Place[] = [
    { words: 'the eye', mm: 0 },
    { words: 'the bend', mm: landmarksMm.bend },
  ];
  const parts = laid.parts
    .filter((part) => on.has(part.file.id) && traitsOf(part.file.construction).ends && !isCovered(part, laid, on))
    .flatMap(({ file, extent }): Place[] => {
      const name = file.id.replaceAll('-', ' ');
      return [
        { words: `the front of the ${name}`, mm: extent.startMm },
        { words: `the rear of the ${name}`, mm: extent.endMm },
      ];
    });
  return [...hook, ...parts];
}

/**
 * What on the hook, or on the fly as it is before a step, is as long as that step's measure.
 * @returns the nearest within 3 %; null where nothing is, or where the measure is too short to be compared
 */
export function byEye(laid: LaidFly, step: Step): ByEye | null {
  const { measure } = step;
  if (!measure || measure.mm < LEAST_MM) return null;
  const { gapMm, shankMm } = laid.platform;
  const on = new Set(step.drawn.filter((id) => id !== step.part));
  const places = placesOn(laid, on);
  const itself = measure.span;
  const pairs = places.flatMap((a, i) =>
    places.slice(i + 1).map((b): ByEye => {
      const [rear, front] = a.mm > b.mm ? [a, b] : [b, a];
      return { words: `${rear.words} to ${front.words}`, mm: rear.mm - front.mm, span: [front.mm, rear.mm] };
    }),
  );
  const whole = laid.platform.tube === null ? 'the shank' : 'the tube';
  const hook: ByEye[] = [
    { words: whole, mm: shankMm, span: [0, shankMm] },
    { words: `half ${whole}`, mm: shankMm / 2, span: null },
    ...(gapMm === null ? [] : [{ words: 'the gap', mm: gapMm, span: null }]),
  ];
  const off = (each: ByEye): number => Math.abs(each.mm - measure.mm) / measure.mm;
  const isItself = ({ span }: ByEye): boolean =>
    span !== null && itself !== null && Math.abs(span[0] - itself[0]) < 0.3 && Math.abs(span[1] - itself[1]) < 0.3;
  const familiar = new Set(hook);
  const cost = (each: ByEye): number => off(each) - (familiar.has(each) ? FAMILIAR_SHARE : 0);
  const [best] = [...hook, ...pairs]
    .filter((each) => off(each) <= ALIKE_SHARE && !isItself(each))
    .sort((a, b) => cost(a) - cost(b));
  return best ?? null;
}
