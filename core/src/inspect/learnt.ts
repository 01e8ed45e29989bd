import { withKey, withPart } from '../edit/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { DRAG_FACTOR, type LaidFly } from '../model/index.ts';
import { USUAL_SPREADS } from '../study/index.ts';
import { partName } from '../tying/index.ts';
import type { EyesByRide } from './fallen.ts';
import { type JarReport, LEAST_FALLS } from './jar.ts';
import type { Series } from './series.ts';
import { LEAST_LIMITS, meanInterval, meanOf, spreadInterval, summary, type Interval } from './statistics.ts';
import { heavierBy, stillOpenMg } from './weighed.ts';

/** Something that flies which were measured teach: where it goes, what it was and would be, 19 times in 20 between. */
export interface Learnt {
  /** `hook.shank`, `tail`, `spread of tail`, `weight of eyes`. */
  readonly what: string;
  /** The same as a tier says it. */
  readonly words: string;
  /** The part it is of; null where it is of the hook. */
  readonly part: string | null;
  readonly goesTo: 'fly' | 'drawers' | 'hands';
  readonly was: number;
  readonly now: number;
  readonly interval: Interval;
  /** Of how many flies, and how these spread, in its unit; null for one. */
  readonly n: number;
  readonly sd: number | null;
  readonly unit: 'mm' | 'mg' | 'share';
  /** Whose hands it is of; null where nobody said, or it is of no hands. */
  readonly hand: string | null;
  readonly why: string;
}

const DRAG = 'drag';
const WATER = 'water kept';
const MOST_WATER = 5;
/** 19 times in 20. */
const SIGMAS = 1.96;
const isIn = (value: number, [low, high]: Interval): boolean => value >= low && value <= high;
const countOf = (values: readonly number[]): Pick<Learnt, 'n' | 'sd'> => {
  const { n, sd } = summary(values);
  return { n, sd };
};
const flies = (n: number): string => `${String(n)} flies`;

/** What is bought and measures otherwise than its packet says: a hook, the hide of a strip, a sheet. */
function ofBought({ measure, values }: Series): Learnt[] {
  const interval = meanInterval(values);
  if (!measure.bought || !interval || isIn(measure.planMm, interval)) return [];
  const { n, mean, sd } = summary(values);
  const { key, words, part, planMm } = measure;
  const why = part === null ? `measured on ${String(n)} hooks of the packet` : `measured on ${flies(n)}`;
  return [
    { what: key, words, part, goesTo: 'drawers', was: planMm, now: mean, interval, n, sd, unit: 'mm', hand: null, why },
  ];
}

/** The flies of one pair of hands, measure by measure. */
export interface OfHand {
  /** Null where nobody said whose. */
  readonly hand: string | null;
  readonly series: readonly Series[];
}

/** How alike a tier's lengths come out, and how far off. */
function ofHands(hand: string | null, { measure, values }: Series): Learnt[] {
  const { n, mean, sd } = summary(values);
  const by = hand === null ? '' : ` by ${hand}`;
  const isLength = measure.key === measure.part || measure.key.endsWith('.fibre');
  if (!isLength || n < LEAST_LIMITS || sd === null) return [];
  const spread = spreadInterval(values);
  const centre = meanInterval(values);
  const was = USUAL_SPREADS.length;
  const share = spread && ([spread[0] / mean, spread[1] / mean] as const);
  return [
    ...(share && !isIn(was, share)
      ? [
          {
            what: `spread of ${measure.key}`,
            words: `spread of ${measure.words}`,
            part: measure.part,
            goesTo: 'hands' as const,
            was,
            now: sd / mean,
            interval: share,
            n,
            sd: null,
            unit: 'share' as const,
            hand,
            why: `of ${flies(n)}${by}; how alike yours come out goes by it`,
          },
        ]
      : []),
    ...(centre && !isIn(measure.planMm, centre)
      ? [
          {
            what: measure.key,
            words: measure.words,
            part: measure.part,
            goesTo: 'fly' as const,
            was: measure.planMm,
            now: mean,
            interval: centre,
            n,
            sd,
            unit: 'mm' as const,
            hand,
            why: `of ${flies(n)}${by}: plan it so, or tie it ${mean > measure.planMm ? 'shorter' : 'longer'}`,
          },
        ]
      : []),
  ];
}

