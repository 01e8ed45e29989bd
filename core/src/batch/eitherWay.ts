import type { Drawers, Goods } from '../drawers/index.ts';
import { makesOf, type Need } from './needs.ts';
import type { PlannedRow } from './plan.ts';
import { round } from './rounding.ts';
import { alikeItems } from './substitutes.ts';

/** A small packet of something against a whole neck, hide or spool of the same, bought for this batch alone. */
export interface EitherWay {
  readonly small: { readonly item: string; readonly perFly: number };
  readonly large: { readonly item: string; readonly perFly: number };
  /** Flies from which on the larger is cheaper; null where it never is, within what one of it ties. */
  readonly cheaperFrom: number | null;
}

interface Sold {
  readonly name: string;
  readonly makes: number;
  readonly price: number;
}

function soldOf(goods: Goods, need: Need): Sold | null {
  const makes = makesOf(goods, need.unit, need.take);
  return makes === null || goods.price === undefined ? null : { name: goods.name, makes, price: goods.price };
}

const costOf = ({ makes, price }: Sold, amount: number): number => Math.ceil(amount / makes - 1e-9) * price;

/** From which fly on one of the larger costs no more than as many of the smaller as are wanted by then. */
function cheaperFrom(small: Sold, large: Sold, perFly: number): number | null {
  const wanted = Math.ceil(large.price / small.price - 1e-9);
  const flies = Math.floor((small.makes * (wanted - 1)) / perFly + 1e-9) + 1;
  return flies * perFly > large.makes + 1e-9 ? null : flies;
}

/** The first part of any row that takes it. */
function partOf({ take, byRow }: Need, rows: readonly PlannedRow[]) {
  for (const row of byRow.keys()) {
    const part = rows[row]?.fly.solved.laid.file.parts.find(({ id }) => id === take.part);
    if (part) return part;
  }
  return undefined;
}

/** What the same costs by the packet and whole, where both are sold with a price and what one makes; null where not. */
export function eitherWayOf(need: Need, rows: readonly PlannedRow[], drawers: Drawers): EitherWay | null {
  const own = need.goods && soldOf(need.goods, need);
  const part = partOf(need, rows);
  const flies = [...need.byRow.keys()].reduce((sum, i) => sum + (rows[i]?.row.count ?? 0), 0);
  if (!own || !part || flies === 0) return null;
  const others = alikeItems(need.take, part, need.goods, drawers).flatMap((goods) => soldOf(goods, need) ?? []);
  const [other] = others.filter(({ makes }) => makes !== own.makes);
  if (!other) return null;
  const [small, large] = own.makes < other.makes ? [own, other] : [other, own];
  const perFly = need.need / flies;
  const told = (sold: Sold) => ({ item: sold.name, perFly: round(costOf(sold, need.need) / flies) });
  return { small: told(small), large: told(large), cheaperFrom: cheaperFrom(small, large, perFly) };
}
