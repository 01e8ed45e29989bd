import { f32, f64 } from './arrays.ts';
import type { Colours, Field } from './picture.ts';

/** Terms of a cubic surface over a picture: light falls off smoothly, whatever the ground. */
const TERMS = 10;

function termsAt(u: number, v: number, out: Float64Array): void {
  out[0] = 1;
  out[1] = u;
  out[2] = v;
  out[3] = u * u;
  out[4] = u * v;
  out[5] = v * v;
  out[6] = u * u * u;
  out[7] = u * u * v;
  out[8] = u * v * v;
  out[9] = v * v * v;
}

/** Solves a small symmetric system in place by Gauss with pivots; three right sides. */
export function solveSmall(matrix: Float64Array[], right: Float64Array[]): Float64Array[] {
  const size = matrix.length;
  for (let i = 0; i < size; i++) {
    let best = i;
    for (let k = i + 1; k < size; k++)
      if (Math.abs(f64(matrix[k] as Float64Array, i)) > Math.abs(f64(matrix[best] as Float64Array, i))) best = k;
    [matrix[i], matrix[best]] = [matrix[best] as Float64Array, matrix[i] as Float64Array];
    [right[i], right[best]] = [right[best] as Float64Array, right[i] as Float64Array];
    const [row, side] = [matrix[i] as Float64Array, right[i] as Float64Array];
    const pivot = f64(row, i) || 1e-12;
    for (let k = i + 1; k < size; k++) {
      const [other, otherSide] = [matrix[k] as Float64Array, right[k] as Float64Array];
      const by = f64(other, i) / pivot;
      if (by === 0) continue;
      for (let j = i; j < size; j++) other[j] = f64(other, j) - by * f64(row, j);
      for (let j = 0; j < side.length; j++) otherSide[j] = f64(otherSide, j) - by * f64(side, j);
    }
  }
  for (let i = size - 1; i >= 0; i--) {
    const [row, side] = [matrix[i] as Float64Array, right[i] as Float64Array];
    for (let j = 0; j < side.length; j++) {
      let sum = f64(side, j);
      for (let k = i + 1; k < size; k++) sum -= f64(row, k) * f64(right[k] as Float64Array, j);
      side[j] = sum / (f64(row, i) || 1e-12);
    }
  }
  return right;
}

/** What lies under the fly: a smooth surface in each channel, and how far the ground strays from it. */
interface Ground {
  readonly terms: Float64Array[];
  /** Spread of the ground about it, a distance in Oklab. */
  readonly spread: number;
}

/** The band along the border that is taken for ground at first, share of the shorter side. */
const BAND = 0.06;
const ROUNDS = 7;
/** No ground is told finer than this: half a byte of grey. */
const LEAST_SPREAD = 0.002;

interface Samples {
  readonly terms: Float64Array;
  readonly colour: Float64Array;
  readonly count: number;
  readonly border: readonly number[];
}

function samplesOf({ width, height, lightness, a, b }: Colours): Samples {
  const step = Math.max(1, Math.floor(Math.sqrt((width * height) / 6000)));
  const band = BAND * Math.min(width, height);
  const terms: number[] = [];
  const colour: number[] = [];
  const border: number[] = [];
  const one = new Float64Array(TERMS);
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) {
      termsAt((2 * x) / width - 1, (2 * y) / height - 1, one);
      if (Math.min(x, y, width - 1 - x, height - 1 - y) < band) border.push(colour.length / 3);
      terms.push(...one);
      const i = y * width + x;
      colour.push(f32(lightness, i), f32(a, i), f32(b, i));
    }
  return { terms: Float64Array.from(terms), colour: Float64Array.from(colour), count: colour.length / 3, border };
}

function fitted({ terms, colour, count }: Samples, weights: Float64Array): Float64Array[] {
  const matrix = Array.from({ length: TERMS }, () => new Float64Array(TERMS));
  const right = Array.from({ length: TERMS }, () => new Float64Array(3));
  for (let s = 0; s < count; s++) {
    const w = f64(weights, s);
    if (w === 0) continue;
    for (let i = 0; i < TERMS; i++) {
      const wi = w * f64(terms, s * TERMS + i);
      const [row, side] = [matrix[i] as Float64Array, right[i] as Float64Array];
      for (let j = 0; j < TERMS; j++) row[j] = f64(row, j) + wi * f64(terms, s * TERMS + j);
      for (let c = 0; c < 3; c++) side[c] = f64(side, c) + wi * f64(colour, 3 * s + c);
    }
  }
  // What no sample tells stays flat.
  for (let i = 0; i < TERMS; i++) (matrix[i] as Float64Array)[i] = f64(matrix[i] as Float64Array, i) + 1e-6;
  return solveSmall(matrix, right);
}

