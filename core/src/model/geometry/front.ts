import { fejer } from './fejer.ts';
import type { Section, Vec3 } from '../platform/section.ts';

/** Cuts of one section that stand for all of it, its ends among them. */
const CUTS = 9;
/** A strip of no breadth, mm. */
const NOTHING_MM = 1e-9;
/** Scan lines in all, at least, and between one edge of an outline and the next; one where they lie closer than this share of the breadth. */
const LEAST_LINES = 48;
const BETWEEN_EDGES = 3;
const CLOSE = 0.02;

/** What a section is to a flow along the shank: it trails, or it stands in the way: blunt, round in front, or round at both ends. */
export type Stands = 'trails' | 'blunt' | 'round' | 'ball';

/** Areas of a fly seen head-on, mm²: all of it, what is stiff, what of that is round in front, and what of that is round behind too. */
export interface FrontAreas {
  readonly allMm2: number;
  readonly stiffMm2: number;
  readonly roundMm2: number;
  readonly ballMm2: number;
}

const SETS = 4;
const SETS_OF: Readonly<Record<Stands, number>> = { trails: 1, blunt: 2, round: 3, ball: 4 };

interface Disc {
  readonly y: number;
  readonly z: number;
  readonly semiY: number;
  readonly semiZ: number;
  readonly cos: number;
  readonly sin: number;
  readonly opacity: number;
  /** Half of what it is drawn out by along a straight line, as a wire seen from the front is; nothing for a plain cut. */
  readonly outY: number;
  readonly outZ: number;
  /** Half its breadth across. */
  readonly reach: number;
  /** Whether it reaches farthest of its section. */
  widest: boolean;
  /** Of how many of the areas it is part, the first first. */
  readonly sets: number;
}

interface Wire {
  readonly points: readonly Vec3[];
  readonly diameterMm: number;
}

/** Whose sections wires are. */
const PLATFORM = 'platform';

type StandsOf = (section: Section) => Stands;

const inside = (disc: Disc, big: Disc): boolean =>
  disc.outY === 0 &&
  disc.outZ === 0 &&
  big.outY === 0 &&
  big.outZ === 0 &&
  big.sin === disc.sin &&
  big.cos === disc.cos &&
  big.opacity >= disc.opacity - 1e-9 &&
  Math.abs(disc.y - big.y) + disc.semiY <= big.semiY + 1e-9 &&
  Math.abs(disc.z - big.z) < 1e-9 &&
  disc.semiZ <= big.semiZ + 1e-9;

function discsIn(each: Section, sets: number): Disc[] {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const cos = Math.cos(each.turn);
  const sin = Math.sin(each.turn);
  const discs: Disc[] = [];
  for (let k = 0; k < CUTS; k++) {
    const x = each.fromMm + (k / (CUTS - 1)) * (each.toMm - each.fromMm);
    cut.opacity = 1;
    each.at(x, cut);
    const { y, z, semiY, semiZ } = cut;
    const opacity = each.endOn === null ? cut.opacity : each.endOn(x);
    if (!(semiY > 0 && semiZ > 0 && opacity > 0)) continue;
    const reach = Math.hypot(semiY * cos, semiZ * sin);
    const disc = { y, z, semiY, semiZ, cos, sin, opacity, reach, outY: 0, outZ: 0, sets, widest: false };
    const last = discs.at(-1);
    // A straight wire shows one disc however long it is.
    if (last && inside(disc, last)) continue;
    discs.push(disc);
  }
  const widest = discs.reduce<Disc | null>((most, disc) => (most && most.reach >= disc.reach ? most : disc), null);
  if (widest) widest.widest = true;
  return discs;
}

/** A bent wire seen from the front: its centre line in straight pieces, each a circle drawn out along it. */
function piecesOf({ points, diameterMm }: Wire): Disc[] {
  const pieces: { from: Spot; to: Spot }[] = [];
  points.forEach(([, y, z], i) => {
    const [here, last] = [{ y, z }, pieces.at(-1)];
    if (i === 0 || !last) pieces.push({ from: here, to: here });
    else if (!reaches(last, here)) pieces.push({ from: spotOf(points[i - 1] as Vec3), to: here });
  });
  const radius = diameterMm / 2;
  return pieces.map(({ from, to }) => ({
    y: (from.y + to.y) / 2,
    z: (from.z + to.z) / 2,
    outY: (to.y - from.y) / 2,
    outZ: (to.z - from.z) / 2,
    semiY: radius,
    semiZ: radius,
    cos: 1,
    sin: 0,
    opacity: 1,
    reach: radius + Math.abs(to.y - from.y) / 2,
    sets: SETS_OF.blunt,
    widest: true,
  }));
}

