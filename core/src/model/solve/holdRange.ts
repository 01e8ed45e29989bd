import { sideHold } from '../balance/sideCurrent.ts';
import { HeelingLoads } from '../balance/heeling.ts';
import { toRad } from '../balance/model.ts';
import { cutCells } from '../geometry/cells.ts';
import type { Section } from '../platform/section.ts';
import type { LaidFly } from './layFly.ts';
import { balanceModel } from './balanceModel.ts';

/** Soft lengths are looked at so much shorter and longer. */
const SPREAD = 0.05;
/** Where the side area above and below the tow axis cancels to under this share, holds-to hangs on small lengths. */
const CANCELS = 0.3;
/** A range that is narrower, as a share of the figure, is not worth telling. */
const WORTH_TELLING = 0.1;

/** Holds-to over soft lengths five in a hundred shorter and longer, mm/s; null for a bound that no current reaches. */
export interface HoldRange {
  readonly least: number | null;
  readonly most: number | null;
}

/** A soft part that hangs from a binding, so many times as long behind it. */
function stretched(section: Section, by: number): Section {
  const { root, softness, fromMm, toMm, at } = section;
  if (softness === 0 || root === 'axis') return section;
  const from = Math.max(...root.map(([x]) => x));
  const there = (x: number): number => (x > from ? from + (x - from) * by : x);
  const back = (x: number): number => (x > from ? from + (x - from) / by : x);
  return {
    ...section,
    fromMm: there(fromMm),
    toMm: there(toMm),
    at: (x, out) => {
      at(back(x), out);
    },
  };
}

/**
 * How far holds-to moves with the soft lengths, where it is touchy: side areas above and below the axis that nearly cancel.
 * @returns null where the figure is steady
 */
export function holdRange(laid: LaidFly): HoldRange | null {
  const { tight } = laid;
  const model = balanceModel(laid);
  if (tight.heelDeg === null) return null;
  const { moment, size } = new HeelingLoads(model, toRad(tight.heelDeg)).areaMoment;
  if (Math.abs(moment) > CANCELS * size) return null;
  const holds = [1 - SPREAD, 1, 1 + SPREAD].map((by) => {
    const table = by === 1 ? model.table : cutCells(laid.sections.map((each) => stretched(each, by)));
    return sideHold({ ...model, table }, tight).holdsTo ?? Infinity;
  });
  const [least, most] = [Math.min(...holds), Math.max(...holds)];
  if (!(most > (1 + WORTH_TELLING) * least)) return null;
  const told = (speed: number): number | null => (Number.isFinite(speed) ? speed : null);
  return { least: told(least), most: told(most) };
}
