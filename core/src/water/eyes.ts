import type { Drawers } from '../drawers/index.ts';
import { layFly, sinkSpeed } from '../model/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { type Found, findWeights, type Wish } from '../study/index.ts';
import { METRIC, saying, type Style } from '../units/index.ts';
import { ended, runWater, type WaterAsked } from './ask.ts';
import { isNearWanted } from './told.ts';

/** The fly with other eyes, fished as it is asked now. */
export interface OtherEyes {
  readonly words: string;
  readonly file: FlyFile;
  readonly lowestMm: number;
  readonly reaches: boolean;
  readonly costs: string;
}

/** Eyes make a fly so many times as light or as heavy at most. */
const TIMES = [0.25, 5] as const;
const HALVINGS = 7;
/** A fly of the sinking speed that is looked for, more or less. */
const ABOUT = [0.93, 1.1] as const;
/** So many of what the finder found are fished. */
const FISHED = 4;

const lowestOf = (asked: WaterAsked, otherwise: { readonly weight?: number; readonly coarse?: boolean }): number => {
  const run = ended(runWater(asked, otherwise));
  return run.ok ? run.value.told.depth.lowestMm : 0;
};

/** How many times its weight under water the fly would have to weigh; null where no eyes do that. */
function timesFor(asked: WaterAsked, wantMm: number): number | null {
  let [low, high]: [number, number] = [...TIMES];
  const deep = (weight: number): number => lowestOf(asked, { weight, coarse: true });
  if (deep(high) < wantMm || deep(low) > wantMm) return null;
  for (let i = 0; i < HALVINGS; i++) {
    const mid = Math.sqrt(low * high);
    if (deep(mid) < wantMm) low = mid;
    else high = mid;
  }
  return Math.sqrt(low * high);
}

/** What the finder is asked for: a fly that rides as this one does, and sinks as one of that weight would. */
const wishFor = ({ laid }: WaterAsked, times: number, from: Wish['from']): Wish => {
  const sinks = sinkSpeed(laid) * Math.sqrt(times);
  return {
    ride: laid.tight.ride === 'point-up' || laid.tight.ride === 'point-down' ? laid.tight.ride : null,
    holdsMmS: null,
    sinkMmS: [ABOUT[0] * sinks, ABOUT[1] * sinks],
    lead: false,
    from,
  };
};

/** Eyes, beads, cones or wire that sink it so, of the drawer before others; none where nothing does. */
function foundFor(asked: WaterAsked, drawers: Drawers, times: number): readonly Found[] {
  for (const from of ['drawer', 'sold'] as const) {
    const finding = ended(findWeights(asked.laid, drawers, wishFor(asked, times, from)));
    if (finding.met) return finding.found;
  }
  return [];
}

/**
 * Other eyes with which the fly fishes at the wanted depth as it is fished now: how heavy it has to be by closed runs, what makes it so from
 * the finder, those few fished. Lead is not offered.
 * @returns null where it fishes there already, or no eyes take it there
 */
export function* eyesTo(
  asked: WaterAsked,
  drawers: Drawers,
  style: Style = METRIC,
): Generator<{ readonly share: number }, OtherEyes | null> {
  const { wantMm, laid } = asked;
  const nowMm = lowestOf(asked, {});
  if (wantMm === null || isNearWanted(nowMm, wantMm)) return null;
  const times = timesFor(asked, wantMm);
  yield { share: 0.2 };
  if (times === null) return null;
  const found = foundFor(asked, drawers, times).slice(0, FISHED);
  yield { share: 0.7 };
  const fished: OtherEyes[] = [];
  for (const [i, { file, words, dryMg }] of found.entries()) {
    const other = layFly(file, drawers);
    if (!other.ok) continue;
    const lowestMm = lowestOf({ ...asked, laid: other.value }, {});
    const { mass } = saying(style);
    fished.push({
      words,
      file,
      lowestMm,
      reaches: isNearWanted(lowestMm, wantMm),
      costs: `another fly, ${mass(dryMg)} instead of ${mass(laid.dryMg)}`,
    });
    yield { share: 0.7 + (0.3 * (i + 1)) / found.length };
  }
  const off = ({ lowestMm }: OtherEyes): number => Math.abs(lowestMm - wantMm);
  const [best] = fished.sort((one, other) => off(one) - off(other));
  return best && off(best) < Math.abs(nowMm - wantMm) ? best : null;
}
