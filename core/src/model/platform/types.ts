import type { Section, SolidLump, Vec3 } from './section.ts';

/** The barb of a hook: how far from the point, mm, and whether it is pressed down. */
export interface Barb {
  readonly mm: number;
  readonly pinched: boolean;
}

/** A wire of the platform as a centre line, for the drawing. */
export interface WireRun {
  readonly kind: 'hook' | 'ring' | 'loop' | 'shank' | 'braid';
  readonly points: readonly Vec3[];
  readonly diameterMm: number;
  /** Length of the spear at its end, 0 for none. */
  readonly spearMm: number;
  readonly barb: Barb | null;
}

/** What hangs behind a tube or a shank: how it is seen and met by water, so that it can be left off a fly that is not finished. */
export interface Trail {
  readonly of: 'loop' | 'hook';
  readonly sections: readonly Section[];
  readonly wires: readonly WireRun[];
}

/** The tube of a tube fly, for the drawing. */
export interface TubeForm {
  readonly lengthMm: number;
  readonly outsideMm: number;
  readonly insideMm: number;
  readonly tint: string;
}

/**
 * What a fly is tied on, measured and weighed. Lengths in mm; gap and wire are null where there is no hook. On tubes and shanks
 * "shank" is the body's length and `bend` its rear; point, barb, gap, wire and rear are the trailing hook's.
 */
export interface Platform {
  readonly kind: string;
  readonly shankMm: number;
  readonly gapMm: number | null;
  readonly wireMm: number | null;
  readonly hookMm: number;
  readonly landmarksMm: {
    readonly eye: number;
    readonly mid: number;
    readonly point: number | null;
    readonly barb: number | null;
    readonly bend: number;
    readonly rear: number;
  };
  readonly towPoint: Vec3;
  readonly lumps: readonly SolidLump[];
  readonly sections: readonly Section[];
  readonly skinMm2: number;
  /** Distance from the axis to the surface things are tied on, and the diameter that wound work goes round. */
  readonly surfaceMm: number;
  readonly windMm: number;
  /** Diameter of a head so many wires across. */
  readonly headMm: (wires: number) => number;
  /** What the trim lever is a share of. */
  readonly leverMm: number;
  /** True where the point stands up when the wing does. */
  readonly pointUp: boolean;
  /** A point `mm` along the wire past the bend: place and downward slope in radians. */
  readonly alongWire: (mm: number) => { readonly x: number; readonly z: number; readonly slope: number };
  /** Height of the wire's centre line at x. */
  readonly axisZ: (x: number) => number;
  readonly wires: readonly WireRun[];
  /** What of its sections and wires hangs behind. */
  readonly trails: readonly Trail[];
  readonly tube: TubeForm | null;
  /** What is to be said of the hook: a packet that is not there, or holds another kind. */
  readonly notes: readonly string[];
  /** True where shank, gap or wire come from the nominal series rather than a caliper. */
  readonly nominal: { readonly shank: boolean; readonly gap: boolean; readonly wire: boolean };
}
