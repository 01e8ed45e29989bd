import type { Drawers } from '../../drawers/index.ts';
import type { Construction, PartOf, MeasuredPart, PartExtent } from '../../pattern/index.ts';
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
  readonly material: string;
  readonly notes: readonly string[];
  /** For a ball that sits on one side of the shank: what the tipping weight is asked of. */
  readonly ball: {
    readonly sided: boolean;
    readonly weighed: boolean;
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
}
