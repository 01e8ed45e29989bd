import { good, type Outcome } from '../base/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { ended, runWater, type WaterAsked } from './ask.ts';
import { readAsked, type WaterTexts } from './asked.ts';
import { readLine, type Tackle, USUAL_LINES } from './tackle.ts';
import { isNearWanted } from './told.ts';

/** A change that fishes a fly at the wanted depth, or comes nearest. */
export interface Way {
  /** What is changed, and to what, as it is written. */
  readonly change: 'count' | 'mend' | 'line' | 'leader';
  readonly to: string;
  readonly words: string;
  readonly lowestMm: number;
  /** Whether it is within a seventh of the depth that is wanted. */
  readonly reaches: boolean;
  /** What it costs. */
  readonly costs: string;
}

const MOST_COUNT_S = 30;
const MENDS = ['1', '2', '3'] as const;
/** A leader for a line that sinks, so that the fly is where the line is. Custom. */
const SHORT_LEADER = '1.2 m of 0.25 mm nylon';

const formOf = (line: string): string | null => {
  const read = readLine(line);
  return read.ok ? read.value.form : null;
};

/** A usual line in words. */
export const lineWords = (line: string): string =>
  line.startsWith('sink tip')
    ? `a ${line}`
    : line.startsWith('sinking')
      ? `a line ${line}`
      : line === 'floating'
        ? 'a floating line'
        : 'an intermediate line';

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

/** The least whole count that comes to the wanted depth; the longest where none does. */
function* countFor(
  asked: WaterAsked,
  texts: WaterTexts,
  of: Known,
  wantMm: number,
): Generator<{ readonly share: number }, Try> {
  let [low, high] = [0, Math.min(MOST_COUNT_S, Math.floor(asked.fishing.seconds) - 1)];
  while (high - low > 1) {
    const mid = Math.floor((low + high) / 2);
    const deep = lowestWith(asked, texts, of, { change: 'count', to: `${String(mid)} s` });
    yield { share: 0.3 };
    if (deep !== null && deep < wantMm) low = mid;
    else high = mid;
  }
  return {
    change: 'count',
    to: `${String(high)} s`,
    words: `count ${String(high)}`,
    costs: `${String(high)} s of waiting on each cast`,
  };
}

function triesOf({ fishing, line, leader }: WaterAsked): Try[] {
  const now = USUAL_LINES.findIndex((each) => formOf(each) === line.form);
  const leaderMm = leader.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  return [
    ...(fishing.manner === 'swing'
      ? MENDS.filter((each) => Number(each) > fishing.mends).map((to): Try => ({
          change: 'mend',
          to,
          words: to === '1' ? 'one mend' : `${to} mends`,
          costs: 'the fly is out of touch while line is mended',
        }))
      : []),
    ...(line.rateMmS !== null && leaderMm > 1500
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

/**
 * Changes that fish a fly at the depth that is wanted, one at a time, the least first; where none does, those that come nearest.
 * @param texts as it is asked now
 */
export function* waysTo(
  asked: WaterAsked,
  texts: WaterTexts,
  of: Known,
): Generator<{ readonly share: number }, Outcome<readonly Way[]>> {
  const { wantMm, fishing } = asked;
  const now = ended(runWater(asked));
  if (!now.ok) return now;
  const { lowestMm } = now.value.told.depth;
  const isNear = (mm: number): boolean => wantMm !== null && isNearWanted(mm, wantMm);
  if (wantMm === null || isNear(lowestMm)) return good([]);
  const tries: Try[] = [];
  if (fishing.manner === 'swing' || fishing.manner === 'strip') tries.push(yield* countFor(asked, texts, of, wantMm));
  if (lowestMm < wantMm) tries.push(...triesOf(asked));
  else {
    const at = USUAL_LINES.findIndex((each) => formOf(each) === asked.line.form);
    tries.push(
      ...USUAL_LINES.slice(0, Math.max(0, at))
        .reverse()
        .map((to): Try => ({ change: 'line', to, words: lineWords(to), costs: 'another line on the reel' })),
    );
  }
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
