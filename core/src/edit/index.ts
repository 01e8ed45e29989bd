export { type Difference, diffFlies, differenceWords } from './diff.ts';
export {
  type Grip,
  type GripKind,
  gripBy,
  gripStepMm,
  headGrip,
  partGrips,
  pullGrip,
  tipGrip,
  tipRelation,
} from './grips.ts';
export { fittedTo } from './fitted.ts';
export { NEW_PLATFORM, newFly } from './newFly.ts';
export { addPart, dependants, freeId, freezeDependants, movePart, removePart, renamePart } from './parts.ts';
export { type Left, asKind, changePlatform, takePacket } from './platform.ts';
export { type OfferedPart, offeredParts } from './offered.ts';
export { PRESETS } from './presets.ts';
export { isLengthKey, readRelation, relationsOf, withField, withKey, withPart } from './relations.ts';
export { pullerOf } from './snaps.ts';
export { computedMass, nominalMeasures } from './specimen.ts';
export { MM_PER_32, SIZES_32, type SwapOffer, sizeText, swapOffers } from './swap.ts';
