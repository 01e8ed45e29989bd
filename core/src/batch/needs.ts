import {
  FIBRE_SHARE,
  type Goods,
  fliesOf,
  isFibre,
  lengthsOf,
  type Piece,
  piecesOf,
  readYield,
} from '../drawers/index.ts';
import { layAll, layInTurn, type Layout } from './cutting.ts';
import { KINDS, type Take } from './takes.ts';

/** Flies of one row that are tied one after another, alike: good ones first, the spoilt ones of all rows after all good ones. */
export interface Stretch {
  /** From 0. */
  readonly row: number;
  /** The number of the first of them, from 1 through the batch. */
  readonly first: number;
  readonly count: number;
  readonly takes: readonly Take[];
}

/** A piece that is cut, and the fly it is for. */
export interface Cut {
  readonly mm: number;
  /** From 1 through the batch. */
  readonly fly: number;
  readonly row: number;
  readonly part: string | null;
  readonly points: Take['points'];
}

/** All that a batch takes of one item in one colour, and what there is of it. */
export interface Need {
  readonly take: Take;
  readonly goods: Goods | null;
  readonly unit: Take['unit'];
  /** mm, pieces, or flies. */
  readonly need: number;
  /** The same of what lies there; null where nobody counted. */
  readonly have: number | null;
  readonly short: number | null;
  /** The first fly for which what is left does not suffice; null where it does for all, or is not known. */
  readonly runsOutAt: { readonly row: number; readonly fly: number } | null;
  /** What is taken by each row, in the unit. */
  readonly byRow: ReadonlyMap<number, number>;
  /** Of what is cut to length: the pieces in the order of their flies, the lengths that are there, and which is cut from which. */
  readonly cuts: readonly Cut[];
  readonly lengths: readonly number[] | null;
  readonly layout: Layout;
  /** Whole units to buy so that all can be tied; null where it is not known what one makes. */
  readonly buy: number | null;
  /** Of what is bought. */
  readonly price: number | null;
}

interface Group {
  readonly take: Take;
  readonly uses: { readonly stretch: Stretch; readonly takes: readonly Take[] }[];
}

const keyOf = ({ kind, item, colour, unit }: Take): string =>
  [kind, item.toLowerCase(), colour?.trim().toLowerCase() ?? '', unit].join('\n');

/** Takes of all flies by item and colour, in the order they are made ready. */
function grouped(stretches: readonly Stretch[]): Group[] {
  const groups = new Map<string, Group>();
  for (const stretch of stretches) {
    const own = new Map<string, Take[]>();
    for (const take of stretch.takes) {
      const key = keyOf(take);
      own.set(key, [...(own.get(key) ?? []), take]);
    }
    for (const [key, takes] of own) {
      const [take] = takes;
      if (!take) continue;
      const group = groups.get(key) ?? { take, uses: [] };
      group.uses.push({ stretch, takes });
      groups.set(key, group);
    }
  }
  return [...groups.values()].sort((a, b) => KINDS.indexOf(a.take.kind) - KINDS.indexOf(b.take.kind));
}

/** Units that one of an item makes, pieces being counted one by one where it does not say. */
export function makesOf(goods: Goods, unit: Take['unit'], { kind }: Pick<Take, 'kind'>): number | null {
  if (goods.yield !== undefined) {
    const made = readYield(goods.yield);
    return made?.unit === unit ? made.each : null;
  }
  return unit === 'pieces' && (kind === 'hook' || kind === 'ball') ? 1 : null;
}

const amount = (unit: Take['unit'], takes: readonly Take[]): number =>
  takes.reduce(
    (sum, take) =>
      sum + (unit === 'mm' ? take.pieces * (take.cutMm ?? 0) : unit === 'pieces' ? take.pieces : take.share),
    0,
  );

const priced = (buy: number | null, goods: Goods | null): number | null =>
  buy === null ? null : buy === 0 ? 0 : goods?.price === undefined ? null : buy * goods.price;

const shortOf = (need: number, have: number | null): number | null =>
  have === null ? null : Math.max(0, Math.round((need - have) * 1e6) / 1e6);

/** The fly and row of a piece that is the first that is not there. */
const outAt = (at: { readonly row: number; readonly fly: number } | undefined): Need['runsOutAt'] =>
  at === undefined ? null : { row: at.row + 1, fly: at.fly };

