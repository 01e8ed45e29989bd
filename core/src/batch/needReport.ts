import { type CheckReport } from '../checks/index.ts';
import { type Drawers } from '../drawers/index.ts';
import { leastOpened } from './cutting.ts';
import { eitherWayOf, type EitherWay } from './eitherWay.ts';
import { type Need } from './needs.ts';
import type { PlannedRow } from './plan.ts';
import { round, roundOrNone } from './rounding.ts';
import { substitutesFor } from './substitutes.ts';
import { isOf, type TakeKind } from './takes.ts';

export interface NeedReport {
  readonly item: string;
  readonly colour: string | null;
  readonly kind: TakeKind;
  readonly unit: 'mm' | 'pieces' | 'flies';
  readonly need: number;
  readonly have: number | null;
  readonly short: number | null;
  readonly runsOutAt: { readonly row: number; readonly fly: number } | null;
  /** By row: what all its flies take, and the longest piece of one. */
  readonly byRow: readonly { readonly row: number; readonly need: number; readonly cut_mm: number | null }[];
  readonly buy: number | null;
  readonly price: number | null;
  /** Whether one buys a hank of it, a spool, a cape. */
  readonly soldAs: string | null;
  /** It is not made any more. */
  readonly discontinued: boolean;
  /** What it costs by the packet and whole. */
  readonly eitherWay: EitherWay | null;
  /** Lengths opened, and the least that any layout opens. */
  readonly opened: number | null;
  readonly bound: number | null;
  readonly substitutes: readonly SubstituteReport[];
}

export interface SubstituteReport {
  readonly item: string;
  readonly colour: string | null;
  readonly distance: number;
  readonly ride: string;
  readonly sink_mm_s: number | null;
  readonly weight_mg: number;
  readonly holdsTo_mm_s: number | null;
  readonly checks: readonly CheckReport[];
  readonly news: readonly string[];
}

/** How many are bought, as they are sold: `2 patches`, `1`. @returns null where it is not known how many do */
export function boughtWords({ buy, soldAs }: Pick<NeedReport, 'buy' | 'soldAs'>): string | null {
  if (buy === null) return null;
  const many = soldAs === null ? '' : ` ${soldAs}${buy === 1 ? '' : soldAs.endsWith('ch') ? 'es' : 's'}`;
  return `${String(buy)}${many}`;
}

/** What may be tied in instead of what runs out, under the promised keys; nothing where it does not. */
export function substitutesOf(need: Need, rows: readonly PlannedRow[], drawers: Drawers): SubstituteReport[] {
  const fly = need.runsOutAt && rows[need.runsOutAt.row - 1]?.fly;
  if (!fly) return [];
  return substitutesFor(need, fly, drawers).map(({ item, colour, distance, solved, checks, news }) => ({
    item,
    colour,
    distance: round(distance),
    ride: solved.balance.tight.ride,
    sink_mm_s: roundOrNone(solved.balance.sink?.terminal),
    weight_mg: round(solved.laid.dryMg),
    holdsTo_mm_s: roundOrNone(solved.balance.hold.holdsTo),
    checks,
    news,
  }));
}

/** What is taken of one item, under the promised keys. */
export function needReport(
  need: Need,
  rows: readonly PlannedRow[],
  drawers: Drawers,
  withSubstitutes: boolean,
): NeedReport {
  const { take, runsOutAt, lengths, cuts, layout } = need;
  const laid = cuts.filter((_, i) => layout[i] !== null).map(({ mm }) => mm);
  return {
    item: take.item,
    colour: take.colour,
    kind: take.kind,
    unit: need.unit,
    need: round(need.need),
    have: roundOrNone(need.have),
    short: roundOrNone(need.short),
    runsOutAt,
    byRow: [...need.byRow].map(([i, amount]) => {
      const cuts = (rows[i]?.takes ?? []).flatMap((each) => (isOf(take, each) ? (each.cutMm ?? []) : []));
      return { row: i + 1, need: round(amount), cut_mm: cuts.length === 0 ? null : round(Math.max(...cuts)) };
    }),
    buy: need.buy,
    price: roundOrNone(need.price),
    soldAs: need.goods?.soldAs ?? null,
    discontinued: need.goods?.discontinued === true,
    eitherWay: eitherWayOf(need, rows, drawers),
    opened: lengths === null ? null : new Set(layout.filter((at) => at !== null)).size,
    bound: lengths === null ? null : leastOpened(lengths, laid),
    substitutes: withSubstitutes ? substitutesOf(need, rows, drawers) : [],
  };
}
