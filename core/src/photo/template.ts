import { depthOf } from './blobs.ts';
import { type Ellipse, extentOf, type LaidFly, PROFILE_UP } from '../model/index.ts';

/** A fly's profile on a grid: how much of each cell it covers. x aft, z away from the point, mm. */
export interface Profile {
  readonly x0: number;
  readonly z0: number;
  readonly cellMm: number;
  readonly across: number;
  readonly up: number;
  /** Stiff matter: wire, beads, bodies. */
  readonly solid: Float32Array;
  /** Hair and hackle, as dense as it is. */
  readonly soft: Float32Array;
  /** Wire alone. */
  readonly wire: Float32Array;
}

const MARGIN_MM = 1;
/** Stiffer than this it lies where it was tied. */
const STIFF = 0.25;

/** The profile of a laid fly. */
export function profileOf(laid: LaidFly, cellMm: number): Profile {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const spans: { x: number; low: number; high: number; opacity: number; kind: 'wire' | 'solid' | 'soft' }[] = [];
  let [x0, x1, z0, z1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const section of laid.sections) {
    const kind = section.owner === 'platform' ? 'wire' : section.softness < STIFF ? 'solid' : 'soft';
    for (let x = Math.ceil(section.fromMm / cellMm) * cellMm; x <= section.toMm; x += cellMm) {
      section.at(Math.min(section.toMm, Math.max(section.fromMm, x)), cut);
      const [middle, half] = extentOf(section, cut, PROFILE_UP);
      if (half <= 0) continue;
      spans.push({ x, low: middle - half, high: middle + half, opacity: Math.min(1, cut.opacity), kind });
      [x0, x1] = [Math.min(x0, x), Math.max(x1, x)];
      [z0, z1] = [Math.min(z0, middle - half), Math.max(z1, middle + half)];
    }
  }
  x0 -= MARGIN_MM;
  z0 -= MARGIN_MM;
  const across = Math.ceil((x1 + MARGIN_MM - x0) / cellMm) + 1;
  const up = Math.ceil((z1 + MARGIN_MM - z0) / cellMm) + 1;
  const layer = (): Float32Array => new Float32Array(across * up);
  const profile = { x0, z0, cellMm, across, up, solid: layer(), soft: layer(), wire: layer() };
  for (const { x, low, high, opacity, kind } of spans) {
    const column = Math.round((x - x0) / cellMm);
    const [from, to] = [Math.floor((low - z0) / cellMm), Math.ceil((high - z0) / cellMm)];
    for (let row = Math.max(0, from); row <= Math.min(up - 1, to); row++) {
      const [a, b] = [z0 + (row - 0.5) * cellMm, z0 + (row + 0.5) * cellMm];
      const share = (opacity * Math.max(0, Math.min(b, high) - Math.max(a, low))) / cellMm;
      const into = profile[kind];
      const i = row * across + column;
      into[i] = Math.min(1, (into[i] as number) + share);
    }
  }
  return profile;
}

/** How much of a place of the profile the fly covers, its wire too. */
export function coverAtPlace({ x0, z0, cellMm, across, up, solid, soft, wire }: Profile, x: number, z: number): number {
  const [column, row] = [Math.round((x - x0) / cellMm), Math.round((z - z0) / cellMm)];
  if (column < 0 || row < 0 || column >= across || row >= up) return 0;
  const i = row * across + column;
  return Math.max(solid[i] as number, soft[i] as number, wire[i] as number);
}

/** Whether the platform's wire lies at a place, or right beside it. */
export function wireAt({ x0, z0, cellMm, across, up, wire }: Profile, x: number, z: number): boolean {
  const [column, row] = [Math.round((x - x0) / cellMm), Math.round((z - z0) / cellMm)];
  for (const r of [row - 1, row, row + 1])
    for (const c of [column - 1, column, column + 1])
      if (r >= 0 && c >= 0 && r < up && c < across && (wire[r * across + c] as number) > 0.1) return true;
  return false;
}

