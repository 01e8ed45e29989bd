import { bad, good, type Fault, type Outcome } from '../base/index.ts';
import { type CheckReport, checkFly, type Finding, reportChecks } from '../checks/index.ts';
import type { Drawers } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { solveFly, type SolvedFly } from '../model/index.ts';
import { type SpecimenFile, readingOf } from '../records/index.ts';
import { type Step, tyingPlan } from '../tying/index.ts';
import { leaningMm, solveTied } from './asTied.ts';
import { type JarReport, jarReport } from './jar.ts';
import { learntOf, type Learnt, type OfHand, type Soaked } from './learnt.ts';
import { type Measure, measuresOf, namedMeasures } from './measures.ts';
import {
  askewBy,
  askewWords,
  type SilhouetteReport,
  silhouetteReport,
  type ViewReport,
  viewReports,
} from './seenBy.ts';
import { seriesWords, toldOf, type Series } from './series.ts';
import { farReadings, meanOf, summary, type Interval } from './statistics.ts';
import { offerFor, type Verdict } from './verdict.ts';

/** What a caliper and a scale tell apart, mm and mg. */
const FINEST = { mm: 0.1, mg: 5 } as const;

export interface LengthReport {
  readonly part: string;
  readonly mm: number;
  readonly n: number;
  readonly sd_mm: number | null;
  readonly plan_mm: number;
  /** What is asked of it on this fly, what it leans on being as it was found. */
  readonly here_mm: number;
  readonly band_mm: Interval | null;
  /** Found less plan. */
  readonly off: number;
  readonly in: boolean | null;
  /** Readings far from the others: was it the same thing that was measured? */
  readonly asked: readonly number[];
}

export interface SpecimenReport {
  readonly number: number;
  readonly lengths: readonly LengthReport[];
  readonly weight: { readonly mg: number | null; readonly plan_mg: number; readonly asked: readonly number[] };
  /** Its profile by a photograph from the side; null where there is none that was measured. */
  readonly silhouette: SilhouetteReport | null;
  /** What photographs from above and from the front tell. */
  readonly views: readonly ViewReport[];
  /** What its falls in a jar came to; null where it fell in none. */
  readonly jar: JarReport | null;
  /** Of what can be measured on the fly, how much of it was. */
  readonly measured: { readonly of: number; readonly found: number };
  readonly asTied: {
    readonly ride: string;
    readonly heel_deg: number | null;
    readonly holdsTo_mm_s: number | null;
    readonly sink_mm_s: number | null;
    readonly tipping: number | null;
    readonly checks: readonly CheckReport[];
  };
  readonly verdict: Verdict;
  readonly fromStep: number | null;
  readonly why: readonly string[];
  readonly snip: string | null;
}

export interface SeriesReport {
  readonly measure: string;
  readonly n: number;
  readonly mean: number;
  readonly sd: number | null;
  readonly limits: Interval | null;
  readonly outside: readonly number[];
  /** mm a fly. */
  readonly drift: number | null;
  readonly since: number | null;
  readonly capability: number | null;
  readonly step: { readonly n: number; readonly title: string } | null;
  readonly words: readonly string[];
}

/** Finished flies against their plan, under the keys the command line promises. */
export interface InspectReport {
  readonly name: string;
  readonly specimens: readonly SpecimenReport[];
  readonly series: readonly SeriesReport[];
  readonly learnt: readonly Learnt[];
}

/** Finished flies of one pattern, and everything that is computed of them. */
export interface Inspected extends InspectReport {
  readonly plan: SolvedFly;
  readonly measures: readonly Measure[];
  /** Each as it came out. */
  readonly tied: readonly SolvedFly[];
}

const round = (value: number): number => Math.round(value * 1e4) / 1e4;
const roundOrNone = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : round(value);

/** A specimen read: the mean of each measure, and of its weight. */
interface Read {
  readonly number: number;
  readonly hand: string | null;
  readonly values: ReadonlyMap<Measure, readonly number[]>;
  readonly dryMg: readonly number[];
  readonly wetMg: readonly number[];
  readonly photos: SpecimenFile['photos'];
  readonly jar: SpecimenFile['jar'];
}

function readSpecimen(file: SpecimenFile, at: number, measures: readonly Measure[]): Outcome<Read> {
  const lengths = Object.entries(file.lengths ?? {});
  const named = namedMeasures(
    lengths.map(([name]) => name),
    measures,
  );
  if (!named.ok) return named;
  const values = new Map<Measure, readonly number[]>();
  for (const [name, readings] of lengths) {
    const measure = named.value.get(name);
    if (measure)
      values.set(measure, [...(values.get(measure) ?? []), ...readings.map((each) => readingOf('length', each))]);
  }
  return good({
    number: file.number ?? at + 1,
    hand: file.hand ?? null,
    values,
    dryMg: (file.weight ?? []).map((each) => readingOf('mass', each)),
    wetMg: (file.weightWet ?? []).map((each) => readingOf('mass', each)),
    photos: file.photos,
    jar: file.jar,
  });
}

