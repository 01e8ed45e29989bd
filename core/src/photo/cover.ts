import { f32, f64, i32 } from './arrays.ts';
import { blobsOf } from './blobs.ts';
import type { Apart } from './ground.ts';
import type { Field } from './picture.ts';

const BINS = 128;

/** Otsu's threshold over a histogram (N. Otsu, A threshold selection method from gray-level histograms, 1979): the last bin of the lower class. */
function otsu(bins: Float64Array): number {
  let [total, all] = [0, 0];
  for (let i = 0; i < bins.length; i++) {
    total += f64(bins, i);
    all += i * f64(bins, i);
  }
  let [below, sum, best, at] = [0, 0, -1, 0];
  for (let i = 0; i < bins.length; i++) {
    below += f64(bins, i);
    sum += i * f64(bins, i);
    if (below === 0 || below === total) continue;
    const between = below * (total - below) * (sum / below - (all - sum) / (total - below)) ** 2;
    if (between > best) [best, at] = [between, i];
  }
  return at;
}

/** Ground strays so many spreads at most. */
const STRAYS = 5;
/** What is nearer to the ground than this share of the usual fly is its shadow, or the halo of a lens. */
const PALEST = 0.42;

/**
 * The distance from which on a pixel is fly: by Otsu on the logarithm, since pale hair and dark wire are one class against the ground;
 * never below what the ground strays.
 */
export function thresholdOf({ at, spread }: Apart): number {
  const least = STRAYS * spread;
  let most = least * 1.01;
  for (let i = 0; i < at.length; i += 7) most = Math.max(most, f32(at, i));
  const [low, high] = [Math.log(Math.max(1e-4, spread)), Math.log(most)];
  const bins = new Float64Array(BINS);
  for (let i = 0; i < at.length; i += 3) {
    const place = ((Math.log(Math.max(f32(at, i), 1e-6)) - low) / (high - low)) * BINS;
    const bin = Math.max(0, Math.min(BINS - 1, Math.floor(place)));
    bins[bin] = f64(bins, bin) + 1;
  }
  const parted = Math.exp(low + ((otsu(bins) + 1) / BINS) * (high - low));
  return Math.max(least, Math.min(parted, PALEST * most));
}

/** The most in a window of 2 r + 1 along one line, by a queue of what may still be the most. */
function mostAlong(from: Float32Array, into: Float32Array, first: number, step: number, length: number, r: number) {
  const queue = new Int32Array(length);
  let [head, tail] = [0, 0];
  for (let i = 0; i < length + r; i++) {
    if (i < length) {
      const value = f32(from, first + i * step);
      while (tail > head && f32(from, first + i32(queue, tail - 1) * step) <= value) tail--;
      queue[tail++] = i;
    }
    const at = i - r;
    if (at < 0) continue;
    while (i32(queue, head) < at - r) head++;
    into[first + at * step] = f32(from, first + i32(queue, head) * step);
  }
}

/** The most within r pixels either way. */
export function mostWithin({ width, height, at }: Field, r: number): Float32Array {
  const across = new Float32Array(at.length);
  const most = new Float32Array(at.length);
  for (let y = 0; y < height; y++) mostAlong(at, across, y * width, 1, width, r);
  for (let x = 0; x < width; x++) mostAlong(across, most, x, width, height, r);
  return most;
}

/** How many pixels an edge takes from ground to fly where it is steepest: how sharp the picture is. */
export function edgeWidth({ width, height, at }: Field, threshold: number): number {
  const field = { width, height, at };
  const most = mostWithin(field, 6);
  const widths: number[] = [];
  for (let y = 1; y + 1 < height; y += 2)
    for (let x = 1; x + 1 < width; x += 2) {
      const i = y * width + x;
      const top = f32(most, i);
      if (top < 2.5 * threshold || Math.abs(f32(at, i) / top - 0.5) > 0.12) continue;
      const rise = Math.hypot(f32(at, i + 1) - f32(at, i - 1), f32(at, i + width) - f32(at, i - width)) / 2;
      if (rise > 0) widths.push(top / rise);
    }
  if (widths.length < 20) return 2;
  widths.sort((one, other) => one - other);
  return Math.max(1, widths[Math.floor(widths.length * 0.2)] as number);
}

/** How much of each pixel is fly, 0 to 1, two ways, and how wide an edge is. */
export interface Cover {
  /** As an outline is read from it: what lies between strands is fly as they are. */
  readonly whole: Field;
  /** Strand by strand, drawn together again: what an area is summed from. */
  readonly strands: Field;
  readonly edgePx: number;
}

/** A hole of less than this share of all that is fly is a glint, or a pale place: it is fly too. */
const HOLE = 0.0004;

/** Fills small holes, in place: what is as pale as the ground and shut in by fly. */
function fillHoles({ width, height, at }: Field): void {
  const ground = new Float32Array(at.length);
  let fly = 0;
  for (let i = 0; i < at.length; i++) {
    if (f32(at, i) < 0.5) ground[i] = 1;
    else fly++;
  }
  const { labels, blobs } = blobsOf({ width, height, at: ground }, 1);
  const holes = new Set(
    blobs.filter(({ area, onBorder }) => onBorder === 0 && area < HOLE * fly).map(({ label }) => label),
  );
  for (let i = 0; i < at.length; i++) if (holes.has(i32(labels, i))) at[i] = 1;
}

