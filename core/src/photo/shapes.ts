import { BINS, circleAmong, clearOf, edgeOf, LEAST_BINS, type Ring } from './circle.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import { contourOf } from './contour.ts';
import type { LengthFound } from './lengths.ts';
import { crossings, pointPlace } from './silhouette.ts';
import { type Profile, profileOf, wireAt } from './template.ts';

/** What an outline tells beside its tips: each as it is seen, and as the plan’s own outline has it. */
export interface ShapeFound {
  /** From the point straight up to what lies over it, mm; null where that is covered. */
  readonly gap: { readonly mm: number; readonly planMm: number } | null;
  /** How thick the body is at stations of the shank where nothing else lies over or under it, mm. */
  readonly depths: readonly { readonly station: number; readonly mm: number; readonly planMm: number }[];
  /** How far a hackle’s fibres stand off the shank, degrees from it. */
  readonly angles: readonly { readonly part: string; readonly deg: number; readonly planDeg: number }[];
  readonly lengths: readonly LengthFound[];
}

const PLAN_CELL_MM = 0.1;
/** What is solid ends where it covers half of a cell; however thin hair is by plan, each of its strands is seen. */
const [HALF, HAIR] = [0.5, 0.06];
/** How far off an edge is, mm: half a pixel and the fibres that stand off it. */
const EDGE_MM = 0.08;
/** A length more uncertain than this share of it is not told. */
const WORST = 0.08;
const isSure = ({ mm, spreadMm }: LengthFound): boolean => mm > 0 && spreadMm <= WORST * mm;

/** A fly's own outline as one would see it from its side, mm. */
export const outlineOf = (laid: LaidFly): Ring => planOf(laid).ring;

/** How an outline was seen. */
export interface SeenBy {
  /** Times the millimetres of the plan's shank, where another measure sets the scale. */
  readonly scale: number;
  /** How far off the scale is, as a share. */
  readonly share: number;
  /** How far off the eye is, mm; endless where it is not seen. */
  readonly eyeMm: number;
}
const EXACTLY: SeenBy = { scale: 1, share: 0, eyeMm: 0 };

interface Plan {
  readonly laid: LaidFly;
  readonly profile: Profile;
  readonly ring: Ring;
}

const plans = new WeakMap<LaidFly, Plan>();
/** The plan's own outline, as one would see it. */
function planOf(laid: LaidFly): Plan {
  let plan = plans.get(laid);
  if (!plan) {
    const profile = profileOf(laid, PLAN_CELL_MM);
    const { x0, z0, cellMm, across, up, solid, soft, wire } = profile;
    const at = solid.map((value, i) =>
      Math.max(value, wire[i] as number) >= HALF || (soft[i] as number) > HAIR ? 1 : 0,
    );
    const ring = contourOf({ width: across, height: up, at }).map(
      ([column, row]) => [x0 + column * cellMm, z0 + row * cellMm] as const,
    );
    plans.set(laid, (plan = { laid, profile, ring }));
  }
  return plan;
}

/** Where a line straight up at x crosses a ring, from below. */
const upright = (ring: Ring, x: number): number[] =>
  crossings(
    ring.map(([a, b]) => [b, a] as const),
    x,
  );

/** Just ahead of the point there is none of its own wire under the shank. */
const AHEAD_MM = 0.5;

/** From the point to what lies over it. */
function gapIn(ring: Ring, laid: LaidFly): number | null {
  const point = pointPlace(laid);
  if (!point) return null;
  const [x, z] = [point[0] - AHEAD_MM, point[1]];
  const cuts = upright(ring, x);
  const below = cuts.filter((each) => each <= z).length;
  const over = cuts.find((each) => each > z);
  // An odd number of edges under it: the place beside the point is covered itself.
  return below % 2 === 1 || over === undefined ? null : over - z;
}

const BESIDE_MM = 0.4;

/** The body's middle at x by plan, where nothing but it lies there; else null. */
function bareAt({ profile }: Plan, x: number): number | null {
  const { x0, z0, cellMm, across, up, solid, soft } = profile;
  const beside = Math.round(BESIDE_MM / cellMm);
  const column = Math.round((x - x0) / cellMm);
  let [low, high] = [Infinity, -Infinity];
  for (let c = Math.max(0, column - beside); c <= Math.min(across - 1, column + beside); c++)
    for (let row = 0; row < up; row++) {
      const i = row * across + c;
      if (c === column && (solid[i] as number) > 0.5) [low, high] = [Math.min(low, row), Math.max(high, row)];
      if ((soft[i] as number) > 0.05) return null;
    }
  return low > high ? null : z0 + ((low + high) / 2) * cellMm;
}

/** The run of what is covered about a place of a line straight up at x, mm. */
function depthIn(ring: Ring, x: number, z: number): number | null {
  const cuts = upright(ring, x);
  for (let k = 0; k + 1 < cuts.length; k += 2) {
    const [low, high] = [cuts[k] as number, cuts[k + 1] as number];
    if (low <= z && z <= high) return high - low;
  }
  return null;
}

