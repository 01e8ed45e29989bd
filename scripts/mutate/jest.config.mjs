import config from '../../jest.config.mjs';

const core = config.projects.find(({ displayName }) => displayName === 'core');

/** Tests that are about something else lay out flies too: what only they would notice counts as not noticed, and costs no time. */
const ELSEWHERE = [
  ...['laws', 'finder', 'scatter', 'spreads', 'run', 'effects', 'figure', 'raster', 'grips', 'instruments', 'drawers'],
  ...[
    'gauge',
    'seen',
    'why',
    'pose',
    'fit',
    'setting',
    'edit',
    'swap',
    'diff',
    'changePlatform',
    'tables',
    'units',
    'file',
  ],
].map((name) => `/${name}\\.test\\.ts$`);

/** The tests of the core alone, the quickest first, so that a mutant that is noticed costs little. */
export default {
  ...core,
  testPathIgnorePatterns: [...core.testPathIgnorePatterns, ...ELSEWHERE],
  rootDir: `${import.meta.dirname}/../../core`,
  testSequencer: `${import.meta.dirname}/quickestFirst.mjs`,
};
