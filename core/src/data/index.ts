export { CAUTIONS } from './cautions.ts';
export { COLOUR_WORDS, mixTint, tintOf } from './colours.ts';
export { type BundleManner, bundleKind, WOUND_MANNERS, type WoundKind, type WoundManner, woundKind } from './kinds.ts';
export { GLOSSARY } from './glossary.ts';
export { HOOK_SIZES, LOOPS, NOMINAL, SHANK, TUBE, TUBE_MATERIALS, nominalHook, sizeSteps } from './hooks.ts';
export {
  type BundleMaterial,
  type FeatherMaterial,
  type HackleMaterial,
  type SheetMaterial,
  type SpunMaterial,
  type StripMaterial,
  type WoundMaterial,
  type Matched,
  matchKind,
  matchMaterial,
} from './materials.ts';
export { BUNDLES } from './nominal/bundles.ts';
export { FEATHERS, HACKLES, SHEETS, SPUN, STRIPS } from './nominal/others.ts';
export { WOUND } from './nominal/wound.ts';
export { CHOOSING } from './choosing.ts';
export { BATCH_MINUTES, BUNDLE_MINUTES, dryMinutes, MINUTES, PART_MINUTES } from './minutes.ts';
export { SCHOOLS, SLOTS, slotWords, type School, type SlotName } from './schools.ts';
export { SOLIDS, type Solid, solidIn, solidNamed, solidNames, solidWords } from './solids.ts';
export { type Technique, TECHNIQUES } from './techniques.ts';
export {
  ANGLES,
  ASKS_G,
  BORE_OF_BEAD,
  CHAIN,
  COATS,
  COLLAR_PITCH_MM,
  CONE,
  DISC,
  DOSES,
  HEAD_SPACE,
  HEAD_WIRES,
  HOLD,
  RISKY_SHARE,
  SIDES,
  THREAD,
  THREAD_FIBRE,
  TIE_IN,
  TRUSTED_SHARE,
} from './tying.ts';
export {
  LANDMARKS,
  type LandmarkName,
  PROPERTIES,
  type PartProperty,
  QUANTITIES,
  type QuantityName,
  isReserved,
} from './words.ts';
