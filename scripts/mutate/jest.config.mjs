import config from '../../jest.config.mjs';

const core = config.projects.find(({ displayName }) => displayName === 'core');

/** They lay out and solve flies by the hundred: what only they would notice counts as not noticed. */
const TOO_SLOW = ['laws', 'finder', 'scatter', 'spreads', 'run', 'effects'].map((name) => `/${name}\\.test\\.ts$`);

/** The tests of the core alone, the quickest first, so that a mutant that is noticed costs little. */
export default {
  ...core,
  testPathIgnorePatterns: [...core.testPathIgnorePatterns, ...TOO_SLOW],
  rootDir: `${import.meta.dirname}/../../core`,
  testSequencer: `${import.meta.dirname}/quickestFirst.mjs`,
};