/** Whether anything of the plan lies within so many mm of a place. */
export function nearPlan(
  { x0, z0, cellMm, across, up, solid, soft, wire }: Profile,
  x: number,
  z: number,
  mm: number,
): boolean {
  const reach = Math.ceil(mm / cellMm);
  const [column, row] = [Math.round((x - x0) / cellMm), Math.round((z - z0) / cellMm)];
  for (let r = Math.max(0, row - reach); r <= Math.min(up - 1, row + reach); r++)
    for (let c = Math.max(0, column - reach); c <= Math.min(across - 1, column + reach); c++) {
      const i = r * across + c;
      if ((solid[i] as number) + (soft[i] as number) + (wire[i] as number) > 0.1) return true;
    }
  return false;
}

/** A point of the profile, and how much it speaks for the fly lying there: below 0 where there must be ground. */
export interface Witness {
  readonly x: number;
  readonly z: number;
  readonly weight: number;
}

const WEIGHTS = { solid: 1.2, soft: 0.6, ground: -0.55, far: -0.3 } as const;
/** What the wire that stands clear says, of all that is said. */
const WIRE_SHARE = 0.35;
/** How far round the fly ground speaks, mm. */
const ROUND_MM = { near: 2.4, far: 7 } as const;

/**
 * Witnesses of a fly: what is covered by its body and hair, the ground round it, and its wire where it stands clear, with ground on both
 * sides of it.
 * @param cellMm one witness a cell @param most of them, the wire's left out
 */
export function witnessesOf(laid: LaidFly, line: WireLine, cellMm: number, most: number): readonly Witness[] {
  const profile = profileOf(laid, cellMm);
  const { x0, z0, across, up, solid, soft, wire } = profile;
  const [near, pad] = [Math.round(ROUND_MM.near / cellMm), Math.round(ROUND_MM.far / cellMm)];
  const [wide, tall] = [across + 2 * pad, up + 2 * pad];
  const bare = new Uint8Array(wide * tall).fill(1);
  for (let r = 0; r < up; r++)
    for (let c = 0; c < across; c++) {
      const i = r * across + c;
      if ((solid[i] as number) + (soft[i] as number) + (wire[i] as number) > 0.05) bare[(r + pad) * wide + c + pad] = 0;
    }
  const off = depthOf((i) => bare[i] === 1, wide, tall);
  const found: Witness[] = [];
  for (let row = 0; row < tall; row++)
    for (let column = 0; column < wide; column++) {
      const [c, r] = [column - pad, row - pad];
      const [x, z] = [x0 + c * cellMm, z0 + r * cellMm];
      const away = off[row * wide + column] as number;
      if (away > 0) {
        if (away <= near) found.push({ x, z, weight: WEIGHTS.ground });
        else if (away <= pad && (column + row) % 3 === 0) found.push({ x, z, weight: WEIGHTS.far });
        continue;
      }
      const i = r * across + c;
      if ((solid[i] as number) > 0.4) found.push({ x, z, weight: WEIGHTS.solid });
      else if ((soft[i] as number) > 0.25) found.push({ x, z, weight: WEIGHTS.soft });
    }
  const every = Math.max(1, found.length / most);
  const some = Array.from({ length: Math.min(most, found.length) }, (_, k) => found[Math.floor(k * every)] as Witness);
  return [...some, ...wireWitnesses(profile, line, some)];
}

/** Wire that stands clear, as a share of what all others say. */
function wireWitnesses(profile: Profile, { points }: WireLine, others: readonly Witness[]): readonly Witness[] {
  const clear = points.filter(({ hidden }) => !hidden);
  const said = others.reduce((sum, { weight }) => sum + Math.abs(weight), 0);
  const each = (WIRE_SHARE * said) / Math.max(1, 2 * clear.length);
  return clear.flatMap(({ x, z, nx, nz, wireMm }) => {
    const aside = ASIDE * wireMm;
    const sides = [1, -1].map((way) => [x + way * nx * aside, z + way * nz * aside] as const);
    return [
      { x, z, weight: each },
      ...sides
        .filter(([sx, sz]) => coverAt(profile, sx, sz) < 0.1)
        .map(([sx, sz]) => ({ x: sx, z: sz, weight: -each / 2 })),
    ];
  });
}

/** Ground is asked for so many wires to either side of one. */
const ASIDE = 1.6;

/** A point of the platform's wire: its place, the direction across it, and how thick it is, mm. */
export interface WirePoint {
  readonly x: number;
  readonly z: number;
  readonly nx: number;
  readonly nz: number;
  readonly wireMm: number;
  /** Whether something of the plan lies before it. */
  readonly hidden: boolean;
}