/** What the scale says of eyes and beads that nobody weighed: the only ones of a fly, since a scale cannot tell one from another. */
function ofWeights(laid: LaidFly, dryMg: readonly number[]): Learnt[] {
  const balls = laid.parts.filter(({ built }) => built.ball && !built.ball.weighed);
  const [ball] = balls;
  if (!ball || balls.length > 1 || dryMg.length < 2) return [];
  const own = dryMg.map((mg) => ball.massMg + (heavierBy(laid, mg).find(({ part }) => part === ball)?.byMg ?? 0));
  const ofMean = meanInterval(own);
  if (!ofMean) return [];
  const by = Math.hypot((ofMean[1] - ofMean[0]) / 2, SIGMAS * stillOpenMg(laid, ball.file.id));
  const interval = [meanOf(own) - by, meanOf(own) + by] as const;
  if (isIn(ball.massMg, interval)) return [];
  return [
    {
      what: `weight of ${ball.file.id}`,
      words: `weight of ${partName(ball.file.id)}`,
      part: ball.file.id,
      goesTo: 'drawers',
      was: ball.massMg,
      now: meanOf(own),
      interval,
      ...countOf(own),
      unit: 'mg',
      hand: null,
      why: `${flies(dryMg.length)} on the scale, and nobody weighed them before they were tied in; a pair weighed says it better`,
    },
  ];
}

/** What falls in a jar say of the drag of the fly, all of them together, each by how sure it is. */
function ofJars(laid: LaidFly, jars: readonly JarReport[]): Learnt[] {
  const was = laid.file.measured?.dragFactor ?? 1;
  const taught = jars.flatMap(({ dragFactor, interval, usable }) =>
    dragFactor !== null && interval
      ? [{ log: Math.log(dragFactor), half: Math.log(interval[1] / dragFactor), usable }]
      : [],
  );
  const falls = taught.reduce((sum, { usable }) => sum + usable, 0);
  if (falls < LEAST_FALLS) return [];
  const weights = taught.reduce((sum, { half }) => sum + 1 / half ** 2, 0);
  const log = taught.reduce((sum, one) => sum + one.log / one.half ** 2, 0) / weights;
  const half = 1 / Math.sqrt(weights);
  const interval = [Math.exp(log - half), Math.exp(log + half)] as const;
  if (isIn(was, interval)) return [];
  return [
    {
      what: DRAG,
      words: 'drag in the fall',
      part: null,
      goesTo: 'fly',
      was,
      now: Math.exp(log),
      interval,
      n: taught.length,
      sd: null,
      unit: 'share',
      hand: null,
      why: `${String(falls)} falls in a jar, of ${taught.length === 1 ? 'one fly' : flies(taught.length)}`,
    },
  ];
}

/** What flies that fell another way up than the model has it say of their eyes, all of them together. */
function ofRides(laid: LaidFly, jars: readonly JarReport[]): Learnt[] {
  const told = jars.flatMap(({ eyes }) => eyes ?? []);
  const [first] = told;
  const part = laid.parts.find(({ file }) => file.id === first?.part);
  if (!first || !part) return [];
  const weighed = told.map((one) => ({ ...one, weight: 1 / Math.max(1, one.interval[1] - one.interval[0]) ** 2 }));
  const all = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const mean = (of: (one: EyesByRide) => number): number =>
    weighed.reduce((sum, one) => sum + one.weight * of(one), 0) / all;
  const higher = mean(({ higher_mm }) => higher_mm);
  const place =
    Math.abs(higher) < 0.05
      ? ''
      : `, sitting ${Math.abs(higher).toFixed(1)} mm ${higher > 0 ? 'further from' : 'nearer to'} the shank`;
  const chance = Math.round(100 * Math.max(...told.map((one) => one.chance)));
  const fights = told.some((one) => one.fights)
    ? '; what was known of them would hardly have it, so weigh a pair before it is taken'
    : '';
  return [
    {
      what: `weight of ${first.part} by its ride`,
      words: `weight of ${partName(first.part)}`,
      part: first.part,
      goesTo: 'fly',
      was: part.massMg,
      now: mean(({ mass_mg }) => mass_mg),
      interval: [mean(({ interval }) => interval[0]), mean(({ interval }) => interval[1])],
      n: told.length,
      sd: null,
      unit: 'mg',
      hand: null,
      why: `which way up ${told.length === 1 ? 'one fly' : flies(told.length)} fell had ${chance < 1 ? 'less than one chance' : `${String(chance)} chances`} in a hundred as reckoned${place}${fights}`,
    },
  ];
}

