import type { Lot } from './items.ts';
import { type Goods, isFibre, lotsOf, mmOf, readYield } from './stock.ts';

/** What is taken out of a drawer at once: a piece cut to length, pieces that are counted, or what so many flies take. */
export type Taking =
  | {
      readonly unit: 'mm';
      readonly mm: number;
      /** How long that which it is cut from lay there; null for the shortest that is long enough. */
      readonly of: number | null;
    }
  | {
      readonly unit: 'pieces';
      readonly pieces: number;
      readonly fibreMm: number | null;
      readonly paired: boolean;
      /** Pieces that one of `count` makes where the item does not say. */
      readonly usual: number | null;
    }
  | { readonly unit: 'flies'; readonly flies: number };

/** What was taken of one lot: so much of its count; or a piece of a length; or feathers of one length of fibre. */
export interface Move {
  readonly colour?: string | undefined;
  readonly side?: Lot['side'];
  /** Of `count`. */
  readonly count?: number | undefined;
  /** A piece, and what it was cut from, mm. */
  readonly mm?: number | undefined;
  readonly from?: number | undefined;
  readonly fibre?: string | undefined;
}

/** An item after something was taken of it, and what that was: less than was asked for where there was less. */
export interface Took {
  readonly stock: Pick<Goods, 'count' | 'stock'>;
  readonly moves: readonly Move[];
}

/** Lengths are measured no closer than this, mm. */
const SAME_MM = 0.06;
/** What is shorter is swept off the bench, mm. */
const LEAST_MM = 1;
/** Counts are kept so closely that what is given back is all of it. */
const kept = (count: number): number => Math.max(0, Math.round(count * 1e9) / 1e9);
const written = (mm: number): string => `${String(Math.round(mm * 10) / 10)} mm`;

const sameColour = (a: string | undefined, b: string | undefined): boolean =>
  a?.trim().toLowerCase() === b?.trim().toLowerCase();

/** The lots of an item while they are changed. */
const lotsIn = ({ count, stock }: Pick<Goods, 'count' | 'stock'>): Lot[] => [
  ...(stock ?? (count === undefined ? [] : [{ count }])),
];

/** Lots as an item keeps them: one that says nothing but how many is its count. */
function keptLots(was: Pick<Goods, 'count' | 'stock'>, lots: readonly Lot[]): Pick<Goods, 'count' | 'stock'> {
  const [first] = lots;
  if (was.stock === undefined && first && lots.length === 1 && Object.keys(first).length === 1)
    return { count: first.count };
  return { count: was.stock === undefined ? undefined : was.count, stock: lots };
}

/** One length that lies there: the `at`th of a lot that tells them, else a whole one or the one begun of those it counts. */
interface Stick {
  readonly lot: number;
  readonly mm: number;
  readonly at: number | 'whole' | 'begun';
}

function sticksOf(lots: readonly Lot[], serving: readonly Lot[], eachMm: number | null): Stick[] {
  return lots.flatMap((lot, i): Stick[] => {
    if (!serving.includes(lot)) return [];
    if (lot.lengths)
      return lot.lengths.length > 1
        ? lot.lengths.map((text, at) => ({ lot: i, mm: mmOf(text), at }))
        : [{ lot: i, mm: mmOf(lot.lengths[0] ?? ''), at: 0 }];
    if (eachMm === null) return [];
    const begun = lot.count - Math.floor(lot.count);
    return [
      ...(lot.count >= 1 ? [{ lot: i, mm: eachMm, at: 'whole' as const }] : []),
      ...(begun > 0 ? [{ lot: i, mm: begun * eachMm, at: 'begun' as const }] : []),
    ];
  });
}

/** A lot that tells each of its lengths, with one more. */
function withLength(lots: Lot[], colour: string | undefined, text: string): void {
  const at = lots.findIndex(
    (lot) =>
      sameColour(lot.colour, colour) &&
      lot.side === undefined &&
      lot.fibres === undefined &&
      (lot.count === 0 || lot.lengths?.length === lot.count),
  );
  const lot = lots[at];
  if (lot)
    lots[at] = { ...lot, count: lot.count + 1, lengths: [...(lot.count === 0 ? [] : (lot.lengths ?? [])), text] };
  else lots.push({ ...(colour === undefined ? {} : { colour }), count: 1, lengths: [text] });
}

/** A lot without its `at`th length, or with another in its place. */
function lengthChanged(lot: Lot, at: number, text: string | null): Lot {
  const { lengths = [], ...rest } = lot;
  const left = lengths.flatMap((each, i) => (i !== at ? [each] : text === null ? [] : [text]));
  return left.length === 0 ? { ...rest, count: 0 } : { ...rest, count: left.length, lengths: left };
}

