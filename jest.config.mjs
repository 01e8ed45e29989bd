import { fileURLToPath } from 'node:url';

const at = (path) => fileURLToPath(new URL(path, import.meta.url));
const tests = { testMatch: ['<rootDir>/**/*.test.{ts,tsx}'], testPathIgnorePatterns: ['/node_modules/', '/dist/'] };

/**
 * What needs no window is tried in Node as it is: a module is read and made quick once by each process and not once for every file of tests,
 * which halves the time. Nothing here may lean on a world of its own; `jest` is a global, and a test that hangs is ended by the check alone.
 */
export const bare = {
  ...tests,
  displayName: 'node',
  rootDir: at('.'),
  roots: ['core', 'print', 'pictures', 'cli', 'server'].map((name) => `<rootDir>/${name}`),
  runner: ['jest-light-runner', { runtime: 'child_process' }],
  setupFiles: [at('scripts/jest/asWritten.mjs')],
  setupFilesAfterEnv: ['<rootDir>/core/test/setup.ts'],
  transform: {},
};

const web = {
  ...tests,
  displayName: 'web',
  rootDir: at('web'),
  testEnvironment: 'jsdom',
  setupFilesAfterEnv: ['<rootDir>/test/setup.ts'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
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
  },
};

export default {
  // No test waits for time: this ends what hangs, on a machine that does something else too.
  testTimeout: 120_000,
  projects: [bare, web],
};
