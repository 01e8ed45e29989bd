export { BATCH_KIND, type BatchFile, type BatchRow, type FlyProgress, FLY_STATES, MOST_FLIES } from './batch.ts';
export { clockMinutes, dayMinutes, momentText, readShare } from './measures.ts';
