export {
  type Inspected,
  inspectFlies,
  type InspectReport,
  type LengthReport,
  reportInspected,
  type SeriesReport,
  type SpecimenReport,
} from './inspect.ts';
export { type Learnt, withLearnt } from './learnt.ts';
