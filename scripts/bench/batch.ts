import { KnownFlies, planBatch, planNeeds, type BatchPlan, type PlanOptions } from '../../core/src/batch/plan.ts';
import { reportBatch } from '../../core/src/batch/report.ts';
import { schedule, type Job, type Window } from '../../core/src/batch/schedule.ts';
import { good } from '../../core/src/base/fault.ts';
import { readDocument } from '../../core/src/document/read.ts';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { readFlyValue } from '../../core/src/pattern/read.ts';
import { BATCH_KIND, type BatchFile } from '../../core/src/records/batch.ts';
import { twelvePartFly } from './fly.ts';
import { tell } from './times.ts';

/** Some rows of a fly of twelve parts, each in a colour of its own. */
function batchOf(rows: number, count: number, run: number): BatchFile {
  const file = readDocument(BATCH_KIND, {
    format: 'jobbet.batch',
    version: 1,
    name: 'Bench',
    rows: Array.from({ length: rows }, (_, i) => ({
      fly: 'a',
      count,
      shade: { tail: { colour: `colour ${String(i)} of ${String(run)}` } },
    })),
  });
  if (!file.ok) throw new Error('no batch');
  return file.value;
}
const read = readFlyValue(twelvePartFly);
if (!read.ok) throw new Error('no fly');
const fly = good(read.value);

function planned(batch: BatchFile): BatchPlan {
  const plan = planBatch(batch, { drawers: NOMINAL_DRAWERS, flyOf: () => fly });
  if (!plan.ok) throw new Error('no plan');
  return plan.value;
}

/** Times of one call each, after one to warm up. */
function timesOf(runs: number, call: (i: number) => unknown): number[] {
  call(-1);
  return Array.from({ length: runs }, (_, i) => {
    const start = performance.now();
    call(i);
    return performance.now() - start;
  });
}

tell(
  'a batch of 60 flies in 4 rows planned',
  timesOf(12, (i) => planned(batchOf(4, 15, i))),
  150,
);
const plan = planned(batchOf(4, 15, 0));
tell(
  '  and told',
  timesOf(12, () => reportBatch(plan, NOMINAL_DRAWERS)),
  null,
);
tell(
  'a batch of 5000 flies in 20 rows planned',
  timesOf(3, (i) => planned(batchOf(20, 250, i))),
  null,
);

const known = new KnownFlies();
/** 5,000 flies in 200 rows that were worked out before, of which one row gets another count. */
const counted = (i: number): BatchFile => {
  const batch = batchOf(200, 25, 0);
  return { ...batch, rows: batch.rows.map((row, k) => (k === 0 ? { ...row, count: 24 - (i % 5) } : row)) };
};
const KEPT: PlanOptions = { drawers: NOMINAL_DRAWERS, flyOf: () => fly, known };
tell(
  'counts, needs and shortage of 5000 flies in 200 rows, from kept sheets',
  timesOf(6, (i) => planNeeds(counted(i), KEPT)),
  300,
);
tell(
  '  planned',
  timesOf(6, (i) => planBatch(counted(i), KEPT)),
  null,
);
const large = planBatch(counted(0), KEPT);
if (!large.ok) throw new Error('no plan');
tell(
  '  and told',
  timesOf(6, () => reportBatch(large.value, NOMINAL_DRAWERS)),
  null,
);

const EVENINGS: readonly Window[] = Array.from({ length: 12 }, (_, i) => ({ from: 1440 * i, to: 1440 * i + 150 }));
const jobs = (count: number): Job[] =>
  Array.from({ length: count }, (_, i) => ({
    row: 1 + (i % 4),
    fly: i + 1,
    hands: 12 + (i % 4),
    coats: [
      { hands: 1, dry: 20 },
      { hands: 1, dry: 40 },
    ],
  }));
tell(
  '8 flies laid over evenings',
  timesOf(8, () => schedule(jobs(8), EVENINGS)),
  500,
);
tell(
  '60 flies laid over evenings',
  timesOf(8, () => schedule(jobs(60), EVENINGS)),
  500,
);
