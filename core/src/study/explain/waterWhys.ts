import {
  droopAt,
  effectiveMass,
  timeTo,
  SideCurrent,
  holdRange,
  sinkingDrag,
  restAndSink,
  weightCentre,
  sumWeights,
  toRad,
  silhouetteAt,
  fallOf,
  SOAKED_ALONE,
  type LaidFly,
  balanceModel,
} from '../../model/index.ts';
import { formatNumber, type Style, saying } from '../../units/index.ts';
import type { Why } from './types.ts';
import { unweightedSink } from './unweighted.ts';

const DRAG = 'cylinders across the flow: Sucker and Brauer (1975); balls: Clift and Gauvin (1970)';
const TENTH = 'The law of its drag is good to some ten per cent.';
/** A fly on a swing, as fast as a fair current. mm/s */
const SWING_MM_S = 500;
const LEAST_CERTAIN =
  'The drag of soft parts trailing nose-first is the least certain number of all; a timed sink test corrects it.';

const areaOf = (laid: LaidFly, view: 'side' | 'plan', deg: number): number => {
  const { table } = balanceModel(laid);
  return silhouetteAt(table, view, toRad(deg))?.areaMm2 ?? 0;
};
const mm2 = (area: number, style: Style): string => `${formatNumber(area, 0, style)} mm²`;

// oxlint-disable-next-line max-lines-per-function -- one literal: all that is said of the figure
export function whyHolds(laid: LaidFly, style: Style): Why {
  const { moment, speed, angle, length } = saying(style);
  const { tight } = laid;
  const { limits } = new SideCurrent(balanceModel(laid), tight);
  const stiffness = Math.hypot(tight.momentMgMm, tight.lateralMgMm);
  const least = [...limits].sort((a, b) => (a.holdsTo ?? Infinity) - (b.holdsTo ?? Infinity))[0];
  const away = least?.atDeg == null || tight.heelDeg === null ? null : Math.abs(least.atDeg - tight.heelDeg);
  const held = least?.holdsTo ?? null;
  const range = holdRange(laid);
  const any = (mmS: number | null): string => (mmS === null ? 'any current' : speed(mmS));
  return {
    title: 'Side current it holds to',
    says:
      tight.heelDeg === null
        ? 'Nothing turns it back, so it holds to no current.'
        : held === null || away === null
          ? 'However fast the current, there is a heel within 45° at which its weight turns it back.'
          : `Up to ${speed(held)} there is a heel at which its weight turns it back; the last of them is at ${angle(away)}, and beyond that the fly goes over.`,
    terms: [
      { words: 'most that turns it back, at a quarter turn', figure: moment(stiffness) },
      ...(away === null
        ? []
        : [
            { words: `of it at ${angle(away)}, where it gives way`, figure: moment(stiffness * Math.sin(toRad(away))) },
          ]),
      { words: 'side silhouette at rest', figure: mm2(areaOf(laid, 'side', tight.heelDeg ?? 0), style) },
      {
        words: 'keel moment over the weight under water',
        figure: laid.submergedMg === 0 ? 'no weight' : length(tight.momentMgMm / laid.submergedMg),
      },
      ...(held === null || held >= SWING_MM_S
        ? []
        : [
            {
              words: `swung at ${speed(SWING_MM_S)} it may yaw by`,
              figure: angle((Math.asin(held / SWING_MM_S) * 180) / Math.PI),
            },
          ]),
      ...limits.map((limit) => ({
        words: limits.length === 1 ? 'from either side' : limit.flow === 1 ? 'from the far side' : 'from the near side',
        figure: any(limit.holdsTo),
      })),
      ...(range
        ? [{ words: 'with its soft lengths a twentieth off', figure: `${any(range.least)} to ${any(range.most)}` }]
        : []),
    ],
    rule: 'The least speed, from either side, at which no stable heel within 45° of the tight rest is left: none where R·sin of the heel outweighs the load on the silhouette times its height over the tow point.',
    source: DRAG,
    belief: `${TENTH} It is touchy where the silhouettes above and below the line of pull nearly cancel.`,
  };
}

export function whyTrim(laid: LaidFly, style: Style): Why {
  const { length, angle } = saying(style);
  const model = balanceModel(laid);
  const { trim, restDeg } = restAndSink(model);
  const centre = weightCentre(sumWeights(model.weights));
  const plan = silhouetteAt(model.table, 'plan', toRad(restDeg));
  const nose = trim.noseDownDeg;
  return {
    title: 'Trim',
    says:
      nose === null
        ? 'Its weights nearly cancel in water, so it has no trim.'
        : `It sinks ${nose >= 0 ? 'nose' : 'tail'}-down by ${angle(Math.abs(nose))}: there the water's push under its outline and its weight are in one line again.`,
    terms: [
      ...(centre && plan
        ? [
            { words: 'weight ahead of the push of the water', figure: length(plan.loadX - centre[0]) },
            { words: 'that as a share of the shank', figure: formatNumber(trim.lever ?? 0, 2, style) },
          ]
        : []),
      { words: 'outline from below', figure: mm2(areaOf(laid, 'plan', restDeg), style) },
    ],
    rule: '(Δx − e)·cosφ = Δz·sinφ: as it tips, the push moves forward by e = 0.3·L·(1 − cosφ), and its height over the weight rights it.',
    source: "shift of the pressure centre: Joessel's rule for inclined plates",
    belief: `${TENTH} Above 30° it jigs, below −30° it falls tail first.`,
  };
}

