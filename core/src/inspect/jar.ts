import { dragFactorOf, type LaidFly, slackRest, timeDown } from '../model/index.ts';
import { studentQuantile } from '../numeric/index.ts';
import type { SpecimenFile } from '../records/index.ts';
import { parseQuantity } from '../units/index.ts';
import { type EyesByRide, type Fell, fellIn, newsOf } from './fallen.ts';
import { floatReport, type FloatReport } from './floating.ts';
import { driftOf, type Interval, meanOf, summary } from './statistics.ts';
import { heavierModel, heavierUnderWaterMg } from './weighed.ts';

/** A stopwatch is pressed so late or early at either end, s; how late one always is cancels between the two. */
const PRESSED_S = 0.07;
/** A fall shorter than this teaches nothing: the ends are too much of it. */
const LEAST_S = 1;
/** A mark on a jar is read so far off, mm. */
const READ_MM = 1;
/** Fewer falls are told, and teach nothing. */
export const LEAST_FALLS = 5;

type JarFile = NonNullable<SpecimenFile['jar']>;

/** What falls in a jar come to. */
export interface JarReport {
  readonly falls: number;
  /** Of them, those long enough to teach. */
  readonly usable: number;
  readonly found_s: number | null;
  readonly predicted_s: number | null;
  readonly found_mm_s: number | null;
  readonly predicted_mm_s: number | null;
  /** Times the computed drag, 19 times in 20 between; null where it cannot be told. */
  readonly dragFactor: number | null;
  readonly interval: Interval | null;
  /** Which way up it fell, of those falls that say so, against how the model has it on a slack line. */
  readonly rests: { readonly most: Fell; readonly of: number; readonly said: number; readonly model: string } | null;
  /** What that says of its eyes; null where it was to be expected. */
  readonly eyes: EyesByRide | null;
  /** How long it floated, laid on dry; null where that was not tried. */
  readonly floats: FloatReport | null;
  readonly words: readonly string[];
}

const mmOf = (text: string | undefined): number => {
  const read = text === undefined ? null : parseQuantity('length', text);
  return read?.ok === true ? read.value : 0;
};

function restsOf({ falls }: JarFile, model: string): JarReport['rests'] {
  const said = fellIn(falls);
  const counts = new Map<Fell, number>();
  for (const fell of said) counts.set(fell, (counts.get(fell) ?? 0) + 1);
  const [top] = [...counts].sort((one, other) => other[1] - one[1]);
  return top ? { most: top[0], of: top[1], said: said.length, model } : null;
}

/** How far off the mean of so many times is by pressing alone, s. */
const pressedS = (n: number): number => (PRESSED_S * Math.SQRT2) / Math.sqrt(n);

/**
 * The factor on the computed drag that falls teach, by least squares: the mean of their times is what a factor has to give. Its interval has the
 * spread of pressing and of the falls themselves, and of reading the mark: time goes with the root of the drag, so that a share of time is twice
 * the share of drag.
 */
function factorOf(laid: LaidFly, timed: Parameters<typeof dragFactorOf>[1], times: readonly number[]) {
  const factor = dragFactorOf(laid, timed, meanOf(times));
  if (factor === null) return null;
  const { n, mean, sd } = summary(times);
  // What falls differ by among themselves is told by few of them; less than the pressing alone it never is.
  const pressed = pressedS(n);
  const own = sd === null ? 0 : sd / Math.sqrt(n);
  const ofTime = own > pressed ? own * studentQuantile(0.975, n - 1) : pressed * 1.96;
  const share = 2 * Math.hypot(ofTime / mean, (1.96 * READ_MM) / timed.depthMm);
  return { factor, interval: [factor * Math.exp(-share), factor * Math.exp(share)] as const };
}

/** From fall to fall so much faster, over all of them, as a share: less is the stopwatch’s. */
const SOAKS = 0.1;

/** Whether each fall is faster than the one before, beyond what a stopwatch tells. */
function isSoaking(times: readonly number[]): boolean {
  const drift = driftOf(
    times,
    times.map((_, i) => i + 1),
  );
  return drift !== null && -drift.perFly * (times.length - 1) > SOAKS * meanOf(times);
}

const SOAKING =
  'each fall is faster than the one before: it still gives off air; soak it, squeeze it out under water, and drop it again';

/** What is to be done about falls that teach nothing. */
function wantedWords(falls: number, usable: number, tooNarrow: boolean): readonly string[] {
  const short = falls - usable;
  return [
    ...(tooNarrow ? ['the jar is too narrow for this fly: take one twice as wide as the fly is broad'] : []),
    ...(short > 0
      ? [
          `${String(short)} of ${String(falls)} fell for less than a second: mark it deeper, the ends are too much of so short a time`,
        ]
      : []),
    ...(usable > 0 && usable < LEAST_FALLS
      ? [`${String(LEAST_FALLS - usable)} more falls of a second or longer would teach`]
      : []),
  ];
}

/**
 * Falls of a finished fly in a jar against the model.
 * @param laid the fly as it came out @param dryMg what it weighs; null where nobody weighed it
 */
export function jarReport(laid: LaidFly, dryMg: number | null, jar: JarFile): JarReport {
  const heavierMg = dryMg === null ? 0 : heavierUnderWaterMg(laid, dryMg);
  const times = jar.falls.map(({ time }) => Number.parseFloat(time));
  const usable = times.filter((each) => each >= LEAST_S);
  const depthMm = mmOf(jar.depth);
  const timed = { depthMm, aboveMm: mmOf(jar.startAbove), widthMm: mmOf(jar.width), heavierMg };
  const predicted = timeDown(laid, timed);
  const found = times.length === 0 ? null : meanOf(times);
  const floats = floatReport(laid, jar);
  // What falls faster and faster, or was soaked for less long than it floats, still gives off air: its drag is not told by that.
  const slower = isSoaking(times);
  const soaking = slower || (floats?.airLeft === true && floats.soaked_s !== null);
  // Nothing pulls on it as it falls.
  const rests = restsOf(jar, slackRest(heavierModel(laid, dryMg)).ride);
  const took =
    predicted !== null && usable.length > 0 && !soaking
      ? { meanS: meanOf(usable), predictedS: predicted, off: pressedS(usable.length) / meanOf(usable) }
      : null;
  const news =
    rests && rests.most !== rests.model ? newsOf(laid, { fell: fellIn(jar.falls), timed: took, dryMg }) : null;
  const taught =
    usable.length === 0 || soaking
      ? null
      : factorOf(laid, { ...timed, heavierMg: heavierMg + (news ? news.mass_mg - news.was_mg : 0) }, usable);
  return {
    falls: times.length,
    usable: usable.length,
    found_s: found,
    predicted_s: predicted,
    found_mm_s: found === null ? null : depthMm / found,
    predicted_mm_s: predicted === null ? null : depthMm / predicted,
    dragFactor: taught?.factor ?? null,
    interval: taught?.interval ?? null,
    rests,
    eyes: news,
    floats,
    words: [
      ...(slower ? [SOAKING] : []),
      ...(floats?.words ?? []),
      ...wantedWords(times.length, usable.length, predicted === null && laid.submergedMg + heavierMg > 0),
    ],
  };
}
