import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import TestSequencer from '@jest/test-sequencer';

/** Which tests each file holds and how long it took, as the run without a mutant found them: path -> { names, ms }. */
const found = () =>
  existsSync(process.env.MUTATE_TESTS) ? JSON.parse(readFileSync(process.env.MUTATE_TESTS, 'utf8')) : {};

/** Only the files that hold a test which is asked for, the quickest first: loading the others would take most of the time. */
export default class QuickestFirst extends TestSequencer {
  constructor({ globalConfig, ...options }) {
    super({ globalConfig, ...options });
    this.asked = globalConfig.testNamePattern;
  }

  sort(tests) {
    if (!this.asked) return super.sort(tests);
    const asked = new RegExp(this.asked, 'i');
    const known = found();
    return tests
      .filter(({ path }) => known[path]?.names.some((name) => asked.test(name)) ?? true)
      .sort((a, b) => (known[a.path]?.ms ?? Infinity) - (known[b.path]?.ms ?? Infinity));
  }

  cacheResults(tests, results) {
    if (this.asked) return;
    super.cacheResults(tests, results);
    const entries = results.testResults.map(({ testFilePath, testResults, perfStats }) => [
      testFilePath,
      { names: testResults.map(({ fullName }) => fullName), ms: perfStats.runtime ?? 0 },
    ]);
    writeFileSync(process.env.MUTATE_TESTS, JSON.stringify(Object.fromEntries(entries)));
  }
}
