import type { LaidFly } from '../model/index.ts';
import { type Pose, toFly, toPixel } from './pose.ts';
import { coverAtPlace, profileOf } from './template.ts';

/** Landmarks of a picture, px. */
export interface Marks {
  readonly eye: readonly [number, number];
  readonly bend: readonly [number, number];
  readonly point?: readonly [number, number] | undefined;
}

/** Where the point of a laid fly lies, mm; null where it has none. */
export function pointPlace({ platform }: LaidFly): readonly [number, number] | null {
  const tip = platform.wires.find(({ kind }) => kind === 'hook')?.points.at(-1);
  return tip ? [tip[0], tip[2]] : null;
}

/** How a fly lies by its landmarks: eye and end of the shank say where, how turned and how large, the point which way up and how tilted. */
export function poseBy({ eye, bend, point }: Marks, laid: LaidFly): Pose {
  const { shankMm } = laid.platform;
  const [dx, dy] = [bend[0] - eye[0], bend[1] - eye[1]];
  const scale = Math.max(1e-6, Math.hypot(dx, dy) / shankMm);
  const pose = (side: 1 | -1): Pose => ({
    tx: eye[0],
    ty: eye[1],
    turn: Math.atan2(side * dy, side * dx),
    scale,
    tall: 1,
    side,
  });
  const place = pointPlace(laid);
  if (!place || !point) return pose(dx < 0 ? -1 : 1);
  const off = (one: Pose): number => {
    const [px, py] = toPixel(one, place[0], place[1]);
    return Math.hypot(px - point[0], py - point[1]);
  };
  const best = off(pose(1)) <= off(pose(-1)) ? pose(1) : pose(-1);
  // The tilt that brings the point to where it was seen.
  const [, z] = toFly(best, point[0], point[1]);
  const tall = place[1] === 0 ? 1 : z / place[1];
  return tall > 0.6 && tall < 1.6 ? { ...best, tall } : best;
}

/** A fly's profile as it was seen against its plan's, mm². */
export interface Silhouette {
  readonly areaMm2: number;
  readonly planMm2: number;
  readonly onlyPlanMm2: number;
  readonly onlyFlyMm2: number;
  readonly seen: Shape;
  readonly plan: Shape;
}

/** Where the middle of a profile lies, mm aft of the eye and over the shank, and how many times as long it is as deep on average. */
export interface Shape {
  readonly centreMm: readonly [x: number, z: number];
  readonly slender: number;
}

const CELL_MM = 0.25;
/** Hair so thin by plan is as much ground as fly. */
const COVERED = 0.3;

/** Where a level line crosses a ring, in order. */
export function crossings(ring: readonly (readonly [number, number])[], z: number): number[] {
  const found: number[] = [];
  ring.forEach(([x, y], i) => {
    const [px, py] = ring[(i + ring.length - 1) % ring.length] ?? [x, y];
    if (py <= z !== y <= z) found.push(px + ((z - py) / (y - py)) * (x - px));
  });
  return found.sort((one, other) => one - other);
}

/** Sums over the cells of a profile, and how far it reaches along the hook. */
class Covered {
  cells = 0;
  private x = 0;
  private z = 0;
  private front = Infinity;
  private rear = -Infinity;

  add(x: number, z: number): void {
    this.cells++;
    this.x += x;
    this.z += z;
    this.front = Math.min(this.front, x);
    this.rear = Math.max(this.rear, x);
  }

  get areaMm2(): number {
    return this.cells * CELL_MM ** 2;
  }

  get shape(): Shape {
    if (this.cells === 0) return { centreMm: [0, 0], slender: 0 };
    const long = this.rear - this.front + CELL_MM;
    return { centreMm: [this.x / this.cells, this.z / this.cells], slender: long ** 2 / this.areaMm2 };
  }
}

/** An outline laid on the plan: what both cover, and what only one of them does. */
export function silhouetteOf(outline: readonly (readonly [number, number])[], marks: Marks, laid: LaidFly): Silhouette {
  const pose = poseBy(marks, laid);
  const ring = outline.map(([x, y]) => toFly(pose, x, y));
  const profile = profileOf(laid, CELL_MM);
  const [own, plan] = [new Covered(), new Covered()];
  let [onlyPlan, onlyFly] = [0, 0];
  const [low, high] = [
    Math.min(profile.z0, ...ring.map(([, z]) => z)),
    Math.max(profile.z0 + profile.up * CELL_MM, ...ring.map(([, z]) => z)),
  ];
  const [front, rear] = [
    Math.min(profile.x0, ...ring.map(([x]) => x)),
    Math.max(profile.x0 + profile.across * CELL_MM, ...ring.map(([x]) => x)),
  ];
  for (let z = low; z <= high; z += CELL_MM) {
    const cuts = crossings(ring, z);
    let k = 0;
    for (let x = front; x <= rear; x += CELL_MM) {
      while (k < cuts.length && (cuts[k] as number) <= x) k++;
      const seen = k % 2 === 1;
      const planned = coverAtPlace(profile, x, z) > COVERED;
      if (seen) own.add(x, z);
      if (planned) plan.add(x, z);
      if (seen && !planned) onlyFly++;
      if (planned && !seen) onlyPlan++;
    }
  }
  const cell = CELL_MM ** 2;
  return {
    areaMm2: own.areaMm2,
    planMm2: plan.areaMm2,
    onlyPlanMm2: onlyPlan * cell,
    onlyFlyMm2: onlyFly * cell,
    seen: own.shape,
    plan: plan.shape,
  };
}
