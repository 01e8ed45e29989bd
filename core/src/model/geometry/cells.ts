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
    const [from, to] = [table.first[cell] ?? 0, table.first[cell + 1] ?? 0];
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

/** The rows of a table as they come, an ellipse each, grown as needed. */
class Rows {
  readonly y = new Column();
  readonly z = new Column();
  readonly semiY = new Column();
  readonly semiZ = new Column();
  readonly turn = new Column();
  readonly opacity = new Column();
  readonly softness = new Column();
  readonly ballMm = new Column();
  readonly leastSemi = new Column();
  readonly coreSemi = new Column();
  readonly shiftX = new Column();
  readonly shiftY = new Column();
  readonly shiftZ = new Column();
  readonly section = new Column();
  length = 0;

  /** One section's cut at x; what is limp carries its load some way toward its root. */
  add(section: Section, index: number, x: number, cut: Readonly<Ellipse>): void {
    const i = this.length++;
    const s = section.softness;
    const root = s === 0 ? null : rootFor(section.root, x);
    this.y.set(i, cut.y);
    this.z.set(i, cut.z);
    this.semiY.set(i, cut.semiY);
    this.semiZ.set(i, cut.semiZ);
    this.turn.set(i, section.turn);
    this.opacity.set(i, cut.opacity);
    this.softness.set(i, s);
    this.ballMm.set(i, section.ballMm);
    this.leastSemi.set(i, section.leastSemiMm);
    this.coreSemi.set(i, section.coreMm);
    this.shiftX.set(i, root ? s * (root[0] - x) : 0);
    this.shiftY.set(i, root ? s * (root[1] - cut.y) : 0);
    this.shiftZ.set(i, root ? s * (root[2] - cut.z) : 0);
    this.section.set(i, index);
  }
}

/** A growing column of numbers. */
class Column {
  private values = new Float64Array(256);

  set(i: number, value: number): void {
    if (i >= this.values.length) {
      const wider = new Float64Array(2 * this.values.length);
      wider.set(this.values);
      this.values = wider;
    }
    this.values[i] = value;
  }

  upTo(length: number): Float64Array {
    return this.values.slice(0, length);
  }
}

/** A stiff, opaque, plain ellipse, kept to see what else of its cell lies within it. */
interface Plain {
  readonly y: number;
  readonly z: number;
  readonly semiY: number;
  readonly semiZ: number;
}

const within = (small: Plain, big: Plain): boolean =>
  small.y === big.y && small.z === big.z && big.semiY >= small.semiY && big.semiZ >= small.semiZ;

/** A cut of the cell that is being filled. */
interface Shown extends Plain {
  readonly index: number;
  readonly opacity: number;
  readonly plain: boolean;
}

/** Whether a cut is hidden: the wire under its thread changes no silhouette. Of two that are alike the first stays. */
const isBuried = (each: Shown, i: number, all: readonly Shown[]): boolean =>
  each.plain &&
  all.some((other, j) => j !== i && other.plain && within(each, other) && (j < i || !within(other, each)));

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
  const of = (column: Float64Array): Float64Array => {
    const some = new Float64Array(kept.length);
    for (let i = 0; i < kept.length; i++) some[i] = column[kept[i] as number] as number;
    return some;
  };
  return {
    cells,
    x,
    dx,
    first,
    y: of(table.y),
    z: of(table.z),
    semiY: of(table.semiY),
    semiZ: of(table.semiZ),
    turn: of(table.turn),
    opacity: of(table.opacity),
    softness: of(table.softness),
    ballMm: of(table.ballMm),
    leastSemi: of(table.leastSemi),
    coreSemi: of(table.coreSemi),
    shiftX: of(table.shiftX),
    shiftY: of(table.shiftY),
    shiftZ: of(table.shiftZ),
    section: Int32Array.from(of(Float64Array.from(table.section))),
  };
}

/** Cuts sections into cells at every section's ends, and between them by Gauss's rule. */
export function cutCells(sections: readonly Section[]): CellTable {
  const cells = stations(sections);
  const first = new Int32Array(cells.length + 1);
  const rows = new Rows();
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  cells.forEach(({ x }, c) => {
    const shown: Shown[] = [];
    sections.forEach((each, index) => {
      if (x < each.fromMm || x > each.toMm) return;
      cut.opacity = 1;
      each.at(x, cut);
      if (!(cut.semiY > 0 && cut.semiZ > 0 && cut.opacity > 0)) return;
      const plain = each.softness === 0 && each.ballMm === 0 && each.turn === 0 && cut.opacity === 1;
      shown.push({ index, plain, y: cut.y, z: cut.z, semiY: cut.semiY, semiZ: cut.semiZ, opacity: cut.opacity });
    });
    shown.forEach((each, i) => {
      if (!isBuried(each, i, shown)) rows.add(sections[each.index] as Section, each.index, x, each);
    });
    first[c + 1] = rows.length;
  });
  const column = (of: Column): Float64Array => of.upTo(rows.length);
  const table = {
    cells: cells.length,
    x: Float64Array.from(cells, (cell) => cell.x),
    dx: Float64Array.from(cells, (cell) => cell.dx),
    first,
    y: column(rows.y),
    z: column(rows.z),
    semiY: column(rows.semiY),
    semiZ: column(rows.semiZ),
    turn: column(rows.turn),
    opacity: column(rows.opacity),
    softness: column(rows.softness),
    ballMm: column(rows.ballMm),
    leastSemi: column(rows.leastSemi),
    coreSemi: column(rows.coreSemi),
    shiftX: column(rows.shiftX),
    shiftY: column(rows.shiftY),
    shiftZ: column(rows.shiftZ),
    section: Int32Array.from(column(rows.section)),
    fromMm: sections.length === 0 ? 0 : Math.min(...sections.map((each) => each.fromMm)),
    toMm: sections.length === 0 ? 0 : Math.max(...sections.map((each) => each.toMm)),
  };
  return { ...table, mirrored: isMirrored(table) };
}
