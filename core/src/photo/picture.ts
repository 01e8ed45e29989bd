import { f32 } from './arrays.ts';

/** A picture as it is decoded: RGBA a pixel, row by row from the top left, y down. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array | Uint8ClampedArray;
}

/** A field over a picture: a figure a pixel, row by row. */
export interface Field {
  readonly width: number;
  readonly height: number;
  readonly at: Float32Array;
}

/** A picture in a perceptual space, made smaller by whole pixels. */
export interface Colours {
  readonly width: number;
  readonly height: number;
  /** Pixels of the picture to one of these, along either side. */
  readonly shrunk: number;
  readonly lightness: Float32Array;
  readonly a: Float32Array;
  readonly b: Float32Array;
}

/** The longer side that a picture is worked on at, px: a shank then has some hundreds of them. */
const WORKED = 1000;

const LINEAR = Float32Array.from({ length: 256 }, (_, byte) => {
  const share = byte / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/**
 * A picture in Oklab, where equal distances look equally far apart (B. Ottosson, A perceptual color space for image processing, 2020);
 * averaged in light, not in bytes. What shows through is laid on white.
 */
export function coloursOf(picture: Picture, worked = WORKED): Colours {
  const shrunk = Math.max(1, Math.ceil(Math.max(picture.width, picture.height) / worked));
  const [width, height] = [Math.floor(picture.width / shrunk), Math.floor(picture.height / shrunk)];
  const colours = {
    width,
    height,
    shrunk,
    lightness: new Float32Array(width * height),
    a: new Float32Array(width * height),
    b: new Float32Array(width * height),
  };
  const sums = new Float32Array(3 * width);
  const stride = shrunk >= MANY ? 2 : 1;
  for (let y = 0; y < height; y++) {
    sumRows(picture, y * shrunk, shrunk, stride, sums);
    for (let x = 0; x < width; x++) {
      const each = 1 / Math.ceil(shrunk / stride) ** 2;
      const [r, g, b] = [f32(sums, 3 * x) * each, f32(sums, 3 * x + 1) * each, f32(sums, 3 * x + 2) * each];
      const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
      const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
      const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
      const i = y * width + x;
      colours.lightness[i] = 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s;
      colours.a[i] = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s;
      colours.b[i] = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s;
    }
  }
  return colours;
}

/** Of so many pixels to one, every other is enough, either way. */
const MANY = 4;

/** Sums of linear red, green and blue of some rows, a triple for each column of the smaller picture. */
function sumRows({ width, data }: Picture, from: number, rows: number, stride: number, sums: Float32Array): void {
  sums.fill(0);
  const columns = sums.length / 3;
  for (let row = from; row < from + rows; row += stride) {
    for (let column = 0; column < columns; column++) {
      let [r, g, b] = [0, 0, 0];
      let i = 4 * (row * width + column * rows);
      for (let k = 0; k < rows; k += stride, i += 4 * stride) {
        const bare = 1 - (data[i + 3] as number) / 255;
        const shows = 1 - bare;
        r += bare + shows * f32(LINEAR, data[i] as number);
        g += bare + shows * f32(LINEAR, data[i + 1] as number);
        b += bare + shows * f32(LINEAR, data[i + 2] as number);
      }
      const into = 3 * column;
      sums[into] = f32(sums, into) + r;
      sums[into + 1] = f32(sums, into + 1) + g;
      sums[into + 2] = f32(sums, into + 2) + b;
    }
  }
}

/** A field read between its pixels; beyond its edge it is as at the edge. */
export function sampled({ width, height, at: values }: Field, x: number, y: number): number {
  const cx = Math.min(width - 1.001, Math.max(0, x));
  const cy = Math.min(height - 1.001, Math.max(0, y));
  const [ix, iy] = [Math.floor(cx), Math.floor(cy)];
  const [fx, fy] = [cx - ix, cy - iy];
  const i = iy * width + ix;
  const upper = f32(values, i) * (1 - fx) + f32(values, i + 1) * fx;
  const lower = f32(values, i + width) * (1 - fx) + f32(values, i + width + 1) * fx;
  return upper * (1 - fy) + lower * fy;
}

/** A box of pixels, its right and lower edge outside it. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A box with so much more on every side, within a field. */
export const widened = ({ left, top, right, bottom }: Box, by: number, { width, height }: Omit<Field, 'at'>): Box => ({
  left: Math.max(0, left - by),
  top: Math.max(0, top - by),
  right: Math.min(width, right + by),
  bottom: Math.min(height, bottom + by),
});

/** What of a field lies in a box. */
export function cropped({ width, at: values }: Field, { left, top, right, bottom }: Box): Field {
  const [w, h] = [right - left, bottom - top];
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) out.set(values.subarray((top + y) * width + left, (top + y) * width + right), y * w);
  return { width: w, height: h, at: out };
}
