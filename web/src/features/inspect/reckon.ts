import { type Fault, type Outcome, sentence } from '@jobbet/core/base';
import { changedFigures, summarise } from '@jobbet/core/contract';
import {
  drawersWith,
  inspectFlies,
  type InspectReport,
  type Laying,
  layingOf,
  type Learnt,
  reportInspected,
  withLearnt,
} from '@jobbet/core/inspect';
import { layFly, type LaidFly, type SolvedFly, solveFly } from '@jobbet/core/model';
import {
  type AspectFound,
  type AspectView,
  findAspect,
  findFly,
  type LengthFound,
  beyondOutline,
  lengthsBy,
  type PhotoFound,
  type Picture,
} from '@jobbet/core/photo';
import type { FlyFile } from '@jobbet/core/pattern';
import type { SpecimenFile } from '@jobbet/core/records';
import { scatterMoved, type ScatterMoved } from '@jobbet/core/study';
import type { Style } from '@jobbet/core/units';
import type { Photo } from './photo.ts';
import type { Desk } from '../../shared/solve/desk.ts';

const wordsOf = (faults: readonly Fault[]): string => faults.map(({ message }) => message).join('; ');

/** Something that can be measured on the fly, as far as it is shown. */
export interface MeasureShown {
  readonly key: string;
  readonly words: string;
  readonly part: string | null;
  readonly planMm: number;
  readonly bandMm: readonly [number, number] | null;
}

/** What was learnt, taken to the item of the drawers it is of, else into the pattern. */
export interface Take {
  readonly to: { readonly laying: Laying } | { readonly file: FlyFile };
  /** What is other than before, in words. */
  readonly moves: readonly string[];
}

/** A spread that may be taken into the scatter of some hands. */
export interface SpreadAsked {
  /** Spreads of those hands other than the usual, by their keys. */
  readonly own: Readonly<Record<string, number>>;
  readonly key: string;
  readonly to: number;
}

/** Finished flies inspected: what is told of them, and each as it came out. */
export type InspectAnswer =
  | {
      readonly ok: true;
      readonly report: InspectReport;
      readonly measures: readonly MeasureShown[];
      readonly tied: readonly FlyFile[];
      /** For each of what is learnt, where it is taken and what that moves; null for what goes to the hands. */
      readonly takes: readonly (Take | null)[];
    }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** What was looked for in a picture, or why it is not found, and whether the picture itself can be read. */
type Looked<T> =
  | { readonly ok: true; readonly found: T }
  | { readonly ok: false; readonly why: string; readonly isRead: boolean };
/** Beside what was found, by how much its lengths are longer than its outline alone has them. */
export type PhotoAnswer =
  | Exclude<Looked<PhotoFound>, { ok: true }>
  | (Extract<Looked<PhotoFound>, { ok: true }> & { readonly beyond: Readonly<Record<string, number>> });
export type AspectAnswer = Looked<AspectFound>;

/** More pixels than this are not unpacked. */
const MOST_PIXELS = 60_000_000;

/** The pixels of a picture. @throws where it is none, or too large */
async function pixelsOf(picture: Blob): Promise<Picture> {
  let image: ImageBitmap;
  try {
    image = await createImageBitmap(picture);
  } catch {
    throw new Error('This is not a picture that can be read; a PNG, JPEG or WebP is.');
  }
  try {
    const { width, height } = image;
    if (width * height > MOST_PIXELS)
      throw new Error(`It has ${String(Math.round((width * height) / 1e6))} million pixels: a tenth of them would do.`);
    const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('This browser does not show the pixels of a picture.');
    context.drawImage(image, 0, 0);
    return { width, height, data: context.getImageData(0, 0, width, height).data };
  } finally {
    image.close();
  }
}

