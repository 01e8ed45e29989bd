import type { Ellipse, LoadRoot, Section, Vec3 } from '../platform/section.ts';

/** Pieces are not longer than this share of the whole fly. */
const FINENESS = 36;
const TOGETHER_MM = 1e-7;

/**
 * A fly cut into cells along x, each with the ellipses its sections show at the cell's middle. Flat arrays, so that a roll is one pass.
 * Lengths in mm, angles in radians. `shift*` is how far a limp section's load lies from where it is drawn.
 */
export interface Cells {
  readonly cells: number;
  readonly x: Float64Array;
  readonly dx: Float64Array;
  /** Cell i holds the ellipses from first[i] up to first[i + 1]. */
  readonly first: Int32Array;
  readonly y: Float64Array;
  readonly z: Float64Array;
  readonly semiY: Float64Array;
  readonly semiZ: Float64Array;
  readonly turn: Float64Array;
  readonly opacity: Float64Array;
  readonly softness: Float64Array;
  readonly ballMm: Float64Array;
  readonly leastSemi: Float64Array;
  readonly coreSemi: Float64Array;
  readonly shiftX: Float64Array;
  readonly shiftY: Float64Array;
  readonly shiftZ: Float64Array;
  /** Index of the section each ellipse is cut from. */
  readonly section: Int32Array;
}

/** All of a fly in cells. */
export interface CellTable extends Cells {
  readonly fromMm: number;
  readonly toMm: number;
  /** True when the fly is its own mirror image in y, so that a roll to either side is alike. */
  readonly mirrored: boolean;
}

interface Station {
  readonly x: number;
  readonly dx: number;
}

/** Where the two places of Gauss's rule lie from the middle of a piece, in pieces. */
const GAUSS = 1 / Math.sqrt(12);
/** Pieces shorter than this share of the longest are looked at once, in their middle. */
const SHORT = 0.25;

/** Stations between every two ends of sections: two to a piece by Gauss's rule, no piece longer than its share of the whole. */
function stations(sections: readonly Section[]): Station[] {
  const ends = [...new Set(sections.flatMap((each) => [each.fromMm, each.toMm]))].sort((a, b) => a - b);
  const longest = ((ends.at(-1) ?? 0) - (ends[0] ?? 0)) / FINENESS;
  const found: Station[] = [];
  let from = ends[0] ?? 0;
  for (const to of ends.slice(1)) {
    if (to - from < TOGETHER_MM) continue;
    const count = Math.max(1, Math.ceil((to - from) / longest - 1e-9));
    const dx = (to - from) / count;
    for (let i = 0; i < count; i++) {
      const mid = from + (i + 0.5) * dx;
      if (dx < SHORT * longest) found.push({ x: mid, dx });
      else found.push({ x: mid - GAUSS * dx, dx: dx / 2 }, { x: mid + GAUSS * dx, dx: dx / 2 });
    }
    from = to;
  }
  return found;
}

/** The point a limp section passes its load to: the axis at its own x, or the nearest of its bindings. */
function rootFor(root: LoadRoot, x: number): Vec3 {
  if (root === 'axis') return [x, 0, 0];
  let best = root[0] ?? [x, 0, 0];
  for (const point of root) if (Math.abs(point[0] - x) < Math.abs(best[0] - x)) best = point;
  return best;
}

function isMirrored(table: Cells): boolean {
  for (let cell = 0; cell < table.cells; cell++) {
    const from = table.first[cell] ?? 0;
    const to = table.first[cell + 1] ?? 0;
    for (let i = from; i < to; i++) {
      if ((table.y[i] ?? 0) === 0 && (table.turn[i] ?? 0) === 0) continue;
      let found = false;
      for (let j = from; j < to && !found; j++) {
        found =
          Math.abs((table.y[j] ?? 0) + (table.y[i] ?? 0)) < 1e-9 &&
          Math.abs((table.z[j] ?? 0) - (table.z[i] ?? 0)) < 1e-9 &&
          Math.abs((table.turn[j] ?? 0) + (table.turn[i] ?? 0)) < 1e-9 &&
          Math.abs((table.semiY[j] ?? 0) - (table.semiY[i] ?? 0)) < 1e-9 &&
          Math.abs((table.semiZ[j] ?? 0) - (table.semiZ[i] ?? 0)) < 1e-9 &&
          Math.abs((table.opacity[j] ?? 0) - (table.opacity[i] ?? 0)) < 1e-9;
      }
      if (!found) return false;
    }
  }
  return true;
}

const COLUMNS = [
  'y',
  'z',
  'semiY',
  'semiZ',
  'turn',
  'opacity',
  'softness',
  'ballMm',
  'leastSemi',
  'coreSemi',
  'shiftX',
  'shiftY',
  'shiftZ',
] as const;
type Columns = Pick<Cells, (typeof COLUMNS)[number] | 'section'>;

/** Room for so many ellipses. */
const columnsFor = (rows: number): Columns => ({
  ...(Object.fromEntries(COLUMNS.map((name) => [name, new Float64Array(rows)])) as Omit<Columns, 'section'>),
  section: new Int32Array(rows),
});

/** The rows of a table as they come, an ellipse each, in columns that are used again from one table to the next and grow as needed. */
class Rows {
  private columns = columnsFor(1024);
  length = 0;