/** Cuts a piece off a stick. */
function cut(lots: Lot[], { lot: i, mm: from, at }: Stick, mm: number, eachMm: number | null): Move {
  const lot = lots[i];
  if (!lot) return {};
  const { colour } = lot;
  const left = from - mm;
  if (typeof at === 'number') {
    const text = left < LEAST_MM ? null : written(left);
    const alike = lot.lengths?.length === 1 && lot.count > 1;
    if (alike) {
      lots[i] = { ...lot, count: lot.count - 1 };
      if (text !== null) withLength(lots, colour, text);
    } else lots[i] = lengthChanged(lot, at, text);
    return { colour, mm, from };
  }
  const each = eachMm ?? from;
  const begun = lot.count - Math.floor(lot.count);
  // Two that are begun are told apart: a piece comes from one, never across both.
  if (at === 'whole' && begun * each >= LEAST_MM) {
    lots[i] = { ...lot, count: kept(Math.floor(lot.count) - mm / each) };
    withLength(lots, colour, written(begun * each));
  } else lots[i] = { ...lot, count: kept(lot.count - mm / each) };
  return { colour, count: mm / each, mm, from };
}

type Of<U extends Taking['unit']> = Extract<Taking, { unit: U }>;

function takeLength(goods: Goods, lots: Lot[], serving: readonly Lot[], { mm, of }: Of<'mm'>): Move[] {
  const made = goods.yield === undefined ? null : readYield(goods.yield);
  const eachMm = made?.unit === 'mm' ? made.each : null;
  const found = sticksOf(lots, serving, eachMm).filter((stick) => stick.mm + SAME_MM >= mm);
  const near = (stick: Stick): number => (of === null ? 0 : Math.abs(stick.mm - of) <= 2 * SAME_MM ? 0 : 1);
  const [best] = found.sort((a, b) => near(a) - near(b) || a.mm - b.mm);
  return best ? [cut(lots, best, mm, eachMm)] : [];
}

/** Takes so much of the count of a lot. */
function takeCount(lots: Lot[], i: number, count: number): Move {
  const lot = lots[i];
  if (!lot) return {};
  lots[i] = { ...lot, count: kept(lot.count - count) };
  return { colour: lot.colour, ...(lot.side === undefined ? {} : { side: lot.side }), count };
}

/** Takes feathers of one lot that tells their fibres, one by one. */
function takeFibres(lots: Lot[], i: number, most: number, fibreMm: number | null): Move[] {
  const moves: Move[] = [];
  while (moves.length < most) {
    const lot = lots[i];
    if (!lot?.fibres || lot.count < 1) break;
    const at = lot.fibres.findIndex((text) => fibreMm === null || isFibre(mmOf(text), fibreMm));
    const fibre = lot.fibres[at];
    if (fibre === undefined) break;
    const left = lot.fibres.length > 1 ? lot.fibres.filter((_, k) => k !== at) : lot.fibres;
    const { fibres: _told, ...rest } = lot;
    const count = lot.count - 1;
    lots[i] = count === 0 ? { ...rest, count } : { ...rest, count, fibres: left };
    moves.push({ colour: lot.colour, ...(lot.side === undefined ? {} : { side: lot.side }), fibre });
  }
  return moves;
}

function takePieces(goods: Goods, lots: Lot[], serving: readonly Lot[], taking: Of<'pieces'>): Move[] {
  const { pieces, fibreMm, paired, usual } = taking;
  const made = goods.yield === undefined ? null : readYield(goods.yield);
  const plain = goods.yield === undefined ? usual : made?.unit === 'pieces' ? made.each : null;
  const moves: Move[] = [];
  /** Takes as many of `wanted` as some sides give. @returns how many are wanted still */
  const from = (wanted: number, sides: readonly Lot['side'][]): number => {
    let left = wanted;
    for (const i of lots.keys()) {
      const lot = lots[i];
      if (!lot || left <= 0 || !serving.some((each) => each === lot) || !sides.includes(lot.side)) continue;
      const told = lot.side !== undefined || lot.fibres !== undefined;
      const makes = told ? (lot.side === 'pair' ? 2 : 1) : plain;
      if (makes === null) continue;
      const most = told ? Math.ceil(left / makes - 1e-9) : left / makes;
      const took = lot.fibres
        ? takeFibres(lots, i, most, fibreMm)
        : [takeCount(lots, i, Math.min(most, told ? Math.floor(lot.count) : lot.count))];
      moves.push(...took);
      left -= makes * took.reduce((sum, { count = 1 }) => sum + count, 0);
    }
    return left;
  };
  const left = from(pieces, paired ? ['pair', undefined] : [undefined, 'pair', 'left', 'right']);
  if (paired && left > 0) {
    from(left / 2, ['left']);
    from(left / 2, ['right']);
  }
  return moves;
}

