import type { LaidFly } from '../model/index.ts';
import type { DrillOf } from '../records/index.ts';

type Platform = LaidFly['platform'];

/** Something that is pulled by eye: a tip to a length, a cut to a place. */
export interface PullAsk {
  readonly of: Extract<DrillOf, 'length' | 'butts'>;
  /** As it is kept: the relation. */
  readonly asked: string;
  /** As it is asked: `Pull the tip to … behind the tie-in`. */
  readonly words: string;
  readonly direction: 'behind' | 'below';
  /** From where it is measured, along the shank, mm behind the eye. */
  readonly fromMm: number;
  /** From there down, as a slope; 0 along the shank. */
  readonly slope: number;
  readonly truthMm: number;
  /** The truth laid out in pieces, each with what it is called: the shank once, and half. */
  readonly pieces: readonly { readonly words: string; readonly mm: number }[];
  /** A clump that is on already and that the answer goes by, mm from where it is tied in; null where none is. */
  readonly wingMm: number | null;
}

/** How far behind the eye a wing or throat is tied in, share of the shank. */
const AT_HEAD = 0.12;
const FIGURE: Readonly<Record<number, string>> = { 0.5: '½', 0.75: '¾', 1: '1', 1.5: '1½', 2: '2' };

const inPieces = (times: number, name: string, mm: number): PullAsk['pieces'] => [
  ...Array.from({ length: Math.floor(times) }, () => ({ words: `the ${name} once`, mm })),
  ...(times % 1 > 0 ? [{ words: times % 1 === 0.5 ? 'and half' : 'three quarters', mm: (times % 1) * mm }] : []),
];

/** A relation behind the bend or the head, so many times a measure of the hook. */
const timesOf =
  (times: number, of: 'shank' | 'gap', at: 'bend' | 'head') =>
  ({ shankMm, gapMm, tube }: Platform): PullAsk | null => {
    const mm = of === 'shank' ? shankMm : gapMm;
    // A tube has no bend a tail could be tied in at.
    if (mm === null || (tube && at === 'bend')) return null;
    const name = of === 'shank' && tube ? 'tube' : of;
    return {
      of: 'length',
      asked: `${String(times)} ${of}`,
      words: `Pull the ${at === 'bend' ? 'tail’s' : 'wing’s'} tip to ${FIGURE[times] ?? ''} × ${name} behind its tie-in`,
      direction: 'behind',
      fromMm: at === 'bend' ? shankMm : AT_HEAD * shankMm,
      slope: 0,
      truthMm: times * mm,
      pieces: inPieces(times, name, mm),
      wingMm: null,
    };
  };

/** A wing's tip over the bend; a tube has none. */
const toBend = ({ shankMm, tube }: Platform): PullAsk | null => (tube ? null : wingTo(shankMm));

const wingTo = (shankMm: number): PullAsk => ({
  of: 'length',
  asked: 'to the bend',
  words: 'Pull the wing’s tip to the bend',
  direction: 'behind',
  fromMm: AT_HEAD * shankMm,
  slope: 0,
  truthMm: (1 - AT_HEAD) * shankMm,
  pieces: [],
  wingMm: null,
});

const pastBend = ({ shankMm, gapMm, tube }: Platform): PullAsk | null =>
  gapMm === null || tube
    ? null
    : {
        ...wingTo(shankMm),
        asked: 'bend + 1 gap',
        words: 'Pull the wing’s tip one gap past the bend',
        truthMm: (1 - AT_HEAD) * shankMm + gapMm,
        pieces: [
          { words: 'to the bend', mm: (1 - AT_HEAD) * shankMm },
          { words: 'the gap once', mm: gapMm },
        ],
      };

/** A throat slants so far down from the shank. */
const THROAT_SLOPE = 0.45;
const throat =
  (asked: string, words: string, to: (platform: Platform) => number | null) =>
  (platform: Platform): PullAsk | null => {
    const x = to(platform);
    const fromMm = AT_HEAD * platform.shankMm;
    if (x === null || x - fromMm <= 1) return null;
    return {
      of: 'length',
      asked,
      words,
      direction: 'below',
      fromMm,
      slope: THROAT_SLOPE,
      truthMm: (x - fromMm) * Math.hypot(1, THROAT_SLOPE),
      pieces: [],
      wingMm: null,
    };
  };

const half =
  (wing: number) =>
  ({ shankMm }: Platform): PullAsk => ({
    of: 'length',
    asked: 'half the wing',
    words: 'Pull the hackle’s tip half way into the wing',
    direction: 'behind',
    fromMm: AT_HEAD * shankMm,
    slope: 0,
    truthMm: (wing * shankMm) / 2,
    pieces: [{ words: 'half the wing', mm: (wing * shankMm) / 2 }],
    wingMm: wing * shankMm,
  });

/** So many turns of a wire lie side by side over so many of its diameters. */
const turnsOf =
  (turns: number, wireMm: number) =>
  ({ shankMm }: Platform): PullAsk | null =>
    turns * wireMm > 0.8 * shankMm
      ? null
      : {
          of: 'butts',
          asked: `${String(turns)} turns of ${String(wireMm)} mm wire`,
          words: `From the mark, pull to where ${String(turns)} turns of ${String(wireMm)} mm wire end, turn beside turn`,
          direction: 'behind',
          fromMm: AT_HEAD * shankMm,
          slope: 0,
          truthMm: turns * wireMm,
          pieces: [],
          wingMm: null,
        };

/** Where a tail's butts are cut so that the body lies even to its front. */
const buttsTo =
  (share: number, words: (of: 'shank' | 'tube', front: 'eye' | 'front') => string) =>
  ({ shankMm, tube }: Platform): PullAsk => ({
    of: 'butts',
    asked: `butts to ${String(share)} ${tube ? 'tube' : 'shank'}`,
    words: tube ? words('tube', 'front') : words('shank', 'eye'),
    direction: 'behind',
    fromMm: 0,
    slope: 0,
    truthMm: share * shankMm,
    pieces: [],
    wingMm: null,
  });

/** Everything that is asked by pulling, by what it is kept as; each may find nothing on a platform. */
export const PULLS: readonly ((platform: Platform) => PullAsk | null)[] = [
  timesOf(1, 'shank', 'bend'),
  timesOf(1.5, 'shank', 'head'),
  timesOf(0.5, 'shank', 'bend'),
  timesOf(2, 'shank', 'head'),
  timesOf(1, 'gap', 'bend'),
  timesOf(1.5, 'gap', 'bend'),
  timesOf(2, 'gap', 'bend'),
  timesOf(0.75, 'shank', 'bend'),
  toBend,
  pastBend,
  half(1.5),
  throat('to the point', 'Pull the throat’s tip to the point', ({ landmarksMm }) => landmarksMm.point),
  throat('between point and barb', 'Pull the throat’s tip between point and barb', ({ landmarksMm: { point, barb } }) =>
    point === null || barb === null ? null : (point + barb) / 2,
  ),
  turnsOf(8, 0.5),
  turnsOf(12, 0.4),
  buttsTo(
    0.25,
    (of, front) =>
      `A tail’s butts run under the whole body: pull to where they are cut, a quarter of the ${of} behind the ${front}`,
  ),
  buttsTo(0.1, (of) => `Pull to the rear of a head that is a tenth of the ${of} long`),
];

/** What can be asked by pulling on a platform. */
export const pullsOn = (platform: Platform, of: PullAsk['of']): readonly PullAsk[] =>
  PULLS.flatMap((ask) => {
    const made = ask(platform);
    return made?.of === of ? [made] : [];
  });
