import { faultLine } from '../../core/src/base/fault.ts';
import { layFly, type LaidFly } from '../../core/src/model/solve/layFly.ts';
import { readFlyValue } from '../../core/src/pattern/read.ts';
import { flyFigure } from '../../core/src/drawing/figure/flyFigure.ts';
import { paintFly } from '../../core/src/drawing/figure/paint.ts';
import { viewOf } from '../../core/src/drawing/figure/view.ts';
import { fileOf, PLATFORMS, TIED } from '../../core/test/everything.ts';
import { CanvasSurface } from '../../web/src/shared/drawing/canvas.ts';

const [WIDE, TALL, SCALE] = [230, 112, 3];
const PAPER = { ink: '#0f1e1f', sheet: '#ffffff', dark: false };

function laidOf(file: unknown): LaidFly | string {
  const read = readFlyValue(file);
  const laid = read.ok ? layFly(read.value) : read;
  return laid.ok ? laid.value : laid.faults.map(faultLine).join('; ');
}

/** Draws a fly on a canvas of its own. */
function drawn(laid: LaidFly): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [WIDE, TALL];
  const context = canvas.getContext('2d');
  const view = viewOf('profile', WIDE - 26, TALL * 0.4, SCALE, 'right');
  if (context)
    paintFly(new CanvasSurface(context), flyFigure(laid), view, { mode: 'dressed', sections: laid.sections, ...PAPER });
  return canvas;
}

function tile(words: string, laid: LaidFly | string): HTMLElement {
  const figure = document.createElement('figure');
  const caption = document.createElement('figcaption');
  caption.textContent = words;
  const told = document.createElement('p');
  told.textContent = typeof laid === 'string' ? laid : '';
  figure.append(caption, typeof laid === 'string' ? told : drawn(laid));
  return figure;
}

const STYLE = `body{margin:0;display:grid;font:10px sans-serif;background:#fff}
figure{margin:0;position:relative;height:${String(TALL)}px;overflow:hidden;border-bottom:1px solid #ddd}
figcaption{position:absolute;left:4px;top:2px;color:#666}p{margin:20px 4px;color:#b00}`;

/** Lays the sheet on the page: a row for each thing that is tied, a column for each platform. */
function showGallery(): void {
  const style = document.createElement('style');
  style.textContent = STYLE;
  const columns = Object.keys(PLATFORMS).length;
  document.head.append(style);
  document.body.style.gridTemplateColumns = `repeat(${String(columns)}, ${String(WIDE)}px)`;
  document.body.style.width = `${String(columns * WIDE)}px`;
  for (const tied of TIED)
    for (const [kind, platform] of Object.entries(PLATFORMS))
      document.body.append(tile(`${tied.name}, ${kind}`, laidOf(fileOf(tied, platform))));
  document.body.dataset['drawn'] = String(TIED.length);
}

showGallery();
