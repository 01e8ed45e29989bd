import type { Ellipse, LoadRoot, Section, Vec3 } from '../platform/section.ts';

/** Cells are not longer than this share of the whole fly. */
const FINENESS = 120;
const TOGETHER_MM = 1e-7;

/**
 * A fly cut into cells along x, each with the ellipses its sections show at the cell's middle. Flat arrays, so that a roll is one pass.
 * Lengths in mm, angles in radians. `shift*` is how far a limp section's load lies from where it is drawn.
 */
export interface CellTable {
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
  readonly fromMm: number;
  readonly toMm: number;
  /** True when the fly is its own mirror image in y, so that a roll to either side is alike. */
  readonly mirrored: boolean;
}

function pieces(sections: readonly Section[]): { x: number; dx: number }[] {
  const ends = [...new Set(sections.flatMap((each) => [each.fromMm, each.toMm]))].sort((a, b) => a - b);
  const longest = ((ends.at(-1) ?? 0) - (ends[0] ?? 0)) / FINENESS;
  const cells: { x: number; dx: number }[] = [];
  let from = ends[0] ?? 0;
  for (const to of ends.slice(1)) {
    if (to - from < TOGETHER_MM) continue;
    const count = Math.max(1, Math.ceil((to - from) / longest - 1e-9));
    const dx = (to - from) / count;
    for (let i = 0; i < count; i++) cells.push({ x: from + (i + 0.5) * dx, dx });
    from = to;
  }
  return cells;
}

/** The point a limp section passes its load to: the axis at its own x, or the nearest of its bindings. */
function rootFor(root: LoadRoot, x: number): Vec3 {
  if (root === 'axis') return [x, 0, 0];
  let best = root[0] ?? [x, 0, 0];
  for (const point of root) if (Math.abs(point[0] - x) < Math.abs(best[0] - x)) best = point;
  return best;
}

function isMirrored(table: Omit<CellTable, 'mirrored'>): boolean {
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

const COLUMNS = 14;
const [Y, Z, SEMI_Y, SEMI_Z, TURN, OPACITY, SOFTNESS, BALL] = [0, 1, 2, 3, 4, 5, 6, 7] as const;

function append(columns: readonly number[][], row: readonly number[]): void {
  for (let k = 0; k < COLUMNS; k++) columns[k]?.push(row[k] as number);
}

/** Drops stiff ellipses of a cell that lie inside an opaque stiff one about the same centre: the wire under its thread changes no silhouette. */
function dropBuried(columns: readonly number[][], from: number): void {
  const at = (k: number, i: number): number => (columns[k] as number[])[i] as number;
  const count = columns[0]?.length ?? 0;
  const plain = (i: number): boolean =>
    at(SOFTNESS, i) === 0 && at(BALL, i) === 0 && at(OPACITY, i) === 1 && at(TURN, i) === 0;
  const buried = (i: number): boolean => {
    if (!plain(i)) return false;
    for (let j = from; j < count; j++) {
      if (j === i || !plain(j) || at(Y, i) !== at(Y, j) || at(Z, i) !== at(Z, j)) continue;
      const [dy, dz] = [at(SEMI_Y, j) - at(SEMI_Y, i), at(SEMI_Z, j) - at(SEMI_Z, i)];
      if (dy >= 0 && dz >= 0 && (dy > 0 || dz > 0 || j < i)) return true;
    }
    return false;
  };
  const kept = Array.from({ length: count - from }, (_, i) => from + i).filter((i) => !buried(i));
  if (kept.length === count - from) return;
  for (const column of columns) {
    const values = kept.map((i) => column[i] as number);
    column.length = from;
    column.push(...values);
  }
}

/** One section's cut at x as the table holds it; what is limp carries its load some way toward its root. */
function rowOf(section: Section, index: number, x: number, cut: Readonly<Ellipse>): number[] {
  const s = section.softness;
  const root = s === 0 ? null : rootFor(section.root, x);
  return [
    cut.y,
    cut.z,
    cut.semiY,
    cut.semiZ,
    section.turn,
    cut.opacity,
    s,
    section.ballMm,
    section.leastSemiMm,
    section.coreMm,
    root ? s * (root[0] - x) : 0,
    root ? s * (root[1] - cut.y) : 0,
    root ? s * (root[2] - cut.z) : 0,
    index,
  ];
}

/** Cuts sections into cells: at every section's ends, then into equal parts no longer than 1/120 of the whole. */
export function cutCells(sections: readonly Section[]): CellTable {
  const cells = pieces(sections);
  const first = new Int32Array(cells.length + 1);
  const columns: number[][] = Array.from({ length: COLUMNS }, () => []);
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  cells.forEach(({ x }, c) => {
    sections.forEach((each, index) => {
      if (x < each.fromMm || x > each.toMm) return;
      cut.opacity = 1;
      each.at(x, cut);
      if (cut.semiY > 0 && cut.semiZ > 0 && cut.opacity > 0) append(columns, rowOf(each, index, x, cut));
    });
    dropBuried(columns, first[c] ?? 0);
    first[c + 1] = columns[0]?.length ?? 0;
  });
  const column = (k: number): Float64Array => Float64Array.from(columns[k] ?? []);
  const table = {
    cells: cells.length,
    x: Float64Array.from(cells, (cell) => cell.x),
    dx: Float64Array.from(cells, (cell) => cell.dx),
    first,
    y: column(0),
    z: column(1),
    semiY: column(2),
    semiZ: column(3),
    turn: column(4),
    opacity: column(5),
    softness: column(6),
    ballMm: column(7),
    leastSemi: column(8),
    coreSemi: column(9),
    shiftX: column(10),
    shiftY: column(11),
    shiftZ: column(12),
    section: Int32Array.from(columns[13] ?? []),
    fromMm: sections.length === 0 ? 0 : Math.min(...sections.map((each) => each.fromMm)),
    toMm: sections.length === 0 ? 0 : Math.max(...sections.map((each) => each.toMm)),
  };
  return { ...table, mirrored: isMirrored(table) };
}
