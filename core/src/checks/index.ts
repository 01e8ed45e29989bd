export {
  type Checked,
  NOMINAL_LIMITS,
  checkFly,
  limitFaults,
  schoolFaults,
  withMute,
  withoutMute,
} from './checkFly.ts';
export { type Comparison, type Difference, compareSchools } from './compare.ts';
export { type CheckReport, reportChecked, reportChecks } from './report.ts';
export { orderWords } from './order.ts';
export { shownOf, toSettle, wantsSettling } from './settle.ts';
export { type Standing, followAll, standing } from './standing.ts';
export { type Finding } from './types.ts';
