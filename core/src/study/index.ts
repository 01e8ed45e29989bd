export { type Certainty, type CertainOf, type Certain, type Settles, certaintyOf } from './certainty/certainty.ts';
export { leanWords } from './explain/say.ts';
export type { Why, WhyTerm } from './explain/types.ts';
export { type Asked, whyOf } from './explain/why.ts';
export { type FinderStep, type Finding, type Found, findWeights } from './finder/finder.ts';
export { type Wish } from './finder/wishes.ts';
export { type CardOptions, PROOF_MM, corrected, gaugeCard } from './sizes/gauge/card.ts';
export { gaugeStrip } from './sizes/gauge/strip.ts';
export { type Pin, isLengthPin, pinFault, setPin } from './sizes/pins.ts';
export { HOLDS, type Hold, type RunFly, type WeightTaken, runFly, runOne, weightsOf } from './sizes/runFly.ts';
export { type RunSize, nameOf, readSizes } from './sizes/sizes.ts';
export { usualSizes } from './sizes/usual.ts';
export { type Deviation, layDeviant } from './tolerance/deviant.ts';
export { type CareOf, type Reckoned, SOLVED, type ScatterStep, type Solved, scatterOf } from './tolerance/scatter.ts';
export { scatterMoved, type ScatterMoved } from './tolerance/moved.ts';
export { histogramOf, quantile } from './tolerance/spreadOut.ts';
export {
  type Care,
  MOST_SPREAD,
  type Spread,
  type SpreadKind,
  USUAL_SPREADS,
  spreadKey,
  spreadsOf,
} from './tolerance/spreads.ts';
export { shapeOf } from './visibility/shape.ts';
export { type Looking, type Sight, coloursOf, finestMm, seen, thresholdIn } from './visibility/sight.ts';
export { SUN, WATER_COLOURS, type WaterColour, daylight, sunWords } from './visibility/water.ts';
