import { good, type Outcome } from '../base/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { METRIC, saying, type Style } from '../units/index.ts';
import { ASKED_LIMITS, ended, runWater, type WaterAsked } from './ask.ts';
import { readAsked, type WaterTexts } from './asked.ts';
import { lengthOf, readLine, SHORT_LEADER, type Tackle, USUAL_LINES } from './tackle.ts';
import { isNearWanted } from './told.ts';

/** A change that fishes a fly at the wanted depth, or comes nearest. */
export interface Way {
  /** What is changed, and to what, as it is written. */
  readonly change: 'count' | 'mend' | 'float-to-fly' | 'line' | 'leader';
  readonly to: string;
  readonly words: string;
  readonly lowestMm: number;
  /** Whether it is within a seventh of the depth that is wanted. */
  readonly reaches: boolean;
  /** What it costs. */
  readonly costs: string;
}

const MOST_COUNT_S = 30;
/** Below a float hangs so many times the wanted depth at most. */
const MOST_DROP = 2.5;
const MENDS = ['1', '2', '3'] as const;

const formOf = (line: string): string | null => {
  const read = readLine(line);
  return read.ok ? read.value.form : null;
};

/** A line in words; one of the drawers by its name. */
export function lineWords(line: string): string {
  if (line.startsWith('sink tip')) return `a ${line}`;
  if (line.startsWith('sinking')) return `a line ${line}`;
  return { floating: 'a floating line', intermediate: 'an intermediate line' }[line] ?? line;
}

/** What a question is read by: the pattern, and the tackle of the drawers. */
export interface Known {
  readonly file: Pick<FlyFile, 'intent'>;
  readonly tackle: Tackle;
}

/** What is tried, in order of how little it changes. */
interface Try {
  readonly change: Way['change'];
  readonly to: string;
  readonly words: string;
  readonly costs: string;
}

/** How deep a fly goes as it is asked with some of it changed; null where that cannot be asked. */
function lowestWith(asked: WaterAsked, texts: WaterTexts, of: Known, trial: Pick<Try, 'change' | 'to'>): number | null {
  const read = readAsked({ ...texts, [trial.change]: trial.to }, of.file, of.tackle);
  if (!read.ok) return null;
  const run = ended(runWater({ ...asked, ...read.value }));
  return run.ok ? run.value.told.depth.lowestMm : null;
}

/** It is there at so much of the wanted depth: one that lies on the bed lies its own height over it. */
const THERE = 0.97;

/** The least of some whole figures, each of which goes deeper than the one before it, that comes to the wanted depth; the greatest where none does. */
function* leastOf(
  [low, high]: readonly [number, number],
  tryOf: (figure: number) => Try,
  deepWith: (trial: Try) => number | null,
  wantMm: number,
): Generator<{ readonly share: number }, Try> {
  let [short, enough] = [low, high];
  while (enough - short > 1) {
    const mid = Math.floor((short + enough) / 2);
    const deep = deepWith(tryOf(mid));
    yield { share: 0.3 };
    if (deep !== null && deep < THERE * wantMm) short = mid;
    else enough = mid;
  }
  return tryOf(enough);
}

const countTry = (seconds: number): Try => ({
  change: 'count',
  to: `${String(seconds)} s`,
  words: `count ${String(seconds)}`,
  costs: `${String(seconds)} s of waiting on each cast`,
});

/** What hangs below a float is moved so far at once, mm. */
const DROP_STEP = 50;
const dropTry =
  (style: Style) =>
  (steps: number): Try => {
    const long = saying(style).depth(steps * DROP_STEP);
    return {
      change: 'float-to-fly',
      to: long,
      words: `${long} from float to fly`,
      costs: 'it hangs on the bed where that rises',
    };
  };

function deeperTries({ fishing, line, leader }: WaterAsked): Try[] {
  const now = USUAL_LINES.findIndex((each) => formOf(each) === line.form);
  return [
    ...(fishing.manner === 'swing'
      ? MENDS.filter((each) => Number(each) > fishing.mends).map((to): Try => ({
          change: 'mend',
          to,
          words: to === '1' ? 'one mend' : `${to} mends`,
          costs: 'the fly is out of touch while line is mended',
        }))
      : []),
    ...(line.rateMmS !== null && lengthOf(leader) > 1500
      ? [
          {
            change: 'leader' as const,
            to: SHORT_LEADER,
            words: 'a leader of 1.2 m',
            costs: 'the line is nearer to the fly',
          },
        ]
      : []),
    ...USUAL_LINES.slice(Math.max(0, now + 1)).map((to): Try => ({
      change: 'line',
      to,
      words: lineWords(to),
      costs: 'another line on the reel',
    })),
  ];
}

/** Lines that sink less, the nearest first. */
function shallowerTries({ line }: WaterAsked): Try[] {
  const now = USUAL_LINES.findIndex((each) => formOf(each) === line.form);
  return USUAL_LINES.slice(0, Math.max(0, now))
    .reverse()
    .map((to): Try => ({ change: 'line', to, words: lineWords(to), costs: 'another line on the reel' }));
}

/**
 * Changes that fish a fly at the depth that is wanted, one at a time, the least first; where none does, those that come nearest.
 * @param texts as it is asked now
 */
export function* waysTo(
  asked: WaterAsked,
  texts: WaterTexts,
  of: Known,
  style: Style = METRIC,
): Generator<{ readonly share: number }, Outcome<readonly Way[]>> {
  const { wantMm, fishing } = asked;
  const now = ended(runWater(asked));
  if (!now.ok) return now;
  const { lowestMm } = now.value.told.depth;
  const isNear = (mm: number): boolean => wantMm !== null && isNearWanted(mm, wantMm);
  if (wantMm === null || isNear(lowestMm)) return good([]);
  const deepWith = (trial: Try): number | null => lowestWith(asked, texts, of, trial);
  const tries: Try[] = [];
  const counted = fishing.manner === 'swing' || fishing.manner === 'strip';
  // A fly that goes too deep is counted less, where it is counted at all.
  if (counted && (lowestMm < wantMm || fishing.countS > 0))
    tries.push(
      yield* leastOf([0, Math.min(MOST_COUNT_S, Math.floor(fishing.seconds) - 1)], countTry, deepWith, wantMm),
    );
  if (fishing.manner === 'dead-drift') {
    const most = Math.min(ASKED_LIMITS.dropMm[1], MOST_DROP * wantMm) / DROP_STEP;
    tries.push(yield* leastOf([1, Math.floor(most)], dropTry(style), deepWith, wantMm));
  } else tries.push(...(lowestMm < wantMm ? deeperTries(asked) : shallowerTries(asked)));
  const ways: Way[] = [];
  for (const [i, trial] of tries.entries()) {
    const deep = lowestWith(asked, texts, of, trial);
    yield { share: 0.3 + (0.7 * (i + 1)) / tries.length };
    // A change that goes the wrong way is none.
    if (deep === null || Math.abs(deep - wantMm) >= Math.abs(lowestMm - wantMm)) continue;
    ways.push({ ...trial, lowestMm: deep, reaches: isNear(deep) });
  }
  const reaching = ways.filter(({ reaches }) => reaches);
  const nearest = [...ways]
    .sort((one, other) => Math.abs(one.lowestMm - wantMm) - Math.abs(other.lowestMm - wantMm))
    .slice(0, 2);
  // Of one kind of change the first that reaches is the least.
  const first = reaching.filter(({ change }, i) => reaching.findIndex((each) => each.change === change) === i);
  return good(first.length > 0 ? first : nearest);
}
