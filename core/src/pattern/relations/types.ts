import type { Fault } from '../../base/index.ts';
import type { Anchor, LengthRelation, PositionRelation, Term } from './ast.ts';

/** One addend of a solved relation: the words as typed and what they come to, in mm. */
export interface Piece {
  readonly text: string;
  readonly mm: number;
}

/** A solved relation: the target, its band (equal ends when there is none), and the terms it is made of. All in mm. */
export interface Reading {
  readonly mm: number;
  readonly low: number;
  readonly high: number;
  readonly pieces: readonly Piece[];
  /** Arc length past the bend along the wire, where the position is one `round` it. */
  readonly roundMm?: number;
}

interface PartBase {
  readonly id: string;
  readonly role: string;
  readonly path: string;
  /** Further lengths of the part that nothing leans on (width, bore, pinch ...), by their key in the file. */
  readonly lengths: Readonly<Record<string, LengthRelation>>;
  readonly places: Readonly<Record<string, PositionRelation>>;
}

/** What the solver knows of a part: where it begins and ends, its tip and its length; never its construction. */
export type MeasuredPart =
  | (PartBase & {
      readonly shape: 'ball';
      readonly at: PositionRelation;
      readonly diameter: LengthRelation;
      /** How much of the shank it takes: a length of its own, or a share of its diameter. */
      readonly along: LengthRelation | null;
      readonly alongOfDiameter: number;
    })
  | (PartBase & {
      readonly shape: 'span';
      readonly from: PositionRelation;
      readonly to: PositionRelation | null;
      readonly turns: number | null;
      /** Advance per turn: its own pitch, or the strand where turns touch. */
      readonly pitch: LengthRelation | null;
      /** Where the tips of a collar of hair lie; null for wound work, which has none. */
      readonly tip: PositionRelation | null;
    })
  /** A coat: it lies where the part it covers lies, or over the thread head where it names none. */
  | (PartBase & { readonly shape: 'over'; readonly over: string | null })
  | (PartBase & {
      readonly shape: 'free';
      readonly at: PositionRelation;
      readonly boundAt: readonly PositionRelation[];
      readonly buttsTo: PositionRelation | null;
      readonly length: LengthRelation | null;
      readonly tip: PositionRelation | null;
      /** mm along x for 1 mm of free length, when it is tied in `roundMm` past the bend; negative where it lies forward. */
      readonly reach: (roundMm: number) => number;
    })
  | (PartBase & {
      readonly shape: 'fibres';
      readonly at: PositionRelation;
      readonly to: PositionRelation | null;
      readonly widthMm: number;
      readonly fibre: LengthRelation | null;
      readonly tip: PositionRelation | null;
      readonly reach: (roundMm: number) => number;
    });

export interface MeasureFrame {
  readonly landmarksMm: {
    readonly eye: number;
    readonly mid: number;
    readonly point: number | null;
    readonly barb: number | null;
    readonly bend: number;
    readonly rear: number;
  };
  readonly lengthsMm: {
    readonly shank: number;
    readonly gap: number | null;
    readonly wire: number | null;
    readonly hook: number;
  };
  /** The platform's word for itself, for errors ("a tube"). */
  readonly platform: string;
  /** x of a point that lies `mm` along the wire past the bend. */
  readonly roundX: (mm: number) => number;
  readonly headSpace: LengthRelation | null;
  readonly defaultHeadSpaceMm: number;
  readonly beadId: string | null;
}

/** Where a part lies, in mm from the eye: front and rear of what is bound or wound, its free tip and free length. */
export interface PartExtent {
  readonly startMm: number;
  readonly endMm: number;
  readonly tipMm: number | null;
  readonly lengthMm: number;
  readonly bandMm: readonly [number, number] | null;
  readonly buttsToMm: number | null;
  readonly roundMm: number;
  readonly bindingsMm: readonly number[];
  readonly lengths: Readonly<Record<string, Reading>>;
  /** Each relation of the part, solved, by its key in the file. */
  readonly readings: Readonly<Record<string, Reading>>;
}

export interface MeasureResult {
  readonly headSpaceMm: number;
  readonly headMm: number;
  readonly extents: ReadonlyMap<string, PartExtent>;
  readonly faults: readonly Fault[];
  /** Size in mm of one of a unit (shank, gap, a part's length), for pulling; null when the name means nothing. */
  readonly unitMm: (term: Term) => number | null;
  /** Where a place is, mm from the eye; null when it names nothing. */
  readonly anchorMm: (anchor: Anchor) => number | null;
}

export type SpanPart = Extract<MeasuredPart, { shape: 'span' }>;
export type FreePart = Extract<MeasuredPart, { shape: 'free' }>;
export type FibresPart = Extract<MeasuredPart, { shape: 'fibres' }>;
export type OverPart = Extract<MeasuredPart, { shape: 'over' }>;