interface Spot {
  readonly y: number;
  readonly z: number;
}

const spotOf = ([, y, z]: Vec3): Spot => ({ y, z });
const STRAIGHT_MM = 1e-6;

/** Makes a piece reach as far as a spot where that lies on its line. */
function reaches(piece: { from: Spot; to: Spot }, spot: Spot): boolean {
  const { from, to } = piece;
  const [dy, dz] = [to.y - from.y, to.z - from.z];
  const length = Math.hypot(dy, dz);
  if (length < STRAIGHT_MM) {
    piece.to = spot;
    return true;
  }
  const [ay, az] = [spot.y - from.y, spot.z - from.z];
  if (Math.abs(ay * dz - az * dy) > STRAIGHT_MM * length) return false;
  const along = (ay * dy + az * dz) / length;
  if (along < 0) piece.from = spot;
  else if (along > length) piece.to = spot;
  return true;
}

/** The discs of each owner, those hidden inside another of the same owner left out. */
function discsOf(sections: readonly Section[], standsOf: StandsOf, wires: readonly Wire[]): Disc[][] {
  const owners = new Map<string, Disc[]>(wires.length > 0 ? [[PLATFORM, wires.flatMap(piecesOf)]] : []);
  sections.forEach((each) => {
    const discs = discsIn(each, SETS_OF[standsOf(each)]);
    const known = owners.get(each.owner);
    if (known) known.push(...discs);
    else owners.set(each.owner, discs);
  });
  return [...owners.values()].map((discs) => {
    const kept: Disc[] = [];
    for (const disc of discs.sort((a, b) => b.semiY * b.semiZ - a.semiY * a.semiZ))
      if (!kept.some((big) => big.sets >= disc.sets && inside(disc, big))) kept.push(disc);
    return kept;
  });
}

/** What covers a point of a scan line, added to and taken from as its chords begin and end. */
class Cover {
  private readonly opacity: Float64Array;
  private readonly sets: Uint8Array;
  private readonly ownerOf: Int32Array;
  private readonly firstOf: Int32Array;
  private readonly active: Uint8Array;
  /** By owner and set: the strongest that covers the point. */
  private readonly strongest: Float64Array;
  /** By set: what lies over the point is let through by all that is not opaque, and how much is opaque. */
  private readonly clear = new Float64Array(SETS).fill(1);
  private readonly opaque = new Int32Array(SETS);

  constructor(owners: readonly (readonly Disc[])[]) {
    const discs = owners.flat();
    this.opacity = Float64Array.from(discs, (disc) => disc.opacity);
    this.sets = Uint8Array.from(discs, (disc) => disc.sets);
    this.ownerOf = Int32Array.from(owners.flatMap((own, i) => own.map(() => i)));
    this.firstOf = new Int32Array(owners.length + 1);
    for (let i = 0; i < owners.length; i++)
      this.firstOf[i + 1] = (this.firstOf[i] as number) + (owners[i]?.length ?? 0);
    this.active = new Uint8Array(discs.length);
    this.strongest = new Float64Array(SETS * owners.length);
  }

  /** Begins or ends a disc's chord. */
  turn(disc: number, on: boolean): void {
    const { active, opacity, sets, firstOf } = this;
    active[disc] = on ? 1 : 0;
    const owner = this.ownerOf[disc] as number;
    const to = firstOf[owner + 1] as number;
    let all = 0;
    let stiff = 0;
    let round = 0;
    let ball = 0;
    for (let k = firstOf[owner] as number; k < to; k++) {
      if (active[k] === 0) continue;
      const shade = opacity[k] as number;
      const most = sets[k] as number;
      if (shade > all) all = shade;
      if (most > 1 && shade > stiff) stiff = shade;
      if (most > 2 && shade > round) round = shade;
      if (most > 3 && shade > ball) ball = shade;
    }
    this.set(owner * SETS, 0, all);
    this.set(owner * SETS, 1, stiff);
    this.set(owner * SETS, 2, round);
    this.set(owner * SETS, 3, ball);
  }

