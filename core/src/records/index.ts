export { BEAT_KIND, type BeatFile, type BeatNow, beatAt, BEDS, ROUGHNESS_MM } from './beat.ts';
export {
  BATCH_KIND,
  type BatchFile,
  batchSchema,
  type BatchRow,
  type FlyProgress,
  FLY_STATES,
  MOST_FLIES,
  MOST_PLACES,
} from './batch.ts';
export { readBatchTable, type TableRow, writeBatchTable } from './batchTable.ts';
export { type GaugeFeed, gaugeNow, readGauge, simulatedStation } from './gauge.ts';
export { handSchema, OWN_HANDS, type StoredHand, storedHandSchema, type TyingHand } from './hands.ts';
export { KIND_OF, readRecord, RECORD_KINDS, type RecordHead, type RecordKind, type RecordOf, headOf } from './kinds.ts';
export { clockMinutes, dayMinutes, momentMinutes, momentText, readShare } from './measures.ts';
export { DRILLED_MM, DRILLS, DRILL_KIND, drillSchema, type DrillFile, type DrillItem, type DrillOf } from './drill.ts';
export { DATE_KIND, DATE_SORTS, type DateFile, dateSchema } from './date.ts';
export {
  EVENTS,
  LIGHTS,
  type Loss,
  LOSSES,
  OUTING_KIND,
  type OutingFile,
  outingSchema,
  type Rod,
  TRENDS,
} from './outing.ts';
export { OUTING_COLUMNS, type OutingsRead, readOutingTable, writeOutingTable } from './outingTable.ts';
export { patternAt } from './pins.ts';
export {
  type FlyState,
  type HookAt,
  type Progress,
  counted,
  goneOn,
  handfulOf,
  hooksOf,
  inVise,
  keptOf,
  laidOutOn,
  lostOf,
  numberOf,
  pinOf,
  progressAt,
  progressOf,
  rackOf,
  stateAt,
  withEvening,
  withFly,
  withState,
  withoutRow,
} from './progress.ts';
export { readSpecimenTable, type SpecimenRow, writeSpecimenTable } from './specimenTable.ts';
export { type Reading, readingOf, SPECIMEN_KIND, type SpecimenFile, specimenSchema, VERDICTS } from './specimen.ts';
