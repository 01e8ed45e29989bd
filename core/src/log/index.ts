export { outingCards, type TakenAlong } from './card.ts';
export { type Change, changesFor } from './change.ts';
export { nextDates, type Occurrence, occurrencesOf, runOn } from './dates.ts';
export { depthFished } from './depth.ts';
export { byDay, type Fished, fishedOf, lightWord, spanMinutes } from './fished.ts';
export {
  type Against,
  ALLOWED,
  BY,
  type By,
  type FishedAs,
  type Group,
  groupsOf,
  namesBy,
  type Traits,
  within,
} from './groups.ts';
export { type LineRead, readLogLine } from './line.ts';
export { type Lost, lossesOf } from './losses.ts';
export { type LogReport, reportLog } from './report.ts';
export { seasonMarkdown } from './season.ts';
export { strengthWords } from './strength.ts';
export { sideAreaMm2, traitsOf } from './traits.ts';
export { type Version, versionsOf } from './versions.ts';
export { groupWords, hoursWords, togetherWords } from './words.ts';