/** A band as far on as a measure is asked to be more or less. */
const movedBy = (band: Interval | null, mm: number): Interval | null => band && [band[0] + mm, band[1] + mm];

/** @param leansMm by how much more is asked of it on this fly than on the plan */
function lengthReport(measure: Measure, values: readonly number[], leansMm: number): LengthReport {
  const { n, mean, sd } = summary(values);
  const band = movedBy(measure.bandMm, leansMm);
  return {
    part: measure.key,
    mm: round(mean),
    n,
    sd_mm: roundOrNone(sd),
    plan_mm: round(measure.planMm),
    here_mm: round(measure.planMm + leansMm),
    band_mm: band && [round(band[0]), round(band[1])],
    off: round(mean - measure.planMm),
    in: band && mean >= band[0] - 1e-9 && mean <= band[1] + 1e-9,
    asked: farReadings(values, FINEST.mm),
  };
}

/** What is to be said of a fly as it was tied and is not to be said of its plan. */
const newsOf = (tied: readonly Finding[], plan: readonly Finding[]): readonly Finding[] => {
  const known = new Set(plan.map(({ code, parts }) => `${code} ${parts.join()}`));
  return tied.filter(({ code, parts }) => !known.has(`${code} ${parts.join()}`));
};

interface Against {
  readonly plan: SolvedFly;
  readonly findings: readonly Finding[];
  readonly measures: readonly Measure[];
  readonly steps: readonly Step[];
  readonly drawers: Drawers;
}

function specimenReport(
  { number, values, dryMg, photos, jar }: Read,
  { plan, findings, measures, steps, drawers }: Against,
): Outcome<{ readonly report: SpecimenReport; readonly tied: SolvedFly }> {
  const found = [...values].map(([measure, each]) => ({ measure, mm: meanOf(each) }));
  const leans = new Map(found.map((one) => [one.measure, leaningMm(plan.laid, drawers, found, one)]));
  const mg = dryMg.length === 0 ? null : meanOf(dryMg);
  const views = viewReports(photos, plan.laid);
  const solved = solveTied(plan.laid, drawers, { found, dryMg: mg, askew: askewBy(views, plan.laid) });
  if (!solved.ok)
    return bad(...solved.faults.map((fault) => ({ ...fault, path: `fly ${String(number)}: ${fault.path}` })));
  const tied = solved.value;
  const checked = checkFly(tied, { drawers });
  const lengths = found.map(({ measure, mm }) => ({
    words: measure.words,
    part: measure.part,
    mm,
    bandMm: movedBy(measure.bandMm, leans.get(measure) ?? 0),
  }));
  const offer = offerFor({
    plan,
    tied,
    lengths,
    askew: askewWords(views),
    news: newsOf(checked.findings, findings),
    steps,
  });
  const fallen = jar && (jar.falls.length > 0 || jar.floated !== undefined) ? jarReport(tied.laid, mg, jar) : null;
  return good({
    tied,
    report: {
      number,
      lengths: [...values].map(([measure, each]) => lengthReport(measure, each, leans.get(measure) ?? 0)),
      weight: { mg: roundOrNone(mg), plan_mg: round(plan.laid.dryMg), asked: farReadings(dryMg, FINEST.mg) },
      silhouette: silhouetteReport(photos, plan.laid),
      views,
      jar: fallen && roundedJar(fallen),
      measured: { of: measures.length, found: values.size },
      asTied: asTiedReport(tied, checked),
      ...offer,
    },
  });
}

function asTiedReport({ laid, balance }: SolvedFly, checked: Checked): SpecimenReport['asTied'] {
  const { tight, hold, sink } = balance;
  return {
    ride: tight.ride,
    heel_deg: roundOrNone(tight.heelDeg),
    holdsTo_mm_s: roundOrNone(hold.holdsTo),
    sink_mm_s: roundOrNone(sink?.terminal),
    tipping: roundOrNone(laid.tipping?.ratio),
    checks: reportChecks(checked),
  };
}
type Checked = ReturnType<typeof checkFly>;

const roundedJar = (jar: JarReport): JarReport => ({
  ...jar,
  found_s: roundOrNone(jar.found_s),
  predicted_s: roundOrNone(jar.predicted_s),
  found_mm_s: roundOrNone(jar.found_mm_s),
  predicted_mm_s: roundOrNone(jar.predicted_mm_s),
  dragFactor: roundOrNone(jar.dragFactor),
  interval: jar.interval && [round(jar.interval[0]), round(jar.interval[1])],
  floats: jar.floats && {
    ...jar.floats,
    air_mg: round(jar.floats.air_mg),
    airShare: roundOrNone(jar.floats.airShare),
  },
  eyes: jar.eyes && {
    ...jar.eyes,
    chance: round(jar.eyes.chance),
    mass_mg: round(jar.eyes.mass_mg),
    was_mg: round(jar.eyes.was_mg),
    interval: [round(jar.eyes.interval[0]), round(jar.eyes.interval[1])],
    higher_mm: round(jar.eyes.higher_mm),
  },
});