function takeFlies(goods: Goods, lots: Lot[], serving: readonly Lot[], { flies }: Of<'flies'>): Move[] {
  const made = goods.yield === undefined ? null : readYield(goods.yield);
  if (made?.unit !== 'flies') return [];
  let left = flies / made.each;
  return [...lots.entries()].flatMap(([i, lot]): Move[] => {
    const count = serving.includes(lot) ? Math.min(left, lot.count) : 0;
    left -= count;
    return count > 0 ? [takeCount(lots, i, count)] : [];
  });
}

/**
 * Takes something out of a drawer: of that colour, and of what has none. A piece is cut from one length, never across two; of what is not there
 * nothing is taken, and nothing of what nobody counted.
 */
export function takeFrom(goods: Goods, colour: string | null, taking: Taking): Took {
  const lots = lotsIn(goods);
  const serving = lotsOf({ name: goods.name, stock: lots }, colour) ?? [];
  const moves =
    taking.unit === 'mm'
      ? takeLength(goods, lots, serving, taking)
      : taking.unit === 'pieces'
        ? takePieces(goods, lots, serving, taking)
        : takeFlies(goods, lots, serving, taking);
  const real = moves.filter(({ count, mm, fibre }) => mm !== undefined || fibre !== undefined || (count ?? 0) > 0);
  return { stock: real.length === 0 ? goods : keptLots(goods, lots), moves: real };
}

/** Puts a piece back where it was cut from: a length that is as long as what it left, or the one begun of those that are counted. */
function pieceBack(lots: Lot[], { colour, count, mm = 0, from = 0 }: Move): void {
  const left = from - mm;
  const alike = (lot: Lot): boolean => sameColour(lot.colour, colour) && lot.side === undefined;
  const plain = lots.findIndex((lot) => alike(lot) && lot.lengths === undefined && lot.fibres === undefined);
  const lot = lots[plain];
  const addCount = (): void => {
    if (lot) lots[plain] = { ...lot, count: kept(lot.count + (count ?? 0)) };
    else lots.push({ ...(colour === undefined ? {} : { colour }), count: kept(count ?? 0) });
  };
  const each = count === undefined ? 0 : mm / count;
  const begun = lot ? (lot.count - Math.floor(lot.count)) * each : 0;
  if (count !== undefined && Math.abs(begun - Math.max(0, left)) <= SAME_MM) {
    addCount();
    return;
  }
  for (const [i, told] of lots.entries()) {
    if (left < LEAST_MM || !alike(told) || told.lengths?.length !== told.count) continue;
    const at = told.lengths.findIndex((text) => Math.abs(mmOf(text) - left) <= SAME_MM);
    if (at < 0) continue;
    lots[i] = lengthChanged(told, at, written(from));
    return;
  }
  // What it was cut from is gone or was cut on: the piece lies there by itself.
  if (count === undefined) withLength(lots, colour, written(left < LEAST_MM ? from : mm));
  else addCount();
}

function giveBackOne(lots: Lot[], move: Move): void {
  const { colour, side, count, mm, fibre } = move;
  if (mm !== undefined) {
    pieceBack(lots, move);
    return;
  }
  const alike = (lot: Lot): boolean => sameColour(lot.colour, colour) && lot.side === side;
  const named = { ...(colour === undefined ? {} : { colour }), ...(side === undefined ? {} : { side }) };
  const at = lots.findIndex(
    (lot) => alike(lot) && lot.lengths === undefined && (fibre === undefined) === (lot.fibres === undefined),
  );
  const lot = lots[at];
  if (fibre !== undefined) {
    const told = lot?.fibres?.length === lot?.count || lot?.fibres?.every((text) => text === fibre) === true;
    if (lot?.fibres && told)
      lots[at] = {
        ...lot,
        count: lot.count + 1,
        fibres: lot.fibres.length === 1 && lot.fibres[0] === fibre ? lot.fibres : [...lot.fibres, fibre],
      };
    else lots.push({ ...named, count: 1, fibres: [fibre] });
  } else if (lot) lots[at] = { ...lot, count: kept(lot.count + (count ?? 0)) };
  else lots.push({ ...named, count: kept(count ?? 0) });
}

/** Gives back what was taken, the last first: after all of it the drawer is as it was. What nobody counts any more stays uncounted. */
export function giveBack(
  goods: Pick<Goods, 'count' | 'stock'>,
  moves: readonly Move[],
): Pick<Goods, 'count' | 'stock'> {
  if (goods.count === undefined && goods.stock === undefined) return goods;
  const lots = lotsIn(goods);
  for (const move of [...moves].reverse()) giveBackOne(lots, move);
  return keptLots(goods, lots);
}