function residuals({ terms, colour, count }: Samples, surface: readonly Float64Array[]): Float64Array {
  const out = new Float64Array(count);
  for (let s = 0; s < count; s++) {
    let sum = 0;
    for (let c = 0; c < 3; c++) {
      let value = -f64(colour, 3 * s + c);
      for (let i = 0; i < TERMS; i++) value += f64(terms, s * TERMS + i) * f64(surface[i] as Float64Array, c);
      sum += value * value;
    }
    out[s] = Math.sqrt(sum);
  }
  return out;
}

export const medianOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((one, other) => one - other);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
};

/** The ground by what lies along the border, then by all that is like it: a fly, or a jaw that comes in from the side, has no say. */
function groundOf(colours: Colours): Ground {
  const samples = samplesOf(colours);
  const weights = new Float64Array(samples.count);
  for (const s of samples.border) weights[s] = 1;
  let surface = fitted(samples, weights);
  let spread = LEAST_SPREAD;
  for (let round = 0; round < ROUNDS; round++) {
    const off = residuals(samples, surface);
    const known = round < 2 ? samples.border.map((s) => f64(off, s)) : [...off].filter((_, s) => f64(weights, s) > 0);
    spread = Math.max(LEAST_SPREAD, medianOf(known));
    const reach = (round < 3 ? 4 : 3) * spread;
    const from = round < 2 ? new Set(samples.border) : null;
    for (let s = 0; s < samples.count; s++) {
      const t = f64(off, s) / reach;
      weights[s] = t >= 1 || from?.has(s) === false ? 0 : (1 - t * t) ** 2;
    }
    surface = fitted(samples, weights);
  }
  return { terms: surface, spread };
}

/** How far each pixel is from its ground, and by how much the ground itself strays. */
export interface Apart extends Field {
  readonly spread: number;
}

/** Smooths a field by 1 2 1 either way, in place. */
function smoothed(values: Float32Array, width: number, height: number): void {
  const row = new Float32Array(Math.max(width, height));
  const pass = (from: number, step: number, length: number): void => {
    for (let i = 0; i < length; i++) row[i] = f32(values, from + i * step);
    for (let i = 1; i + 1 < length; i++)
      values[from + i * step] = 0.25 * f32(row, i - 1) + 0.5 * f32(row, i) + 0.25 * f32(row, i + 1);
  };
  for (let y = 0; y < height; y++) pass(y * width, 1, width);
  for (let x = 0; x < width; x++) pass(x, width, height);
}

/** Distance of every pixel from the ground under it, in Oklab. */
export function apartFromGround(colours: Colours): Apart {
  const { width, height } = colours;
  const { terms, spread } = groundOf(colours);
  const off = [colours.lightness, colours.a, colours.b].map((channel, c) => {
    const out = new Float32Array(width * height);
    const one = new Float64Array(TERMS);
    const by = Float64Array.from(terms, (row) => f64(row, c));
    for (let y = 0; y < height; y++) {
      // Along a row the surface is a cubic in u: its four terms are gathered once.
      const v = (2 * y) / height - 1;
      termsAt(0, v, one);
      const k0 = f64(by, 0) + f64(by, 2) * v + f64(by, 5) * v * v + f64(by, 9) * v * v * v;
      const k1 = f64(by, 1) + f64(by, 4) * v + f64(by, 8) * v * v;
      const k2 = f64(by, 3) + f64(by, 7) * v;
      const k3 = f64(by, 6);
      for (let x = 0; x < width; x++) {
        const u = (2 * x) / width - 1;
        out[y * width + x] = f32(channel, y * width + x) - (k0 + u * (k1 + u * (k2 + u * k3)));
      }
    }
    smoothed(out, width, height);
    return out;
  });
  const [l, a, b] = off as [Float32Array, Float32Array, Float32Array];
  const at = new Float32Array(width * height);
  for (let i = 0; i < at.length; i++) at[i] = Math.hypot(f32(l, i), f32(a, i), f32(b, i));
  return { width, height, at, spread };
}
