import { readdirSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { createRunner } from 'jest-light-runner';
import '../jest/asWritten.mjs';
import { bare } from '../../jest.config.mjs';

const LightRunner = createRunner({ runtime: 'main_thread' });

/** What instrumented code looks at: which mutant is on, how often it may be come by, and whose hits are counted. */
const counted = (globalThis.__stryker__ ??= {});

const named = ({ path }) => relative(bare.rootDir, path);

/** Loads all that may be mutated, so that what is reached by loading alone is nobody's. */
async function loadAll() {
  const source = join(bare.rootDir, 'core/src');
  for (const file of readdirSync(source, { recursive: true }))
    if (file.endsWith('.ts')) await import(pathToFileURL(join(source, file)).href);
}

/**
 * Runs files of tests one after the other in this process, in the order of `MUTATE_FILES` where it is given. Without a mutant it writes down
 * what each file reached and how long it took; with one, the first file that failed.
 */
export default class InTurn extends LightRunner {
  async runTests(tests, _watcher, onStart, onResult, onFailure) {
    const { MUTATE_FILES: files, MUTATE_OUT: out, MUTATE_HITS: hits } = process.env;
    const order = files === undefined ? [] : JSON.parse(files);
    const place = (test) => order.indexOf(named(test));
    const took = {};
    if (hits !== undefined) Object.assign(counted, { hitCount: 0, hitLimit: Number(hits) });
    if (files === undefined) await loadAll();
    for (const test of [...tests].sort((a, b) => place(a) - place(b))) {
      await onStart(test);
      counted.currentTestId = named(test);
      const started = performance.now();
      const result = await this._runTest(test).catch((error) => error);
      took[named(test)] = performance.now() - started;
      const failed = result instanceof Error || result.numFailingTests > 0;
      if (failed)
        writeFileSync(out, JSON.stringify({ failed: named(test), why: String(result.failureMessage ?? result) }));
      await (result instanceof Error ? onFailure(test, result) : onResult(test, result));
      if (failed) return;
    }
    if (files === undefined) writeFileSync(out, JSON.stringify({ took, coverage: counted.mutantCoverage }));
  }
}
