const transform = {
  '^.+\\.tsx?$': [
    '<rootDir>/../scripts/jest/transform.mjs',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        target: 'es2023',
        experimental: { keepImportAttributes: true },
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'es6' },
      sourceMaps: 'inline',
    },
  ],
};
const common = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform,
  testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
};

export default {
  // No test waits for time: this ends what hangs, on a machine that does something else too.
  testTimeout: 120_000,
  projects: [
    {
      ...common,
      displayName: 'core',
      rootDir: 'core',
      testEnvironment: 'node',
      setupFilesAfterEnv: ['<rootDir>/test/setup.ts'],
    },
    { ...common, displayName: 'print', rootDir: 'print', testEnvironment: 'node' },
    { ...common, displayName: 'pictures', rootDir: 'pictures', testEnvironment: 'node' },
    { ...common, displayName: 'cli', rootDir: 'cli', testEnvironment: 'node' },
    { ...common, displayName: 'server', rootDir: 'server', testEnvironment: 'node' },
    {
      ...common,
      displayName: 'web',
      rootDir: 'web',
      testEnvironment: 'jsdom',
      setupFilesAfterEnv: ['<rootDir>/test/setup.ts'],
    },
  ],
};
