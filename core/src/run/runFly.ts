import { solidNamed } from '../data/solids.ts';
import { NOMINAL_DRAWERS, type Drawers } from '../drawers/tables.ts';
import { changePlatform, type Left } from '../edit/platform.ts';
import { withKey, withPart } from '../edit/relations.ts';
import { MM_PER_32, SIZES_32, sizeText } from '../edit/swap.ts';
import type { FlyFile } from '../file/schema.ts';
import { parseQuantity } from '../units/quantity.ts';
import { bad, good, type Outcome } from '../units/fault.ts';
import { layFly, type LaidFly, type LaidPart } from '../solve/layFly.ts';
import { settleFly, type SolvedFly } from '../solve/solveFly.ts';
import { nameOf, platformFor, type RunSize } from './sizes.ts';

/** What is held while the weight is taken in the size that exists nearest: its shape, how firmly it rides, or how fast it sinks. */
export const HOLDS = ['shape', 'ride', 'sink'] as const;
export type Hold = (typeof HOLDS)[number];

/** A fly on one size of a run. */
export interface RunFly {
  readonly size: RunSize;
  readonly file: FlyFile;
  readonly solved: SolvedFly;
  /** The weight as it was taken, and how far what is held is off what it was on the fly itself; null where nothing is scaled. */
  readonly weight: {
    readonly part: string;
    readonly material: string;
    readonly diameterMm: number;
    readonly off: number;
  } | null;
  readonly left: readonly Left[];
  /** What did not scale, and what that brings. */
  readonly notes: readonly string[];
}

interface Piece {
  readonly material: string;
  readonly diameterMm: number;
}

/** Whether a part's size is a plain measure, which no hook moves. */
const isPlain = (text: string | undefined): boolean => text !== undefined && parseQuantity('length', text).ok;

/** The weight that is taken in other sizes: the heaviest ball of a plain size. */
function weightOf(laid: LaidFly): LaidPart | null {
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

/** Turns of a weight wire keep their share of the shank. */
function withTurns(file: FlyFile, share: number): FlyFile {
  return file.parts.reduce((now, part) => {
    if (part.construction !== 'wrap' || part.role !== 'underbody' || part.turns === undefined) return now;
    return withPart(now, part.id, (each) => withKey(each, 'turns', Math.max(1, Math.round((part.turns ?? 1) * share))));
  }, file);
}

const withPiece = (file: FlyFile, id: string, piece: Piece): FlyFile =>
  withPart(file, id, (each) =>
    withKey(
      withKey(withKey(each, 'mass', undefined), 'material', piece.material),
      'diameter',
      sizeText(piece.diameterMm),
    ),
  );

/** Where among sorted pieces a rising figure comes nearest to what is wanted; few are tried. */
function nearest(pieces: readonly Piece[], wanted: number, figure: (piece: Piece) => number | null): Piece | null {
  let [low, high] = [0, pieces.length - 1];
  const known = new Map<number, number>();
  const at = (i: number): number => {
    const piece = pieces[i];
    const value = known.get(i) ?? (piece ? (figure(piece) ?? -Infinity) : Infinity);
    known.set(i, value);
    return value;
  };
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if (at(mid) < wanted) low = mid;
    else high = mid;
  }
  return (Math.abs(at(low) - wanted) <= Math.abs(at(high) - wanted) ? pieces[low] : pieces[high]) ?? null;
}

/** What a hold keeps, on one fly; null where it has none. */
function heldOf(laid: LaidFly, id: string, hold: Hold): number | null {
  if (hold === 'ride') return laid.tipping?.part === id ? laid.tipping.ratio : null;
  if (hold === 'sink') return settleFly(laid).balance.sink?.terminal ?? 0;
  const part = laid.parts.find((each) => each.file.id === id);
  return part ? part.extent.lengthMm / laid.platform.shankMm : null;
}

function takeWeight(own: LaidFly, file: FlyFile, drawers: Drawers, hold: Hold) {
  const part = weightOf(own);
  if (!part) return { file, weight: null };
  const id = part.file.id;
  // What nothing tips holds its shape instead.
  const held = hold === 'ride' && heldOf(own, id, 'ride') === null ? 'shape' : hold;
  const wanted = heldOf(own, id, held) ?? 0;
  const figure = (piece: Piece): number | null => {
    const laid = layFly(withPiece(file, id, piece), drawers);
    return laid.ok ? heldOf(laid.value, id, held) : null;
  };
  const piece = nearest(piecesOf(part, drawers), wanted, figure);
  if (!piece) return { file, weight: null };
  const off = wanted === 0 ? 0 : (figure(piece) ?? 0) / wanted - 1;
  return { file: withPiece(file, id, piece), weight: { part: id, ...piece, off } };
}

function notesOf(own: LaidFly, laid: LaidFly): string[] {
  const notes: string[] = [];
  const wire = laid.platform.wireMm;
  for (const part of laid.parts) {
    const bore = part.extent.lengths['bore']?.mm;
    if (bore !== undefined && wire !== null && bore < wire)
      notes.push(`the bore of ${part.file.id} (${bore.toFixed(1)} mm) does not pass the wire (${wire.toFixed(2)} mm)`);
  }
  const plain = laid.parts.filter(
    (part) => 'diameter' in part.file && part.file.construction === 'wrap' && isPlain(part.file.diameter),
  );
  if (plain.length > 0 && Math.abs(laid.platform.shankMm / own.platform.shankMm - 1) > 0.01)
    notes.push(
      `as thick as before, since what is wound does not scale: ${plain.map((part) => part.file.id).join(', ')}`,
    );
  return notes;
}

/** The fly on one size. @param own the fly as it is, laid out */
export function runOne(own: LaidFly, size: RunSize, hold: Hold, drawers: Drawers = NOMINAL_DRAWERS): Outcome<RunFly> {
  const platform = platformFor(own.file, size, own.platform.shankMm);
  if (JSON.stringify(platform) === JSON.stringify(own.file.platform))
    return good({ size, file: own.file, solved: settleFly(own), weight: null, left: [], notes: [] });
  const changed = changePlatform(own, platform, drawers);
  if (!changed.ok) return bad(...changed.faults.map((fault) => ({ ...fault, path: `${size.text}: ${fault.path}` })));
  const moved = layFly(changed.value.file, drawers);
  if (!moved.ok) return moved;
  const turned = withTurns(changed.value.file, moved.value.platform.shankMm / own.platform.shankMm);
  const { file: weighed, weight } = takeWeight(
    own,
    layFly(turned, drawers).ok ? turned : changed.value.file,
    drawers,
    hold,
  );
  const file = { ...weighed, name: nameOf(own.file, size) };
  const laid = layFly(file, drawers);
  if (!laid.ok) return bad(...laid.faults.map((fault) => ({ ...fault, path: `${size.text}: ${fault.path}` })));
  return good({
    size,
    file,
    solved: settleFly(laid.value),
    weight,
    left: changed.value.left,
    notes: notesOf(own, laid.value),
  });
}

/** The fly on every size asked for, or the faults of all of them. */
export function runFly(
  file: FlyFile,
  sizes: readonly RunSize[],
  hold: Hold = 'shape',
  drawers: Drawers = NOMINAL_DRAWERS,
): Outcome<RunFly[]> {
  const own = layFly(file, drawers);
  if (!own.ok) return own;
  const runs = sizes.map((size) => runOne(own.value, size, hold, drawers));
  const faults = runs.flatMap((run) => (run.ok ? [] : run.faults));
  return faults.length > 0 ? { ok: false, faults } : good(runs.flatMap((run) => (run.ok ? [run.value] : [])));
}
