import { register } from 'tsx/esm/api';

/** The thread's code straight from its source, for tests and while it is worked on. */
register();
await import('./worker.ts');
