import { capital } from '../base/index.ts';
import type { FlyReport } from '../model/index.ts';
import { formatAngle, saying, type Style } from '../units/index.ts';

const RIDES: Readonly<Record<string, string>> = {
  'point-up': 'rides point up',
  'point-down': 'rides point down',
  'on-its-side': 'lies on its side',
  undecided: 'rides either way up, the wing decides',
};

/** A ride that is held against a swing so fast is firm, to so little is slack. mm/s */
const FIRM = { firmly: 100, loosely: 50 } as const;

/** How firmly a ride is held, in a word. */
const firmness = (holdsTo: number | null): string =>
  holdsTo === null || holdsTo >= FIRM.firmly ? ', firmly' : holdsTo < FIRM.loosely ? ', loosely' : '';

/** How far it stands from straight up or down, degrees. */
const lean = (heel: number): number => Math.min(Math.abs(heel), 180 - Math.abs(heel));

/** Words of a ride where the fly may as well ride otherwise. */
const OR: Readonly<Record<string, string>> = {
  'point-up': 'point up',
  'point-down': 'point down',
  'on-its-side': 'on its side',
  undecided: 'either way',
};

/** What is to be weighed, as the file names it. */
const unweighed = (lightest: FlyReport['lightest']): string =>
  (lightest?.parts ?? []).map((id) => id.replaceAll('-', ' ')).join(' and ');

type Weighing = Pick<FlyReport, 'keel' | 'sink' | 'lightest'>;

const weighWords = (lightest: FlyReport['lightest']): string => `weigh the ${unweighed(lightest)}`;

/** How it rides with eyes that nobody weighed at their lightest, where that is another way; null where it is the same. */
export function rideIfLight({ keel, lightest }: Pick<FlyReport, 'keel' | 'lightest'>): {
  readonly short: string;
  readonly whole: string;
} | null {
  if (!lightest || lightest.ride === keel.tight.ride) return null;
  const rides = OR[lightest.ride] ?? lightest.ride;
  return { short: `or ${rides} if light`, whole: `${rides} with light ${unweighed(lightest)}` };
}

/** From the slowest to the fastest it may fall until they are weighed; null where that is one class. mm/s */
export function sinkRangeIfLight({ sink, lightest }: Pick<FlyReport, 'sink' | 'lightest'>): {
  readonly fromMmS: number;
  readonly classes: string;
  /** What ends the doubt: `weigh the eyes`. */
  readonly weigh: string;
} | null {
  if (!sink || !lightest || lightest.class === sink.class) return null;
  return {
    fromMmS: lightest.terminal_mm_s ?? 0,
    classes: `${lightest.class ?? 'afloat'} to ${sink.class}`,
    weigh: weighWords(lightest),
  };
}

/** How it falls: one speed, or from one to another as long as nobody has weighed its eyes. */
function fallWords(report: Weighing, speed: (mmPerS: number) => string): string {
  const { sink } = report;
  if (sink === null) return 'floats';
  const range = sinkRangeIfLight(report);
  return range
    ? `falls ${speed(range.fromMmS).replace(/ \S+$/, '')} to ${speed(sink.terminal_mm_s)} free and soaked, ${range.classes}`
    : `falls ${speed(sink.terminal_mm_s)} free and soaked, ${sink.class}`;
}

/**
 * What a fly does, as a sentence of a few parts.
 * @example verdictSentence(report, METRIC) // 'Rides point up, firmly; leans nowhere; a swing over 12 cm/s rolls it.'
 */
export function verdictSentence(report: Weighing, style: Style): string {
  const { keel, lightest } = report;
  const { speed } = saying(style);
  const otherwise = rideIfLight(report);
  const { ride, heel_deg } = keel.tight;
  const undecided = ride === 'undecided';
  const light = otherwise === null ? '' : `, or ${otherwise.whole}`;
  const words = `${RIDES[ride] ?? ride}${undecided || otherwise !== null ? '' : firmness(keel.holdsTo_mm_s)}${light}`;
  const leaning = heel_deg === null || undecided ? null : lean(heel_deg);
  const parts = [
    capital(words),
    ...(leaning === null ? [] : [leaning < 1 ? 'leans nowhere' : `leans ${formatAngle(leaning, style)}°`]),
    ...(undecided
      ? []
      : [keel.holdsTo_mm_s === null ? 'no swing rolls it' : `a swing over ${speed(keel.holdsTo_mm_s)} rolls it`]),
    fallWords(report, speed),
    ...(otherwise !== null || sinkRangeIfLight(report) ? [weighWords(lightest)] : []),
  ];
  return `${parts.join('; ')}.`;
}
