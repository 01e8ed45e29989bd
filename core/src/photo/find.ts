import { good, type Outcome } from '../base/index.ts';
import type { LaidFly } from '../model/index.ts';
import { blobsOf, depthOf } from './blobs.ts';
import { type Fit, fitHook, frontSpread, scaleSpread, spreadAt } from './fit.ts';
import { type Box, type Field, type Picture } from './picture.ts';
import { cannot, type Seen, seenIn, toPicture } from './seen.ts';
import { enlarged, type Pose, toFly, toPixel } from './pose.ts';
import { agreement, averaged, columnsOf, likelyPoses } from './search.ts';
import { nearPlan, profileOf, type WireLine, wireLineOf, witnessesOf } from './template.ts';
import { contourOf } from './contour.ts';
import { headIn } from './head.ts';
import { type LengthFound, lengthsOf } from './lengths.ts';
import { type ShapeFound, shapesOf } from './shapes.ts';
import { pointPlace } from './silhouette.ts';
import { tipsOf } from './tips.ts';

/** What is told beside the picture. */
export interface PhotoHints {
  /** mm a pixel, where a ruler or a card told it; null: by the plan's shank or gap. */
  readonly mmPerPx: number | null;
  /** Which of the hook's own measures sets the scale where nothing else does. */
  readonly by: 'shank' | 'gap';
}

export type Landmark = 'eye' | 'bend' | 'point';

/** A place in the picture, px, and how sure it is, px. */
export interface Spot {
  readonly at: readonly [number, number];
  readonly spread: number;
}

/** A fly found in a picture. */
export interface PhotoFound {
  readonly pose: Pose;
  readonly mmPerPx: number;
  /** What sets the scale: what was told, a bank card that lies beside the fly, or the plan's own hook. */
  readonly scaledBy: 'told' | 'card' | 'shank' | 'gap';
  readonly landmarks: Partial<Readonly<Record<Landmark, Spot>>>;
  readonly lengths: readonly LengthFound[];
  readonly shape: ShapeFound;
  /** The outer edge of what is seen of it, px. */
  readonly contour: readonly (readonly [number, number])[];
  readonly areaMm2: number;
  /** By how much the area may be off for what counts as covered, mm². */
  readonly areaSpreadMm2: number;
  readonly confidence: number;
  /** What could not be told, and what to do about it. */
  readonly notes: readonly string[];
}

const PLAN_CELL_MM = 0.25;
/** How much of the work is done once the fly is told from its ground, where it may lie is known, and the hook is laid there. */
const DONE = { seen: 0.35, searched: 0.6, laid: 0.85 } as const;
/** A landmark further off than this share of the shank is not given. */
const WORST_LANDMARK = 0.03;
/**
 * So much of the hook's outline has to be explained, and so much of the plan found: more of it where an end of the hook that should stand clear is
 * not seen, for another hook laid larger or smaller explains a bend and a stretch of shank as well. Of photographs of the fly itself, tail and wing half as
 * long as planned, the least was 0.62 with all ends seen; of other flies the most was 0.57 with all, 0.71 with one missing.
 */
const LEAST = { confidence: 0.72, agreement: 0.59, endless: 0.75 } as const;
/** Of two ways to lay the hook that explain as much but for this, neither is known. */
const AS_GOOD = 0.03;

function planAreaOf(laid: LaidFly): number {
  const { solid, soft, wire } = profileOf(laid, PLAN_CELL_MM);
  let sum = 0;
  for (let i = 0; i < solid.length; i++)
    sum += Math.min(1, Math.max(solid[i] as number, soft[i] as number, wire[i] as number));
  return sum * PLAN_CELL_MM ** 2;
}

interface Laid {
  readonly fit: Fit;
  /** How what is seen agrees with the plan laid so, −1 to 1. */
  readonly agrees: number;
  readonly score: number;
}

/** The best way it is laid, and others that are as good. */
interface Found extends Laid {
  readonly rivals: readonly Fit[];
}

