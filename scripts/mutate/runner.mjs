import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { INSTRUMENTER_CONSTANTS } from '@stryker-mutator/api/core';
import { DryRunStatus, MutantRunStatus, TestStatus } from '@stryker-mutator/api/test-runner';
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';

const JEST = [
  '--no-warnings',
  'node_modules/jest/bin/jest.js',
  '-c',
  'scripts/mutate/jest.config.mjs',
  '-i',
  '--ci',
  '--silent',
];
/** Ended before Stryker ends this process, which would leave the tests running. */
const BEFORE_MS = 5000;

/** A run of Jest in this folder. @returns what it wrote down, its exit code, and whether it was ended for taking too long */
function told(args, env, timeoutMs) {
  const folder = mkdtempSync(join(tmpdir(), 'jobbet-mutant-'));
  const out = join(folder, 'out.json');
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [...JEST, ...args], {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: { ...process.env, ...env, MUTATE_OUT: out },
    });
    let [said, late] = ['', false];
    child.stderr.on('data', (data) => (said = (said + data).slice(-4000)));
    const timer = setTimeout(() => {
      late = true;
      child.kill('SIGKILL');
    }, timeoutMs - BEFORE_MS);
    child.on('close', (code) => {
      clearTimeout(timer);
      const written = existsSync(out) ? JSON.parse(readFileSync(out, 'utf8')) : null;
      rmSync(folder, { recursive: true, force: true });
      resolve({ written, code, late, said });
    });
  });
}

/**
 * A process for each mutant, which is on from its first line: what is worked out while loading is mutated too, and nothing that one mutant left
 * behind is met by the next. A test is a file of tests here; the quickest of those that reach the mutant come first, and the first that
 * fails ends it.
 */
class ProcessForEach {
  capabilities() {
    return { reloadEnvironment: true };
  }

  async dryRun({ timeout }) {
    const { written, code, said } = await told([], {}, timeout);
    if (code !== 0 || !written?.took) return { status: DryRunStatus.Error, errorMessage: written?.why ?? said };
    writeFileSync(process.env.MUTATE_TOOK, JSON.stringify(written.took));
    const tests = Object.entries(written.took).map(([file, ms]) => ({
      id: file,
      name: file,
      fileName: file,
      status: TestStatus.Success,
      timeSpentMs: ms,
    }));
    return { status: DryRunStatus.Complete, tests, mutantCoverage: written.coverage };
  }

  async mutantRun({ activeMutant, testFilter, hitLimit, timeout }) {
    const took = JSON.parse(readFileSync(process.env.MUTATE_TOOK, 'utf8'));
    const files = (testFilter ?? Object.keys(took)).sort((a, b) => took[a] - took[b]);
    const env = {
      [INSTRUMENTER_CONSTANTS.ACTIVE_MUTANT_ENV_VARIABLE]: activeMutant.id,
      MUTATE_FILES: JSON.stringify(files),
      ...(hitLimit === undefined ? {} : { MUTATE_HITS: String(hitLimit) }),
    };
    const { written, code, late, said } = await told(['--runTestsByPath', ...files], env, timeout);
    if (late) return { status: MutantRunStatus.Timeout };
    if (code === 0) return { status: MutantRunStatus.Survived, nrOfTests: files.length };
    return written
      ? {
          status: MutantRunStatus.Killed,
          killedBy: [written.failed],
          failureMessage: written.why,
          nrOfTests: files.length,
        }
      : { status: MutantRunStatus.Error, errorMessage: said };
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'process', ProcessForEach)];
