import { f32, f64, i32 } from './arrays.ts';
import type { Box, Field } from './picture.ts';
import { enlarged, type Pose } from './pose.ts';
import type { Witness } from './template.ts';

/** What is known before it is looked for. */
export interface SearchHints {
  /** Pixels to a millimetre; null where unknown. */
  readonly scale: number | null;
  /** Area of the plan's profile, mm². */
  readonly planMm2: number;
  /** Whether something that comes in from the border holds it: the box is then more than the fly’s. */
  readonly held: boolean;
}

/** A field made smaller by averages over squares of so many pixels. */
export function averaged({ width, height, at }: Field, by: number): Field {
  const [w, h] = [Math.ceil(width / by), Math.ceil(height / by)];
  const out = new Float32Array(w * h);
  const count = new Float32Array(w * h);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = Math.floor(y / by) * w + Math.floor(x / by);
      out[i] = f32(out, i) + f32(at, y * width + x);
      count[i] = f32(count, i) + 1;
    }
  for (let i = 0; i < out.length; i++) out[i] = f32(out, i) / Math.max(1, f32(count, i));
  return { width: w, height: h, at: out };
}

/** Witnesses as columns, so that they are read fast. */
export interface Witnesses {
  readonly x: Float64Array;
  readonly z: Float64Array;
  readonly weight: Float64Array;
  readonly weights: number;
}

export const columnsOf = (witnesses: readonly Witness[]): Witnesses => ({
  x: Float64Array.from(witnesses, ({ x }) => x),
  z: Float64Array.from(witnesses, ({ z }) => z),
  weight: Float64Array.from(witnesses, ({ weight }) => weight),
  weights: witnesses.reduce((sum, { weight }) => sum + Math.abs(weight), 0),
});

/** A part of a pixel that is fly says more than its share: wire is thinner than a pixel of a small picture. */
const THIN = 1.6;

/** How well a fly that lies so agrees with what is fly and what is ground, −1 to 1. */
export function agreement({ width, height, at }: Field, pose: Pose, { x, z, weight, weights }: Witnesses): number {
  const [cos, sin] = [pose.scale * Math.cos(pose.turn), pose.scale * Math.sin(pose.turn)];
  let sum = 0;
  for (let k = 0; k < x.length; k++) {
    const p = pose.side * f64(x, k);
    const q = -pose.tall * f64(z, k);
    const px = Math.round(pose.tx + p * cos - q * sin);
    const py = Math.round(pose.ty + p * sin + q * cos);
    const cover = px < 0 || py < 0 || px >= width || py >= height ? 0 : THIN * f32(at, py * width + px);
    sum += f64(weight, k) * (2 * (cover < 1 ? cover : 1) - 1);
  }
  return sum / weights;
}

interface Scored {
  readonly pose: Pose;
  readonly score: number;
}

/** The best few that are not the same but for a step. */
function keepBest(best: Scored[], one: Scored, most: number): void {
  const alike = best.findIndex(
    ({ pose }) =>
      pose.side === one.pose.side &&
      Math.abs(Math.atan2(Math.sin(pose.turn - one.pose.turn), Math.cos(pose.turn - one.pose.turn))) < 0.2 &&
      Math.abs(Math.log(pose.scale / one.pose.scale)) < 0.15,
  );
  if (alike >= 0) {
    if ((best[alike] as Scored).score < one.score) best[alike] = one;
  } else if (best.length < most) best.push(one);
  else {
    const worst = best.reduce((at, { score }, i) => (score < (best[at] as Scored).score ? i : at), 0);
    if ((best[worst] as Scored).score < one.score) best[worst] = one;
  }
}

/** What all witnesses say of a place. The innermost loop of the search, by itself so that it is compiled as tightly as it can be. */
function saidAt(cover: Int8Array, base: number, offsets: Int32Array, weights: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < offsets.length; k++) sum += f64(weights, k) * (cover[base + i32(offsets, k)] as number);
  return sum;
}

const COARSE_PX = 120;
/** So many witnesses are enough to tell where it is worth looking closer. */
const THINNED = 400;
const TURN_STEP = Math.PI / 26;
const SCALES = [0.66, 0.76, 0.87, 1, 1.15, 1.32] as const;
const NEAR_SCALES = [0.98, 1, 1.02] as const;
/** Places tried along either side of the box: where all of it is fly, its middle is near the box’s. */
const PLACES = { whole: 9, held: 11 } as const;
const MIDDLE = 0.6;

/** Steps of a search by the compass about a pose, each half the one before. */
function climbed(field: Field, from: Scored, witnesses: Witnesses, freeScale: boolean): Scored {
  let best = from;
  let step = 1;
  while (step > 0.06) {
    const { tx, ty, turn, scale } = best.pose;
    const tries: Pose[] = [
      { ...best.pose, tx: tx + 3 * step },
      { ...best.pose, tx: tx - 3 * step },
      { ...best.pose, ty: ty + 3 * step },
      { ...best.pose, ty: ty - 3 * step },
      { ...best.pose, turn: turn + 0.06 * step },
      { ...best.pose, turn: turn - 0.06 * step },
      ...(freeScale
        ? [
            { ...best.pose, scale: scale * (1 + 0.06 * step) },
            { ...best.pose, scale: scale / (1 + 0.06 * step) },
          ]
        : []),
    ];
    const scored = tries.map((pose) => ({ pose, score: agreement(field, pose, witnesses) }));
    const top = scored.reduce((one, other) => (other.score > one.score ? other : one));
    if (top.score > best.score + 1e-6) best = top;
    else step /= 2;
  }
  return best;
}