/** The hook laid on the picture where it explains the most. */
function layOn(
  seen: Seen,
  laid: LaidFly,
  line: WireLine,
  known: number | null,
  onStep: (share: number) => void,
): Found | null {
  const { box, tight, cover, blobs, held } = seen;
  const inner: Box = {
    left: tight.left - box.left,
    top: tight.top - box.top,
    right: tight.right - box.left,
    bottom: tight.bottom - box.top,
  };
  const area = blobs.reduce((sum, each) => sum + each.area, 0);
  const fine = witnessesOf(laid, line, 0.4, 2500);
  const coarse = witnessesOf(laid, line, 0.6, 700);
  const likely = likelyPoses(
    cover.whole,
    inner,
    area,
    { coarse, fine },
    { scale: known, planMm2: planAreaOf(laid), held },
  );
  onStep(DONE.searched);
  const small = averaged(cover.whole, 3);
  const columns = columnsOf(fine);
  const tried = (pose: Pose): Laid => {
    const fit = fitHook(cover.whole, pose, line, known);
    const agrees = agreement(small, enlarged(fit.pose, 1 / 3), columns);
    // What is pinned less surely is worth less, however well it agrees.
    const unsure = spreadAt(fit, 0, 0) / (fit.pose.scale * laid.platform.shankMm);
    return { fit, agrees, score: agrees + 0.4 * fit.confidence + 0.1 * fit.tips.size - 4 * Math.min(0.1, unsure) };
  };
  const first = likely.map(({ pose }) => tried(pose)).sort((one, other) => other.score - one.score);
  onStep(DONE.laid);
  // A hook a little larger or smaller may explain more: what is seen of it pins one end, and the other is looked for.
  const again =
    known === null
      ? first
          .slice(0, 2)
          .flatMap(({ fit: { pose } }) =>
            [0, laid.platform.shankMm].flatMap((at) => AGAIN.map((by) => tried(scaledAbout(pose, by, at)))),
          )
      : [];
  const [best, ...others] = [...first, ...again].sort((one, other) => other.score - one.score);
  return best
    ? { ...best, rivals: others.filter(({ score }) => score > best.score - AS_GOOD).map(({ fit }) => fit) }
    : null;
}

const AGAIN = [0.92, 1.08] as const;

/** A pose so many times as large, a place of the shank staying where it is. */
function scaledAbout(pose: Pose, by: number, x: number): Pose {
  const [px, py] = toPixel(pose, x, 0);
  const next = { ...pose, scale: pose.scale * by };
  const [nx, ny] = toPixel(next, x, 0);
  return { ...next, tx: next.tx + px - nx, ty: next.ty + py - ny };
}

/** The landmarks of a hook that was laid: eye, end of the shank, tip of the point. */
const landmarkPlaces = (laid: LaidFly): Readonly<Record<Landmark, readonly [number, number] | null>> => ({
  eye: [0, 0],
  bend: [laid.platform.shankMm, 0],
  point: pointPlace(laid),
});

/** Eye, bend and point where they are sure enough, with how far off each may be. */
function landmarksOf(
  { fit, rivals }: Found,
  pose: Pose,
  laid: LaidFly,
  { shrunk, perPx, notes }: { readonly shrunk: number; readonly perPx: number; readonly notes: string[] },
): PhotoFound['landmarks'] {
  const shank = laid.platform.shankMm;
  const landmarks: Partial<Record<Landmark, Spot>> = {};
  for (const [name, place] of Object.entries(landmarkPlaces(laid)) as [Landmark, readonly [number, number] | null][]) {
    if (!place) continue;
    const own = name === 'eye' ? frontSpread(fit, fit.pose.scale * shank) : spreadAt(fit, place[0], place[1]);
    const spread = Math.hypot(own, rivalsOff(fit, rivals, place)) * shrunk;
    if (spread * perPx > WORST_LANDMARK * shank)
      notes.push(`the ${name} is covered, and cannot be told from what is seen`);
    else landmarks[name] = { at: toPixel(pose, place[0], place[1]), spread };
  }
  return landmarks;
}

