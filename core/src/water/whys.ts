import type { LaidFly } from '../model/index.ts';
import type { Why, WhyTerm } from '../study/index.ts';
import { formatNumber, saying, type Style } from '../units/index.ts';
import type { HangsOn, WaterAsked } from './ask.ts';
import type { Moment } from './fish.ts';
import { NEAR_WANTED, type WaterTold } from './told.ts';

/** A run that is asked why its figures are what they are. Depths in slower and faster water, mm, once they are known. */
export interface WaterWhyOf {
  readonly laid: LaidFly;
  readonly asked: Pick<WaterAsked, 'beat' | 'fishing' | 'wantMm'>;
  readonly moments: readonly Moment[];
  readonly told: WaterTold;
  readonly range: readonly [number, number] | null;
  readonly hangs: HangsOn | null;
}

const CHAIN = {
  rule: 'Line in pieces of 0.45 m, leader in pieces of 0.27 m: each moved by its weight, its neighbours and the water across and along it, thirty times a second; at the end the fly, with its own weight under water and the drag of its silhouettes as it lies.',
  source:
    'across: Sucker and Brauer (1975); along: Seban and Bond (1951), Kelly (1954); current over a bed: Keulegan (1938)',
} as const;
const DEPTHS =
  'A depth is good to a quarter, since a current is known to 20 or 30 %; which of two flies or lines goes deeper is surer, to a few hundredths. A marked leader over a sounded bed settles it.';
const SOFT = 'Least certain is the drag of soft parts, which a timed sink settles, and how a line is mended by hand.';

const secondsWords = (s: number, style: Style): string => `${formatNumber(s, 1, style)} s`;
const term = (words: string, figure: string): WhyTerm => ({ words, figure });

const INPUTS: Readonly<Record<keyof HangsOn, string>> = {
  weight: 'with the fly a tenth heavier',
  leader: 'with the leader a tenth thicker',
  line: 'with the line a tenth thicker, or faster to sink',
  current: 'in water a tenth faster',
  depth: 'in water a tenth deeper',
  temperature: 'in water 3 °C warmer',
};

/** From so late on it is deepest at the end. */
const LATE = 0.98;
/** So many touches are told one by one. */
const MOST_TOUCHES = 4;
/** Less than so much is not worth a line, mm. */
const WORTH_MM = 10;

function hangsTerms(hangs: HangsOn | null, style: Style): WhyTerm[] {
  if (!hangs) return [];
  return (Object.entries(hangs) as [keyof HangsOn, number][])
    .filter(([, mm]) => Math.abs(mm) >= WORTH_MM)
    .sort(([, one], [, other]) => Math.abs(other) - Math.abs(one))
    .map(([input, mm]) =>
      term(INPUTS[input], `${saying(style).depth(Math.abs(mm))} ${mm > 0 ? 'deeper' : 'shallower'}`),
    );
}

/** How steeply the leader leads up from a fly, degrees over level. */
function leadsUpDeg({ nodes }: Moment): number {
  const k = nodes.length - 3;
  const by = (i: number): number => (nodes[k - 3 + i] ?? 0) - (nodes[k + i] ?? 0);
  return (Math.atan2(by(2), Math.hypot(by(0), by(1))) * 180) / Math.PI;
}

const rangeTerms = (range: WaterWhyOf['range'], style: Style): WhyTerm[] =>
  range && range[1] - range[0] > WORTH_MM
    ? [term('in water 15 % faster or slower', range.map((mm) => saying(style).depth(mm)).join(' to '))]
    : [];

function whyDeepest({ laid, asked, moments, told, range, hangs }: WaterWhyOf, style: Style): Why {
  const { mass, speed, angle, depth } = saying(style);
  const at = moments.find(({ t }) => t === told.depth.lowestAtS);
  const onBed = at?.touches === true;
  const goesOn = told.depth.lowestAtS >= LATE * (moments.at(-1)?.t ?? 0);
  const up = at ? leadsUpDeg(at) : 0;
  return {
    title: 'How deep it fishes',
    says: onBed
      ? `It comes down on the bed, first after ${secondsWords(told.bed.touches[0]?.t ?? told.depth.lowestAtS, style)}.`
      : `It is deepest at ${secondsWords(told.depth.lowestAtS, style)}: ${depth(told.depth.lowestMm)} of ${depth(asked.beat.depthMm)}. ${goesOn ? 'It is still going down as the time is over.' : 'From there on the line and the water lift more than it weighs.'}`,
    terms: [
      term('the fly under water', mass(laid.submergedMg)),
      ...(at
        ? [
            term('pull of the leader there', mass(at.pullMg)),
            term('which leads up by', angle(up)),
            term('so that it bears', mass(at.pullMg * Math.sin((up * Math.PI) / 180))),
            term('water past it', speed(at.through)),
          ]
        : []),
      ...rangeTerms(range, style),
      ...hangsTerms(hangs, style),
    ],
    ...CHAIN,
    belief: `${DEPTHS} ${SOFT}`,
  };
}

