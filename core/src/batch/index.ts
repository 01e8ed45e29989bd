export { type Instead, insteadOf, splitRow } from './instead.ts';
export { prepPages } from './pages.ts';
export { type BatchPlan, type FlyOf, type PlanOptions, type PlannedRow, planBatch, planNeeds } from './plan.ts';
export { lyingThere } from './needs.ts';
export { goodsNamed } from './takes.ts';
export { type ItemTaking, takingsOf } from './takings.ts';
export {
  type BatchReport,
  type NeedReport,
  type PrepReport,
  type RowReport,
  type ScheduleReport,
  type SubstituteReport,
  reportBatch,
} from './report.ts';
