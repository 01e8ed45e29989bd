import { bare } from '../../jest.config.mjs';

/** The tests of the core alone, one after the other in one process; pictures are drawn by a process of its own, in which nothing is counted. */
export default {
  ...bare,
  roots: ['<rootDir>/core'],
  testPathIgnorePatterns: [...bare.testPathIgnorePatterns, '/photo\\.test\\.ts$'],
  runner: `${import.meta.dirname}/inTurn.mjs`,
};
