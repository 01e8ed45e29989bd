import { TIE_IN } from '../data/index.ts';
import { type LaidFly, type LaidPart, cutLength, traitsOf } from '../model/index.ts';
import type { ThreadItem } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { formatNumber, METRIC, type Style } from '../units/index.ts';
import { buildUp } from './buildUp.ts';
import { buttAdvice, profilesOf, threadLength, type Profile } from './bulk.ts';
import { isOnThread, isPair, isPalmer, isRib, isUnder, needsNoThread, overlapMm } from './constraints.ts';
import { brushStep, comesWithLoop, finishSteps, prepareSteps, turnedSteps } from './frameSteps.ts';
import { movesOf, tiesIn, travelMm, type Move } from './order.ts';
import { partTitle } from './partName.ts';
import { wordsOf, type PartWords } from './partWords.ts';
import { step, type Step } from './step.ts';
import { techniqueKeys } from './techniques.ts';
import { asksG, bears } from './strain.ts';
import { threadOf, type Thread } from './threadOf.ts';
import { isBrushed } from './words/told.ts';

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

const DOES: Readonly<Record<Move['does'], string>> = {
  tie: '',
  catch: ', tied in and left hanging',
  wind: ', wound',
  over: ', folded over and tied down',
  on: ', of the same piece',
};
const STRIP_DOES: Readonly<Partial<Record<Move['does'], string>>> = {
  catch: ', bound at the rear',
  over: ', pulled over and tied down in front',
};
const FRONT_FIRST: Readonly<Partial<Record<Move['does'], string>>> = {
  catch: ', tied in in front',
  over: ', bound at the rear',
};

function titleOf({ part, does }: Move): string {
  const { file } = part;
  const told = file.construction !== 'strip' ? undefined : (file.first === 'front' ? FRONT_FIRST : STRIP_DOES)[does];
  return `${partTitle(file.id)}${told ?? (file.construction === 'sheet' && does === 'catch' ? ', tied in' : DOES[does])}`;
}

/** What the pull of the thread adds to what is said: a half hitch before what strains it, a warning where it would break. */
function strained(words: PartWords, askedG: number | null, thread: Thread, style: Style): PartWords {
  const how = askedG === null ? 'well' : bears(askedG, thread);
  if (askedG === null || how === 'well') return words;
  const pull = (grams: number): string => formatNumber(Math.round(grams / 10) * 10, 0, style);
  if (how === 'barely') return { ...words, how: ['A half hitch first, as insurance.', ...words.how] };
  const warned = `It asks about ${pull(askedG)} g of a thread that breaks at ${pull(thread.breaksG)} g: a stronger thread, or softer turns.`;
  return { ...words, wrong: words.wrong === null ? warned : `${warned} ${words.wrong}` };
}

function partStep(move: Move, laid: LaidFly, drawn: readonly string[], words: PartWords): Step {
  const { part, does, fromMm, toMm } = move;
  const { file, extent, built } = part;
  const { strand, butts } = traitsOf(file.construction);
  const begins = tiesIn(move);
  const advice = begins ? buttAdvice(laid, part) : null;
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
    cutMm: begins ? cutLength(part, laid) : null,
    tieInMm: begins ? fromMm : null,
    buttMm: begins && butts ? extent.buttsToMm : null,
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
    else caught.delete(part);
  }
  return [...caught];
}

/** Goes on what is finished: eyes that are glued on, and coats of the head. */
function isLate({ file }: LaidPart, { parts }: LaidFly): boolean {
  if (file.construction === 'ball') return file.shape === 'disc';
  if (file.construction !== 'coat') return false;
  const over = file.over.toLowerCase();
  return over === 'head' || parts.some((each) => each.file.id.toLowerCase() === over && each.file.role === 'head');
}

/** How many moves come before the thread. */
function barePrefix(moves: readonly Move[]): number {
  const other = moves.findIndex(({ part, does }) => !needsNoThread(part) || isOnThread(part) || does !== 'tie');
  return other < 0 ? moves.length : other;
}

