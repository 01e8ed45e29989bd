export { firstFly } from './firstFly.ts';
export { leansFrom, type Leans } from './lean.ts';
export { type Broken, brokenIn, leastMoves, orderAsk, type OrderAsk } from './order.ts';
export { type PullAsk, pullsOn } from './pulls.ts';
export { type DrillGroup, reportDrills } from './report.ts';
export { type Answered, type Grade, gradeOf, knownNow, nextKind } from './schedule.ts';
export { nextShare, rightChance, type Seen, type Threshold, thresholdOf } from './staircase.ts';
export {
  type GroupTally,
  pooledSpread,
  type Pulled,
  pulledIn,
  shareOff,
  talliedBy,
  tallyOf,
  TOLD_BY,
  type ToldBy,
} from './tally.ts';