/** More of one is bought than any batch takes. */
const MOST_BOUGHT = 10_000;

/** Units to buy so that the pieces which are not there can be cut. */
function boughtLengths(missing: readonly number[], eachMm: number | null): number | null {
  if (missing.length === 0) return 0;
  if (eachMm === null || Math.max(...missing) > eachMm) return null;
  const total = missing.reduce((sum, mm) => sum + mm, 0);
  for (let count = Math.max(1, Math.ceil(total / eachMm - 1e-9)); count < MOST_BOUGHT; count++)
    if (
      layAll(
        Array.from({ length: count }, () => eachMm),
        missing,
      )
    )
      return count;
  return null;
}

type Measured = Pick<Need, 'have' | 'runsOutAt' | 'cuts' | 'lengths' | 'layout' | 'buy'>;
const NOT_CUT = { cuts: [], lengths: null, layout: [] } as const;

/** What is cut to length. */
function byLength({ take, uses }: Group): Measured {
  const cuts: Cut[] = [];
  for (const { stretch, takes } of uses)
    for (let k = 0; k < stretch.count; k++)
      for (const { pieces, cutMm, part, points } of takes)
        for (let piece = 0; piece < pieces; piece++)
          cuts.push({ mm: cutMm ?? 0, fly: stretch.first + k, row: stretch.row, part, points });
  const { goods } = take;
  const lengths = goods && lengthsOf(goods, take.colour);
  if (!goods || !lengths)
    return { have: null, runsOutAt: null, cuts, lengths: null, layout: cuts.map(() => null), buy: null };
  const { layout, shortAt } = layInTurn(
    lengths,
    cuts.map(({ mm }) => mm),
    cuts.map(({ fly }) => fly),
  );
  const missing = cuts.filter((_, i) => layout[i] === null).map(({ mm }) => mm);
  return {
    have: lengths.reduce((sum, mm) => sum + mm, 0),
    runsOutAt: shortAt === null ? null : outAt(cuts.find(({ fly }) => fly === shortAt)),
    cuts,
    lengths,
    layout,
    buy: boughtLengths(missing, makesOf(goods, 'mm', take)),
  };
}

interface Wanted {
  readonly row: number;
  readonly fly: number;
  readonly count: number;
  readonly fibreMm: number | null;
}

/** Whether pieces serve all that are wanted: each takes the shortest fibre that is long enough for it and not too long. */
function serves(pieces: readonly Piece[], wanted: readonly Wanted[]): boolean {
  const plain = wanted.filter(({ fibreMm }) => fibreMm === null).reduce((sum, { count }) => sum + count, 0);
  const by = wanted.filter(({ fibreMm }) => fibreMm !== null).sort((a, b) => (a.fibreMm ?? 0) - (b.fibreMm ?? 0));
  const measured = pieces.flatMap(({ fibreMm }) => fibreMm ?? []).sort((a, b) => a - b);
  // A feather nobody measured may serve for any.
  let free = pieces.length - measured.length;
  let at = 0;
  for (const { fibreMm, count } of by)
    for (let k = 0; k < count; k++) {
      while (at < measured.length && (measured[at] ?? 0) < (fibreMm ?? 0) * (1 - FIBRE_SHARE)) at++;
      if (at < measured.length && (measured[at] ?? 0) <= (fibreMm ?? 0) * (1 + FIBRE_SHARE)) at++;
      else if (--free < 0) return false;
    }
  const taken = by.reduce((sum, { count }) => sum + count, 0);
  return plain <= pieces.length - taken;
}

/** How many of those that are wanted, one fly after another, are served before one is not. */
function servedUpTo(pieces: readonly Piece[], wanted: readonly Wanted[]): number {
  let [low, high] = [0, wanted.length];
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    if (serves(pieces, wanted.slice(0, mid))) low = mid;
    else high = mid - 1;
  }
  return low;
}

/** Pieces that can be used two by two: as many of the left as of the right; those of no side are alike. */
function inPairs(pieces: readonly Piece[]): readonly Piece[] {
  const of = (side: Piece['side']): Piece[] => pieces.filter((piece) => piece.side === side);
  const [left, right, plain] = [of('left'), of('right'), of(null)];
  const sided = Math.min(left.length, right.length);
  return [...left.slice(0, sided), ...right.slice(0, sided), ...plain.slice(0, plain.length - (plain.length % 2))];
}

