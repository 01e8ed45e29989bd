export {
  METRIC,
  type Style,
  type Written,
  formatAngle,
  formatDepth,
  formatLength,
  formatMass,
  formatMoment,
  formatNumber,
  formatSpeed,
  formatTemperature,
  styleSchema,
} from './format.ts';
export { readNumber } from './number.ts';
export { askedBack, mmPerUnit, parseQuantity } from './quantity.ts';
export { type Saying, saying } from './saying.ts';
