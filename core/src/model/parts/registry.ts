import type { Construction, Part, MeasuredPart, PartExtent } from '../../pattern/index.ts';
import type { Outcome } from '../../base/index.ts';
import { ball } from './ball.ts';
import { bundle } from './bundle.ts';
import { coat } from './coat.ts';
import { feather } from './feather.ts';
import { hackle } from './hackle.ts';
import { sheet } from './sheet.ts';
import { spun } from './spun.ts';
import { strip } from './strip.ts';
import { wrap } from './wrap.ts';
import type { Drawers } from '../../drawers/index.ts';
import type { BuiltPart, ConstructionModule, Ground, AnyPiece, MeasuredOn, Traits } from './types.ts';

/** Every construction; a new one is one file and one line here. */
const MODULES: { readonly [C in Construction]: ConstructionModule<C> } = {
  ball,
  wrap,
  bundle,
  feather,
  strip,
  hackle,
  spun,
  sheet,
  coat,
};

const moduleOf = (construction: Construction): ConstructionModule<Construction> =>
  MODULES[construction] as unknown as ConstructionModule<Construction>;

/** Parses the relations of one part. */
export const measurePart = (part: Part, path: string, bench: MeasuredOn): Outcome<MeasuredPart> =>
  moduleOf(part.construction).measure(part, path, bench);

export const buildPart = (part: Part, extent: PartExtent, ground: Ground, path: string): Outcome<BuiltPart> =>
  moduleOf(part.construction).build(part, extent, ground, path);

/** What is so of every part of a construction. */
export const traitsOf = (construction: Construction): Traits => moduleOf(construction).traits;

/** How limp the free end of a part is; null for what has none. */
export const limpness = (piece: AnyPiece, drawers: Drawers): number | null =>
  moduleOf(piece.file.construction).limp(piece, drawers);

/** The length one piece is cut to by itself, mm; null for what is not cut. */
export const cutMm = (piece: AnyPiece): number | null => moduleOf(piece.file.construction).cutMm(piece);

/** Order in which a part goes over others where it is wound. */
export const windingRank = (part: Part): number => moduleOf(part.construction).rank(part);
