export {
  askWater,
  CURRENT_OFF,
  ended,
  type HangsOn,
  hangsOn,
  runWater,
  type WaterAnswer,
  type WaterAsked,
  type WaterRun,
} from './ask.ts';
export { meantCurrent, readAsked, USUAL_CAST_MM, type WaterTexts } from './asked.ts';
export { Current } from './current.ts';
export { type Fishing, type Manner, MANNERS, type Moment, USUAL_FISHING } from './fish.ts';
export { reportWater, type WaterReport } from './report.ts';
export { LINE_FORMS, type LineForm } from './tackle.ts';
export { type WaterTold } from './told.ts';
export { type WaterFault, waterFaults, waterWords } from './words.ts';
