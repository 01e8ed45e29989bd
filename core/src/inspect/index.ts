export {
  type Inspected,
  inspectFlies,
  type InspectReport,
  type LengthReport,
  reportInspected,
  type SeriesReport,
  type SpecimenReport,
} from './inspect.ts';
export { type ViewReport, viewReport } from './seenBy.ts';
export { type JarReport } from './jar.ts';
export { LOOKED, type Look, looksOf } from './looks.ts';
export { drawersWith, type Laying, layingOf, withLaying } from './intoDrawer.ts';
export { measuresOf } from './measures.ts';
export { type Learnt, withLearnt } from './learnt.ts';
