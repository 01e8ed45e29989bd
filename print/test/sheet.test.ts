import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFiumLibrary } from '@hyzyla/pdfium';
import { readFly } from '@jobbet/core/pattern';
import { settleFly, solveFly, type SolvedFly } from '@jobbet/core/model';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { sheetPages, sheetOf } from '@jobbet/core/tying';
import type { Page } from '@jobbet/core/drawing';
import { sheetPdf } from '../src/sheet.ts';
import { printedWidth } from '../src/textWidth.ts';

const EXAMPLES = join(import.meta.dirname, '../../examples');
function example(name: string): SolvedFly {
  const read = readFly(readFileSync(join(EXAMPLES, name), 'utf8'));
  const fly = read.ok ? solveFly(read.value) : read;
  if (!fly.ok) throw new Error(JSON.stringify(fly.faults));
  return fly.value;
}
const slate = example('slate-runner.fly.json');
const textWidth = printedWidth();
const pagesOf = (fly: SolvedFly, paper: 'a4' | 'letter'): readonly Page[] =>
  sheetPages(sheetOf(fly), fly.laid, { paper, hand: 'right', textWidth });

/** The words of each page, as a program that knows nothing of what wrote them reads them. */
async function wordsOf(pdf: Buffer): Promise<string[]> {
  const library = await PDFiumLibrary.init();
  const document = await library.loadDocument(pdf);
  const pages = [...document.pages()].map((page) => page.getText().replace(/\s+/g, ' '));
  document.destroy();
  library.destroy();
  return pages;
}

const flies = readdirSync(EXAMPLES).filter((name) => name.endsWith('.fly.json'));
// Letter is the shorter of the two papers.
test.each(flies)('%s: one page of it, and nothing of it beyond its margins', (name) => {
  const pages = pagesOf(example(name), 'letter');
  expect(pages.length).toBe(1);
  const beyond = pages.flatMap(({ widthMm, heightMm, items }) =>
    items.filter((item) => {
      if (item.kind !== 'text') return false;
      const broad = textWidth(item.text, item.size, item.bold === true);
      const left = item.anchor === 'end' ? item.at[0] - broad : item.at[0];
      return left < 10.9 || left + broad > widthMm - 10.9 || item.at[1] > heightMm - 10.9;
    }),
  );
  expect(beyond).toEqual([]);
});

test('read back: every step, every cut length, every caution, in order', async () => {
  const sheet = sheetOf(slate);
  const [page] = await wordsOf(await sheetPdf(slate, NOMINAL_DRAWERS, { paper: 'a4', hand: 'right' }));
  if (page === undefined) throw new Error('no page');
  for (const { cut } of sheet.materials) if (cut !== null) expect(page).toContain(`cut ${cut}`);
  for (const caution of sheet.cautions) expect(page).toContain(caution);
  const places = sheet.steps.map(({ title, how }) => {
    const at = page.indexOf(title.split(' ')[0] ?? title);
    expect([title, at >= 0]).toEqual([title, true]);
    return page.indexOf((how[0] ?? '').split(' ').slice(0, 4).join(' '));
  });
  expect(places.every((at) => at >= 0)).toBe(true);
});

test('each step has the fly at its stage: what is drawn grows, and lies inside its own frame', () => {
  const [page] = pagesOf(slate, 'a4');
  const paths = page?.items.filter((item) => item.kind === 'shape') ?? [];
  expect(paths.length).toBeGreaterThan(4 * sheetOf(slate).steps.length);
  const frames = new Map<string, number>();
  for (const { at, path } of paths) {
    const key = at.join();
    frames.set(key, (frames.get(key) ?? 0) + path.length);
  }
  expect(frames.size).toBe(sheetOf(slate).steps.filter(({ key }) => !key.startsWith('turn/')).length);
  const inked = [...frames.values()];
  expect(inked.at(-1)).toBeGreaterThan(3 * (inked[0] ?? Infinity));
});

test('a fly of many parts goes on to further pages, each numbered, in type that is not the smallest', () => {
  const [tail] = slate.laid.file.parts.filter((part) => part.id === 'tail');
  if (!tail) throw new Error('no tail');
  const many = {
    ...slate.laid.file,
    parts: [
      ...slate.laid.file.parts,
      ...Array.from({ length: 30 }, (_, i) => ({ ...tail, id: `tail-${String(i)}`, note: 'Ten fibres, no more.' })),
    ],
  };
  const solved = solveFly(many);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  const pages = pagesOf(settleFly(solved.value.laid), 'a4');
  expect(pages.length).toBeGreaterThan(1);
  const sizes = pages.flatMap(({ items }) => items.flatMap((item) => (item.kind === 'text' ? [item.size] : [])));
  expect(Math.min(...sizes)).toBeGreaterThan(2.55);
  const feet = pages.map(({ items }) =>
    items.find((item) => item.kind === 'text' && / of /.test(item.text) && item.anchor === 'end'),
  );
  expect(feet.map((foot) => (foot?.kind === 'text' ? foot.text : ''))).toEqual(
    pages.map((_, i) => expect.stringContaining(`page ${String(i + 1)} of ${String(pages.length)}`) as string),
  );
}, 20_000);
