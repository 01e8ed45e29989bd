import { good } from '../src/base/fault.ts';
import { labelPages } from '../src/batch/labels.ts';
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

describe('labels for the fly box', () => {
  const labelsOf = (report: BatchReport) =>
    labelPages(report, { paper: 'a4', style: METRIC, textWidth: (text, size) => 0.45 * text.length * size });
  const textsOf = (items: ReturnType<typeof labelsOf>[number]['items']) =>
    items.flatMap((item) => (item.kind === 'text' ? [item] : []));

  test('name the fly, on what, how many, what it weighs, how it rides and sinks', () => {
    const report = told(1);
    const [page] = labelsOf(report);
    const words = textsOf(page?.items ?? [])
      .map(({ text }) => text)
      .join(' ');
    const [row] = report.rows;
    expect(words).toContain('3 of them');
    expect(words).toContain(`${((row?.weight_mg ?? 0) / 1000).toFixed(2)} g`);
    expect(words).toContain(`rides ${row?.ride ?? ''}`);
    expect(words).toMatch(/sinks \d+ cm\/s/);
  });
  test('are one a row, alike high, on the paper, and nothing of one stands in another', () => {
    for (const rows of [1, 7, 80]) {
      const pages = labelsOf(told(rows));
      const cut = pages.flatMap(({ items, heightMm, widthMm }) =>
        items.flatMap((item) => {
          if (item.kind !== 'line' || item.close !== true) return [];
          const [xs, ys] = [0, 1].map((axis) => item.points.map((point) => point[axis] ?? 0)) as [number[], number[]];
          const box = { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), foot: Math.max(...ys) };
          expect(box.left >= 0 && box.top >= 0 && box.right <= widthMm && box.foot <= heightMm).toBe(true);
          return [box];
        }),
      );
      expect(cut).toHaveLength(rows);
      expect(new Set(cut.map(({ top, foot }) => (foot - top).toFixed(6))).size).toBe(1);
      for (const { items } of pages)
        for (const { at } of textsOf(items))
          expect(
            cut.some(({ left, right, top, foot }) => at[0] >= left && at[0] < right && at[1] > top && at[1] < foot),
          ).toBe(true);
    }
  });
});