  private grow(): void {
    const narrow = this.columns;
    this.columns = columnsFor(2 * narrow.y.length);
    for (const name of [...COLUMNS, 'section'] as const) this.columns[name].set(narrow[name]);
  }

  /** One section's cut at x; what is limp carries its load some way toward its root. */
  add(section: Section, index: number, x: number, cut: Readonly<Ellipse>): void {
    const i = this.length++;
    if (i >= this.columns.y.length) this.grow();
    const s = section.softness;
    const root = s === 0 ? null : rootFor(section.root, x);
    const { columns } = this;
    columns.y[i] = cut.y;
    columns.z[i] = cut.z;
    columns.semiY[i] = cut.semiY;
    columns.semiZ[i] = cut.semiZ;
    columns.turn[i] = section.turn;
    columns.opacity[i] = cut.opacity;
    columns.softness[i] = s;
    columns.ballMm[i] = section.ballMm;
    columns.leastSemi[i] = section.leastSemiMm;
    columns.coreSemi[i] = section.coreMm;
    columns.shiftX[i] = root ? s * (root[0] - x) : 0;
    columns.shiftY[i] = root ? s * (root[1] - cut.y) : 0;
    columns.shiftZ[i] = root ? s * (root[2] - cut.z) : 0;
    columns.section[i] = index;
  }

  /** What has come so far, as columns of a table's own. */
  taken(): Columns {
    const { columns, length } = this;
    return {
      ...(Object.fromEntries(COLUMNS.map((name) => [name, columns[name].slice(0, length)])) as Omit<
        Columns,
        'section'
      >),
      section: columns.section.slice(0, length),
    };
  }
}

const scratch = new Rows();

/** A stiff, opaque, plain ellipse, kept to see what else of its cell lies within it. */
interface Plain {
  readonly y: number;
  readonly z: number;
  readonly semiY: number;
  readonly semiZ: number;
}

const within = (small: Plain, big: Plain): boolean =>
  small.y === big.y && small.z === big.z && big.semiY >= small.semiY && big.semiZ >= small.semiZ;

/** A cut of the cell that is being filled; cells are filled into the same ones. */
interface Shown extends Ellipse {
  index: number;
  plain: boolean;
}

/** Whether the cut k of n is hidden: the wire under its thread changes no silhouette. Of two that are alike the first stays. */
function isBuried(shown: readonly Shown[], k: number, n: number): boolean {
  const each = shown[k] as Shown;
  if (!each.plain) return false;
  for (let j = 0; j < n; j++) {
    const other = shown[j] as Shown;
    if (j !== k && other.plain && within(each, other) && (j < k || !within(other, each))) return true;
  }
  return false;
}

/** A table of some of a fly's ellipses in the same cells. @param keeps asked with the index of an ellipse's section */
export function partOf(table: Cells, keeps: (section: number) => boolean): Cells {
  const kept: number[] = [];
  const first = new Int32Array(table.first.length);
  for (let c = 0; c < table.cells; c++) {
    for (let i = table.first[c] as number; i < (table.first[c + 1] as number); i++)
      if (keeps(table.section[i] as number)) kept.push(i);
    first[c + 1] = kept.length;
  }
  const { cells, x, dx } = table;
  const columns = columnsFor(kept.length);
  for (const name of [...COLUMNS, 'section'] as const) {
    const [all, some] = [table[name], columns[name]];
    for (let i = 0; i < kept.length; i++) some[i] = all[kept[i] as number] as number;
  }
  return { cells, x, dx, first, ...columns };
}

/** Cuts sections into cells at every section's ends, and between them by Gauss's rule. */
export function cutCells(sections: readonly Section[]): CellTable {
  const cells = stations(sections);
  const first = new Int32Array(cells.length + 1);
  const rows = scratch;
  rows.length = 0;
  const shown = sections.map((): Shown => ({ index: 0, plain: false, y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 }));
  for (let c = 0; c < cells.length; c++) {
    const { x } = cells[c] as Station;
    let n = 0;
    for (let index = 0; index < sections.length; index++) {
      const each = sections[index] as Section;
      if (x < each.fromMm || x > each.toMm) continue;
      const cut = shown[n] as Shown;
      cut.opacity = 1;
      each.at(x, cut);
      if (!(cut.semiY > 0 && cut.semiZ > 0 && cut.opacity > 0)) continue;
      cut.plain = each.softness === 0 && each.ballMm === 0 && each.turn === 0 && cut.opacity === 1;
      cut.index = index;
      n++;
    }
    for (let k = 0; k < n; k++) {
      const cut = shown[k] as Shown;
      if (!isBuried(shown, k, n)) rows.add(sections[cut.index] as Section, cut.index, x, cut);
    }
    first[c + 1] = rows.length;
  }
  const table = {
    cells: cells.length,
    x: Float64Array.from(cells, (cell) => cell.x),
    dx: Float64Array.from(cells, (cell) => cell.dx),
    first,
    ...rows.taken(),
    fromMm: sections.length === 0 ? 0 : Math.min(...sections.map((each) => each.fromMm)),
    toMm: sections.length === 0 ? 0 : Math.max(...sections.map((each) => each.toMm)),
  };
  return { ...table, mirrored: isMirrored(table) };
}
