export {
  askWater,
  CURRENT_OFF,
  dropOf,
  ended,
  type HangsOn,
  hangsOn,
  type OnDropper,
  runWater,
  type WaterAnswer,
  type WaterAsked,
  type WaterRun,
} from './ask.ts';
export { meantCurrent, readAbove, readAsked, USUAL_ABOVE_MM, USUAL_CAST_MM, type WaterTexts } from './asked.ts';
export { Current } from './current.ts';
export { type Fishing, type Manner, MANNERS, type Moment, USUAL_FISHING } from './fish.ts';
export { alongLine, countCards, type Counted, countRows, sectionPage } from './paper.ts';
export { eyesTo, type OtherEyes } from './eyes.ts';
export { seenFromMm } from './seen.ts';
export { lineWords, waysTo, type Way } from './reach.ts';
export { type Fishes, nothingReaches, type Offered, whichFly } from './which.ts';
export { reportWater, type WaterReport } from './report.ts';
export { NO_FLOAT, type Tackle, USUAL_LINES } from './tackle.ts';
export { NEAR_WANTED, type WaterTold } from './told.ts';
export { waterWhy, type WaterAskedWhy, type WaterWhyOf } from './whys.ts';
export { type WaterFault, waterFaults, waterWords } from './words.ts';
