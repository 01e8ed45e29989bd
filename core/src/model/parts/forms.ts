import type { BundleMaterial, StripMaterial, WoundMaterial, COATS } from '../../data/index.ts';
import type { Vec3 } from '../platform/section.ts';

/** What the drawing needs to know of a part beyond its sections: the lie of its fibres, turns and balls. Lengths in mm. */
export type PartForm =
  | {
      readonly kind: 'ball';
      readonly shape: 'bead' | 'cone' | 'dumbbell' | 'bead-chain' | 'plastic' | 'stalked' | 'disc';
      readonly centre: Vec3;
      readonly diameterMm: number;
      readonly neckMm: number;
      readonly boreMm: number;
      readonly frontMm: number;
      readonly lengthMm: number;
      /** Discs: the sides they are glued to, what they lie on, and whether they are moulded. */
      readonly sides: readonly number[];
      readonly underMm: number;
      readonly domed: boolean;
      /** Of a dumbbell: its outer faces as cast, cut flat, or drilled. */
      readonly faces: 'round' | 'flat' | 'drilled';
      /** Of eyes on stalks: from the tie-in to each ball's middle. */
      readonly stalk: { readonly rearMm: number; readonly asideMm: number };
      /** Turn of a pair about the shank, radians, in the sense of a roll. */
      readonly rollRad: number;
      readonly tint: string;
    }
  | {
      readonly kind: 'feather';
      readonly manner: 'pair' | 'slips' | 'tips' | 'single';
      readonly line: FreeLine;
      readonly bound: readonly Vec3[];
      readonly widthMm: number;
      readonly totalMm: number;
      /** Turn of the blade's width about x, radians from the y axis, and the hand it is of. */
      readonly turn: number;
      readonly hand: 1 | 0 | -1;
      /** How far the blade's middle lies from the line, and its share of the full width at a share of its length. */
      readonly asideMm: (mm: number) => Vec3;
      readonly outline: (t: number) => number;
      /** Tints of married strands, top to bottom; empty where it is of one. */
      readonly married: readonly string[];
      readonly fromMm: number;
      readonly toMm: number;
      readonly tint: string;
    }
  | {
      /** Trimmed hair round the shank; `flatMm` is where it is cut level below, null where it is round. */
      readonly kind: 'spun';
      readonly fromMm: number;
      readonly toMm: number;
      readonly radiusMm: (x: number) => number;
      readonly coreMm: (x: number) => number;
      readonly axisZ: (x: number) => number;
      readonly flatMm: number | null;
      readonly lean: number;
      /** Tints packed one behind another, rear to front; empty where it is of one. */
      readonly bands: readonly string[];
      readonly fibreMm: number;
      readonly tint: string;
    }
  | {
      readonly kind: 'sheet';
      readonly fromMm: number;
      readonly toMm: number;
      readonly side: readonly [y: number, z: number];
      readonly widthMm: number;
      readonly widthAt: (x: number) => number;
      readonly thickMm: number;
      readonly centreMm: (x: number) => Vec3;
      readonly gloss: number;
      readonly opacity: number;
      readonly tint: string;
    }
  | {
      /** A clear skin over something: the cuts it lies on, and how thick it is. */
      readonly kind: 'coat';
      readonly cuts: readonly CoatCut[];
      readonly thickMm: number;
      readonly material: keyof typeof COATS;
      readonly tint: string;
    }
  | {
      /** What holds a tail up: turns of thread under it, a bump, a loop of stiff line, or stiff hair. */
      readonly kind: 'support';
      readonly manner: 'turn-under' | 'dam' | 'loop' | 'underlay';
      readonly root: Vec3;
      readonly along: Vec3;
      readonly out: Vec3;
      readonly widthMm: number;
    }
  | {
      readonly kind: 'wound';
      readonly manner: WoundMaterial['manner'] | 'wire';
      readonly fromMm: number;
      readonly toMm: number;
      readonly coreMm: number;
      readonly outerMm: (x: number) => number;
      readonly axisZ: (x: number) => number;
      readonly turns: number;
      /** Breadth of the strand and how thick one pass of it lies; 0 where the body is told by its outline. */
      readonly strandMm: number;
      readonly thickMm: number;
      /** How a body that is told by its outline is laid. */
      readonly laid: Laid | null;
      readonly counter: boolean;
      readonly tint: string;
      /** Of a second fur in the same loop; null where there is none. */
      readonly mixedTint: string | null;
    }
  | {
      readonly kind: 'bundle';
      readonly manner: BundleMaterial['manner'];
      readonly line: FreeLine;
      /** Diameter where it is bound, drawn together by the thread; and squeezed between the fingers, as it is told. */
      readonly pinchMm: number;
      readonly squeezedMm: number;
      readonly spreadV: number;
      readonly spreadH: number;
      readonly taper: number;
      readonly softness: number;
      readonly strands: number;
      readonly fibreMm: number;
      /** How level its tips are: 1 all even, 0 as the hair grew, −1 staggered. */
      readonly level: number;
      readonly tint: string;
      /** Centre line of the butts bound along the shank, front to rear; empty where they are trimmed at the tie-in. */
      readonly bound: readonly Vec3[];
    }
  | {
      readonly kind: 'strip';
      readonly line: FreeLine;
      readonly bound: readonly Vec3[];
      readonly side: readonly [y: number, z: number];
      readonly widthMm: number;
      /** Width of the hide so many mm along it. */
      readonly widthAt: (mm: number) => number;
      readonly fromMm: number;
      readonly toMm: number;
      readonly thickMm: number;
      readonly hairMm: number;
      readonly pileMm: number;
      readonly material: StripMaterial['name'];
      readonly tint: string;
    }
  | {
      readonly kind: 'hackle';
      readonly fromMm: number;
      readonly toMm: number;
      readonly fibreMm: number;
      readonly sweep: number;
      /** Radius the fibres stand on at x. */
      readonly stemMm: (x: number) => number;
      readonly axisZ: (x: number) => number;
      readonly fibres: number;
      readonly turns: number;
      /** 0 all round, −1 or 1 the half below or above. */
      readonly half: -1 | 0 | 1;
      /** The end whose fibres are shorter: −1 the front, 1 the rear, 0 neither. */
      readonly thinEnd: -1 | 0 | 1;
      readonly tint: string;
    }
  | {
      readonly kind: 'thread';
      readonly fromMm: number;
      readonly toMm: number;
      readonly radiusMm: (x: number) => number;
      readonly axisZ: (x: number) => number;
      readonly head: boolean;
      readonly tint: string;
    };

/**
 * How a strand makes a body of an outline: in passes of what lies flat, so many where thread makes up the rest, or turn beside turn on the
 * core that its fibres stand off. mm
 */
export type Laid =
  | { readonly by: 'passes'; readonly breadthMm: number; readonly thickMm: number; readonly passes: number | null }
  | { readonly by: 'core'; readonly coreMm: number; readonly pitchMm: number };

/** One cut of what a coat lies on. mm */
export interface CoatCut {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly semiY: number;
  readonly semiZ: number;
}

/** The straight centre line of a free part: where it leaves its last binding, and which way. `along` is a unit vector, `out` points away from the shank. */
export interface FreeLine {
  readonly root: Vec3;
  readonly along: Vec3;
  readonly out: Vec3;
  readonly lengthMm: number;
}
