import config from '../../jest.config.mjs';

const core = config.projects.find(({ displayName }) => displayName === 'core');

/** The tests of the core alone, the quickest first, so that a mutant that is noticed costs little. */
export default {
  ...core,
  rootDir: `${import.meta.dirname}/../../core`,
  testSequencer: `${import.meta.dirname}/quickestFirst.mjs`,
};