const STATIONS = [2, 3, 4, 5, 6, 7, 8, 9] as const;

function depthsOf(plan: Plan, ring: Ring, scale: number): ShapeFound['depths'] {
  return STATIONS.flatMap((station) => {
    const x = (station / 10) * plan.laid.platform.shankMm;
    const z = bareAt(plan, x);
    if (z === null) return [];
    const [seen, planned] = [depthIn(ring, x, z), depthIn(plan.ring, x, z)];
    return seen === null || planned === null ? [] : [{ station, mm: scale * seen, planMm: planned }];
  });
}

/** Balls that are round from the side. */
const ROUND: ReadonlySet<string> = new Set(['bead', 'dumbbell', 'bead-chain', 'plastic']);

/** An eye or a bead: how large it is and where it sits, by a circle through what of its edge stands clear. */
function ballIn(
  plan: Plan,
  ring: Ring,
  { file, built, extent }: LaidPart,
  { scale, share, eyeMm }: SeenBy,
): LengthFound[] {
  const told = extent.lengths['diameter'] ?? extent.readings['diameter'];
  if (file.construction !== 'ball' || !ROUND.has(file.shape) || !built.ball || !told) return [];
  const [x, , z] = built.ball.centroid;
  const r = told.mm / 2;
  const clear = clearOf(plan.ring, [x, z], r);
  if (clear.size < LEAST_BINS) return [];
  const [seen, planned] = [ring, plan.ring].map((each) => edgeOf(each, [x, z], r, clear));
  if (!seen || !planned || seen.length < LEAST_BINS || planned.length < LEAST_BINS) return [];
  const [is, meant] = [circleAmong(seen), circleAmong(planned)];
  if (!is || !meant) return [];
  if (is.offMm > 0.12 * r) return [];
  // The less of it stands clear, the less a circle through it is pinned.
  const off = (Math.hypot(is.offMm, EDGE_MM) * (BINS / is.points)) / Math.sqrt(is.points);
  const mm = told.mm + 2 * (scale * is.r - meant.r);
  const at = (extent.startMm + extent.endMm) / 2 + scale * is.x - meant.x;
  const diameter = { measure: `${file.id}.diameter`, mm, spreadMm: Math.hypot(2 * off, share * mm) };
  if (!isSure(diameter)) return [];
  // A place is no length: it is told as long as it is sure against the ball itself.
  const place = { measure: `${file.id}.at`, mm: at, spreadMm: Math.hypot(off, share * at, eyeMm) };
  return place.spreadMm <= WORST * mm ? [diameter, place] : [diameter];
}

const BESIDE_WIRE_MM = 0.3;
/** What of a ring does not lie along the plan's wire. */
const offWire = ({ profile }: Plan, ring: Ring): Ring =>
  ring.filter(
    ([x, z]) =>
      ![-1, 0, 1].some((i) => [-1, 0, 1].some((k) => wireAt(profile, x + i * BESIDE_WIRE_MM, z + k * BESIDE_WIRE_MM))),
  );

interface Reach {
  readonly mm: number;
  readonly deg: number;
}

