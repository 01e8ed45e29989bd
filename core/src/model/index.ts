export { cylinderCdFast, G } from './balance/drag.ts';
export { droopAt } from './balance/droop.ts';
export { type Fall, effectiveMass, timeTo } from './balance/fromRest.ts';
export { CURVE_DEG, SideFlow } from './balance/heeling.ts';
export { UNDECIDED_MM, rightingMoment, tightKeel } from './balance/keel.ts';
export { type Leader } from './balance/leader.ts';
export {
  type BalanceModel,
  cellLoad,
  type Ride,
  normalDeg,
  rideOf,
  sumWeights,
  toDeg,
  toRad,
  weightCentre,
} from './balance/model.ts';
export { SideCurrent, type SideLimit, sideHold } from './balance/sideCurrent.ts';
export { dragAlong, frictionAlong } from './balance/thinLine.ts';
export { SINK_CLASSES, type SinkClass, sinkRange, sinkingDrag } from './balance/sinking.ts';
export { type SlackRest, slackRest, slackTorque } from './balance/slack.ts';
export { restAndSink, solveBalance } from './balance/solveBalance.ts';
export { SALINITY, USUAL_TEMPERATURE, type Water, water } from './balance/water.ts';
export { type Bounds, boundsOf, reachOf } from './geometry/bounds.ts';
export { trimAt } from './balance/trim.ts';
export { PLAN_UP, PROFILE_UP, extentOf, outlineOf } from './geometry/outline.ts';
export { project, silhouetteArea, silhouetteAt } from './geometry/silhouette.ts';
export { type Askew } from './parts/askew.ts';
export { discVolume, FACES, STALK } from './parts/ballShapes.ts';
export { type CoatCut, type FreeLine, type PartForm } from './parts/forms.ts';
export { windingRank } from './parts/registry.ts';
export { isFlat } from './parts/strand.ts';
export { type Ellipse, type Section, type Vec3 } from './platform/section.ts';
export { type Barb, type Trail, type WireRun } from './platform/types.ts';
export { turnsWithin } from './balance/tipping.ts';
export { type Contribution, type TippingOf, contributionsOf, tippingsOf } from './solve/contributions.ts';
export { boundMm, windingOf } from './parts/cutting.ts';
export { limpness, traitsOf } from './parts/registry.ts';
export { cutLength, type Point, pointsOf } from './solve/cutLength.ts';
export {
  DRAG_FACTOR,
  type FallWith,
  SOAKED_ALONE,
  dragFactorOf,
  fallOf,
  softEnvelopeMm3,
  type Timed,
  timeDown,
} from './solve/fall.ts';
export { type HoldRange, holdRange } from './solve/holdRange.ts';
export { type LaidFly, type LaidPart, layFly, platformTotals } from './solve/layFly.ts';
export { meantFor } from './solve/meant.ts';
export { reportFly } from './solve/report.ts';
export { type FlyReport, reportSchema } from './solve/reportSchema.ts';
export { balanceModel, sinkSpeed } from './solve/balanceModel.ts';
export { type SolvedFly, settleFly, solveFly, solveLaid } from './solve/solveFly.ts';
export { solveText } from './solve/solveText.ts';