/** A fly on the scale dry, and soaked and shaken. */
export interface Soaked {
  readonly dryMg: number;
  readonly wetMg: number;
}

/** What a wet scale says of the water a fly keeps: it is cast with it, and moves it as it begins to fall; under water it weighs nothing. */
function ofWetScale(laid: LaidFly, soaked: readonly Soaked[]): Learnt[] {
  const was = laid.file.measured?.waterFactor ?? 1;
  const keeps = was > 0 ? (laid.castingMg - laid.dryMg) / was : 0;
  if (keeps <= 0 || soaked.length < 2) return [];
  const own = soaked.map(({ dryMg, wetMg }) => (wetMg - dryMg) / keeps);
  const interval = meanInterval(own);
  if (!interval || isIn(was, interval)) return [];
  return [
    {
      what: WATER,
      words: 'water the soft parts keep',
      part: null,
      goesTo: 'fly',
      was,
      now: meanOf(own),
      interval,
      ...countOf(own),
      unit: 'share',
      hand: null,
      why: `${flies(own.length)} on the scale dry and wet; it is cast with it and begins to fall with it, and weighs nothing under water`,
    },
  ];
}

/** What was seen of some flies. */
interface Seen {
  readonly series: readonly Series[];
  readonly hands: readonly OfHand[];
  readonly dryMg: readonly number[];
  readonly soaked: readonly Soaked[];
  readonly jars: readonly JarReport[];
}

/** Everything that some flies teach, one by one; nothing where what was known lies within what they say. */
export const learntOf = (laid: LaidFly, { series, hands, dryMg, soaked, jars }: Seen): readonly Learnt[] => [
  ...series.flatMap(ofBought),
  ...hands.flatMap((one) => one.series.flatMap((each) => ofHands(one.hand, each))),
  ...ofWeights(laid, dryMg),
  ...ofWetScale(laid, soaked),
  ...ofJars(laid, jars),
  ...ofRides(laid, jars),
];

/** The pattern with what was learnt of its hook, its eyes or its drag in it, as a tier writes it; null for what goes elsewhere. */
export function withLearnt(file: FlyFile, { what, part, unit, now }: Learnt): FlyFile | null {
  if (what === DRAG) {
    const dragFactor = Math.round(Math.min(DRAG_FACTOR.most, Math.max(DRAG_FACTOR.least, now)) * 100) / 100;
    return { ...file, measured: { ...file.measured, dragFactor } };
  }
  if (what === WATER) {
    const waterFactor = Math.round(Math.min(MOST_WATER, Math.max(0, now)) * 100) / 100;
    return { ...file, measured: { ...file.measured, waterFactor } };
  }
  if (unit === 'mg' && part !== null)
    return withPart(file, part, (each) => withKey(each, 'mass', `${(now / 1000).toFixed(3)} g`));
  const { kind } = file.platform;
  const key = what.startsWith('hook.') ? what.slice('hook.'.length) : null;
  if (part !== null && (what === `${part}.width` || what === `${part}.thickness`))
    return withPart(file, part, (each) => withKey(each, what.slice(part.length + 1), `${now.toFixed(2)} mm`));
  if (key === null || kind === 'tube' || kind === 'shank') return null;
  return { ...file, platform: { ...file.platform, [key]: `${now.toFixed(key === 'wire' ? 2 : 1)} mm` } };
}