/**
 * Finds a fly in a picture taken from its side: where its hook lies, and from there what can be measured.
 * @param onStep is told how much of the work is done, as a share
 * @returns what was found, each with how sure it is; or why nothing can be measured, and what to do
 */
export function findFly(
  picture: Picture,
  laid: LaidFly,
  hints: PhotoHints,
  onStep: (share: number) => void = () => undefined,
): Outcome<PhotoFound> {
  const { by } = hints;
  const seen = seenIn(picture);
  if (!seen.ok) return seen;
  const { shrunk, box } = seen.value;
  onStep(DONE.seen);
  const line = wireLineOf(laid);
  const { byCard } = seen.value;
  const mmPerPx = hints.mmPerPx ?? (byCard === null ? null : byCard / shrunk);
  const known = mmPerPx === null ? null : 1 / (mmPerPx * shrunk);
  const best = layOn(seen.value, laid, line, known, onStep);
  if (!best || best.fit.confidence < LEAST.confidence || best.agrees < leastAgreement(best.fit, line))
    return cannot(notFoundWords(seen.value));
  const { fit } = best;
  const inSmaller = { ...fit.pose, tx: fit.pose.tx + box.left, ty: fit.pose.ty + box.top };
  const pose = enlarged(inSmaller, shrunk);
  const perPx = 1 / (by === 'gap' && mmPerPx === null ? pose.scale * pose.tall : pose.scale);
  const notes = besideWords(seen.value, hints.mmPerPx !== null);
  const landmarks = landmarksOf(best, pose, laid, { shrunk, perPx, notes });
  if (Object.keys(landmarks).length < 2) return cannot(notFoundWords(seen.value));
  const bare = withoutJaw(seen.value, laid, fit.pose, notes);
  const outline = contourOf(bare.cover.whole);
  const scale = perPx * pose.scale;
  const measured = measuredOn(bare, laid, { fit, known: mmPerPx !== null, scale, notes });
  const ring = outline.map(([x, y]) => toFly(fit.pose, x, y));
  const seenBy = {
    scale,
    share: scaleSpread(fit, mmPerPx !== null),
    eyeMm: landmarks.eye ? landmarks.eye.spread * perPx : Infinity,
  };
  const shape = shapesOf(ring, laid, seenBy);
  const head = headIn(seen.value.colours, inSmaller, laid, seenBy);
  return good({
    pose,
    mmPerPx: perPx,
    scaledBy: hints.mmPerPx !== null ? 'told' : byCard === null ? by : 'card',
    landmarks,
    ...measured,
    lengths: [...measured.lengths, ...shape.lengths, ...(head ? [head] : [])],
    shape,
    contour: outline.map(([x, y]) => toPicture([x + box.left, y + box.top], shrunk)),
    confidence: fit.confidence,
    notes,
  });
}

/** How much of the plan has to be found where the hook was laid so. */
const leastAgreement = ({ tips }: Fit, { ends }: WireLine): number =>
  ends.every(({ what, hidden }) => hidden || tips.has(what)) ? LEAST.agreement : LEAST.endless;

/** What lies beside the fly, and what is to be done with it. */
const besideWords = ({ byCard, byRuler }: Seen, told: boolean): string[] =>
  byCard !== null
    ? ['the bank card beside it sets the scale']
    : byRuler && !told
      ? ['a ruler lies beside it: lay two marks on it, and say how far they are apart']
      : [];

/** By how far others that explain as much have a place elsewhere, px: half the furthest. */
function rivalsOff(fit: Fit, rivals: readonly Fit[], [x, z]: readonly [number, number]): number {
  const [px, py] = toPixel(fit.pose, x, z);
  const off = rivals.map(({ pose }) => {
    const [rx, ry] = toPixel(pose, x, z);
    return Math.hypot(rx - px, ry - py);
  });
  return Math.max(0, ...off) / 2;
}

