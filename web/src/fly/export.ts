import type { FlyFile } from '@jobbet/core/pattern';
import { type LaidFly, boundsOf } from '@jobbet/core/model';
import { eyeAt, flyFigure, paintFly, SvgSurface, viewOf } from '@jobbet/core/drawing';
import { CanvasSurface } from '../shared/drawing/canvas.ts';
import { saveFile, slug } from '../shared/ui/saveFile.ts';
import { useSettings } from '../shared/settings/settings.ts';

const PAPER = { ink: '#0F1E1F', sheet: '#FFFFFF', dark: false };

export function exportFile(file: FlyFile): void {
  saveFile(
    `${slug(file.name)}.fly.json`,
    new Blob([`${JSON.stringify(file, null, 2)}\n`], { type: 'application/json' }),
  );
}

/** Profile over plan at `scale` px to the mm, on white. */
function views(laid: LaidFly, scale: number) {
  const { hand } = useSettings.getState();
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const margin = 4 * scale;
  const long = (bounds.rear - bounds.front) * scale;
  const tall = (bounds.top - bounds.bottom) * scale;
  const ox = eyeAt(hand, margin, bounds, scale);
  const planY = margin * 2 + tall + bounds.aside * scale;
  return {
    width: long + 2 * margin,
    height: planY + bounds.aside * scale + margin,
    profile: viewOf('profile', ox, margin + bounds.top * scale, scale, hand),
    plan: viewOf('plan', ox, planY, scale, hand),
  };
}

/** The drawing as SVG, true to scale: its width and height are given in mm. */
export function flySvg(laid: LaidFly): string {
  const scale = 10;
  const { width, height, profile, plan } = views(laid, scale);
  const surface = new SvgSurface();
  const figure = flyFigure(laid);
  for (const view of [profile, plan])
    paintFly(surface, figure, view, { ...PAPER, mode: useSettings.getState().mode, sections: laid.sections });
  const title = laid.file.name.replace(/&/g, '&amp;').replace(/</g, '&lt;');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${(width / scale).toFixed(2)}mm" height="${(height / scale).toFixed(2)}mm" viewBox="0 0 ${width.toFixed(1)} ${height.toFixed(1)}"><title>${title}</title><rect width="100%" height="100%" fill="#fff"/>${surface.markup()}</svg>`;
}

export function exportSvg(laid: LaidFly): void {
  saveFile(`${slug(laid.file.name)}.svg`, new Blob([flySvg(laid)], { type: 'image/svg+xml' }));
}

export async function exportPng(laid: LaidFly): Promise<void> {
  const { width, height, profile, plan } = views(laid, 24);
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(width);
  canvas.height = Math.round(height);
  const context = canvas.getContext('2d');
  if (!context) return;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  const figure = flyFigure(laid);
  for (const view of [profile, plan])
    paintFly(new CanvasSurface(context), figure, view, {
      ...PAPER,
      mode: useSettings.getState().mode,
      sections: laid.sections,
    });
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob) saveFile(`${slug(laid.file.name)}.png`, blob);
}
