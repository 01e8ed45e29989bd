import type { Drawers } from '../../drawers/index.ts';
import type { Construction, Part, PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import type { Section, SolidLump, Vec3 } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import type { Outcome } from '../../base/index.ts';
import type { PartForm } from './forms.ts';

export type Side = 'top' | 'bottom' | 'near' | 'far' | 'both' | 'around' | 'axis';

/** What a part is measured against before anything is built. */
export type MeasuredOn = Pick<Ground, 'platform' | 'drawers'>;

/** What a part is tied over, known while parts are built from the shank outward. All in mm. */
export interface Ground {
  readonly platform: Platform;
  readonly drawers: Drawers;
  readonly bedMm: number;
  /** Distance from the axis to the surface under a part at x. */
  readonly radiusUnder: (x: number) => number;
  /** Mean diameter of what lies under a span. */
  readonly meanDiameterUnder: (fromMm: number, toMm: number) => number;
  /** What a coat lies on: the sections of a part built before it, or of the thread head. */
  readonly sectionsOf: (id: string) => readonly Section[];
  /** Id of the part that this one's piece goes on as: what is bound or wound there is weighed there. */
  readonly goesOnAs: string | null;
}

export interface BuiltPart {
  readonly id: string;
  readonly role: string;
  readonly construction: Construction;
  readonly lumps: readonly SolidLump[];
  readonly sections: readonly Section[];
  /** Retained water, mg; it is neutral and only adds to what is cast. */
  readonly waterMg: number;
  /** Skin of a stiff part that meets the flow, mm². */
  readonly skinMm2: number;
  readonly turns: number | null;
  /** Radius of the finished surface at x, null where nothing can lie on it. Of wound and spun work it is never less than what that lies on. */
  readonly outer: ((x: number) => number) | null;
  /** True for wraps, hackles and spun work that are see-through: they trail like soft parts. */
  readonly seeThrough: boolean;
  readonly forms: readonly PartForm[];
  /** What the tier calls it, and the item of the drawer whose figures it has. */
  readonly material: string;
  readonly figuredAs: string;
  readonly notes: readonly string[];
  /** For a ball that sits on one side of the shank: what the tipping weight is asked of. */
  readonly ball: {
    readonly sided: boolean;
    readonly weighed: boolean;
    /** Share of the solid that it may be, cast and drilled as it is; 1 where that is known. */
    readonly leastShare: number;
    readonly density: number;
    readonly centroid: Vec3;
    readonly volumeMm3: number;
  } | null;
}

/** One construction: how it is measured and what it is built of. A new one is one file and one line in the registry. */
export interface ConstructionModule<C extends Construction> {
  readonly construction: C;
  /** Parses the relations of a part. */
  readonly measure: (part: PartOf<C>, path: string, bench: MeasuredOn) => Outcome<MeasuredPart>;
  readonly build: (part: PartOf<C>, extent: PartExtent, ground: Ground, path: string) => Outcome<BuiltPart>;
  /** Order in which wound work goes on: things of a higher rank lie over those of a lower one, whatever the list says. */
  readonly rank: (part: PartOf<C>) => number;
  readonly traits: Traits;
  /** How limp the free end is: 1 as broad hide, nothing for what has no free end. Judgement. */
  readonly limp: (piece: Piece<C>, drawers: Drawers) => number | null;
  /** The length one piece is cut to by itself, mm: bound, free, hold and waste; null for what is not cut. */
  readonly cutMm: (piece: Piece<C>) => number | null;
}

/** A part as it was measured and built. */
export interface Piece<C extends Construction> extends Omit<AnyPiece, 'file'> {
  readonly file: PartOf<C>;
}

/** A part of any construction. */
export interface AnyPiece {
  readonly file: Part;
  readonly extent: PartExtent;
  readonly built: BuiltPart;
}

/** What is so of every part of a construction, whatever its keys say. */
export interface Traits {
  /** Bound by its butts, its end free. */
  readonly free: boolean;
  /** Its butts are cut at a place. */
  readonly butts: boolean;
  /** Worked round the shank once it is tied in, so that the thread ends elsewhere than it began. */
  readonly worked: boolean;
  /** Wound as a strand or a stem, turn beside turn. */
  readonly strand: boolean;
  /** Its front and its rear are seen on the fly; of a clump or a feather they are under thread. */
  readonly ends: boolean;
}
