import { good } from '../src/base/fault.ts';
import { prepPages } from '../src/batch/pages.ts';
import { planBatch } from '../src/batch/plan.ts';
import { reportBatch, type BatchReport } from '../src/batch/report.ts';
import { readDocument } from '../src/document/read.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { PAPERS, pageSchema } from '../src/drawing/paper/items.ts';
import { BATCH_KIND } from '../src/records/batch.ts';
import { METRIC } from '../src/units/format.ts';
import { body, eyes, fly, strip, tail } from './build.ts';

const runner = fly([eyes(), tail({ colour: 'slate' }), body(), strip({ colour: 'slate' })]);

function told(rows: number): BatchReport {
  const file = readDocument(BATCH_KIND, {
    format: 'jobbet.batch',
    version: 1,
    name: 'Opening week',
    rows: Array.from({ length: rows }, (_, i) => ({
      fly: 'a',
      count: 3,
      shade: { tail: { colour: `shade ${String(i)}` }, strip: { colour: `shade ${String(i)}` } },
    })),
  });
  const plan = file.ok ? planBatch(file.value, { drawers: NOMINAL_DRAWERS, flyOf: () => good(runner) }) : file;
  if (!plan.ok) throw new Error('no plan');
  return reportBatch(plan.value, NOMINAL_DRAWERS);
}
const pagesOf = (report: BatchReport) =>
  prepPages(report, { paper: 'a4', style: METRIC, textWidth: (text, size) => 0.45 * text.length * size });

describe('the prep sheet', () => {
  test('names every item that is made ready, what is done to it, how many and how long', () => {
    const report = told(1);
    const words = pagesOf(report)
      .flatMap(({ items }) => items)
      .flatMap((item) => (item.kind === 'text' ? [item.text] : []))
      .join(' ');
    for (const { material } of report.prep) expect(words).toContain(material);
    expect(words).toContain('cut from the hide side');
    expect(words).toMatch(/3 of \d+/);
    expect(words).toMatch(/Points: mind fingers and eyes/);
  });
  test('goes on to as many pages as it takes, and puts nothing beyond any of them', () => {
    const pages = pagesOf(told(24));
    expect(pages.length).toBeGreaterThan(1);
    for (const page of pages) {
      expect(pageSchema.safeParse(page).success).toBe(true);
      for (const item of page.items)
        if (item.kind === 'text') {
          expect(item.at[1]).toBeLessThan(PAPERS.a4[1]);
          expect(item.at[0]).toBeLessThan(PAPERS.a4[0]);
        }
    }
  });
});
