import { partName } from '../tying/index.ts';
import { formatNumber, METRIC, saying, type Style } from '../units/index.ts';
import type { WaterAnswer, WaterAsked } from './ask.ts';
import { seenFromMm } from './seen.ts';
import { NEAR_WANTED, type WaterTold } from './told.ts';

const seconds = (s: number, style: Style): string => `${formatNumber(s, s < 9.95 ? 1 : 0, style)} s`;
const deep = (mm: number, style: Style): string => saying(style).depth(mm);

/** Between two speeds; one where they are written alike. */
function betweenWords([low, high]: readonly [number, number], style: Style): string {
  const [one, other] = [low, high].map((each) => saying(style).speed(each)) as [string, string];
  return one === other ? one : `${one.replace(/ .*/, '')} to ${other}`;
}

/** Something that goes wrong while it is fished, when, and why. */
export interface WaterFault {
  readonly what: 'rolls over' | 'drags' | 'too deep' | 'short' | 'unsettled';
  readonly t: number;
  readonly forS: number;
  readonly words: string;
}

function bedFaults({ bed, settled }: WaterTold, style: Style): WaterFault[] {
  const own = bed.touches
    .filter(({ pointDown }) => pointDown)
    .map(({ t, forS, what }): WaterFault => ({
      what: 'drags',
      t,
      forS,
      words: `its point is down on the bed at ${seconds(t, style)}, for ${seconds(forS, style)}: ${what === 'platform' ? 'the hook touches first, and snags' : `${partName(what)} touches first, and the hook is near it`}`,
    }));
  return settled
    ? own
    : [
        ...own,
        { what: 'unsettled', t: 0, forS: 0, words: 'the reckoning did not settle: what is shown is as far as it went' },
      ];
}

/** What goes wrong, in order of time. */
export function waterFaults(
  { told }: Pick<WaterAnswer, 'told'>,
  { wantMm, laid }: WaterAsked,
  style: Style = METRIC,
): readonly WaterFault[] {
  const short = wantMm === null ? 0 : (1 - NEAR_WANTED) * wantMm - told.depth.lowestMm;
  const over = wantMm === null ? 0 : told.depth.lowestMm - (1 + NEAR_WANTED) * wantMm;
  const holds = laid.tight.heelDeg === null ? null : told.capsizes;
  return [
    ...(holds ?? []).map(({ t, forS }): WaterFault => ({
      what: 'rolls over',
      t,
      forS,
      words: `it rolls over at ${seconds(t, style)}, for ${seconds(forS, style)}: the water across it is faster than it holds to`,
    })),
    ...bedFaults(told, style),
    ...(short > 0 && wantMm !== null
      ? [
          {
            what: 'short' as const,
            t: told.depth.lowestAtS,
            forS: 0,
            words: `it never comes to ${deep(wantMm, style)}: ${deep(told.depth.lowestMm, style)} at the most, at ${seconds(told.depth.lowestAtS, style)}`,
          },
        ]
      : []),
    ...(over > 0 && wantMm !== null
      ? [
          {
            what: 'too deep' as const,
            t: told.depth.lowestAtS,
            forS: 0,
            words: `it goes deeper than ${deep(wantMm, style)}: ${deep(told.depth.lowestMm, style)}, at ${seconds(told.depth.lowestAtS, style)}`,
          },
        ]
      : []),
  ].sort((one, other) => one.t - other.t);
}

/** What a fly does in the water, in a sentence each. */
export function waterWords(answer: WaterAnswer, asked: WaterAsked, style: Style = METRIC): readonly string[] {
  const { told } = answer;
  const { wantMm } = asked;
  const range = [answer, answer.slower, answer.faster].map((each) => each.told.depth.lowestMm);
  const band =
    Math.max(...range) - Math.min(...range) > 20
      ? ` (${deep(Math.min(...range), style)} to ${deep(Math.max(...range), style)} in water 15 % faster or slower)`
      : '';
  const tips = told.pauses.filter(({ tips: tipped }) => tipped).length;
  return [
    `it fishes ${deep(told.depth.lowestMm, style)} deep at the most${band}, ${deep(told.depth.meanMm, style)} on average`,
    ...(wantMm !== null && told.depth.atWantedS !== null
      ? [
          `${seconds(told.depth.atWantedS, style)} of ${seconds(told.fishedS, style)} at the wanted ${deep(wantMm, style)}${told.countS === null ? '' : `, first after ${seconds(told.countS, style)}`}`,
        ]
      : []),
    ...(told.pauses.length > 0
      ? [
          tips === 0
            ? 'it does not tip nose-first in the pauses'
            : tips === told.pauses.length
              ? 'it tips nose-first on every pause'
              : `it tips nose-first on ${String(tips)} of ${String(told.pauses.length)} pauses`,
        ]
      : []),
    `through the water at ${betweenWords(told.swims, style)}`,
    ...(asked.beat.clarityMm === null
      ? []
      : [`made out from ${deep(seenFromMm(asked.beat.clarityMm, told.depth.lowestMm), style)} there on a bright day`]),
    ...(told.bed.contactS > 0 && told.bed.pointDownS === 0
      ? [`it touches the bed for ${seconds(told.bed.contactS, style)}, point up: no snag by that`]
      : []),
    ...(told.dropper
      ? [
          `the dropper fishes ${deep(told.dropper.lowestMm, style)} deep at the most, ${deep(told.dropper.meanMm, style)} on average${told.dropper.contactS > 0 ? `, and touches the bed for ${seconds(told.dropper.contactS, style)}` : ''}`,
        ]
      : []),
    ...(told.swing?.sweepS == null ? [] : [`it hangs below the rod after ${seconds(told.swing.sweepS, style)}`]),
    ...waterFaults(answer, asked, style).map(({ words }) => words),
  ];
}
