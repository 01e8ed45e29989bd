import type { Step } from '../tying/index.ts';
import type { Measure } from './measures.ts';
import { driftOf, limitsOf, summary, type Interval } from './statistics.ts';

/** One measure over the flies of a batch, in the order they were tied. */
export interface Series {
  readonly measure: Measure;
  readonly values: readonly number[];
  /** The number of each fly. */
  readonly numbers: readonly number[];
}

/** A series told: where it lies, how it spreads, whether it drifts, and where on the sheet it is made. */
export interface SeriesTold {
  readonly n: number;
  readonly mean: number;
  readonly sd: number | null;
  readonly limits: Interval | null;
  /** Numbers of flies beyond the limits. */
  readonly outside: readonly number[];
  /** mm a fly where that is told from scatter. */
  readonly drift: { readonly perFly: number; readonly since: number } | null;
  /** How many of its spreads, three to a side, fit between the mean and the nearer end of the band; from eight flies on. */
  readonly capability: number | null;
  /** The first step of the sheet that makes it, from 1. */
  readonly step: { readonly n: number; readonly title: string } | null;
}

export function toldOf({ measure, values, numbers }: Series, steps: readonly Step[]): SeriesTold {
  const { n, mean, sd } = summary(values);
  const limits = limitsOf(values);
  const drift = driftOf(values, numbers);
  const band = measure.bandMm;
  const at = steps.findIndex(({ part }) => measure.part !== null && part === measure.part);
  const step = steps[at];
  return {
    n,
    mean,
    sd,
    limits: limits && [limits.low, limits.high],
    outside: limits
      ? values.flatMap((each, i) => (each < limits.low || each > limits.high ? (numbers[i] ?? []) : []))
      : [],
    drift: drift && { perFly: drift.perFly, since: numbers[drift.from] ?? 1 },
    capability:
      limits && band && limits.sigma > 0 ? Math.min(band[1] - mean, mean - band[0]) / (3 * limits.sigma) : null,
    step: step ? { n: at + 1, title: step.title } : null,
  };
}

const mm = (value: number): string => `${value.toFixed(1)} mm`;

/** What a series says in words: where it drifts, how far off its plan it lies. Nothing where there is nothing to be told. */
export function seriesWords({ measure }: Series, told: SeriesTold): readonly string[] {
  const { drift, mean, sd, n, step, outside } = told;
  const { words, planMm } = measure;
  const at = step ? ` (step ${String(step.n)}, ${step.title})` : '';
  const off = mean - planMm;
  const biased = sd !== null && n >= 4 && Math.abs(off) > (2 * sd) / Math.sqrt(n) && Math.abs(off) >= 0.1;
  if (measure.part === null) return biased ? [`${words} measures ${mm(mean)}, ${mm(planMm)} was reckoned with`] : [];
  if (drift) {
    const from = drift.since > 1 ? ` since fly ${String(drift.since)}` : '';
    const way = drift.perFly > 0 ? 'grows' : 'shrinks';
    return [`${words} ${way} ${Math.abs(drift.perFly).toFixed(2)} mm a fly${from}${at}`];
  }
  return [
    ...(biased ? [`${words} comes out ${mm(Math.abs(off))} ${off > 0 ? 'longer' : 'shorter'} than planned${at}`] : []),
    ...(outside.length > 0
      ? [`${words} of fly ${outside.join(', ')} lies apart from the others: look at how it was tied`]
      : []),
  ];
}
