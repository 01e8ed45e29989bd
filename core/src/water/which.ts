import type { LaidFly } from '../model/index.ts';
import { ended, runWater, type WaterAsked } from './ask.ts';
import { onLine, readAsked, type WaterTexts } from './asked.ts';
import { seenFromMm } from './seen.ts';
import { linesOf, NO_TACKLE, type Tackle } from './tackle.ts';
import { NEAR_WANTED } from './told.ts';

/** A fly of the box. */
export interface Offered {
  readonly id: string;
  readonly name: string;
  readonly laid: LaidFly;
}

/** How a fly of the box fishes here, with the line and the count that suit it best. */
export interface Fishes {
  readonly id: string;
  readonly name: string;
  readonly line: string;
  readonly countS: number;
  /** The leader it is fished with there, as it is written; null: as it is asked, or the usual one. */
  readonly leader: string | null;
  readonly lowestMm: number;
  /** What rules it out; none where it may be fished. */
  readonly against: readonly string[];
  /** By how much it misses the wanted depth, as a share of it; 0 where none is wanted. */
  readonly misses: number;
  /** Whether its point is dragged over the bed. */
  readonly snags: boolean;
}

/** Counts that every fly is tried with. Custom. */
export const TRIED_COUNTS = [0, 3, 6, 10, 15] as const;
/** A fly that is made out from nearer than this is passed by, mm. Judgement. */
const SEEN_MM = 400;

function fishesWith(
  offered: Offered,
  asked: WaterAsked,
  own: WaterTexts,
  {
    line,
    countS,
    coarse,
    tackle,
  }: { readonly line: string; readonly countS: number; readonly coarse: boolean; readonly tackle: Tackle },
): Fishes | null {
  const texts: WaterTexts = { ...onLine(own, line, tackle), count: `${String(countS)} s` };
  const read = readAsked(texts, offered.laid.file, tackle);
  if (!read.ok) return null;
  const question = { ...asked, ...read.value, wantMm: asked.wantMm, laid: offered.laid };
  const run = ended(runWater(question, coarse ? { coarse } : {}));
  if (!run.ok) return null;
  const { depth, bed, capsizes, asMeantS, fishedS } = run.value.told;
  const { wantMm, beat } = asked;
  const { clarityMm } = beat;
  const misses = wantMm === null ? 0 : Math.abs(depth.lowestMm - wantMm) / wantMm;
  return {
    id: offered.id,
    name: offered.name,
    line,
    countS,
    leader: texts.leader ?? null,
    lowestMm: depth.lowestMm,
    misses,
    snags: bed.pointDownS > 0,
    against: [
      ...(wantMm !== null && misses > NEAR_WANTED ? [depth.lowestMm < wantMm ? 'not deep enough' : 'too deep'] : []),
      ...(bed.pointDownS > 0 ? ['drags its point over the bed'] : []),
      ...(capsizes.length > 0 ? ['rolls over'] : []),
      ...(clarityMm !== null && seenFromMm(clarityMm, depth.lowestMm) < SEEN_MM ? ['hardly made out'] : []),
      ...(asMeantS !== null && fishedS > 0 && asMeantS < 0.7 * fishedS ? ['does not ride as meant'] : []),
    ],
  };
}

/** What cannot be fished below. */
const floats = ({ id, name }: Offered): Fishes => ({
  id,
  name,
  line: 'floating',
  countS: 0,
  leader: null,
  lowestMm: 0,
  misses: 1,
  snags: false,
  against: ['floats'],
});

/** Of two ways to fish a fly: less against it, then nearer to the depth, then the line that sinks less, then the shorter count. */
const better =
  (lines: readonly string[]) =>
  (one: Fishes, other: Fishes): number =>
    one.against.length - other.against.length ||
    one.misses - other.misses ||
    lines.indexOf(one.line) - lines.indexOf(other.line) ||
    one.countS - other.countS;

type Look = (line: string, countS: number) => Fishes | null;

/** Of some in order, each of which goes deeper than the one before it, the first that comes to a depth; their number where none does. */
function firstDown<T>(all: readonly T[], depthOf: (one: T) => number, wantMm: number): number {
  let [low, high] = [0, all.length];
  while (low < high) {
    const mid = Math.floor((low + high) / 2);
    if (depthOf(all[mid] as T) < wantMm) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** The ways to fish a fly that may suit: the first line that takes it down, and the one before it with the first count that does. */
function likely(look: Look, lines: readonly string[], counts: readonly number[], wantMm: number | null): Fishes[] {
  const [first = 0] = counts;
  const known = new Map<string, Fishes | null>();
  const at = (line: string, countS: number): Fishes | null => {
    const key = `${line} ${String(countS)}`;
    const there = known.get(key) ?? look(line, countS);
    known.set(key, there);
    return there;
  };
  const [one] = lines;
  if (wantMm === null || one === undefined)
    return one === undefined ? [] : [at(one, first)].filter((each) => each !== null);
  const enough = (1 - NEAR_WANTED) * wantMm;
  const down = firstDown(lines, (line) => at(line, first)?.lowestMm ?? 0, enough);
  const [before, line] = [lines[down - 1], lines[down]];
  if (before !== undefined) {
    const count = firstDown(counts, (countS) => at(before, countS)?.lowestMm ?? 0, enough);
    at(before, counts[Math.min(count, counts.length - 1)] ?? first);
  }
  if (line !== undefined) at(line, first);
  return [...known.values()].filter((each) => each !== null);
}

/**
 * How every fly of the box fishes a beat. Lines and counts are in order of how deep they fish, so that few are looked at, coarsely; the best is
 * run in full. Those that reach the depth, ride as meant and snag on nothing come first.
 */
export function* whichFly(
  flies: readonly Offered[],
  asked: WaterAsked,
  own: WaterTexts,
  tackle: Tackle = NO_TACKLE,
): Generator<{ readonly share: number }, readonly Fishes[]> {
  const found: Fishes[] = [];
  const lines = linesOf(tackle);
  const counted = asked.fishing.manner === 'swing' || asked.fishing.manner === 'strip';
  for (const [i, offered] of flies.entries()) {
    const look: Look = (line, countS) => fishesWith(offered, asked, own, { line, countS, coarse: true, tackle });
    const [best] = likely(look, lines, counted ? TRIED_COUNTS : TRIED_COUNTS.slice(0, 1), asked.wantMm).sort(
      better(lines),
    );
    yield { share: (i + 0.7) / flies.length };
    found.push((best && fishesWith(offered, asked, own, { ...best, coarse: false, tackle })) ?? floats(offered));
    yield { share: (i + 1) / flies.length };
  }
  return found.sort(better(lines));
}

/** Of a box of which nothing comes down to the wanted depth, the fly that goes deepest; null where one does. */
export function nothingReaches(found: readonly Fishes[], wantMm: number | null): Fishes | null {
  if (wantMm === null || found.some(({ lowestMm }) => lowestMm >= (1 - NEAR_WANTED) * wantMm)) return null;
  return found.reduce<Fishes | null>((best, each) => (!best || each.lowestMm > best.lowestMm ? each : best), null);
}
