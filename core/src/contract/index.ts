export { changedFigures } from './changes.ts';
export {
  type ErrorAnswer,
  type FlyChange,
  type FlySummary,
  type FlyVersion,
  type KeptCheck,
  type Listed,
  type ListedFly,
  type ListedRecord,
  type SoundFly,
  type StoredBatch,
  type StoredBeat,
  type StoredDate,
  type StoredDrill,
  type StoredOuting,
  type StoredSpecimen,
  type StoredFly,
  type StoredItem,
  type StoredRecord,
  type TyingRecord,
  errorSchema,
  flyChangeSchema,
  flyVersionSchema,
  isTruer,
  listedFlySchema,
  listedSchema,
  storedFlySchema,
  storedItemSchema,
  summarySchema,
  tyingSchema,
  versionKinds,
} from './stored.ts';
export { listedOf, platformWords, summarise } from './summary.ts';
export { mayUse, namesItem } from './uses.ts';
export { type Route, pathOf } from './route.ts';
export { ROUTES, type RouteName, sentFileSchema } from './routes.ts';
export { rideIfLight, sinkRangeIfLight, verdictSentence } from './verdict.ts';
