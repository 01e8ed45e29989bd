export { type Fault, type FaultCode, type Outcome, bad, faultLine, good } from './fault.ts';
export { clipped, editDistance, nearest, suggestion } from './nearest.ts';
export { remembering } from './remembering.ts';
export { MOST_MM, tooLong } from './reason.ts';
export { capital, sentence } from './sentence.ts';
export { MODEL, VERSION } from './version.ts';
export { wordsIn } from './wordsIn.ts';