export function whySink(laid: LaidFly, style: Style): Why {
  const { mass, speed, angle } = saying(style);
  const model = balanceModel(laid);
  const { sink, trim, restDeg } = restAndSink(model);
  if (!sink)
    return {
      title: 'Sinking',
      says: `It floats: it displaces ${mass(laid.dryMg - laid.submergedMg)} of water and weighs ${mass(laid.dryMg)}.`,
      terms: [],
      rule: 'W = mass − ρ_water · volume is below nothing.',
      source: DRAG,
      belief: 'Soaked, without trapped air.',
    };
  const nose = Math.max(0, trim.noseDownDeg ?? 0);
  const down = Math.sin(toRad(nose)) ** 2;
  const [level, first] = [sinkingDrag(model, restDeg, 0), sinkingDrag(model, restDeg, 90)];
  const factor = laid.file.measured?.dragFactor;
  const bare = unweightedSink(laid);
  return {
    title: 'Falling free in still water, soaked, without a line',
    says: `At ${speed(sink.terminal)} the drag equals its weight under water, ${mass(laid.submergedMg)}; it sinks ${angle(nose)} nose-down.`,
    terms: [
      { words: 'of the drag, on the outline from below', figure: mass(level(sink.terminal) * (1 - down)) },
      { words: 'of the drag, on front, trailing parts and skin', figure: mass(first(sink.terminal) * down) },
      ...(bare === null ? [] : [{ words: 'the same fly without its weight', figure: speed(bare) }]),
      { words: 'held level it would sink', figure: speed(sink.level) },
      { words: 'held nose-first', figure: speed(sink.noseFirst) },
      ...(factor === undefined
        ? []
        : [{ words: 'times the computed drag, as it was timed', figure: formatNumber(factor, 2, style) }]),
    ],
    rule: 'W = D_level·cos²φ + D_nose·sin²φ; soft parts narrow with the speed, (1 + (V/10 cm/s)²)^(−0.4σ).',
    source: `${DRAG}; skin: Blasius (1908); narrowing of what bends: Vogel`,
    belief: factor === undefined ? LEAST_CERTAIN : 'Corrected by a timed fall.',
  };
}

export function whyDepth(laid: LaidFly, style: Style): Why {
  const { mass, speed } = saying(style);
  const model = balanceModel(laid);
  const { restDeg, trim, sink } = restAndSink(model);
  const balls = laid.parts.reduce((sum, part) => sum + (part.built.ball?.volumeMm3 ?? 0), 0);
  const moved = effectiveMass(model, laid.castingMg, balls, restDeg, Math.max(0, trim.noseDownDeg ?? 0));
  const seconds = timeTo(fallOf(laid, SOAKED_ALONE, 1010), 1000);
  return {
    title: 'Time down to a depth',
    says:
      seconds === null || !sink
        ? 'It floats.'
        : `From rest it is down 1 m in ${formatNumber(seconds, 1, style)} s, nearly all of it at ${speed(sink.terminal)}.`,
    terms: [
      { words: 'weight under water that drives it', figure: mass(laid.submergedMg) },
      { words: 'mass that has to be moved, soaked', figure: mass(laid.castingMg) },
      { words: 'water that moves along with it', figure: mass(moved - laid.castingMg) },
    ],
    rule: 'm·dv/dt = W − drag(v), stepped from rest; added mass of a cylinder across and of half the volume of balls along.',
    source: DRAG,
    belief: LEAST_CERTAIN,
  };
}

export function whyDroop(laid: LaidFly, style: Style): Why {
  const { angle, speed, moment } = saying(style);
  const model = balanceModel(laid);
  const sums = sumWeights(model.weights);
  const rest = laid.tight.heelDeg ?? 0;
  return {
    title: 'How it hangs on a pull',
    says: 'Drawn by the line, its weight behind the knot lets the tail hang until the water under it carries it.',
    terms: [
      { words: 'weight behind the tow point', figure: moment(sums.wx - model.tow[0] * sums.total) },
      { words: 'outline from below', figure: mm2(areaOf(laid, 'plan', rest), style) },
      ...[100, 300, 600].map((pull) => ({ words: `at ${speed(pull)}`, figure: angle(droopAt(model, rest, pull)) })),
    ],
    rule: 'cosα·Σ w·(x − x_p) = load at the speed U·sinα on the outline, times its distance behind the tow point.',
    source: DRAG,
    belief: TENTH,
  };
}

export function whySilhouette(laid: LaidFly, style: Style): Why {
  const { length } = saying(style);
  const model = balanceModel(laid);
  const side = silhouetteAt(model.table, 'side', 0);
  return {
    title: 'Silhouette',
    says: 'What a side current meets of it: its outline from the side, each spot as dense as the fibres that cover it.',
    terms: [
      { words: 'from the side', figure: mm2(areaOf(laid, 'side', 0), style) },
      { words: 'from below', figure: mm2(areaOf(laid, 'plan', 0), style) },
      ...(side ? [{ words: 'its middle, behind the eye', figure: length(side.x) }] : []),
      { words: 'cuts it is summed over', figure: String(model.table.cells) },
    ],
    rule: 'At each spot the opacity is 1 − Π(1 − o) of what covers it; the area is its sum.',
    source: 'the same sections that are drawn and weighed; opacities from the tables',
    belief: 'Opacities and spreads of fibres are judged; the shapes are as drawn.',
  };
}
