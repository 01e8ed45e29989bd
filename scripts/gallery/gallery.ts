import { faultLine } from '../../core/src/base/fault.ts';
import { layFly, type LaidFly } from '../../core/src/model/solve/layFly.ts';
import { readFlyValue } from '../../core/src/pattern/read.ts';
import type { MaterialItem } from '../../core/src/drawers/items.ts';
import { NOMINAL_MATERIALS } from '../../core/src/drawers/tables.ts';
import { PRESETS } from '../../core/src/edit/presets.ts';
import { flyFigure } from '../../core/src/drawing/figure/flyFigure.ts';
import { paintFly } from '../../core/src/drawing/figure/paint.ts';
import { viewOf } from '../../core/src/drawing/figure/view.ts';
import { CanvasSurface } from '../../web/src/shared/drawing/canvas.ts';

/** One thing that is tied, as it is drawn on every platform. */
interface Tied {
  readonly name: string;
  readonly part: Readonly<Record<string, unknown>>;
}

const PLATFORMS: Readonly<Record<string, object>> = {
  single: { kind: 'single', size: '4', longX: 2 },
  double: { kind: 'double', size: '6', longX: 2 },
  jig: { kind: 'jig', size: '4', bendUp: '90 deg' },
  tube: { kind: 'tube', length: '28 mm', hook: { kind: 'single', size: '6' } },
  shank: { kind: 'shank', length: '28 mm', hook: { kind: 'single', size: '6' } },
};
const [WIDE, TALL, SCALE] = [230, 112, 3];
const PAPER = { ink: '#0f1e1f', sheet: '#ffffff', dark: false };

/** The part a construction is begun with, of a material. */
function ofMaterial({ construction, name, colour }: MaterialItem): Readonly<Record<string, unknown>> | null {
  const preset = PRESETS.find(({ part }) => part.construction === construction);
  return preset ? { ...preset.part, material: name, colour } : null;
}

/** The first material of each construction and manner there is. */
function manners(): Tied[] {
  const seen = new Set<string>();
  return NOMINAL_MATERIALS.flatMap((each): Tied[] => {
    const manner = 'manner' in each ? each.manner : each.name;
    const key = `${each.construction} ${manner}`;
    const part = ofMaterial(each);
    if (seen.has(key) || !part) return [];
    seen.add(key);
    return [{ name: `${each.construction}, ${manner}`, part }];
  });
}

const FORMS: readonly Tied[] = (['pair', 'slips', 'tips', 'single'] as const).flatMap((form) =>
  (['flat', 'tented', 'sides', 'along-back'] as const).flatMap((lie): Tied[] => {
    const preset = PRESETS.find(({ part }) => part.construction === 'feather');
    return preset ? [{ name: `feather, ${form} ${lie}`, part: { ...preset.part, form, lie } }] : [];
  }),
);

/** Eyes by their outer faces, and a body of two furs in one loop. */
const MORE: readonly Tied[] = [
  ...(['flat', 'drilled'] as const).flatMap((faces): Tied[] => {
    const preset = PRESETS.find(({ part }) => part.construction === 'ball' && part.shape === 'dumbbell');
    return preset
      ? [{ name: `dumbbell, ${faces}`, part: { ...preset.part, material: 'brass', diameter: '5 mm', faces } }]
      : [];
  }),
  {
    name: 'two furs in one loop',
    part: {
      id: 'body',
      role: 'body',
      construction: 'wrap',
      material: 'tight dubbing',
      colour: 'olive',
      with: 'copper tinsel',
      diameter: '5 mm',
      from: 'bend',
      to: 'station 2',
    },
  },
];

/** Everything there is to draw: each preset, each manner of each construction, each form of a feather. */
const TIED: readonly Tied[] = [
  ...PRESETS.map(({ name, part }): Tied => ({ name, part: part as unknown as Tied['part'] })),
  ...manners(),
  ...FORMS,
  ...MORE,
];

/** A coat covers something: it is drawn over a body. */
const BODY = {
  id: 'body',
  role: 'body',
  construction: 'wrap',
  material: 'floss',
  diameter: '2.4 mm',
  from: 'bend',
  to: 'station 2',
};

function fileOf({ name, part }: Tied, platform: object): unknown {
  const parts = part['construction'] === 'coat' ? [BODY, { ...part, over: 'body' }] : [part];
  return {
    format: 'jobbet.fly',
    version: 1,
    name,
    platform,
    thread: { denier: 140, colour: 'black' },
    head: 'neat',
    parts,
  };
}

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
