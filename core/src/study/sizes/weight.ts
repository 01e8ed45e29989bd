import { solidNamed } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import { withKey, withPart, MM_PER_32, SIZES_32, sizeText } from '../../edit/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import { type Ellipse, layFly, type LaidFly, type LaidPart, sinkSpeed } from '../../model/index.ts';
import { parseQuantity } from '../../units/index.ts';

/** What is held while the weight is taken in the size that exists nearest: its shape, how firmly it rides, or how fast it sinks. */
export const HOLDS = ['shape', 'ride', 'sink'] as const;
export type Hold = (typeof HOLDS)[number];

/** The weight as it was taken, and how far what is held is off what it was on the fly itself. */
export interface WeightTaken {
  readonly part: string;
  readonly material: string;
  readonly diameterMm: number;
  readonly off: number;
}

interface Piece {
  readonly material: string;
  readonly diameterMm: number;
}

/** A piece on the fly, and what is held as it comes out with it. */
interface Tried {
  readonly piece: Piece;
  readonly laid: LaidFly;
  readonly value: number;
}

/** Whether a part's size is a plain measure, which no hook moves. */
export const isPlain = (text: string | undefined): boolean => text !== undefined && parseQuantity('length', text).ok;

/** The weight that is taken in other sizes: the heaviest ball of a plain size. */
export function weightOf(laid: LaidFly): LaidPart | null {
  return (
    laid.parts
      .filter((part) => part.file.construction === 'ball' && isPlain(part.file.diameter) && part.massMg > 0)
      .sort((a, b) => b.massMg - a.massMg)[0] ?? null
  );
}

/** The sizes a weight is to be had in: those of its form and metal in the drawer, or else the ones it is sold in. */
function piecesOf(part: LaidPart, drawers: Drawers): Piece[] {
  if (part.file.construction !== 'ball') return [];
  const { shape, material = '' } = part.file;
  const own = drawers.weights.find((each) => each.name === material);
  const metal = solidNamed(own?.material ?? material);
  const inDrawer = drawers.weights
    .filter(
      (item) =>
        item.form === shape && metal !== null && solidNamed(item.material) === metal && item.discontinued !== true,
    )
    .map((item) => ({ material: item.name, diameterMm: item.diameterMm }));
  const pieces =
    inDrawer.length > 1
      ? inDrawer
      : SIZES_32.map((size) => ({ material: metal?.name ?? material, diameterMm: size * MM_PER_32 }));
  return pieces.sort((a, b) => a.diameterMm - b.diameterMm);
}

const withPiece = (file: FlyFile, id: string, piece: Piece): FlyFile =>
  withPart(file, id, (each) =>
    withKey(
      withKey(withKey(each, 'mass', undefined), 'material', piece.material),
      'diameter',
      sizeText(piece.diameterMm),
    ),
  );

/** What a hold keeps, on one fly; null where it has none. */
function heldOf(laid: LaidFly, id: string, hold: Hold): number | null {
  if (hold === 'ride') return laid.tipping?.part === id ? laid.tipping.ratio : null;
  if (hold === 'sink') return sinkSpeed(laid);
  const part = laid.parts.find((each) => each.file.id === id);
  return part ? part.extent.lengthMm / laid.platform.shankMm : null;
}

/**
 * The nearest of some pieces to what is wanted, of a figure that rises with them. It begins at a guess and goes toward what is wanted until
 * that lies between two neighbours, so that few are tried.
 * @param hopeless whether a piece would so surely be further off than the best yet that it need not be tried
 */
function nearest(
  pieces: readonly Piece[],
  wanted: number,
  guess: number,
  tryOn: (piece: Piece) => Tried | null,
  hopeless: (piece: Piece, best: Tried) => boolean,
): Tried | null {
  const known = new Map<number, Tried | null>();
  const at = (i: number): Tried | null => {
    const piece = pieces[i];
    if (!known.has(i)) known.set(i, piece ? tryOn(piece) : null);
    return known.get(i) ?? null;
  };
  // One that cannot be tied on is too small where nothing yet comes out, and too large beyond what does.
  let i = Math.max(0, Math.min(pieces.length - 1, guess));
  while (i > 0 && at(i) === null) i--;
  while (i < pieces.length - 1 && at(i) === null) i++;
  const begun = at(i);
  if (!begun) return null;
  const way = begun.value < wanted ? 1 : -1;
  let best = begun;
  for (let j = i + way; j >= 0 && j < pieces.length; j += way) {
    const piece = pieces[j];
    if (!piece || hopeless(piece, best)) break;
    const next = at(j);
    if (!next) break;
    if (Math.abs(next.value - wanted) < Math.abs(best.value - wanted)) best = next;
    if ((next.value - wanted) * way >= 0) break;
  }
  return best;
}

