/** A point or vector in mm: x aft of the eye, y toward the tier, z away from the point. */
export type Vec3 = readonly [x: number, y: number, z: number];

/** A lump of matter: mass in mg, displaced volume in mm³, centroid in mm. */
export interface SolidLump {
  readonly massMg: number;
  readonly volumeMm3: number;
  readonly centroid: Vec3;
}

/** One cut through a section: centre and semi-axes in mm, opacity 0-1. Written by `Section.at`. */
export interface Ellipse {
  y: number;
  z: number;
  semiY: number;
  semiZ: number;
  opacity: number;
}

/** Where a limp section passes its load on to: the shank axis at its own x, or the nearest of some points. */
export type LoadRoot = 'axis' | readonly Vec3[];

/** A stretch of matter along x whose cut is an ellipse: what the water meets, what is drawn, and what is weighed are the same. */
export interface Section {
  readonly owner: string;
  readonly fromMm: number;
  readonly toMm: number;
  /** 0 stiff wire, 1 limp as plume. */
  readonly softness: number;
  readonly root: LoadRoot;
  /** Diameter of the ball it belongs to, 0 for anything else. */
  readonly ballMm: number;
  /** Turn of the ellipse about x, radians, in the sense of a roll. */
  readonly turn: number;
  /** Flow never narrows it below this semi-axis, mm. */
  readonly leastSemiMm: number;
  /** Semi-axis of what it is wound on, mm: what stands out beyond it is what the flow along the fly meets. 0 for what is not wound. */
  readonly coreMm: number;
  /** Opacity seen along the shank where it differs from the one seen across it; null where it does not. */
  readonly endOn: ((x: number) => number) | null;
  /** Fills `out` with the cut at x; the caller keeps x inside the section. */
  readonly at: (x: number, out: Ellipse) => void;
}

type SectionGiven = Pick<Section, 'owner' | 'fromMm' | 'toMm' | 'at'> & Partial<Section>;

/** A section with the stiff defaults of metal, overridden where told. Built field by field: it is made some hundred times per solve. */
export const section = (given: SectionGiven): Section => ({
  owner: given.owner,
  fromMm: given.fromMm,
  toMm: given.toMm,
  at: given.at,
  softness: given.softness ?? 0,
  root: given.root ?? 'axis',
  ballMm: given.ballMm ?? 0,
  turn: given.turn ?? 0,
  leastSemiMm: given.leastSemiMm ?? 0,
  coreMm: given.coreMm ?? 0,
  endOn: given.endOn ?? null,
});

/** Fills an ellipse in one line. */
export function setEllipse(out: Ellipse, y: number, z: number, semiY: number, semiZ: number, opacity = 1): void {
  out.y = y;
  out.z = z;
  out.semiY = semiY;
  out.semiZ = semiZ;
  out.opacity = opacity;
}
