export { type Instead, insteadOf, splitRow } from './instead.ts';
export { labelPages } from './labels.ts';
export { prepPages } from './pages.ts';
export {
  type BatchPlan,
  carriedBy,
  type FlyOf,
  KnownFlies,
  type PlanOptions,
  type PlannedRow,
  planBatch,
  planNeeds,
} from './plan.ts';
export { boughtWords, type NeedReport, type SubstituteReport, substitutesOf } from './needReport.ts';
export { lyingThere } from './needs.ts';
export { goodsNamed } from './takes.ts';
export { type ItemTaking, takingsOf } from './takings.ts';
export { prepAtHand, type PrepReport } from './prep.ts';
export { type BatchReport, type RowReport, type ScheduleReport, reportBatch } from './report.ts';
export { ownFly, type RowFly, rowFly } from './rowFly.ts';
export { handfulFor, type Way } from './times.ts';
