import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFiumLibrary } from '@hyzyla/pdfium';
import { gaugeCard, PROOF_MM, type CardOptions, gaugeStrip, runFly, readSizes } from '@jobbet/core/study';
import type { Item, Page } from '@jobbet/core/drawing';
import { readFly } from '@jobbet/core/pattern';
import type { LaidFly } from '@jobbet/core/model';
import { runsOf } from '../src/faces.ts';
import { pagesPdf } from '../src/pdf.ts';
import { printedWidth } from '../src/textWidth.ts';

const PX_PER_MM = 20;
const ALLOWED_MM = 0.2;

function flies(name: string, sizes: string): LaidFly[] {
  const read = readFly(readFileSync(join(import.meta.dirname, `../../examples/${name}.fly.json`), 'utf8'));
  const wanted = readSizes(sizes);
  if (!read.ok || !wanted.ok) throw new Error('does not read');
  const run = runFly(read.value, wanted.value);
  if (!run.ok) throw new Error(JSON.stringify(run.faults));
  return run.value.map(({ solved }) => solved.laid);
}

const card = (options: CardOptions): readonly Page[] =>
  gaugeCard('Slate Runner', flies('slate-runner', '4,8').map(gaugeStrip), options);

interface Picture {
  readonly width: number;
  readonly height: number;
  /** Whether there is ink at a pixel. */
  readonly dark: (x: number, y: number) => boolean;
}

/** A page of a PDF as pixels, drawn by a renderer that knows nothing of what wrote it. */
async function rendered(pdf: Buffer, page = 0): Promise<Picture> {
  const library = await PDFiumLibrary.init();
  const document = await library.loadDocument(pdf);
  const { width, height, data } = await document
    .getPage(page)
    .render({ scale: (PX_PER_MM * 25.4) / 72, render: 'bitmap' });
  document.destroy();
  library.destroy();
  return { width, height, dark: (x, y) => (data[4 * (y * width + x)] ?? 255) < 128 };
}

const named = (pages: readonly Page[], name: string, nth = 0): Extract<Item, { kind: 'line' }> => {
  const item = pages[0]?.items.filter((each) => each.kind === 'line' && each.name === name)[nth];
  if (item?.kind !== 'line') throw new Error(`no ${name} on the page`);
  return item;
};

/** Place of the middle of an upright stroke, scanned for either side of where it is meant to be, mm. */
function strokeAt(picture: Picture, xMm: number, yMm: number): number {
  const y = Math.round(yMm * PX_PER_MM);
  const near = Array.from({ length: 3 * PX_PER_MM }, (_, i) => Math.round((xMm - 1.5) * PX_PER_MM) + i);
  const inked = near
    .filter((x) => picture.dark(x, y))
    .sort((a, b) => Math.abs(a - xMm * PX_PER_MM) - Math.abs(b - xMm * PX_PER_MM));
  const [nearest] = inked;
  if (nearest === undefined) throw new Error('no stroke there');
  let [left, right] = [nearest, nearest];
  while (picture.dark(left - 1, y)) left--;
  while (picture.dark(right + 1, y)) right++;
  return (left + right + 1) / 2 / PX_PER_MM;
}

/** From the middle of one end stroke of the proof bar to the middle of the other, mm. */
function proofBar(picture: Picture, pages: readonly Page[]): number {
  const k = pages[0]?.correction ?? 1;
  const [from, to] = named(pages, 'proof').points;
  if (!from || !to) throw new Error('no bar');
  const [left, right] = [from, to].map(([x, y]) => strokeAt(picture, x * k, (y - 2) * k));
  return (right ?? 0) - (left ?? 0);
}