  private set(base: number, set: number, is: number): void {
    const was = this.strongest[base + set] as number;
    if (was === is) return;
    this.strongest[base + set] = is;
    this.put(set, was, -1);
    this.put(set, is, 1);
  }

  private put(set: number, opacity: number, by: 1 | -1): void {
    if (opacity >= OPAQUE) this.opaque[set] = (this.opaque[set] as number) + by;
    else if (by > 0) this.clear[set] = (this.clear[set] as number) * (1 - opacity);
    else this.clear[set] = (this.clear[set] as number) / (1 - opacity);
  }

  /** Begins a line that nothing covers yet. */
  wipe(): void {
    this.active.fill(0);
    this.strongest.fill(0);
    this.clear.fill(1);
    this.opaque.fill(0);
  }

  /** Adds so many mm of the point to each of the areas. */
  addTo(areas: Float64Array, mm: number): void {
    for (let set = 0; set < SETS; set++)
      areas[set] =
        (areas[set] as number) + ((this.opaque[set] as number) > 0 ? mm : mm * (1 - (this.clear[set] as number)));
  }
}

const OPAQUE = 1 - 1e-9;

/**
 * Where the outlines of sections begin and end across, the middle among them, in order. None is left out however near it lies to another: a
 * strip between two that meet is of no breadth, so that nothing jumps as they pass each other.
 * @param mirrored only the near side
 */
function edgesOf(discs: readonly Disc[], mirrored: boolean): number[] {
  const ends = discs.filter(({ widest }) => widest).flatMap(({ y, reach }) => [y - reach, y + reach]);
  const edges = [0, ...ends.filter((y) => !mirrored || y > 0)].sort((a, b) => a - b);
  return mirrored ? edges : symmetric(edges);
}

/** Edges as they are and as in a mirror, so that a fly and its mirror image are looked at alike. */
const symmetric = (edges: readonly number[]): number[] => [...edges, ...edges.map((y) => -y)].sort((a, b) => a - b);

/** The fly by scan lines; the chords of one line hardly differ from the next one's, so that they are nearly in order already. */
class Scan {
  private readonly discs: readonly Disc[];
  private readonly cover: Cover;
  private readonly ends: Float64Array;
  /** 2k where disc k begins, 2k + 1 where it ends, in their order along the line. */
  private readonly order: Int32Array;
  private readonly events: Int32Array;
  readonly areas = new Float64Array(SETS);

  constructor(owners: readonly (readonly Disc[])[]) {
    this.discs = owners.flat();
    this.cover = new Cover(owners);
    this.ends = new Float64Array(2 * this.discs.length);
    this.order = Int32Array.from(this.ends, (_, i) => i);
    this.events = new Int32Array(this.order.length);
  }

  /** Puts the ends of the chords that a line has in their order along it. @returns how many there are */
  private sort(): number {
    const { ends, order, events } = this;
    let count = 0;
    // As they lay on the line before, so that hardly one has to move.
    for (let i = 0; i < order.length; i++) {
      const event = order[i] as number;
      const at = ends[event] as number;
      if (at === Infinity) continue;
      let j = count - 1;
      while (j >= 0 && (ends[events[j] as number] as number) > at) {
        events[j + 1] = events[j] as number;
        j--;
      }
      events[j + 1] = event;
      count++;
    }
    let missed = count;
    for (let i = 0; i < order.length; i++)
      if (ends[order[i] as number] === Infinity) events[missed++] = order[i] as number;
    order.set(events);
    return count;
  }

  /** Adds what the line at y shows, so many mm of it. */
  add(y: number, weight: number): void {
    const { discs, ends, events, cover, areas } = this;
    for (let k = 0; k < discs.length; k++) chord(discs[k] as Disc, y, ends, 2 * k);
    const count = this.sort();
    cover.wipe();
    for (let i = 0; i + 1 < count; i++) {
      const event = events[i] as number;
      const at = ends[event] as number;
      const next = ends[events[i + 1] as number] as number;
      cover.turn(event >> 1, (event & 1) === 0);
      if (next > at) cover.addTo(areas, (next - at) * weight);
    }
  }
}

