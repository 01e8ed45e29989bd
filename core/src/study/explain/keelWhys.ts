import {
  sumWeights,
  UNDECIDED_MM,
  restAndSink,
  contributionsOf,
  tippingsOf,
  type Contribution,
  type LaidFly,
  balanceModel,
} from '../../model/index.ts';
import { formatNumber, type Style, saying } from '../../units/index.ts';
import { leanFigure, leanOf } from './say.ts';
import type { Why, WhyTerm } from './types.ts';

const OWN = 'the model of this program, from statics';
const EXACT =
  'Exact for the masses and places as drawn; bought eyes are often lighter than their full solid, so weigh a pair.';
const SHOWN = 5;
/** Moments below this share of the largest are not worth a line. */
const WORTH = 0.01;

/** The largest of some moments, what they come to, each with its words. */
function largest(
  all: readonly Contribution[],
  of: (each: Contribution) => number,
  words: (each: Contribution, moment: number) => string,
  style: Style,
): WhyTerm[] {
  const { moment } = saying(style);
  const most = Math.max(0, ...all.map((each) => Math.abs(of(each))));
  return all
    .filter((each) => Math.abs(of(each)) > WORTH * most && most > 0)
    .sort((a, b) => Math.abs(of(b)) - Math.abs(of(a)))
    .slice(0, SHOWN)
    .map((each) => ({ words: words(each, of(each)), figure: moment(Math.abs(of(each))) }));
}

const other = (side: 'near' | 'far'): string => (side === 'near' ? 'far' : 'near');

export function whyHeel(laid: LaidFly, style: Style): Why {
  const { tight } = laid;
  const { moment } = saying(style);
  const lean = tight.heelDeg === null ? null : leanOf(tight.heelDeg);
  const all = contributionsOf(laid);
  const heavy = tight.lateralMgMm > 0 ? 'near' : 'far';
  const first = [...all].sort((a, b) => Math.abs(b.lateralMgMm) - Math.abs(a.lateralMgMm))[0];
  const says =
    tight.heelDeg === null
      ? 'Its weights cancel about the line of pull: nothing turns it either way.'
      : lean === null
        ? 'It rests upright: no side of it is the heavier one.'
        : `It leans ${leanFigure(lean.deg, style)}, the point to the ${lean.side} side: its ${heavy} side is the heavier one${first ? `, most by the ${first.id}` : ''}, and goes down.`;
  return {
    title: 'Heel at rest, on a tight line',
    says,
    terms: [
      { words: `weights to the ${heavy} side, K_y`, figure: moment(Math.abs(tight.lateralMgMm)) },
      { words: 'weights above and below, K', figure: moment(tight.momentMgMm) },
      ...(Math.abs(tight.lateralMgMm) < 1e-6
        ? []
        : largest(
            all,
            (each) => each.lateralMgMm,
            (each, value) => `${each.id}, to the ${value > 0 ? 'near' : other('near')} side`,
            style,
          )),
    ],
    rule: 'It hangs from the tow point like a plumb: heel = atan2(−K_y, −K), each K a sum of submerged weight times its distance.',
    source: OWN,
    belief: EXACT,
  };
}

export function whySlack(laid: LaidFly, style: Style): Why {
  const model = balanceModel(laid);
  const { slack } = restAndSink(model);
  const { angle, mass } = saying(style);
  const lean = slack.heelDeg === null ? null : leanOf(slack.heelDeg);
  const way =
    slack.heelDeg === null ? null : Math.abs(slack.heelDeg) > 90 !== laid.platform.pointUp ? 'point-up' : 'point-down';
  return {
    title: 'On a slack line',
    says:
      way === null
        ? 'Sinking freely, no turn of it is firmer than another.'
        : `Sinking level and free, it comes to rest ${way}${lean ? `, ${leanFigure(lean.deg, style)} to the ${lean.side} side` : ', upright'}: there the water's push under it and its weight pull in one line.`,
    terms: [
      { words: 'weight under water', figure: mass(sumWeights(model.weights).total) },
      ...(slack.others.length > 0
        ? [{ words: 'other turns it can rest at', figure: slack.others.map((deg) => angle(deg)).join(', ') }]
        : []),
    ],
    rule: 'The roll where W·η − cosθ·Σwy + sinθ·Σwz is nothing and turns back, η the middle of its outline from below; of several the one of least energy.',
    source: OWN,
    belief: 'The outline of soft parts is judged, so on a slack line a few degrees are open.',
  };
}