const fits = ({ fibreMm }: Piece, wanted: readonly Wanted[]): boolean =>
  fibreMm === null ||
  wanted.every((each) => each.fibreMm === null) ||
  wanted.some((each) => each.fibreMm !== null && isFibre(fibreMm, each.fibreMm));

/** What is counted by the piece. */
function byPiece({ take, uses }: Group, need: number): Measured {
  const usual = take.kind === 'hook' || take.kind === 'ball' ? 1 : null;
  const { goods } = take;
  const found = goods && piecesOf(goods, take.colour, usual);
  if (!goods || !found) return { have: null, runsOutAt: null, ...NOT_CUT, buy: null };
  const wanted = uses.flatMap(({ stretch, takes }) =>
    Array.from({ length: stretch.count }, (_, k) =>
      takes.map(({ pieces, fibreMm }): Wanted => ({
        row: stretch.row,
        fly: stretch.first + k,
        count: pieces,
        fibreMm,
      })),
    ).flat(),
  );
  const fitting = found.filter((piece) => fits(piece, wanted));
  const usable = take.paired ? inPairs(fitting) : fitting;
  const served = servedUpTo(usable, wanted);
  const makes = makesOf(goods, 'pieces', take);
  const short = shortOf(need, usable.length) ?? 0;
  const missing = served < wanted.length ? Math.max(1, short) : 0;
  return {
    have: usable.length,
    runsOutAt: outAt(wanted[served]),
    ...NOT_CUT,
    buy: missing === 0 ? 0 : makes === null ? null : Math.ceil(missing / makes - 1e-9),
  };
}

/** What is told by the fly. */
function byFly({ take, uses }: Group, need: number): Measured {
  const { goods } = take;
  const have = goods && fliesOf(goods, take.colour);
  if (!goods || have === null) return { have: null, runsOutAt: null, ...NOT_CUT, buy: null };
  let left = have;
  let runsOutAt: Need['runsOutAt'] = null;
  for (const { stretch, takes } of uses) {
    const each = amount('flies', takes);
    const flies = Math.floor(left / each + 1e-9);
    if (flies < stretch.count) {
      runsOutAt = { row: stretch.row + 1, fly: stretch.first + flies };
      break;
    }
    left -= stretch.count * each;
  }
  const makes = makesOf(goods, 'flies', take);
  const short = shortOf(need, have) ?? 0;
  return {
    have,
    runsOutAt,
    ...NOT_CUT,
    buy: short === 0 ? 0 : makes === null ? null : Math.ceil(short / makes - 1e-9),
  };
}

/** How much of an item lies there, in the unit it is counted in; null where nobody counted. */
export function lyingThere(
  goods: Goods,
  { kind, unit, colour }: Pick<Take, 'kind' | 'unit' | 'colour'>,
): number | null {
  if (unit === 'mm') return lengthsOf(goods, colour)?.reduce((sum, mm) => sum + mm, 0) ?? null;
  if (unit === 'flies') return fliesOf(goods, colour);
  return piecesOf(goods, colour, kind === 'hook' || kind === 'ball' ? 1 : null)?.length ?? null;
}

/** What all flies of a batch take, item by item, against what lies in the drawers. */
export function needsOf(stretches: readonly Stretch[]): Need[] {
  return grouped(stretches).map((group): Need => {
    const { take, uses } = group;
    const byRow = new Map<number, number>();
    for (const { stretch, takes } of uses)
      byRow.set(stretch.row, (byRow.get(stretch.row) ?? 0) + stretch.count * amount(take.unit, takes));
    const need = [...byRow.values()].reduce((sum, each) => sum + each, 0);
    const measured =
      take.unit === 'mm' ? byLength(group) : take.unit === 'pieces' ? byPiece(group, need) : byFly(group, need);
    return {
      take,
      goods: take.goods,
      unit: take.unit,
      need,
      short: shortOf(need, measured.have),
      byRow,
      ...measured,
      price: priced(measured.buy, take.goods),
    };
  });
}