/** How much of what an edge's breadth smears over is taken back. */
const SHARPEN = 1.2;

/** A field with its edges and strands drawn together again: each pixel less what its neighbourhood smeared into it. */
function sharpened({ width, height, at }: Field, edgePx: number): Float32Array {
  const blurred = Float32Array.from(at);
  const r = Math.max(1, Math.round(edgePx / 3));
  for (let pass = 0; pass < 2; pass++) {
    for (let y = 0; y < height; y++) meanAlong(blurred, y * width, 1, width, r);
    for (let x = 0; x < width; x++) meanAlong(blurred, x, width, height, r);
  }
  for (let i = 0; i < blurred.length; i++) {
    const value = f32(at, i);
    blurred[i] = Math.max(0, value + SHARPEN * (value - f32(blurred, i)));
  }
  return blurred;
}

/** The mean over 2 r + 1 along one line, in place. */
function meanAlong(values: Float32Array, first: number, step: number, length: number, r: number): void {
  const line = new Float64Array(length + 1);
  for (let i = 0; i < length; i++) line[i + 1] = f64(line, i) + f32(values, first + i * step);
  for (let i = 0; i < length; i++) {
    const [from, to] = [Math.max(0, i - r), Math.min(length, i + r + 1)];
    values[first + i * step] = (f64(line, to) - f64(line, from)) / (to - from);
  }
}

/** So many edges' breadths about a strand, something of its colour covers a pixel wholly. */
const STRANDS = 2;
/** Ground shows within an edge's breadth where something is so much nearer to it than the most about it. */
const SHOWS = 0.35;
/** Of the most about it, what counts as wholly fly. */
const FULL = 0.95;

/** How much a pixel is like a strand finer than an edge is wide, 0 to 1: both sides of it fall off. Its own colour is then paler than what it is of. */
function strandAt({ width, height, at }: Field, x: number, y: number, r: number): number {
  const value = f32(at, y * width + x);
  if (value <= 0) return 0;
  let most = 0;
  for (const [dx, dy] of ACROSS) {
    const [ax, ay, bx, by] = [x - r * dx, y - r * dy, x + r * dx, y + r * dy];
    if (ax < 0 || ay < 0 || bx < 0 || by < 0 || Math.max(ax, bx) >= width || Math.max(ay, by) >= height) continue;
    const falls = Math.min(value - f32(at, ay * width + ax), value - f32(at, by * width + bx));
    most = Math.max(most, falls / value);
  }
  return Math.min(1, Math.max(0, most * 1.25));
}

const ACROSS = [
  [1, 0],
  [0, 1],
  [1, 1],
  [1, -1],
] as const;

interface About {
  readonly field: Field;
  readonly threshold: number;
  /** An edge's breadth either way, px. */
  readonly r: number;
}

/**
 * How much of each pixel is fly. Along an edge it is measured against what lies within it, so that half is where the edge is however blurred it
 * is; where no ground shows within an edge's breadth everything over the threshold is fly, pale or dark.
 * @param strandwise whether what is finer than an edge is measured against the colour about it, as a strand is that the lens smeared
 */
function shareOf({ field, threshold, r }: About, strandwise: boolean): Field {
  const { width, height, at } = field;
  const near = mostWithin(field, r);
  const most = strandwise ? mostWithin({ width, height, at: near }, STRANDS * r) : near;
  const least = new Float32Array(at.length);
  for (let i = 0; i < at.length; i++) least[i] = -f32(at, i);
  const ground = mostWithin({ width, height, at: least }, r);
  const share = new Float32Array(at.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const value = f32(at, i);
      const top = f32(near, i);
      if (top < threshold || value <= 0) continue;
      let is = 1;
      if (-f32(ground, i) < Math.max(threshold, SHOWS * top)) {
        const strand = strandwise ? strandAt(field, x, y, r) : 0;
        is = Math.min(1, value / (FULL * (top * (1 - strand) + f32(most, i) * strand)));
      }
      // What is nearer to the ground than the threshold never makes half.
      share[i] = value < threshold ? Math.min(is, (0.49 * value) / threshold) : is;
    }
  return { width, height, at: share };
}

/** How much of each pixel of a field of distances from the ground is fly. */
export function coverOf(apart: Field, threshold: number): Cover {
  const edgePx = edgeWidth(apart, threshold);
  const r = Math.max(1, Math.min(12, Math.ceil(0.6 * edgePx)));
  const whole = shareOf({ field: apart, threshold, r }, false);
  const { width, height } = apart;
  const strands = shareOf({ field: { width, height, at: sharpened(apart, edgePx) }, threshold, r }, true);
  fillHoles(whole);
  fillHoles(strands);
  return { whole, strands, edgePx };
}
