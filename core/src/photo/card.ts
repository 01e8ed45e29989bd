import { polygonArea, polygonHull } from 'd3-polygon';
import type { Blob, Blobs } from './blobs.ts';
import { i32 } from './arrays.ts';

/** A card as banks give them, mm (ISO/IEC 7810, ID-1). */
const CARD_MM = { long: 85.6, short: 53.98 } as const;
/** How far its sides may be from that shape as a plain tilt leaves them, as a share. */
const SHAPE = 0.05;
/** How much of the rectangle about it a card fills: all but its round corners. */
const FILLS = 0.97;
/** What is printed on it may be of the ground's own colour: so much of it stands out at least. */
const STANDS_OUT = 0.3;
/** A smaller patch of the picture is no card, as a share. */
const LEAST = 0.01;

/** A card that lies beside the fly: its patch, and how large a pixel is by it. */
export interface Card {
  readonly blob: Blob;
  readonly mmPerPx: number;
}

/** The outermost pixels of a patch, row by row. */
function edgesOf(labels: Int32Array, width: number, { label, box }: Blob): [number, number][] {
  const edges: [number, number][] = [];
  for (let y = box.top; y < box.bottom; y++) {
    let [first, last] = [-1, -1];
    for (let x = box.left; x < box.right; x++)
      if (i32(labels, y * width + x) === label) {
        if (first < 0) first = x;
        last = x;
      }
    if (first >= 0) edges.push([first, y], [last + 1, y], [first, y + 1], [last + 1, y + 1]);
  }
  return edges;
}

/** The sides of the smallest rectangle about a hull: one of its sides lies along the hull's (H. Freeman & R. Shapira, 1975). */
function rectangleAbout(hull: readonly (readonly [number, number])[]): readonly [long: number, short: number] {
  let best: readonly [number, number] = [Infinity, Infinity];
  hull.forEach(([x, y], i) => {
    const [px, py] = hull[(i + hull.length - 1) % hull.length] ?? [x, y];
    const side = Math.hypot(x - px, y - py);
    if (side === 0) return;
    const [ux, uy] = [(x - px) / side, (y - py) / side];
    const along = hull.map(([a, b]) => a * ux + b * uy);
    const across = hull.map(([a, b]) => b * ux - a * uy);
    const [one, other] = [Math.max(...along) - Math.min(...along), Math.max(...across) - Math.min(...across)];
    if (one * other < best[0] * best[1]) best = [Math.max(one, other), Math.min(one, other)];
  });
  return best;
}

/** The hull of a patch, and the smallest rectangle about it; null where it is a speck. */
function boxed(labels: Int32Array, width: number, blob: Blob) {
  const hull = polygonHull(edgesOf(labels, width, blob));
  if (!hull) return null;
  const [long, short] = rectangleAbout(hull);
  return { area: Math.abs(polygonArea(hull)), long, short };
}

/** A ruler is so many times as long as broad at least, and fills so much of the rectangle about it; it may run out of the picture. */
const RULER = { times: 4, fills: 0.9 } as const;

const BESIDE = 0.002;

/** A ruler among the patches of a picture: long and straight; null where there is none. */
export function rulerAmong({ labels, blobs }: Blobs, width: number, height: number): Blob | null {
  for (const blob of blobs) {
    if (blob.area < LEAST * width * height) continue;
    const lies = boxed(labels, width, blob);
    if (!lies || lies.long < RULER.times * lies.short) continue;
    const isStraight = lies.area >= RULER.fills * lies.long * lies.short && blob.area >= STANDS_OUT * lies.area;
    // What lies there alone is a fly, however straight.
    if (isStraight && blobs.some((each) => each !== blob && each.area > BESIDE * width * height)) return blob;
  }
  return null;
}

/** A bank card among the patches of a picture that lies in it whole; null where there is none. */
export function cardAmong({ labels, blobs }: Blobs, width: number, height: number): Card | null {
  for (const blob of blobs) {
    if (blob.area < LEAST * width * height || blob.onBorder > 0) continue;
    const lies = boxed(labels, width, blob);
    if (!lies) continue;
    const { area, long, short } = lies;
    const shape = long / short / (CARD_MM.long / CARD_MM.short);
    if (area < FILLS * long * short || blob.area < STANDS_OUT * area || Math.abs(shape - 1) > SHAPE) continue;
    return { blob, mmPerPx: Math.sqrt((CARD_MM.long * CARD_MM.short) / (long * short)) };
  }
  return null;
}
