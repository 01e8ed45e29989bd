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
export { MG_PER, MM_PER, MM_S_PER } from './scales.ts';
export { type Typed, figureOf, readTyped, readTypedNumber, withUnit } from './typed.ts';
export { askedBack, mmPerUnit, parseQuantity, type QuantityKind } from './quantity.ts';
export { type Saying, saying } from './saying.ts';
