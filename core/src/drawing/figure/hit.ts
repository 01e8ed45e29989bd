import { extentOf, type Ellipse, type Section, type LaidFly } from '../../model/index.ts';
import type { View } from './view.ts';

/** px round a thin part that still count as on it. */
const NEAR_PX = 3;

/** How deep a point lies in a section seen in a view: half the breadth there in px, or null when it is beside it. */
function halfAt(section: Section, view: View, x: number, y: number): number | null {
  const mm = ((x - view.ox) / view.scale) * view.across[0];
  if (mm < section.fromMm || mm > section.toMm) return null;
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  section.at(mm, cut);
  const [middle, breadth] = extentOf(section, cut, view.up);
  const [centre, half] = [view.oy - middle * view.scale, breadth * view.scale];
  return Math.abs(y - centre) <= half + NEAR_PX ? half : null;
}

/**
 * The part at a point of the sheet: of those that lie there the slenderest, so that eyes are found before the hackle round them.
 * @param views profile and plan as they lie on the sheet
 * @param x px @param y px
 * @returns its id, or null where only the hook or nothing is
 */
export function partAt(laid: LaidFly, views: readonly View[], x: number, y: number): string | null {
  const found = views.flatMap((view) =>
    laid.parts.flatMap((part) =>
      part.built.sections.flatMap((section) => {
        const half = halfAt(section, view, x, y);
        return half === null ? [] : [{ id: part.file.id, half }];
      }),
    ),
  );
  return found.sort((a, b) => a.half - b.half)[0]?.id ?? null;
}