const closest = (pieces: readonly Piece[], diameterMm: number): number =>
  pieces.reduce(
    (best, piece, i) =>
      Math.abs(piece.diameterMm - diameterMm) < Math.abs((pieces[best]?.diameterMm ?? Infinity) - diameterMm)
        ? i
        : best,
    0,
  );

const CUTS = 6;

/** What all sections of a fly spread out to, seen from above, mm²; what lies over one another counts each time, which serves to compare. */
function spreadMm2({ sections }: LaidFly): number {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  let sum = 0;
  for (const section of sections) {
    const step = (section.toMm - section.fromMm) / CUTS;
    for (let i = 0; i < CUTS; i++) {
      section.at(section.fromMm + (i + 0.5) * step, cut);
      sum += 2 * cut.semiY * cut.opacity * step;
    }
  }
  return sum;
}

/**
 * The size a weight would have to be for a hold, as first guessed: in proportion to the shank; or for the same speed, so heavy that the
 * whole fly under water weighs in proportion to what it spreads out to.
 */
function guessMm(own: LaidFly, part: LaidPart, moved: LaidFly, hold: Hold): number {
  const scale = moved.platform.shankMm / own.platform.shankMm;
  if (hold !== 'sink') return part.extent.lengthMm * scale;
  const now = moved.parts.find((each) => each.file.id === part.file.id);
  if (!now || now.submergedMg <= 0) return part.extent.lengthMm * scale;
  const wanted = now.submergedMg + (own.submergedMg * spreadMm2(moved)) / spreadMm2(own) - moved.submergedMg;
  return now.extent.lengthMm * Math.cbrt(Math.max(0.1, wanted / now.submergedMg));
}

/** How much further off a likely speed must be for its piece not to be tried. */
const SURELY = 1.8;

/** The speed another piece would likely give: it goes with the root of the weight under water, the drag being much the same. mm/s */
function likelySpeed(piece: Piece, { laid, value, piece: tried }: Tried, id: string): number {
  const ball = laid.parts.find((part) => part.file.id === id)?.submergedMg ?? 0;
  const heavier = ball * ((piece.diameterMm / tried.diameterMm) ** 3 - 1);
  return laid.submergedMg <= 0 ? value : value * Math.sqrt(Math.max(0, 1 + heavier / laid.submergedMg));
}

/**
 * Takes the weight of a fly in the size that holds what is to be held.
 * @param own the fly as it is @param moved the fly on another hook, its weight as it was
 * @returns the fly laid out with it; `weight` is null where it carries none that is taken in sizes
 */
export function takeWeight(
  own: LaidFly,
  moved: LaidFly,
  drawers: Drawers,
  hold: Hold,
): { readonly laid: LaidFly; readonly weight: WeightTaken | null } {
  const part = weightOf(own);
  if (!part) return { laid: moved, weight: null };
  const { id } = part.file;
  // What nothing tips holds its shape instead.
  const held = hold === 'ride' && heldOf(own, id, 'ride') === null ? 'shape' : hold;
  const wanted = heldOf(own, id, held) ?? 0;
  const tryOn = (piece: Piece): Tried | null => {
    const laid = layFly(withPiece(moved.file, id, piece), drawers);
    const value = laid.ok ? heldOf(laid.value, id, held) : null;
    return laid.ok && value !== null ? { piece, laid: laid.value, value } : null;
  };
  const pieces = piecesOf(part, drawers);
  const hopeless = (piece: Piece, best: Tried): boolean =>
    held === 'sink' && Math.abs(likelySpeed(piece, best, id) - wanted) > SURELY * Math.abs(best.value - wanted);
  const best = nearest(pieces, wanted, closest(pieces, guessMm(own, part, moved, held)), tryOn, hopeless);
  if (!best) return { laid: moved, weight: null };
  const off = wanted === 0 ? 0 : best.value / wanted - 1;
  return { laid: best.laid, weight: { part: id, ...best.piece, off } };
}