function notFoundWords({ held, blobs }: Seen): string {
  if (held && blobs.length === 1)
    return 'the fly is cut by the border, or held by more than its bend: leave a finger’s breadth of ground all round it';
  return 'this hook is not found in the picture: is it this fly, from the side, sharp, on a plain ground of another colour?';
}

/** What is thicker than this and comes in from the border is a vise's jaw, a hand, a clip; mm. */
const JAW_MM = 0.9;
/** Nothing is taken for a jaw so near the plan's own matter. */
const CLEAR_MM = 1.2;

/** What is seen, less what comes in from the border and holds the fly. */
function withoutJaw(seen: Seen, laid: LaidFly, pose: Pose, notes: string[]): Seen {
  if (!seen.held) return seen;
  const { whole, strands, edgePx } = seen.cover;
  const { width, height } = whole;
  const profile = profileOf(laid, PLAN_CELL_MM);
  const own = (i: number): boolean => nearPlan(profile, ...toFly(pose, i % width, Math.floor(i / width)), CLEAR_MM);
  const inside = (i: number): boolean => (whole.at[i] as number) >= 0.5;
  const depth = depthOf(inside, width, height);
  const thick = JAW_MM * pose.scale;
  const core = new Float32Array(width * height);
  for (let i = 0; i < core.length; i++) core[i] = (depth[i] as number) > thick && !own(i) ? 1 : 0;
  const { labels, blobs } = blobsOf({ width, height, at: core }, 30);
  const atEdge = new Set(
    blobs
      .filter(
        ({ box }) =>
          box.left <= thick + 1 ||
          box.top <= thick + 1 ||
          box.right >= width - thick - 1 ||
          box.bottom >= height - thick - 1,
      )
      .map(({ label }) => label),
  );
  if (atEdge.size === 0) return seen;
  const away = depthOf((i) => !atEdge.has(labels[i] as number), width, height);
  const kept = ({ at }: Field): Field => ({
    width,
    height,
    at: at.map((value, i) => ((away[i] as number) < thick * 1.15 + edgePx && !own(i) ? 0 : value)),
  });
  notes.push('something holds the fly: what it covers is not measured');
  return { ...seen, cover: { whole: kept(whole), strands: kept(strands), edgePx } };
}

interface Measuring {
  readonly fit: Fit;
  /** Whether the scale was told. */
  readonly known: boolean;
  /** Times the millimetres that the shank tells, where the gap sets the scale. */
  readonly scale: number;
  readonly notes: string[];
}

/** Lengths and the area, by a hook that was laid. */
function measuredOn(
  { cover, apart, box }: Seen,
  laid: LaidFly,
  { fit, known, scale, notes }: Measuring,
): Pick<PhotoFound, 'lengths' | 'areaMm2' | 'areaSpreadMm2'> {
  const byScale = scaleSpread(fit, known);
  const frame: Box = { left: -box.left, top: -box.top, right: apart.width - box.left, bottom: apart.height - box.top };
  const tips = tipsOf(cover.whole, frame, fit.pose, laid);
  const told = lengthsOf(tips, laid, scale, (mm, tipMm) =>
    Math.hypot(byScale * mm, spreadAt(fit, tipMm, 0) / fit.pose.scale),
  );
  notes.push(...told.notes);
  const mm2 = fit.pose.scale ** 2 * fit.pose.tall;
  const sumOver = (least: number): number => {
    let sum = 0;
    for (const value of cover.strands.at) if (value >= least) sum += value;
    return sum / mm2;
  };
  const [area, more, less] = [sumOver(0.12), sumOver(0.05), sumOver(0.6)];
  return { lengths: told.lengths, areaMm2: area, areaSpreadMm2: Math.hypot((more - less) / 4, 2 * byScale * area) };
}