/** How far a ring reaches from a place about a direction. @param isWithin whether so far off it, radians, at so many mm is its own still */
function reachIn(
  ring: Ring,
  [x, z]: readonly [number, number],
  toward: number,
  isWithin: (off: number, mm: number) => boolean,
): Reach | null {
  let best: Reach | null = null;
  for (const [px, pz] of ring) {
    const [dx, dz] = [px - x, pz - z];
    const angle = Math.atan2(dz, dx);
    const off = Math.abs(((angle - toward + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
    const mm = Math.hypot(dx, dz);
    if (isWithin(off, mm) && (!best || mm > best.mm)) best = { mm, deg: (angle * 180) / Math.PI };
  }
  return best;
}

/** Half of the cone in which a plan's own fibres are looked for, and those that are seen, radians. */
const CONE = { plan: 0.65, seen: 0.3 } as const;
const within =
  (cone: number, most: number) =>
  (off: number, mm: number): boolean =>
    off <= cone && mm <= most;
/** A throat is no narrower strip than this, mm either side. */
const STRIP_MM = 0.8;
const MOST_LONGER = 1.3;
/** Fibres that stand off less are not told apart, degrees. */
const LEAST_DEG = 30;
/** The plan's own outline has to end where the part does, mm and share, or something else lies there. */
const ENDS = { mm: 0.8, share: 0.12 } as const;

/** What a part that ends over or under the body reaches, from where it is tied in: a throat, a beard, legs. */
function throatIn(plan: Plan, ring: Ring, part: LaidPart, { scale, share }: SeenBy): LengthFound[] {
  const { file, extent } = part;
  const { laid } = plan;
  if (file.construction !== 'bundle' && file.construction !== 'feather') return [];
  if (extent.tipMm === null || extent.tipMm >= laid.platform.landmarksMm.bend) return [];
  const own = planTip(laid, file.id);
  if (!own) return [];
  const toward = Math.atan2(own.tip[1] - own.root[1], own.tip[0] - own.root[0]);
  const strip = Math.max(STRIP_MM, own.half);
  const long = Math.hypot(own.tip[0] - own.root[0], own.tip[1] - own.root[1]);
  // What lies further behind it, such as the point, is not its own.
  const inStrip = (off: number, mm: number): boolean =>
    off < 1 && mm * Math.sin(off) <= strip && mm < MOST_LONGER * long;
  const [seen, planned] = [ring, plan.ring].map((each) => reachIn(each, own.root, toward, inStrip));
  if (!seen || !planned || Math.abs(planned.mm - long) > Math.max(ENDS.mm, ENDS.share * long)) return [];
  const mm = extent.lengthMm + scale * seen.mm - planned.mm;
  return [{ measure: file.id, mm, spreadMm: Math.hypot(0.03 * mm, 2 * EDGE_MM, share * mm) }];
}

/** Where a part begins and ends by plan, by the middle of its sections, and half its breadth there. */
function planTip(
  laid: LaidFly,
  id: string,
): { readonly root: readonly [number, number]; readonly tip: readonly [number, number]; readonly half: number } | null {
  const own = laid.sections.filter(({ owner }) => owner === id);
  const first = own.reduce<(typeof own)[number] | null>(
    (best, each) => (!best || each.fromMm < best.fromMm ? each : best),
    null,
  );
  const last = own.reduce<(typeof own)[number] | null>(
    (best, each) => (!best || each.toMm > best.toMm ? each : best),
    null,
  );
  if (!first || !last) return null;
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  first.at(first.fromMm, cut);
  const root = [first.fromMm, cut.z] as const;
  last.at(last.toMm, cut);
  return { root, tip: [last.toMm, cut.z], half: cut.semiZ };
}

/** A hackle's fibres: how long they are and how far they stand off, below the fly, or over it where something else lies below. */
function hackleIn(plan: Plan, ring: Ring, { file, built, extent }: LaidPart, { scale, share }: SeenBy) {
  const told = extent.lengths['fibre'] ?? extent.readings['fibre'];
  if (file.construction !== 'hackle' || !told) return null;
  const x = (extent.startMm + extent.endMm) / 2;
  const under = built.outer?.(x) ?? 0;
  for (const side of [-1, 1]) {
    const root = [x, side * under] as const;
    // The way the plan's own fibres point: the furthest of its outline on that side.
    const planned = reachIn(plan.ring, root, side * 0.9, within(CONE.plan, MOST_LONGER * told.mm));
    // Fibres that lie back that far cannot be told from what lies behind them.
    if (!planned || Math.abs(planned.deg) < LEAST_DEG) continue;
    if (Math.abs(planned.mm - told.mm) > Math.max(ENDS.mm, 0.2 * told.mm)) continue;
    const seen = reachIn(ring, root, (planned.deg * Math.PI) / 180, within(CONE.seen, MOST_LONGER * told.mm));
    if (!seen) continue;
    const mm = told.mm + scale * seen.mm - planned.mm;
    return {
      length: { measure: `${file.id}.fibre`, mm, spreadMm: Math.hypot(0.03 * mm, 2 * EDGE_MM, share * mm) },
      angle: { part: file.id, deg: Math.abs(seen.deg), planDeg: Math.abs(planned.deg) },
    };
  }
  return null;
}

/**
 * What an outline tells beside its tips: the gap that is left, how thick the body is, eyes and beads, hackles, throats. Each is measured on the
 * plan's own outline too, and told as far as the two differ, so that what a way of measuring leaves out it leaves out of both.
 */
export function shapesOf(ring: Ring, laid: LaidFly, by: SeenBy = EXACTLY): ShapeFound {
  const { scale } = by;
  const plan = planOf(laid);
  const [gap, planGap] = [gapIn(ring, laid), gapIn(plan.ring, laid)];
  const dressing: Plan = { ...plan, ring: offWire(plan, plan.ring) };
  const dressed = offWire(plan, ring);
  const hackles = laid.parts.flatMap((part) => hackleIn(dressing, dressed, part, by) ?? []);
  const lengths = [
    ...laid.parts.flatMap((part) => [
      ...ballIn(plan, ring, part, by),
      ...throatIn(dressing, dressed, part, by).filter(isSure),
    ]),
    ...hackles.map(({ length }) => length).filter(isSure),
  ];
  return {
    gap: gap === null || planGap === null ? null : { mm: scale * gap, planMm: planGap },
    depths: depthsOf(plan, ring, scale),
    angles: hackles.map(({ angle }) => angle),
    lengths,
  };
}
