import { register } from 'tsx/esm/api';

/** The thread's code straight from its source, for tests and while it is worked on. */
register();
const { default: run } = await import('./worker.ts');
export default run;
