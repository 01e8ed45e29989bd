import { type Fault, good, type Outcome } from '@jobbet/core/base';
import { layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { type BeatFile, beatAt } from '@jobbet/core/records';
import { parseQuantity, type Style } from '@jobbet/core/units';
import {
  askWater,
  type Counted,
  countRows,
  ended,
  eyesTo,
  type Fishes,
  type HangsOn,
  hangsOn,
  type Moment,
  nothingReaches,
  type OnDropper,
  type OtherEyes,
  readAbove,
  readAsked,
  runWater,
  type WaterAsked,
  type WaterFault,
  waterFaults,
  type WaterTexts,
  type WaterTold,
  waterWords,
  waysTo,
  type Way,
  whichFly,
} from '@jobbet/core/water';
import type { Desk } from '../../shared/solve/desk.ts';

/** How a fly is asked about: which water, at which level, and how it is fished. */
export interface Question {
  readonly file: FlyFile;
  readonly beat: BeatFile;
  readonly level: string;
  readonly texts: WaterTexts;
  readonly style: Style;
  /** A second fly on the leader, and how far above, as it is written. */
  readonly dropper: { readonly file: FlyFile; readonly above: string } | null;
  /** Reckoned coarsely, for as long as something is pulled. */
  readonly coarse?: boolean;
}

/** What a run comes to, as it is shown. */
export interface Shown {
  readonly ok: true;
  readonly asked: Pick<WaterAsked, 'beat' | 'castMm' | 'fishing' | 'wantMm'>;
  readonly moments: readonly Moment[];
  readonly told: WaterTold;
}
export interface Refused {
  readonly ok: false;
  readonly faults: readonly Fault[];
}

/** The depth in slower and faster water, moment by moment, with all that is said. */
export interface Whole extends Shown {
  readonly slowerMm: readonly number[];
  readonly fasterMm: readonly number[];
  readonly words: readonly string[];
  readonly wrong: readonly WaterFault[];
}

/** What the greatest depth hangs on, and what would fish the fly at the wanted one. */
export interface Further {
  readonly hangs: HangsOn | null;
  readonly ways: readonly Way[];
}

/** How the flies of a box fish here; and where none comes down to the wanted depth, what would take the deepest there. */
export interface BoxAnswer {
  readonly found: readonly Fishes[];
  readonly would: { readonly words: string; readonly lowestMm: number; readonly line: string } | null;
}

const textsOf = ({ line, countS, leader }: Fishes): WaterTexts => ({
  line,
  count: `${String(countS)} s`,
  ...(leader === null ? {} : { leader }),
});

const deepOf = (moments: readonly Moment[]): number[] => moments.map(({ fly }) => -fly[2]);

/** A second fly on the leader, laid out; null where there is none. */
function dropperOf({ dropper }: Question, desk: Desk): Outcome<OnDropper | null> {
  if (!dropper) return good(null);
  const [laid, above] = [desk.laid(dropper.file), readAbove(dropper.above)];
  if (!laid.ok) return laid;
  return above.ok ? good({ laid: laid.value, aboveMm: above.value }) : above;
}

/** The question in figures. @returns why it cannot be asked where it cannot */
function figuresOf(question: Question, desk: Desk): { readonly asked: WaterAsked } | Refused {
  const { file, beat, level, texts } = question;
  const laid = desk.laid(file);
  const read = level === '' ? null : parseQuantity('length', level);
  if (read && !read.ok) return { ok: false, faults: [{ path: 'level', code: read.code, message: read.message }] };
  const at = beatAt(beat, read && read.value);
  const asked = readAsked(texts, file, desk.drawers);
  const dropper = dropperOf(question, desk);
  if (!laid.ok || !at.ok || !asked.ok || !dropper.ok)
    return { ok: false, faults: [laid, at, asked, dropper].flatMap((each) => (each.ok ? [] : each.faults)) };
  return { asked: { ...asked.value, laid: laid.value, beat: at.value, dropper: dropper.value } };
}

const shownOf = ({ beat, castMm, fishing, wantMm }: WaterAsked): Shown['asked'] => ({ beat, castMm, fishing, wantMm });

/** One run, as soon as it can be had. */
function onceOf(question: Question, desk: Desk): Shown | Refused {
  const figures = figuresOf(question, desk);
  if ('ok' in figures) return figures;
  const run = ended(runWater(figures.asked, question.coarse === true ? { coarse: true } : {}));
  if (!run.ok) return run;
  const { track, told } = run.value;
  return { ok: true, asked: shownOf(figures.asked), moments: track.moments, told };
}

/** The run with its band, and what is said of it; null where it was left for other work. */
async function wholeOf(question: Question, desk: Desk): Promise<Whole | Refused | null> {
  const figures = figuresOf(question, desk);
  if ('ok' in figures) return figures;
  const { asked } = figures;
  // A box that was asked about another water is of no more use.
  desk.end('box');
  const answer = await desk.work.inBits(askWater(asked), () => undefined);
  if (!answer?.ok) return answer;
  const { track, told, slower, faster } = answer.value;
  return {
    ok: true,
    asked: shownOf(asked),
    moments: track.moments,
    told,
    slowerMm: deepOf(slower.track.moments),
    fasterMm: deepOf(faster.track.moments),
    words: waterWords(answer.value, asked, question.style),
    wrong: waterFaults(answer.value, asked, question.style),
  };
}

/** How every fly of a box fishes here; null where it was left for other work. */
async function boxOf(
  question: Question,
  flies: readonly { readonly id: string; readonly file: FlyFile }[],
  onStep: (share: number) => void,
  desk: Desk,
): Promise<BoxAnswer | null> {
  const figures = figuresOf(question, desk);
  if ('ok' in figures) return { found: [], would: null };
  const { asked } = figures;
  const offered = flies.flatMap(({ id, file }) => {
    const laid = layFly(file, desk.drawers);
    return laid.ok ? [{ id, name: file.name, laid: laid.value }] : [];
  });
  const found = await desk.asked('box', whichFly(offered, asked, question.texts, desk.drawers), ({ share }) =>
    onStep(share),
  );
  if (!found) return null;
  const nearest = nothingReaches(found, asked.wantMm);
  const own = nearest && offered.find(({ id }) => id === nearest.id);
  if (!own) return { found, would: null };
  // Where nothing comes down to it, the fly that goes deepest is asked with other eyes, on the line that takes it there.
  const read = readAsked({ ...question.texts, ...textsOf(nearest) }, own.laid.file, desk.drawers);
  if (!read.ok) return { found, would: null };
  const heavier = { ...asked, ...read.value, wantMm: asked.wantMm, laid: own.laid };
  const eyes = await desk.asked('box', eyesTo(heavier, desk.drawers, question.style), () => undefined);
  return { found, would: eyes && { words: eyes.words, lowestMm: eyes.lowestMm, line: nearest.line } };
}

export const waterReckon = (desk: Desk) => ({
  once: (question: Question): Shown | Refused => onceOf(question, desk),
  whole: (question: Question): Promise<Whole | Refused | null> => wholeOf(question, desk),
  /** What the depth hangs on, and ways to the wanted one. */
  async further(question: Question): Promise<Further | null> {
    const figures = figuresOf(question, desk);
    if ('ok' in figures) return { hangs: null, ways: [] };
    const ways = await desk.work.inBits(
      waysTo(figures.asked, question.texts, { file: question.file, tackle: desk.drawers }, question.style),
      () => undefined,
    );
    const hangs = ways && (await desk.work.inBits(hangsOn(figures.asked), () => undefined));
    return ways && hangs ? { hangs: hangs.ok ? hangs.value : null, ways: ways.ok ? ways.value : [] } : null;
  },
  /** Other eyes that fish the wanted depth; null where there are none, or it was left for other work. */
  async eyes(question: Question): Promise<OtherEyes | null> {
    const figures = figuresOf(question, desk);
    if ('ok' in figures) return null;
    return desk.work.inBits(eyesTo(figures.asked, desk.drawers, question.style), () => undefined);
  },
  /** How long the fly is counted down on every usual line. */
  async counts(question: Question): Promise<Counted | null> {
    const figures = figuresOf(question, desk);
    if ('ok' in figures) return null;
    return desk.asked(
      'card',
      countRows(figures.asked, question.texts, { file: question.file, tackle: desk.drawers }, question.style),
      () => undefined,
    );
  },
  which: (
    question: Question,
    flies: readonly { readonly id: string; readonly file: FlyFile }[],
    onStep: (share: number) => void,
  ): Promise<BoxAnswer | null> => boxOf(question, flies, onStep, desk),
});