/** Writes where the line at y enters and leaves an ellipse; Infinity twice where it misses it. */
function chord(disc: Disc, y: number, out: Float64Array, at: number): void {
  const u = y - disc.y;
  out[at] = out[at + 1] = Infinity;
  if (Math.abs(u) >= disc.reach) return;
  const { cos, sin } = disc;
  if (disc.outY === 0 && sin === 0) {
    const share = u / disc.semiY;
    const half = Math.abs(disc.outZ) + disc.semiZ * Math.sqrt(1 - share * share);
    out[at] = disc.z - half;
    out[at + 1] = disc.z + half;
    return;
  }
  if (disc.outY !== 0) {
    drawnOut(disc, u, out, at);
    return;
  }
  const a2 = disc.semiY * disc.semiY;
  const b2 = disc.semiZ * disc.semiZ;
  // Points p·cos − q·sin = u with (p, q) on the ellipse; solve the quadratic in the height v.
  const a = (sin * sin) / a2 + (cos * cos) / b2;
  const b = 2 * u * sin * cos * (1 / a2 - 1 / b2);
  const c = (u * u * cos * cos) / a2 + (u * u * sin * sin) / b2 - 1;
  const root = b * b - 4 * a * c;
  if (root <= 0) return;
  const s = Math.sqrt(root);
  out[at] = disc.z + (-b - s) / (2 * a);
  out[at + 1] = disc.z + (-b + s) / (2 * a);
}

/** The same of a circle drawn out along a slanting line: the hull of two circles, between its two straight edges. @param u across from its middle */
function drawnOut({ z, semiY: radius, outY, outZ }: Disc, u: number, out: Float64Array, at: number): void {
  let low = Infinity;
  let high = -Infinity;
  const reach = (v: number): void => {
    low = Math.min(low, v);
    high = Math.max(high, v);
  };
  for (const end of [1, -1] as const) {
    const off = u - end * outY;
    if (Math.abs(off) > radius) continue;
    const half = Math.sqrt(radius * radius - off * off);
    reach(end * outZ - half);
    reach(end * outZ + half);
  }
  const length = Math.hypot(outY, outZ);
  for (const side of [1, -1] as const) {
    // An edge runs beside the line at the radius: (−outZ, outY)·side/length off it.
    const t = (u + (side * radius * outZ) / length) / outY;
    if (Math.abs(t) <= 1) reach(t * outZ + (side * radius * outY) / length);
  }
  if (low > high) return;
  out[at] = z + low;
  out[at + 1] = z + high;
}

/**
 * Areas of the fly seen head-on. Each part's outline is the union of its ellipses at the largest opacity covering a point; parts then
 * combine pointwise. Integrated over scan lines by exact chords, the lines dense toward the edges of outlines, where chords grow steeply.
 * @param mirrored the fly is its own mirror image in y: its near half is looked at alone
 * @param wires of the platform: seen as they are bent, and not as the cuts of sections show them
 */
export function frontAreas(
  sections: readonly Section[],
  standsOf: StandsOf = () => 'blunt',
  mirrored = false,
  wires: readonly Wire[] = [],
): FrontAreas {
  const owners = discsOf(sections, standsOf, wires);
  const all = owners.flat();
  if (all.length === 0) return { allMm2: 0, stiffMm2: 0, roundMm2: 0, ballMm2: 0 };
  const edges = edgesOf(all, mirrored);
  const scan = new Scan(owners);
  const lines = fejer(Math.max(BETWEEN_EDGES, Math.ceil(LEAST_LINES / (edges.length - 1))));
  const close = CLOSE * ((edges.at(-1) ?? 0) - (edges[0] ?? 0));
  for (let e = 0; e + 1 < edges.length; e++) {
    const from = edges[e] as number;
    const to = edges[e + 1] as number;
    if (to - from < NOTHING_MM) continue;
    const mid = (from + to) / 2;
    const half = (to - from) / 2;
    for (const { at, weight } of to - from < close ? fejer(1) : lines) scan.add(mid + half * at, weight * half);
  }
  const [allMm2 = 0, stiffMm2 = 0, roundMm2 = 0, ballMm2 = 0] = scan.areas.map((area) => (mirrored ? 2 : 1) * area);
  return { allMm2, stiffMm2, roundMm2, ballMm2 };
}
