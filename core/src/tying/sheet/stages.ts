import { SvgSurface, type Hand } from '../../drawing/index.ts';
import type { LaidFly } from '../../model/index.ts';
import { StagePainter } from '../stage.ts';
import type { TyingSheet } from './sheet.ts';

const FRAME = { width: 170, height: 60 } as const;

/** The fly after each step of its sheet, as small drawings in SVG that can stand on one page. */
export function stageSvgs(laid: LaidFly, sheet: TyingSheet, hand: Hand): string[] {
  const painter = new StagePainter(laid, hand);
  const { width, height } = FRAME;
  const size = `width="${String(width)}" height="${String(height)}" viewBox="0 0 ${String(width)} ${String(height)}"`;
  return sheet.steps.map((step, i) => {
    const surface = new SvgSurface(`s${String(i)}-`);
    painter.paint(surface, step, width, height);
    return `<svg xmlns="http://www.w3.org/2000/svg" ${size} aria-hidden="true">${surface.markup()}</svg>`;
  });
}
