import type { LaidFly } from '../model/index.ts';
import { type LengthFound, lengthsOf } from './lengths.ts';
import type { Field } from './picture.ts';
import { type Pose, toFly } from './pose.ts';
import { type ShapeFound, shapesOf } from './shapes.ts';
import { crossings, type Marks, poseBy } from './silhouette.ts';
import { tipsOf } from './tips.ts';

const PX_PER_MM = 10;
const MARGIN_MM = 4;

/** An outline as a cover at ten pixels a millimetre, the fly lying along it, eye left. */
function coverBy(ring: readonly (readonly [number, number])[]): { readonly cover: Field; readonly pose: Pose } {
  const [low, high] = [Math.min(...ring.map(([x]) => x)) - MARGIN_MM, Math.max(...ring.map(([x]) => x)) + MARGIN_MM];
  const [down, top] = [
    Math.min(...ring.map(([, z]) => z)) - MARGIN_MM,
    Math.max(...ring.map(([, z]) => z)) + MARGIN_MM,
  ];
  const [width, height] = [Math.ceil((high - low) * PX_PER_MM), Math.ceil((top - down) * PX_PER_MM)];
  const at = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const cuts = crossings(ring, top - y / PX_PER_MM).map((x) => (x - low) * PX_PER_MM);
    for (let k = 0; k + 1 < cuts.length; k += 2) {
      const [from, to] = [Math.max(0, Math.ceil(cuts[k] as number)), Math.min(width - 1, cuts[k + 1] as number)];
      for (let x = from; x <= to; x++) at[y * width + x] = 1;
    }
  }
  const pose: Pose = { tx: -low * PX_PER_MM, ty: top * PX_PER_MM, turn: 0, scale: PX_PER_MM, tall: 1, side: 1 };
  return { cover: { width, height, at }, pose };
}

type Outline = readonly (readonly [number, number])[];

/** How an outline that was kept lies on the plan, and how large it is by a ruler or a card where one told. */
function laidBy(outline: Outline, marks: Marks, laid: LaidFly, mmPerPx: number | undefined) {
  const lies = poseBy(marks, laid);
  const ring = outline.map(([x, y]) => toFly(lies, x, y));
  const scale = mmPerPx === undefined ? 1 : mmPerPx * lies.scale;
  return { ring, scale, shapes: shapesOf(ring, laid, { scale, share: 0, eyeMm: 0 }) };
}

/** What an outline that was kept tells beside its tips. @param mmPerPx by a ruler or a card; absent: by its hook */
export const shapesBy = (outline: Outline, marks: Marks, laid: LaidFly, mmPerPx?: number): ShapeFound =>
  laidBy(outline, marks, laid, mmPerPx).shapes;

/** What is told of a photograph beside its landmarks. */
interface Told {
  /** By a ruler or a card; absent: by its hook. */
  readonly mmPerPx?: number | undefined;
  /** mm by which lengths were found longer in the picture itself; what is not among them was not sure enough. */
  readonly beyond?: Readonly<Record<string, number>> | undefined;
}

/** Lengths by an outline that was kept and landmarks that may have been moved since: what is told once the picture itself is put away. */
export function lengthsBy(
  outline: Outline,
  marks: Marks,
  laid: LaidFly,
  { mmPerPx, beyond }: Told = {},
): readonly LengthFound[] {
  const { ring, scale, shapes } = laidBy(outline, marks, laid, mmPerPx);
  const { cover, pose } = coverBy(ring);
  const frame = { left: 0, top: 0, right: cover.width, bottom: cover.height };
  const lengths = [...lengthsOf(tipsOf(cover, frame, pose, laid), laid, scale).lengths, ...shapes.lengths];
  if (!beyond) return lengths;
  return lengths.flatMap((each) => {
    const by = beyond[each.measure];
    return by === undefined ? [] : [{ ...each, mm: each.mm + by }];
  });
}

/** By how much lengths were found longer in a picture than its outline has them: what goes along with the outline. */
export function beyondOutline(
  found: readonly LengthFound[],
  byOutline: readonly LengthFound[],
): Readonly<Record<string, number>> {
  return Object.fromEntries(
    found.flatMap(({ measure, mm }) => {
      const by = byOutline.find((each) => each.measure === measure);
      return by ? [[measure, Math.round(1000 * (mm - by.mm)) / 1000] as const] : [];
    }),
  );
}
