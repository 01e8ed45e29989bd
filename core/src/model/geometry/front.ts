import type { CellTable } from './cells.ts';

const LINES = 96;
/** Cuts of one section that stand for all of it, its ends among them. */
const CUTS = 12;

const MOST = 4096;
const low = new Float64Array(MOST);
const high = new Float64Array(MOST);
const shade = new Float64Array(MOST);
const owner = new Int32Array(MOST);

/** Opacity-weighted breadth of the first `count` chords, grouped by owner: the strongest of an owner counts, owners combine. */
function breadthOf(count: number): number {
  const edges = new Float64Array(2 * count);
  for (let k = 0; k < count; k++) {
    edges[2 * k] = low[k] as number;
    edges[2 * k + 1] = high[k] as number;
  }
  edges.sort();
  let breadth = 0;
  for (let e = 0; e + 1 < edges.length; e++) {
    const from = edges[e] as number;
    const width = (edges[e + 1] as number) - from;
    if (width <= 0) continue;
    const mid = from + width / 2;
    let clear = 1,
      strongest = 0,
      group = -1;
    for (let k = 0; k < count && clear > 0; k++) {
      if ((owner[k] as number) !== group) {
        clear *= 1 - strongest;
        strongest = 0;
        group = owner[k] as number;
      }
      if (mid > (low[k] as number) && mid < (high[k] as number) && (shade[k] as number) > strongest)
        strongest = shade[k] as number;
    }
    breadth += (1 - clear * (1 - strongest)) * width;
  }
  return breadth;
}

interface Disc {
  readonly y: number;
  readonly z: number;
  readonly semiY: number;
  readonly semiZ: number;
  readonly turn: number;
  readonly opacity: number;
}

const thinned = (rows: readonly number[]): readonly number[] =>
  rows.length <= CUTS
    ? rows
    : Array.from({ length: CUTS }, (_, k) => rows[Math.round((k * (rows.length - 1)) / (CUTS - 1))] ?? 0);

/** The distinct ellipses of each owner, largest first; repeats along a straight wire and any that lies inside another of its part at no less opacity are dropped. */
function discsOf(table: CellTable, ownerOf: (section: number) => string, only: Uint8Array | null): Disc[][] {
  const owners = new Map<string, Disc[]>();
  const rows = new Map<number, number[]>();
  for (let i = 0; i < table.y.length; i++) {
    if (only && only[i] === 0) continue;
    const section = table.section[i] ?? 0;
    const list = rows.get(section);
    if (list) list.push(i);
    else rows.set(section, [i]);
  }
  for (const i of [...rows.values()].flatMap(thinned)) {
    const disc: Disc = {
      y: table.y[i] ?? 0,
      z: table.z[i] ?? 0,
      semiY: table.semiY[i] ?? 0,
      semiZ: table.semiZ[i] ?? 0,
      turn: table.turn[i] ?? 0,
      opacity: table.opacity[i] ?? 0,
    };
    const owner = ownerOf(table.section[i] ?? 0);
    const list = owners.get(owner);
    if (list) list.push(disc);
    else owners.set(owner, [disc]);
  }
  return [...owners.values()].map((list) => {
    const kept: Disc[] = [];
    for (const disc of list.sort((a, b) => b.semiY * b.semiZ - a.semiY * a.semiZ)) {
      const hidden = kept.some(
        (big) =>
          big.turn === disc.turn &&
          big.opacity >= disc.opacity - 1e-9 &&
          Math.abs(disc.y - big.y) + disc.semiY <= big.semiY + 1e-9 &&
          Math.abs(disc.z - big.z) < 1e-9 &&
          disc.semiZ <= big.semiZ + 1e-9,
      );
      if (!hidden) kept.push(disc);
    }
    return kept;
  });
}

/** Writes the chord of an ellipse on the line y into slot k. @returns whether the line meets it */
function chord(disc: Disc, y: number, k: number): boolean {
  const u = y - disc.y;
  const [cos, sin] = disc.turn === 0 ? [1, 0] : [Math.cos(disc.turn), Math.sin(disc.turn)];
  const a2 = disc.semiY * disc.semiY;
  const b2 = disc.semiZ * disc.semiZ;
  // Points p·cos − q·sin = u with (p, q) on the ellipse; solve the quadratic in the height v.
  const a = (sin * sin) / a2 + (cos * cos) / b2;
  const b = 2 * u * sin * cos * (1 / a2 - 1 / b2);
  const c = (u * u * cos * cos) / a2 + (u * u * sin * sin) / b2 - 1;
  const root = b * b - 4 * a * c;
  if (root <= 0) return false;
  const s = Math.sqrt(root);
  low[k] = disc.z + (-b - s) / (2 * a);
  high[k] = disc.z + (-b + s) / (2 * a);
  shade[k] = disc.opacity;
  return true;
}

/**
 * Area of the fly seen head-on, mm². Each part's outline is the union of its ellipses at the largest opacity covering a point;
 * parts then combine pointwise. Integrated over scan lines by exact chords.
 * @param only marks the ellipses that count; all when null
 */
export function frontArea(
  table: CellTable,
  ownerOf: (section: number) => string,
  only: Uint8Array | null = null,
): number {
  const owners = discsOf(table, ownerOf, only);
  const all = owners.flat();
  if (all.length === 0) return 0;
  const reach = (disc: Disc): number => Math.max(disc.semiY, disc.turn === 0 ? 0 : disc.semiZ);
  const to = Math.max(...all.map((disc) => disc.y + reach(disc)));
  // A mirrored fly is measured on its near half alone.
  const from = table.mirrored ? 0 : Math.min(...all.map((disc) => disc.y - reach(disc)));
  const dy = (to - from) / LINES;
  let area = 0;
  for (let line = 0; line < LINES; line++) {
    const y = from + (line + 0.5) * dy;
    let count = 0;
    owners.forEach((discs, group) => {
      for (const disc of discs) {
        if (count >= MOST || !chord(disc, y, count)) continue;
        owner[count] = group;
        count++;
      }
    });
    area += breadthOf(count) * dy;
  }
  return table.mirrored ? 2 * area : area;
}
