import { TIE_IN } from '../data/index.ts';
import { type LaidFly, type LaidPart, boundMm, cutLength, traitsOf } from '../model/index.ts';
import type { ThreadItem } from '../drawers/index.ts';
import { formatNumber, METRIC, type Style } from '../units/index.ts';
import { buildUp } from './buildUp.ts';
import { buttAdvice, profilesOf, threadLength, type Profile } from './bulk.ts';
import { isPair, isUnder, tieInMm } from './constraints.ts';
import { finishSteps, prepareSteps, turnedSteps } from './frameSteps.ts';
import { movesOf, travelMm, type Move } from './order.ts';
import { wordsOf, type PartWords } from './partWords.ts';
import { step, type Step } from './step.ts';
import { asksG, bears } from './strain.ts';
import { threadOf, type Thread } from './threadOf.ts';

export interface TyingPlan {
  readonly steps: readonly Step[];
  readonly moves: readonly Move[];
  readonly thread: Thread;
  /** Thread used, and travelled along the shank, mm. */
  readonly threadMm: number;
  readonly travelMm: number;
  /** Diameters along the shank: bare, then after each move. */
  readonly profiles: readonly Profile[];
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function titleOf({ part, does }: Move): string {
  const name = capital(part.file.id.replaceAll('-', ' '));
  return does === 'catch' ? `${name}, tied in and left hanging` : does === 'wind' ? `${name}, wound` : name;
}

/** What the pull of the thread adds to what is said: a half hitch before what strains it, a warning where it would break. */
function strained(words: PartWords, askedG: number | null, thread: Thread, style: Style): PartWords {
  const how = askedG === null ? 'well' : bears(askedG, thread);
  if (askedG === null || how === 'well') return words;
  const kgf = (grams: number): string => formatNumber(grams / 1000, 2, style);
  if (how === 'barely') return { ...words, how: ['A half hitch first, as insurance.', ...words.how] };
  const warned = `It asks about ${kgf(askedG)} kgf of a thread that breaks at ${kgf(thread.breaksG)}: a stronger thread, or softer turns.`;
  return { ...words, wrong: words.wrong === null ? warned : `${warned} ${words.wrong}` };
}

function partStep(move: Move, laid: LaidFly, drawn: readonly string[], words: PartWords): Step {
  const { part, does, fromMm, toMm } = move;
  const { file, extent, built } = part;
  const { strand, butts } = traitsOf(file.construction);
  const advice = does === 'wind' ? null : buttAdvice(laid, part);
  const span = extent.endMm - extent.startMm;
  const threaded = file.construction === 'coat' || (file.construction === 'ball' && !isPair(part));
  return step({
    ...words,
    key: does === 'tie' ? file.id : `${file.id}/${does}`,
    part: file.id,
    title: titleOf(move),
    drawn,
    turned: isUnder(part),
    thread: threaded ? null : { fromMm, toMm, state: words.state, turns: TIE_IN.turns },
    cutMm: does === 'wind' ? null : cutLength(part, laid),
    tieInMm: does === 'wind' ? null : tieInMm(part),
    buttMm: butts ? (extent.buttsToMm ?? tieInMm(part) - boundMm(part)) : null,
    buttAdvice: advice && extent.buttsToMm === null ? advice.words : null,
    turns: does === 'catch' ? null : built.turns,
    pitchMm:
      does !== 'catch' && strand && built.turns !== null && built.turns > 0 && span > 0 ? span / built.turns : null,
    direction: does !== 'catch' && file.construction === 'wrap' ? (file.direction ?? 'with') : null,
  });
}

/** What hangs after a move: caught, and not wound yet. */
function hangingAfter(moves: readonly Move[], upTo: number): LaidPart[] {
  const caught = new Set<LaidPart>();
  for (const { part, does } of moves.slice(0, upTo + 1)) {
    if (does === 'catch') caught.add(part);
    if (does === 'wind') caught.delete(part);
  }
  return [...caught];
}

/**
 * How a fly is tied, in the order of its parts: every step with its figures, the thread's way, and the body as it grows.
 * @param spools of the tier's drawer: one of the fly's denier says what that thread bears and how it lies
 */
export function tyingPlan(laid: LaidFly, style: Style = METRIC, spools: readonly ThreadItem[] = []): TyingPlan {
  const moves = movesOf(
    laid,
    laid.parts.map((part) => part.file.id),
  );
  const thread = threadOf(laid.file, spools);
  const on: string[] = [];
  const profiles = profilesOf(laid, moves, thread);
  const partSteps = moves.map((move, i) => {
    const { part, does } = move;
    if (does !== 'catch') on.push(part.file.id);
    const under = profiles[i];
    const words = wordsOf(move, laid, style, {
      hanging: hangingAfter(moves, i - 1),
      buildUp: under && does !== 'catch' ? buildUp(part, under, thread) : null,
    });
    const asked = asksG(part);
    return { ...partStep(move, laid, [...on], strained(words, asked, thread, style)), asksG: asked };
  });
  // Beads and cones go on before the thread.
  const other = moves.findIndex(
    ({ part: { file } }) => file.construction !== 'ball' || (file.shape !== 'bead' && file.shape !== 'cone'),
  );
  const beads = other < 0 ? moves.length : other;
  const travel = travelMm(laid, moves);
  return {
    steps: [
      ...prepareSteps(laid, style, thread, partSteps.slice(0, beads)),
      ...turnedSteps(partSteps.slice(beads)),
      ...finishSteps(laid, style, on),
    ],
    moves,
    thread,
    threadMm: threadLength(laid, moves, travel, thread),
    travelMm: travel,
    profiles,
  };
}