/** After which move each body that can be brushed out is: once the ribs over it are wound. */
function brushedAfter(moves: readonly Move[]): ReadonlyMap<number, LaidPart> {
  const after = new Map<number, LaidPart>();
  moves.forEach(({ part, does }, i) => {
    if (does === 'catch' || part.file.role !== 'body' || !isBrushed(part)) return;
    const rib = moves.findLastIndex(
      (move) => isRib(move.part) && move.does !== 'catch' && overlapMm(move.part, part) > 0.5,
    );
    const between = moves.slice(i + 1, Math.max(i, rib)).some((move) => move.does === 'over' || isPalmer(move.part));
    after.set(rib > i && !between ? rib : i, part);
  });
  return after;
}

/** Steps that belong to no part, with the techniques they take. */
const framed = (steps: readonly Step[], laid: LaidFly): Step[] =>
  steps.map((each) => (each.part === null ? { ...each, techniques: techniqueKeys(each.key, null, laid) } : each));

/** What builds or closes the head: from the first of them on it is there. */
const HEADED: ReadonlySet<string> = new Set(['head', 'whip']);

/** Steps with what is in the vise by each, beside the parts. */
function withBeside(steps: readonly Step[], { platform }: FlyFile): Step[] {
  // A part may be called what a step of its own is called.
  const from = (...keys: string[]): number => steps.findIndex(({ key, part }) => part === null && keys.includes(key));
  const [barb, begun, closed, loop, rig] = [from('barb'), from('thread'), from(...HEADED), from('loop'), from('rig')];
  const hung = comesWithLoop(platform) ? loop : rig;
  return steps.map((each, i) => ({
    ...each,
    beside: {
      barbUp: i < barb,
      thread: i < begun ? 'none' : i < closed ? 'bed' : 'head',
      trails: [...(i >= loop ? ['loop' as const] : []), ...(i >= hung ? ['hook' as const] : [])],
    },
  }));
}

/**
 * How a fly is tied, in the order of its parts: every step with its figures, the thread's way, and the body as it grows.
 * @param spools of the tier's drawer: one of the fly's denier says what that thread bears and how it lies
 */
export function tyingPlan(laid: LaidFly, style: Style = METRIC, spools: readonly ThreadItem[] = []): TyingPlan {
  const moves = movesOf(laid);
  const thread = threadOf(laid.file, spools);
  const profiles = profilesOf(laid, moves, thread);
  const bare = barePrefix(moves);
  const brushed = brushedAfter(moves);
  const on: string[] = [];
  const stepsOf = (move: Move, i: number): Step[] => {
    const { part, does } = move;
    if (does !== 'catch') on.push(part.file.id);
    const under = profiles[i];
    const words = wordsOf(move, laid, style, {
      hanging: hangingAfter(moves, i - 1),
      buildUp: under && does !== 'catch' ? buildUp(part, under, thread) : null,
      bare: i < bare,
    });
    const asked = i < bare || does === 'on' ? null : asksG(part);
    const done = {
      ...partStep(move, laid, [...on], strained(words, asked, thread, style)),
      asksG: asked,
      techniques: techniqueKeys(part.file.id, move, laid),
    };
    const body = brushed.get(i);
    return body ? [done, brushStep(body, [...on])] : [done];
  };
  const all = moves.map((move, i) => ({ move, i }));
  const rest = all.slice(bare);
  const doneWith = (some: typeof all): Step[] => some.flatMap(({ move, i }) => stepsOf(move, i));
  const early = doneWith(all.slice(0, bare));
  const main = doneWith(rest.filter(({ move }) => !isLate(move.part, laid)));
  const before = [...on];
  const late = doneWith(rest.filter(({ move }) => isLate(move.part, laid)));
  const wire = moves.slice(0, bare).find(({ part }) => part.file.role === 'underbody')?.part ?? null;
  const travel = travelMm(laid, moves);
  const steps = [
    ...framed(prepareSteps(laid, style, thread, { steps: early, wire }), laid),
    ...turnedSteps(laid, main),
    ...framed(finishSteps(laid, style, before, late), laid),
  ];
  return {
    steps: withBeside(steps, laid.file),
    moves,
    thread,
    threadMm: threadLength(laid, moves, travel, thread),
    travelMm: travel,
    profiles,
  };
}
