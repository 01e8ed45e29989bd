export { LineSplitter, type ReadingKind, readLine } from './reading.ts';
export { type Series, seriesOf, shareOf } from './series.ts';
export { CALIPER, SCALE, SimulatedInstrument, caliperLine, pieceOf, scaleLine } from './simulated.ts';
