/** The typed tree of a relation. Offsets in the source text are kept, so that a rename or a pull edits the words as typed. */
import type { LandmarkName, PartProperty, QuantityName } from '../../data/index.ts';

export interface Span {
  readonly start: number;
  readonly end: number;
}

/** A number or a band of numbers; `low` equals `high` for a plain number. `span` is null where no number is written (`gap`). */
export interface Factor {
  readonly low: number;
  readonly high: number;
  readonly span: Span | null;
}

export type Unit =
  | { readonly kind: 'absolute'; readonly mm: number; readonly text: string }
  | { readonly kind: 'quantity'; readonly name: QuantityName }
  | { readonly kind: 'part'; readonly id: string }
  | { readonly kind: 'turns' };

export interface Term {
  readonly factor: Factor;
  readonly unit: Unit;
  readonly sign: 1 | -1;
  readonly span: Span;
  readonly text: string;
}

export type LengthForm =
  | { readonly form: 'sum'; readonly terms: readonly Term[] }
  | { readonly form: 'band'; readonly low: readonly Term[]; readonly high: readonly Term[] }
  | { readonly form: 'at-most'; readonly terms: readonly Term[] }
  | { readonly form: 'same-as'; readonly id: string };

export type Anchor =
  | { readonly kind: 'landmark'; readonly name: LandmarkName }
  | { readonly kind: 'station'; readonly factor: Factor }
  | { readonly kind: 'property'; readonly id: string; readonly property: PartProperty }
  | { readonly kind: 'between'; readonly a: Anchor; readonly b: Anchor }
  | { readonly kind: 'along'; readonly factor: Factor; readonly id: string }
  | { readonly kind: 'against'; readonly id: string }
  | { readonly kind: 'round'; readonly terms: readonly Term[] };

/** A name of a part as it stands in the text, for renaming. */
export interface Reference extends Span {
  readonly id: string;
}

export interface LengthRelation {
  readonly type: 'length';
  readonly text: string;
  readonly tree: LengthForm;
  readonly references: readonly Reference[];
}
export interface PositionRelation {
  readonly type: 'position';
  readonly text: string;
  readonly anchor: Anchor;
  readonly anchorSpan: Span;
  readonly offsets: readonly Term[];
  readonly references: readonly Reference[];
}
export type Relation = LengthRelation | PositionRelation;