/** An end of a wire that stands free: where it ends, and which way. */
export interface WireEnd {
  readonly x: number;
  readonly z: number;
  readonly dx: number;
  readonly dz: number;
  readonly wireMm: number;
  readonly what: 'front' | 'point';
  /** Whether something of the plan lies before it, or about it. */
  readonly hidden: boolean;
}

export interface WireLine {
  readonly points: readonly WirePoint[];
  readonly ends: readonly WireEnd[];
}

const STEP_MM = 0.2;
const HIDES = 0.3;

/** How much of the fly but its wire lies over a place of its profile. */
function coverAt({ x0, z0, cellMm, across, up, solid, soft }: Profile, x: number, z: number): number {
  const [column, row] = [Math.round((x - x0) / cellMm), Math.round((z - z0) / cellMm)];
  if (column < 0 || row < 0 || column >= across || row >= up) return 0;
  const i = row * across + column;
  return Math.max(solid[i] as number, soft[i] as number);
}

type Flat = readonly (readonly [x: number, z: number])[];

/** Points along a line of wire, a fifth of a millimetre apart. */
function alongLine(line: Flat, wireMm: number, profile: Profile): WirePoint[] {
  const points: WirePoint[] = [];
  for (let i = 1; i < line.length; i++) {
    const [[ax, az], [bx, bz]] = [line[i - 1] as Flat[number], line[i] as Flat[number]];
    const length = Math.hypot(bx - ax, bz - az);
    if (length < 1e-6) continue;
    const [nx, nz] = [-(bz - az) / length, (bx - ax) / length];
    for (let s = 0; s < length; s += STEP_MM) {
      const [x, z] = [ax + (s / length) * (bx - ax), az + (s / length) * (bz - az)];
      points.push({ x, z, nx, nz, wireMm, hidden: coverAt(profile, x, z) > HIDES });
    }
  }
  return points;
}

/** The free end of a line that runs to the second of two places; it stands clear where nothing of the plan lies a wire or two to any side. */
function endOf(
  [from, to]: readonly [Flat[number], Flat[number]],
  wireMm: number,
  what: WireEnd['what'],
  profile: Profile,
  overMm = 0,
): WireEnd {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [dx, dz] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const [x, z] = [to[0] + dx * overMm, to[1] + dz * overMm];
  const about = [0, 1, 2].flatMap((by) => [
    [by * dx, by * dz],
    [by * dz, -by * dx],
    [-by * dz, by * dx],
  ]) as (readonly [number, number])[];
  const hidden = about.some(([ax, az]) => coverAt(profile, x + ax * wireMm, z + az * wireMm) > HIDES);
  return { x, z, dx, dz, wireMm, what, hidden };
}

/**
 * What of a platform is hard and known: its wires, or its tube, as they are seen from the side, and where they end. Both wires of a double lie
 * one behind the other, and a ring is seen from its edge.
 */
export function wireLineOf(laid: LaidFly): WireLine {
  const { wires, tube } = laid.platform;
  const profile = profileOf(laid, 0.25);
  const points: WirePoint[] = [];
  const ends: WireEnd[] = [];
  const seen = new Set<string>();
  if (tube) {
    const line: Flat = [
      [tube.lengthMm, 0],
      [0, 0],
    ];
    points.push(...alongLine(line, tube.outsideMm, profile));
    ends.push(
      endOf(
        [
          [tube.lengthMm, 0],
          [0, 0],
        ],
        tube.outsideMm,
        'front',
        profile,
      ),
    );
  }
  for (const { kind, points: whole, diameterMm } of wires) {
    const all: Flat = whole.map(([x, , z]) => [x, z] as const);
    const line = kind === 'ring' ? all.slice(0, Math.ceil(all.length / 2)) : all;
    const key = JSON.stringify(line);
    const [last, before] = [line.at(-1), line.at(-2)];
    if (kind === 'braid' || seen.has(key) || !last || !before) continue;
    seen.add(key);
    points.push(...alongLine(line, diameterMm, profile));
    if (kind === 'hook') ends.push(endOf([before, last], diameterMm, 'point', profile));
    // The ring of a hook that trails lies in the tube.
    if (kind === 'ring' && !tube) ends.push(endOf([before, last], diameterMm, 'front', profile, diameterMm / 2));
  }
  return { points, ends };
}
