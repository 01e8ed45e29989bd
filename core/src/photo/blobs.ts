import { f32, i32 } from './arrays.ts';
import type { Box, Field } from './picture.ts';

/** A patch of what is fly: pixels that touch one another, by edge or corner. */
export interface Blob {
  readonly label: number;
  readonly area: number;
  readonly box: Box;
  /** How many of its pixels lie on the picture's border. */
  readonly onBorder: number;
}

export interface Blobs {
  /** The label of each pixel, 0 for ground. */
  readonly labels: Int32Array;
  /** The largest first. */
  readonly blobs: readonly Blob[];
}

/** The patches of what is at least a level. @param least pixels of a patch that is told */
export function blobsOf({ width, height, at }: Field, least: number, level = 0.5): Blobs {
  const labels = new Int32Array(width * height);
  const stack = new Int32Array(width * height);
  const blobs: Blob[] = [];
  let label = 0;
  for (let start = 0; start < at.length; start++) {
    if (i32(labels, start) !== 0 || f32(at, start) < level) continue;
    label++;
    let [top, area, onBorder] = [0, 0, 0];
    const box = { left: width, top: height, right: 0, bottom: 0 };
    stack[top++] = start;
    labels[start] = label;
    while (top > 0) {
      const i = i32(stack, --top);
      const [x, y] = [i % width, Math.floor(i / width)];
      area++;
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) onBorder++;
      box.left = Math.min(box.left, x);
      box.right = Math.max(box.right, x + 1);
      box.top = Math.min(box.top, y);
      box.bottom = Math.max(box.bottom, y + 1);
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [nx, ny] = [x + dx, y + dy];
          if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
          const k = ny * width + nx;
          if (i32(labels, k) !== 0 || f32(at, k) < level) continue;
          labels[k] = label;
          stack[top++] = k;
        }
    }
    if (area >= least) blobs.push({ label, area, box, onBorder });
  }
  return { labels, blobs: blobs.sort((one, other) => other.area - one.area) };
}

/** Distance of each pixel of a mask to the nearest that is not of it, px, by chamfers of 3 and 4 (G. Borgefors, 1986). */
export function depthOf(inside: (i: number) => boolean, width: number, height: number): Float32Array {
  const far = 1e6;
  const depth = new Float32Array(width * height);
  for (let i = 0; i < depth.length; i++) depth[i] = inside(i) ? far : 0;
  const pass = (from: number, step: 1 | -1): void => {
    for (let k = 0, y = from; k < height; k++, y += step)
      for (let j = 0, x = step === 1 ? 0 : width - 1; j < width; j++, x += step) {
        const i = y * width + x;
        let value = f32(depth, i);
        if (value === 0) continue;
        const side = x - step;
        if (side >= 0 && side < width) value = Math.min(value, f32(depth, i - step) + 1);
        const above = y - step;
        if (above >= 0 && above < height) {
          const up = above * width + x;
          value = Math.min(value, f32(depth, up) + 1);
          if (x > 0) value = Math.min(value, f32(depth, up - 1) + 4 / 3);
          if (x + 1 < width) value = Math.min(value, f32(depth, up + 1) + 4 / 3);
        }
        depth[i] = value;
      }
  };
  pass(0, 1);
  pass(height - 1, -1);
  return depth;
}