function whyWanted({ asked: { wantMm, fishing }, told, range }: WaterWhyOf, style: Style): Why {
  const { depth } = saying(style);
  const { lowestMm, meanMm, atWantedS } = told.depth;
  const want = wantMm ?? 0;
  return {
    title: 'How long it fishes at the wanted depth',
    says: `Within a seventh of ${depth(want)}, from ${depth((1 - NEAR_WANTED) * want)} to ${depth((1 + NEAR_WANTED) * want)}, for ${secondsWords(atWantedS ?? 0, style)} of ${secondsWords(told.fishedS, style)}.`,
    terms: [
      term('deepest', depth(lowestMm)),
      term('on average', depth(meanMm)),
      term('first there', told.countS === null ? 'never' : `after ${secondsWords(told.countS, style)}`),
      ...(fishing.countS > 0 ? [term('not counted: while it is waited', secondsWords(fishing.countS, style))] : []),
      ...rangeTerms(range, style),
    ],
    ...CHAIN,
    belief: `${DEPTHS} Near the edge of the band the time is surer to be wrong than the depth.`,
  };
}

function whyBed({ told: { bed, depth, fishedS }, asked }: WaterWhyOf, style: Style): Why {
  const says =
    bed.contactS === 0
      ? `It never touches the bed: ${saying(style).depth(Math.max(0, asked.beat.depthMm - depth.lowestMm))} are left under it where it is deepest.`
      : bed.pointDownS === 0
        ? `It lies on the bed with its point up: that is no snag.`
        : `Its point is down on the bed for ${secondsWords(bed.pointDownS, style)}: that is where it snags.`;
  return {
    title: 'Near the bed',
    says,
    terms: [
      term('within a hand of it', secondsWords(depth.nearBedS, style)),
      term('in the lowest quarter of the water', secondsWords(depth.inBottomQuarterS, style)),
      term('on it', secondsWords(bed.contactS, style)),
      term('of that with its point down', secondsWords(bed.pointDownS, style)),
      ...bed.touches
        .slice(0, MOST_TOUCHES)
        .map(({ t, forS }) => term(`touches at ${secondsWords(t, style)}`, `for ${secondsWords(forS, style)}`)),
      ...(bed.touches.length > MOST_TOUCHES ? [term('touches in all', String(bed.touches.length))] : []),
      term('fished', secondsWords(fishedS, style)),
    ],
    rule: 'It touches where what of it is lowest, as it lies then, comes to the bed; there it rubs with 0.6 of its load, and the leader with 0.4.',
    source: 'the fly’s own outline at its heel and its nose; the rubbing is judgement',
    belief: 'The bed is taken as even: a boulder is not. A fly that comes within a hand of an uneven bed touches it.',
  };
}

function whyAsMeant({ laid, told, moments }: WaterWhyOf, style: Style): Why {
  const { speed } = saying(style);
  const fastest = moments.reduce((most, { across }) => Math.max(most, across), 0);
  const over = told.capsizes;
  const slackS = told.fishedS - (told.asMeantS ?? told.fishedS);
  return {
    title: 'Whether it rides as meant',
    says:
      over.length === 0
        ? slackS > 1
          ? `It is never turned over; for ${secondsWords(slackS, style)} the line is slack, and it rides as it does on none.`
          : 'It is never turned over: the water across it stays under what it holds to, or it hangs in no side current.'
        : `It goes over ${over.length === 1 ? 'once' : `${String(over.length)} times`}, first at ${secondsWords(over[0]?.t ?? 0, style)}: there the water across it is faster than it holds to.`,
    terms: [
      term('rides as meant', `${secondsWords(told.asMeantS ?? 0, style)} of ${secondsWords(told.fishedS, style)}`),
      term('fastest water across it', speed(fastest)),
      ...over
        .slice(0, MOST_TOUCHES)
        .map(({ t, forS, side }) =>
          term(`over to the ${side} at ${secondsWords(t, style)}`, secondsWords(forS, style)),
        ),
      term('on a line that is tight it rides', laid.tight.ride),
    ],
    rule: 'Its heel is that of the side current across the plane of the pull. Above what it holds to it goes over, under 0.7 of that it rights itself; with less than a twentieth of its weight on the line it rides as on slack line.',
    source: 'the keel of the fly as on Balance; the 0.7 and the twentieth are judgement',
    belief: 'Good to some ten per cent of the current; eddies, which turn flies over too, are left out.',
  };
}

function whySwims({ told, moments, asked }: WaterWhyOf, style: Style): Why {
  const { speed } = saying(style);
  const most = (of: (moment: Moment) => number): number => moments.reduce((so, each) => Math.max(so, of(each)), 0);
  return {
    title: 'How fast it swims',
    says: `Water goes past it at ${speed(told.swims[0])} to ${speed(told.swims[1])}, but for a tenth of the time at either end.`,
    terms: [
      term('the current, mean over the depth', speed(asked.beat.meanMmS)),
      term('the fly over the ground, at most', speed(most(({ ground }) => ground))),
      term('water past it, at most', speed(most(({ through }) => through))),
      ...(told.swing ? [term('across the stream, on average', speed(told.swing.acrossMmS))] : []),
    ],
    ...CHAIN,
    belief: 'As good as the current is known, 20 or 30 %. A stop-watch over the sweep settles it.',
  };
}

const WHYS = {
  deepest: whyDeepest,
  wanted: whyWanted,
  bed: whyBed,
  asMeant: whyAsMeant,
  swims: whySwims,
} as const;
export type WaterAskedWhy = keyof typeof WHYS;
export const WATER_WHYS = Object.keys(WHYS) as readonly WaterAskedWhy[];

/** Why a figure of a run is what it is, in a tier's units. */
export const waterWhy = (asked: WaterAskedWhy, of: WaterWhyOf, style: Style): Why => WHYS[asked](of, style);
