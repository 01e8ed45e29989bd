export { type BatchPlan, type FlyOf, type PlanOptions, type PlannedRow, planBatch } from './plan.ts';
export { type BatchReport, reportBatch } from './report.ts';
