export { MODEL, VERSION } from './version.ts';
export { bad, faultLine, type Fault, type FaultCode, type Outcome } from './units/fault.ts';
export { flyJsonSchema, flySchema, type FlyFile, type PlatformFile } from './file/schema.ts';
export { readFly, readFlyValue, sizeFault, MAX_BYTES } from './file/read.ts';
export { layFly, type LaidFly, type LaidPart } from './solve/layFly.ts';
export { settleFly, solveFly, type SolvedFly } from './solve/solveFly.ts';
export { solveText } from './solve/solveText.ts';
export { reportFly } from './solve/report.ts';
export { reportSchema, type FlyReport } from './solve/reportSchema.ts';
