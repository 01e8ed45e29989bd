import type { BalanceModel, LaidFly, LaidPart } from '../model/index.ts';
import { balanceModel } from '../model/index.ts';
import { USUAL_SPREADS } from '../study/index.ts';

/** How much heavier or lighter one thing on a fly is than it was reckoned. */
export interface Heavier {
  readonly part: LaidPart;
  readonly byMg: number;
}

/**
 * How far off its weight a part may be, mg, one standard deviation: what was weighed as what is bought spreads; eyes nobody weighed by half of what
 * they may be lighter; all else by how amounts spread. Judgement, as those are: docs/model.md.
 */
function sigmaMg({ massMg, built: { ball } }: LaidPart): number {
  if (!ball) return USUAL_SPREADS.amount * massMg;
  const own = USUAL_SPREADS.mass * massMg;
  return ball.weighed ? own : Math.max(own, ((1 - ball.leastShare) / 2) * massMg);
}

/** A part is never reckoned lighter than this share of what it was. */
const LEAST_SHARE = 0.2;

/** What a fly that was put on a scale weighs more or less, laid on its parts by the smallest change that explains it, weighted with their spreads. */
export function heavierBy(laid: LaidFly, dryMg: number): readonly Heavier[] {
  const parts = laid.parts.filter(({ massMg }) => massMg > 0);
  const variances = parts.map((part) => sigmaMg(part) ** 2);
  const all = variances.reduce((sum, each) => sum + each, 0);
  if (all === 0) return [];
  const off = dryMg - laid.dryMg;
  return parts.map((part, i) => ({
    part,
    byMg: Math.max((LEAST_SHARE - 1) * part.massMg, (off * (variances[i] ?? 0)) / all),
  }));
}

/** How far off the weight of one part may still be once the whole fly was weighed, mg, one standard deviation: a scale cannot tell its parts apart. */
export function stillOpenMg(laid: LaidFly, id: string): number {
  const variances = laid.parts.map((part) => ({ id: part.file.id, variance: sigmaMg(part) ** 2 }));
  const own = variances.find((each) => each.id === id)?.variance ?? 0;
  const all = variances.reduce((sum, { variance }) => sum + variance, 0);
  return all === 0 ? 0 : Math.sqrt(own * (1 - own / all));
}

/** How far off the weight of one part may be, mg, one standard deviation. @param weighed whether the whole fly was put on a scale */
export function openMg(laid: LaidFly, id: string, weighed: boolean): number {
  if (weighed) return stillOpenMg(laid, id);
  const part = laid.parts.find(({ file }) => file.id === id);
  return part ? sigmaMg(part) : 0;
}

/** How much heavier a part is to be expected by the scale than it was reckoned, and the least it may be from there, mg. */
export function expectedBy(
  laid: LaidFly,
  part: LaidPart,
  dryMg: number | null,
): { readonly byMg: number; readonly leastMg: number } {
  const byMg = dryMg === null ? 0 : (heavierBy(laid, dryMg).find((each) => each.part === part)?.byMg ?? 0);
  return { byMg, leastMg: (LEAST_SHARE - 1) * part.massMg - byMg };
}

/**
 * The balance of a fly that was put on a scale: metal keeps its room, all else takes more room as it is more.
 * @param dryMg null where nobody weighed it
 */
export function heavierModel(laid: LaidFly, dryMg: number | null): BalanceModel {
  const own = balanceModel(laid);
  if (dryMg === null) return own;
  const extra = heavierBy(laid, dryMg).map((each) => ({ submergedMg: underWater(each), at: each.part.centroid }));
  return { ...own, weights: [...own.weights, ...extra] };
}

const underWater = ({ part, byMg }: Heavier): number =>
  part.built.ball ? byMg : byMg * (part.submergedMg / part.massMg);

/** By how much heavier a fly that was put on a scale is under water, mg. */
export const heavierUnderWaterMg = (laid: LaidFly, dryMg: number): number =>
  heavierBy(laid, dryMg).reduce((sum, each) => sum + underWater(each), 0);
