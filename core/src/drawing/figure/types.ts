import type { Barb, Vec3, CoatCut, WireRun } from '../../model/index.ts';

/** Numbers per fibre: root, bend and tip (x, y, z each), breadth at the root in mm, index of its tint. */
export const FIBRE_STRIDE = 11;

/** A run of a round body along x: centre height and radius at a few stations. mm */
export interface BodyStation {
  readonly x: number;
  readonly z: number;
  readonly r: number;
}

export type Solid =
  | {
      readonly kind: 'wire';
      readonly run: WireRun['kind'];
      readonly points: readonly Vec3[];
      readonly diameterMm: number;
      readonly spearMm: number;
      readonly barb: Barb | null;
    }
  | {
      readonly kind: 'body';
      readonly stations: readonly BodyStation[];
      readonly tint: string;
      readonly gloss: number;
      /** Slanted lines across it, one a turn. */
      readonly turns: number;
      readonly counter: boolean;
      readonly head: boolean;
    }
  | {
      readonly kind: 'rib';
      readonly stations: readonly BodyStation[];
      readonly turns: number;
      readonly breadthMm: number;
      readonly counter: boolean;
      readonly tint: string;
    }
  | {
      readonly kind: 'ball';
      readonly centre: Vec3;
      readonly r: number;
      readonly tint: string;
      /** What its outer face is, and which way it looks; null for one that has none. */
      readonly face: { readonly kind: 'ring' | 'flat' | 'drilled'; readonly out: Vec3 } | null;
      readonly boreMm: number;
    }
  | {
      /** A film strand or leg: root, bend and tip of a smooth curve of one breadth. */
      readonly kind: 'strand';
      readonly points: readonly [Vec3, Vec3, Vec3];
      readonly breadthMm: number;
      readonly tint: string;
      readonly glint: string | null;
    }
  | {
      readonly kind: 'tube';
      readonly lengthMm: number;
      readonly outsideMm: number;
      readonly insideMm: number;
      readonly tint: string;
    }
  | {
      /** A flat or moulded eye on one side: its rim lies at y, its face `highMm` further out. */
      readonly kind: 'disc';
      readonly centre: Vec3;
      readonly r: number;
      readonly out: number;
      readonly highMm: number;
      readonly domed: boolean;
      readonly tint: string;
    }
  | {
      /** A clear skin over some cuts. */
      readonly kind: 'coat';
      readonly cuts: readonly CoatCut[];
      readonly thickMm: number;
      readonly gloss: number;
      readonly tint: string;
    }
  | { readonly kind: 'neck'; readonly centre: Vec3; readonly half: Vec3; readonly r: number; readonly tint: string }
  | {
      readonly kind: 'ribbon';
      readonly points: readonly Vec3[];
      readonly thickMm: number;
      readonly widthMm: number;
      /** True where its width lies across the fly, false where it stands on edge. */
      readonly upright: boolean;
      readonly tint: string;
      /** Widths at its points where it narrows; empty where it is as wide all along. */
      readonly widths: readonly number[];
      readonly gloss: number;
    };

/** A line of the lines mode: a centre fibre, a fibre of a turn, or the way the hair lies. */
export interface DraftLine {
  readonly points: readonly Vec3[];
  readonly manner: 'centre' | 'fibre';
}

/** What one part looks like: solids, and fibres in one flat array. The envelope of the fibres is the section that was weighed. */
export interface PartFigure {
  readonly id: string;
  /** Order in which solids lie over one another: what is wound later is painted later, whatever was tied in first. */
  readonly layer: number;
  readonly solids: readonly Solid[];
  readonly fibres: Float32Array;
  readonly drafted: readonly DraftLine[];
  readonly tints: readonly string[];
  readonly broadest: number;
}

/** A fly as primitives in mm: every view is a projection of these, none is drawn for a view. */
export interface FlyFigure {
  readonly platform: PartFigure;
  readonly parts: readonly PartFigure[];
}
