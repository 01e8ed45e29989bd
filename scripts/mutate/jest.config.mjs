import config from '../../jest.config.mjs';

const core = config.projects.find(({ displayName }) => displayName === 'core');

/** Tests that solve flies by the hundred: what only they would notice counts as not noticed, and costs no time. */
const LONG = ['laws', 'continuity', 'sideCurrent', 'finder', 'scatter', 'run', 'effects', 'grips'].map(
  (name) => `/${name}\\.test\\.ts$`,
);

/** The tests of the core alone, the quickest first, so that a mutant that is noticed costs little. */
export default {
  ...core,
  testPathIgnorePatterns: [...core.testPathIgnorePatterns, ...LONG],
  rootDir: `${import.meta.dirname}/../../core`,
  testSequencer: `${import.meta.dirname}/quickestFirst.mjs`,
};