/** Reads a picture and looks for something in it. */
async function lookedFor<T>(picture: Blob, find: (pixels: Picture) => Outcome<T>): Promise<Looked<T>> {
  let pixels: Picture;
  try {
    pixels = await pixelsOf(picture);
  } catch (error) {
    return { ok: false, why: error instanceof Error ? error.message : 'It cannot be read.', isRead: false };
  }
  const found = find(pixels);
  return found.ok
    ? { ok: true, found: found.value }
    : { ok: false, why: sentence(wordsOf(found.faults)), isRead: true };
}

const laidOf = (file: FlyFile, desk: Desk): LaidFly => {
  const laid = layFly(file, desk.drawers);
  if (!laid.ok) throw new Error('The pattern does not lay out, so nothing can be held against it.');
  return laid.value;
};

/** Where each of what flies teach is taken to, and what that moves. */
function takerOf(desk: Desk, file: FlyFile, solvedPlan: SolvedFly, style: Style) {
  const plan = summarise(solvedPlan);
  return (learnt: Learnt): Take | null => {
    const laying = layingOf(learnt, solvedPlan.laid, desk.drawers);
    const taken = laying ? file : withLearnt(file, learnt);
    const solved = taken && solveFly(taken, laying ? drawersWith(desk.drawers, laying) : desk.drawers);
    if (!taken || solved?.ok !== true) return null;
    return {
      to: laying ? { laying } : { file: taken },
      moves: changedFigures(plan, summarise(solved.value), style).map(({ words }) => words),
    };
  };
}

export const inspectReckon = (desk: Desk) => ({
  /** Looks for the fly in a photograph from the side. */
  async find(file: FlyFile, picture: Blob, onStep: (share: number) => void): Promise<PhotoAnswer> {
    const laid = laidOf(file, desk);
    const looked = await lookedFor(picture, (pixels) => findFly(pixels, laid, { mmPerPx: null, by: 'shank' }, onStep));
    if (!looked.ok) return looked;
    const { contour, landmarks, lengths, mmPerPx, scaledBy } = looked.found;
    const { eye, bend, point } = landmarks;
    if (!eye || !bend) return { ...looked, beyond: {} };
    const told = scaledBy === 'card' ? { mmPerPx } : {};
    const byOutline = lengthsBy(contour, { eye: eye.at, bend: bend.at, point: point?.at }, laid, told);
    return { ...looked, beyond: beyondOutline(lengths, byOutline) };
  },
  /** Looks for the fly in a photograph from above or from the front. */
  findAspect: (file: FlyFile, picture: Blob, view: AspectView): Promise<AspectAnswer> =>
    lookedFor(picture, (pixels) => findAspect(pixels, laidOf(file, desk), view)),
  /** Lengths by a photograph whose landmarks were moved. */
  remeasure(file: FlyFile, { contour, landmarks, ...told }: Photo): readonly LengthFound[] {
    return contour && landmarks ? lengthsBy(contour, landmarks, laidOf(file, desk), told) : [];
  },

  /** What each of some spreads would change in ten thousand flies, each by itself. */
  spreadMoves: (file: FlyFile, asked: readonly SpreadAsked[]): readonly (ScatterMoved | null)[] =>
    asked.map(({ own, key, to }) => scatterMoved(laidOf(file, desk), desk.drawers, own, { [key]: to })),

  /** @param spreads of the hands that tie here, other than the usual */
  inspect(
    file: FlyFile,
    specimens: readonly SpecimenFile[],
    style: Style,
    spreads: Readonly<Record<string, number>>,
  ): InspectAnswer {
    const made = inspectFlies(file, specimens, desk.drawers, spreads);
    if (!made.ok) return made;
    return {
      ok: true,
      report: reportInspected(made.value),
      measures: made.value.measures.map(({ key, words, part, planMm, bandMm }) => ({
        key,
        words,
        part,
        planMm,
        bandMm,
      })),
      tied: made.value.tied.map(({ laid }) => laid.file),
      takes: made.value.learnt.map(takerOf(desk, file, made.value.plan, style)),
    };
  },
});