/** A fly looked for roughly: on a small picture, by few witnesses. */
interface Roughly {
  readonly field: Field;
  /** The box of what may be it, px of the field. */
  readonly box: Box;
  readonly scales: readonly number[];
  readonly held: boolean;
}

/** The places tried for the middle of a fly. */
function placesIn({ left, top, right, bottom }: Box, held: boolean): (readonly [number, number])[] {
  const [places, wide] = held ? [PLACES.held, 1] : [PLACES.whole, MIDDLE];
  const along = (from: number, to: number): number[] =>
    Array.from({ length: places }, (_, i) =>
      Math.round(from + (0.5 + wide * ((i + 0.5) / places - 0.5)) * (to - from)),
    );
  return along(top, bottom).flatMap((y) => along(left, right).map((x) => [x, y] as const));
}

/** Every turn, both ways round, every scale, over all places: the best few. */
function roughPoses({ field, box, scales, held }: Roughly, witnesses: readonly Witness[], most: number): Scored[] {
  const middle = witnessMiddle(witnesses);
  const every = Math.max(1, Math.ceil(witnesses.length / THINNED));
  const thin = columnsOf(witnesses.filter((_, i) => i % every === 0));
  const padded = paddedBy(field, Math.ceil(Math.max(...scales) * middle.reach) + 2);
  const offsets = new Int32Array(thin.x.length);
  const places = placesIn(box, held);
  const best: Scored[] = [];
  const tryOne = (side: 1 | -1, scale: number, turn: number): void => {
    const [cos, sin] = [scale * Math.cos(turn), scale * Math.sin(turn)];
    for (let k = 0; k < offsets.length; k++) {
      const p = side * (f64(thin.x, k) - middle.x);
      const q = middle.z - f64(thin.z, k);
      offsets[k] = Math.round(p * sin + q * cos) * padded.width + Math.round(p * cos - q * sin);
    }
    let [top, topX, topY] = [-Infinity, 0, 0];
    for (const [x, y] of places) {
      const sum = saidAt(padded.at, (y + padded.pad) * padded.width + x + padded.pad, offsets, thin.weight);
      if (sum > top) [top, topX, topY] = [sum, x, y];
    }
    const [p, q] = [side * middle.x, -middle.z];
    const [tx, ty] = [topX - (p * cos - q * sin), topY - (p * sin + q * cos)];
    keepBest(best, { pose: { tx, ty, turn, scale, tall: 1, side }, score: top / (FINEST * thin.weights) }, most);
  };
  for (const side of [-1, 1] as const)
    for (const scale of scales) for (let turn = -Math.PI; turn < Math.PI; turn += TURN_STEP) tryOne(side, scale, turn);
  return best;
}

const byScore = (one: Scored, other: Scored): number => other.score - one.score;

/**
 * Where the fly may lie, the likeliest first: looked for roughly, then closer on a picture in which wire is some pixels thick.
 * @param cover what is fly @param box of the patch it may be, px @param area of that patch, px
 */
export function likelyPoses(
  cover: Field,
  box: Box,
  area: number,
  { coarse, fine }: { readonly coarse: readonly Witness[]; readonly fine: readonly Witness[] },
  { scale, planMm2, held }: SearchHints,
  most = 8,
): readonly Scored[] {
  const by = Math.max(1, Math.ceil(Math.max(box.right - box.left, box.bottom - box.top) / COARSE_PX));
  const field = averaged(cover, by);
  const told = scale ?? Math.sqrt(area / planMm2);
  const scales = (scale === null ? SCALES : NEAR_SCALES).map((share) => (share * told) / by);
  const small: Box = { left: box.left / by, top: box.top / by, right: box.right / by, bottom: box.bottom / by };
  const free = scale === null;
  const all = columnsOf(coarse);
  const near = roughPoses({ field, box: small, scales, held }, coarse, 2 * most)
    .map(({ pose }) => climbed(field, { pose, score: agreement(field, pose, all) }, all, free))
    .sort(byScore)
    .slice(0, most);
  const finer = Math.max(1, Math.floor(by / 2.5));
  const closer = averaged(cover, finer);
  const many = columnsOf(fine);
  return near
    .map(({ pose }) => {
      const from = enlarged(pose, by / finer);
      const { pose: to, score } = climbed(closer, { pose: from, score: agreement(closer, from, many) }, many, free);
      return { pose: enlarged(to, finer), score };
    })
    .sort(byScore);
}

/** The middle of what is to be fly, and how far from it a witness stands, mm. */
function witnessMiddle(witnesses: readonly Witness[]): {
  readonly x: number;
  readonly z: number;
  readonly reach: number;
} {
  const fly = witnesses.filter(({ weight }) => weight > 0);
  const [lowX, highX] = [Math.min(...fly.map(({ x }) => x)), Math.max(...fly.map(({ x }) => x))];
  const [lowZ, highZ] = [Math.min(...fly.map(({ z }) => z)), Math.max(...fly.map(({ z }) => z))];
  const [x, z] = [(lowX + highX) / 2, (lowZ + highZ) / 2];
  return { x, z, reach: Math.max(...witnesses.map((one) => Math.hypot(one.x - x, one.z - z))) };
}

const FINEST = 100;

/** What witnesses read, 2 cover − 1 in hundredths, with a rim of bare ground so wide. */
function paddedBy(
  { width, height, at }: Field,
  pad: number,
): { readonly width: number; readonly pad: number; readonly at: Int8Array } {
  const wide = width + 2 * pad;
  const out = new Int8Array(wide * (height + 2 * pad)).fill(-FINEST);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      out[(y + pad) * wide + x + pad] = Math.round(FINEST * (2 * Math.min(1, THIN * f32(at, y * width + x)) - 1));
  return { width: wide, at: out, pad };
}
