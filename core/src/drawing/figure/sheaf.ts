import { mixTint } from '../../data/index.ts';
import type { Vec3, FreeLine } from '../../model/index.ts';
import { FIBRE_STRIDE } from './types.ts';

export interface FibreSet {
  readonly fibres: Float32Array;
  readonly tints: readonly string[];
  readonly broadest: number;
}

/** Writes fibres one after the other; `broadest` is kept for the least width on screen. */
export class Sheaf {
  private readonly data: Float32Array;
  private count = 0;
  broadest = 0;

  constructor(capacity: number) {
    this.data = new Float32Array(capacity * FIBRE_STRIDE);
  }

  add(root: Vec3, bend: Vec3, tip: Vec3, breadthMm: number, tint: number): void {
    const at = this.count * FIBRE_STRIDE;
    this.data.set(root, at);
    this.data.set(bend, at + 3);
    this.data.set(tip, at + 6);
    this.data[at + 9] = breadthMm;
    this.data[at + 10] = tint;
    this.broadest = Math.max(this.broadest, breadthMm);
    this.count++;
  }

  take(tints: readonly string[]): FibreSet {
    return { fibres: this.data.subarray(0, this.count * FIBRE_STRIDE), tints, broadest: this.broadest };
  }
}

/** Five tints of a material: two near it, a light, a dark and a glint. */
export const tintsOf = (tint: string, glint = 0.55): string[] => [
  tint,
  mixTint(tint, '#ffffff', 0.1),
  mixTint(tint, '#ffffff', 0.28),
  mixTint(tint, '#000000', 0.3),
  mixTint(tint, '#ffffff', glint),
];

/** Tints of several colours one after another, and which of them is meant at a share of the way. */
export function bandedTints(
  bands: readonly string[],
  tint: string,
  glint?: number,
): { readonly tints: readonly string[]; readonly index: (share: number, within: number) => number } {
  const of = bands.length > 0 ? bands : [tint];
  const sets = of.map((each) => tintsOf(each, glint));
  const each = sets[0]?.length ?? 1;
  const band = (share: number): number => Math.min(of.length - 1, Math.max(0, Math.floor(share * of.length)));
  return { tints: sets.flat(), index: (share, within) => band(share) * each + within };
}

/** Mostly the near tints, some light and dark; the glint only where a material has one. */
export function tintIndex(u: number, glint = 0): number {
  if (u < glint) return 4;
  const v = (u - glint) / (1 - glint);
  return v < 0.34 ? 0 : v < 0.62 ? 1 : v < 0.8 ? 2 : 3;
}

/** Directions round the shank that leave no gaps: a golden turn from one fibre to the next, with a little play. */
export const evenAzimuth = (i: number, u: number): number => 2 * Math.PI * ((i * 0.618034) % 1) + 0.35 * (u - 0.5);

export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

type Lying = { readonly line: FreeLine; readonly bound: readonly Vec3[] };

/** mm of a strip or feather that are bound along the shank. */
export const boundLength = ({ bound }: Pick<Lying, 'bound'>): number =>
  bound.length > 1 ? (bound.at(-1)?.[0] ?? 0) - (bound[0]?.[0] ?? 0) : 0;

/** A point so many mm along a strip or feather: its bound part follows the shank, then its free line. */
export function alongLine({ bound, line }: Lying, mm: number, boundMm: number): Vec3 {
  if (mm < boundMm && bound.length > 1) {
    const at = (Math.max(0, mm) / boundMm) * (bound.length - 1);
    const [a, b] = [bound[Math.floor(at)] ?? line.root, bound[Math.ceil(at)] ?? line.root];
    const t = at - Math.floor(at);
    return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
  }
  const free = mm - boundMm;
  return [
    line.root[0] + line.along[0] * free,
    line.root[1] + line.along[1] * free,
    line.root[2] + line.along[2] * free,
  ];
}