export function whyKeel(laid: LaidFly, style: Style): Why {
  const { tight, platform } = laid;
  const { moment, length } = saying(style);
  const size = laid.weights.reduce((sum, each) => sum + Math.abs(each.submergedMg), 0);
  const up = platform.pointUp ? -1 : 1;
  const toward = (value: number): string => (value * up > 0 ? 'point-up' : 'point-down');
  return {
    title: 'Keel moment',
    says: `All weights under water, each times its height over the tow point, turn the fly ${toward(tight.momentMgMm)}.`,
    terms: [
      ...largest(
        contributionsOf(laid),
        (each) => each.momentMgMm,
        (each, value) => `${each.id}, toward ${toward(value)}`,
        style,
      ),
      { words: 'height of the tow point over the shank', figure: length(platform.towPoint[2]) },
      { words: 'too little to decide below', figure: moment(UNDECIDED_MM * size) },
    ],
    rule: 'K = Σ w·(z − z_p), w = mass − water displaced, z away from the point.',
    source: OWN,
    belief: EXACT,
  };
}

export function whyTipping(laid: LaidFly, style: Style): Why {
  const { mass, length, moment } = saying(style);
  const [first] = tippingsOf(laid);
  const ball = laid.parts.find((part) => part.file.id === first?.part)?.built.ball;
  const tip = first?.asTied;
  if (!first || !ball)
    return {
      title: 'Tipping weight',
      says: 'Nothing on this fly sits on one side of the shank and has weight to tip it.',
      terms: [],
      rule: '',
      source: OWN,
      belief: EXACT,
    };
  const lever = ball.centroid[2] - laid.platform.towPoint[2];
  const own = laid.parts.find((part) => part.file.id === first.part)?.submergedMg ?? 0;
  return {
    title: `Tipping weight of ${first.part}`,
    says: tip
      ? `With ${mass(tip.massMg)} there the keel moment would be nothing; with more on that side the fly turns over. It has ${formatNumber(tip.ratio, 2, style)} times as much.`
      : 'No weight there, tied as it is, would turn the fly over.',
    terms: [
      { words: `${first.part} as fitted`, figure: mass(first.massMg) },
      { words: 'its height over the tow point', figure: length(lever) },
      { words: 'keel moment of all the rest', figure: moment(laid.tight.momentMgMm - own * lever) },
      ...(first.otherSide
        ? [{ words: 'tied on the other side it tips at', figure: mass(first.otherSide.massMg) }]
        : []),
    ],
    rule: ball.weighed
      ? 'm = ρ·V − K_rest/(z − z_p), the weighed mass over the volume it keeps.'
      : 'm = −K_rest/((1 − ρ_water/ρ)·(z − z_p)), the size growing with the mass.',
    source: OWN,
    belief: EXACT,
  };
}

export function whyWeights(laid: LaidFly, style: Style): Why {
  const { mass } = saying(style);
  const water = laid.castingMg - laid.dryMg;
  const heaviest = [...laid.parts].sort((a, b) => b.massMg - a.massMg).slice(0, 3);
  return {
    title: 'Weights',
    says: `Dry on the scale, soaked in the air as it is cast, and what is left of it under water.`,
    terms: [
      { words: 'dry', figure: mass(laid.dryMg) },
      ...heaviest.map((part) => ({ words: `of it ${part.file.id}`, figure: mass(part.massMg) })),
      { words: 'water the soft parts keep, added for casting', figure: mass(water) },
      { words: 'water it pushes aside, taken off under water', figure: mass(laid.dryMg - laid.submergedMg) },
      { words: 'density of this water', figure: `${formatNumber(laid.water.density, 4, style)} g/cm³` },
    ],
    rule: 'W = mass − ρ_water · volume; water kept in the fibres weighs nothing in water.',
    source: 'density of water: UNESCO EOS-80 at one atmosphere; densities of materials from the tables',
    belief:
      'Metal is exact for its size, or as weighed; amounts of hair are judged from the pinch, within some ten per cent.',
  };
}

export function whyCentres(laid: LaidFly, style: Style): Why {
  const { length, mass } = saying(style);
  const station = (x: number): string => formatNumber((x / laid.platform.shankMm) * 10, 1, style);
  const at = laid.submergedCentre;
  return {
    title: 'Centres',
    says: at
      ? `The weight under water acts ${length(Math.abs(at[0] - laid.buoyancy[0]))} ${at[0] < laid.buoyancy[0] ? 'ahead of' : 'behind'} the middle of what is displaced.`
      : 'Up and down nearly cancel, so the weight under water has no centre.',
    terms: [
      ...(at ? [{ words: `weight under water, ${mass(laid.submergedMg)}`, figure: `station ${station(at[0])}` }] : []),
      { words: 'mass', figure: `station ${station(laid.gravity[0])}` },
      { words: 'buoyancy, the middle of all volume', figure: `station ${station(laid.buoyancy[0])}` },
    ],
    rule: 'Each centre is a sum of place times mass, volume or submerged weight, over the whole; station 0 is the eye, 10 the bend.',
    source: OWN,
    belief: EXACT,
  };
}