/** The series of each measure that was taken, in the order of the flies' numbers. */
function seriesOf(reads: readonly Read[], measures: readonly Measure[]): readonly Series[] {
  const inOrder = [...reads].sort((a, b) => a.number - b.number);
  return measures.flatMap((measure) => {
    const own = inOrder.flatMap(({ number, values }) => {
      const each = values.get(measure);
      return each ? [{ number, value: meanOf(each) }] : [];
    });
    return own.length === 0
      ? []
      : [{ measure, values: own.map(({ value }) => value), numbers: own.map(({ number }) => number) }];
  });
}

/** A fly that was on the scale dry and wet. */
const soakedOf = ({ dryMg, wetMg }: Read): Soaked[] =>
  dryMg.length > 0 && wetMg.length > 0 ? [{ dryMg: meanOf(dryMg), wetMg: meanOf(wetMg) }] : [];

/** The same by whose hands tied them. */
const handsOf = (reads: readonly Read[], measures: readonly Measure[]): readonly OfHand[] =>
  [...new Set(reads.map(({ hand }) => hand))].map((hand) => ({
    hand,
    series: seriesOf(
      reads.filter((each) => each.hand === hand),
      measures,
    ),
  }));

function seriesReport(series: Series, steps: readonly Step[]): SeriesReport {
  const told = toldOf(series, steps);
  const { limits, drift } = told;
  return {
    measure: series.measure.key,
    n: told.n,
    mean: round(told.mean),
    sd: roundOrNone(told.sd),
    limits: limits && [round(limits[0]), round(limits[1])],
    outside: told.outside,
    drift: roundOrNone(drift?.perFly),
    since: drift?.since ?? null,
    capability: roundOrNone(told.capability),
    step: told.step,
    words: seriesWords(series, told),
  };
}

/** What was read of all finished flies; every fault by the specimen and its place in it. */
function readAll(specimens: readonly SpecimenFile[], measures: readonly Measure[]): Outcome<readonly Read[]> {
  const faults: Fault[] = [];
  const reads: Read[] = [];
  specimens.forEach((specimen, i) => {
    const read = readSpecimen(specimen, i, measures);
    if (read.ok) reads.push(read.value);
    else faults.push(...read.faults.map((fault) => ({ ...fault, path: `${String(i)}.${fault.path}` })));
  });
  return faults.length > 0 ? bad(...faults) : good(reads);
}

/**
 * Holds finished flies against their pattern: each as it came out, the hand over all of them, and what they teach.
 * @param spreads of the hands that tie, by their keys: bands of lengths go by them where they are known
 * @returns all of it, or every fault by the specimen and its place in it
 */
export function inspectFlies(
  file: FlyFile,
  specimens: readonly SpecimenFile[],
  drawers: Drawers,
  spreads: Readonly<Record<string, number>> = {},
): Outcome<Inspected> {
  const plan = solveFly(file, drawers);
  if (!plan.ok) return plan;
  const { laid } = plan.value;
  const measures = measuresOf(laid, drawers, spreads);
  const { steps } = tyingPlan(laid);
  const against: Against = {
    plan: plan.value,
    findings: checkFly(plan.value, { drawers }).findings,
    measures,
    steps,
    drawers,
  };
  const read = readAll(specimens, measures);
  if (!read.ok) return read;
  const reads = read.value;
  const each = reads.map((read) => specimenReport(read, against));
  const wrong = each.flatMap((one) => (one.ok ? [] : one.faults));
  if (wrong.length > 0) return bad(...wrong);
  const done = each.flatMap((one) => (one.ok ? [one.value] : []));
  const series = seriesOf(reads, measures);
  const dry = reads.flatMap(({ dryMg }) => (dryMg.length === 0 ? [] : [meanOf(dryMg)]));
  return good({
    name: file.name,
    plan: plan.value,
    measures,
    tied: done.map(({ tied }) => tied),
    specimens: done.map(({ report }) => report),
    series: series.map((one) => seriesReport(one, steps)),
    learnt: learntOf(laid, {
      series,
      hands: handsOf(reads, measures),
      dryMg: dry,
      soaked: reads.flatMap(soakedOf),
      jars: done.flatMap(({ report }) => report.jar ?? []),
    }).map((one) => ({
      ...one,
      was: round(one.was),
      now: round(one.now),
      interval: [round(one.interval[0]), round(one.interval[1])],
    })),
  });
}

/** What of it is printed. */
export const reportInspected = ({ name, specimens, series, learnt }: Inspected): InspectReport => ({
  name,
  specimens,
  series,
  learnt,
});
