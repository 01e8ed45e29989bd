export { normalOf } from './chance.ts';
export { between } from './curves.ts';
export { noise, seedOf } from './random.ts';
export { fallBetween, firstFall } from './roots.ts';
export { betaShare, chiSquareQuantile, gammaShare, logGamma, studentQuantile } from './student.ts';
export {
  alikeChance,
  betaQuantile,
  type Counted,
  exactShareInterval,
  holm,
  type Interval,
  poissonInterval,
  ratioInterval,
  shareInterval,
} from './rates.ts';