describe('a printed card, measured on the paper', () => {
  test.each([
    ['a4', [210, 297]],
    ['letter', [215.9, 279.4]],
  ] as const)('%s: the page, its 50 mm bar and two marks to 0.2 mm', async (paper, [width, height]) => {
    const pages = card({ paper });
    const pdf = await pagesPdf(pages, 'Test');
    const [, across, down] = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf.toString('latin1')) ?? [];
    expect(Math.abs((Number(across) * 25.4) / 72 - width)).toBeLessThan(0.01);
    expect(Math.abs((Number(down) * 25.4) / 72 - height)).toBeLessThan(0.01);
    const picture = await rendered(pdf);
    expect(Math.abs(proofBar(picture, pages) - PROOF_MM)).toBeLessThan(ALLOWED_MM);
    const [fly] = flies('slate-runner', '4');
    const tail = fly?.parts.find((part) => part.file.id === 'tail')?.extent;
    const eye = named(pages, 'tick eye').points[0] ?? [0, 0];
    const bend = named(pages, 'tick bend, tail, flash, body rear, wing').points[0] ?? [0, 0];
    // From the eye to the bend and to the tail's tip, as they come out of the fly and not of the page.
    const [atEye, atBend] = [strokeAt(picture, eye[0], eye[1] + 1.2), strokeAt(picture, bend[0], bend[1] + 1.2)];
    expect(Math.abs(atEye - atBend - (fly?.platform.shankMm ?? 0))).toBeLessThan(ALLOWED_MM);
    const bar = named(pages, 'bar tail').points[1] ?? [0, 0];
    expect(Math.abs(atEye - strokeAt(picture, bar[0], eye[1] + 1.2) - (tail?.tipMm ?? 0))).toBeLessThan(ALLOWED_MM);
  });
  test('what a printer takes off is put on again', async () => {
    const pages = card({ paper: 'a4', correction: 1.02 });
    const picture = await rendered(await pagesPdf(pages, 'Test'));
    expect(Math.abs(proofBar(picture, pages) - 1.02 * PROOF_MM)).toBeLessThan(ALLOWED_MM);
  });
  test('vectors and an embedded typeface, no picture; signs of the trade are drawn', async () => {
    const pdf = (await pagesPdf(card({ paper: 'a4' }), 'Slate Runner: gauge card')).toString('latin1');
    expect(pdf).toMatch(/FontFile2/);
    expect(pdf).not.toMatch(/\/Subtype \/Image/);
    const signs: Page = {
      widthMm: 60,
      heightMm: 20,
      correction: 1,
      items: '⌀×≈⅝½ö'.split('').map((text, i) => ({ kind: 'text', at: [5 + i * 8, 12], text, size: 7 })),
    };
    const picture = await rendered(await pagesPdf([signs], 'Test'));
    const shapes = signs.items.map((_, i) => {
      const rows = Array.from({ length: 7 * PX_PER_MM }, (_row, y) =>
        Array.from({ length: 7 * PX_PER_MM }, (_cell, x) =>
          picture.dark(Math.round((4.5 + i * 8) * PX_PER_MM) + x, 6 * PX_PER_MM + y) ? '#' : '.',
        ).join(''),
      );
      return rows.join('\n');
    });
    for (const shape of shapes) expect(shape).toContain('#');
    // A missing sign is drawn as one and the same box.
    expect(new Set(shapes).size).toBe(shapes.length);
  });
});

describe('names in any script', () => {
  test('are written in the typefaces that have them; a space between two words of one script is of it', () => {
    expect(runsOf('Żółta 🎣 الذبابة الحمراء 2/0', 'bold')).toEqual([
      { text: 'Żółta ', face: 'bold' },
      { text: '🎣', face: 'emoji' },
      { text: ' ', face: 'bold' },
      { text: 'الذبابة الحمراء ', face: 'arabic' },
      { text: '2/0', face: 'bold' },
    ]);
    expect(runsOf('Slate Runner © 6', 'plain')).toEqual([{ text: 'Slate Runner © 6', face: 'plain' }]);
    // A family of four is one sign.
    expect(runsOf('👨‍👩‍👧‍👦', 'plain')).toHaveLength(1);
    expect(runsOf('', 'plain')).toEqual([]);
  });
  test('run to the left where their script does: the first word stands at the right', async () => {
    // A tall letter, then a low and long stroke.
    const text = 'ا ــــــــ';
    const size = 10;
    const long = printedWidth()(text, size, false);
    const page: Page = {
      widthMm: 60,
      heightMm: 20,
      correction: 1,
      items: [{ kind: 'text', at: [5, 15], text, size }],
    };
    const { dark } = await rendered(await pagesPdf([page], 'names'));
    const inkBetween = (fromMm: number, toMm: number, highMm: number): boolean => {
      for (let x = fromMm * PX_PER_MM; x < toMm * PX_PER_MM; x++)
        if (dark(Math.round(x), highMm * PX_PER_MM)) return true;
      return false;
    };
    const high = 15 - 0.5 * size;
    expect(inkBetween(5 + long / 2, 5 + long + 1, high)).toBe(true);
    expect(inkBetween(4, 5 + long / 2, high)).toBe(false);
  });
});
