import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test, expect } from '@playwright/test';
import { FIRST_LOAD_KB, firstLoadKb } from '../scripts/bench/firstLoad.ts';
import { Boathouse, ROOT } from './boathouse.ts';

const run = (command: string, args: readonly string[], env: Record<string, string> = {}, input?: string) =>
  spawnSync(command, args, {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, ...env },
    ...(input === undefined ? {} : { input }),
  });
const node = process.execPath;

let folder: string;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'jobbet-start-'));
});
test.afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

test('npx jobbet solves files and standard input, and refuses by path with exit 2', () => {
  const solved = run('npx', [
    'jobbet',
    'solve',
    'examples/slate-runner.fly.json',
    'examples/ferryman.fly.json',
    '--lines',
  ]);
  expect([solved.status, solved.stdout.trimEnd().split('\n').length]).toEqual([0, 2]);
  const bad = join(folder, 'bad.fly.json');
  writeFileSync(
    bad,
    '{"format": "jobbet.fly", "version": 1, "name": "x", "platform": {"kind": "single", "size": "6"}, "parts": [{"id": "tail", "role": "tail", "construction": "bundle", "pinch": "2 mm", "at": "bend", "length": "1 shnk"}]}',
  );
  const refused = run('npx', ['jobbet', 'solve', bad]);
  expect([refused.status, refused.stdout]).toEqual([2, '']);
  expect(refused.stderr).toContain('parts[0].length: unknown name "shnk"; did you mean "shank"?');
  const piped = run('npx', ['jobbet', 'solve', '--stdin'], {}, '{');
  expect([piped.status, piped.stdout]).toEqual([2, '']);
  const schema = run('npx', ['jobbet', 'schema']);
  expect(JSON.parse(schema.stdout)).toMatchObject({ title: 'Jobbet pattern file' });
});

test('a port that is taken and a folder that cannot be one are said in words', async () => {
  const house = new Boathouse();
  await house.start();
  const { port } = new URL(house.url);
  const taken = run(node, ['server/dist/main.mjs'], { PORT: port, JOBBET_DATA: folder });
  expect([taken.status, taken.stderr]).toEqual([1, expect.stringContaining(`Port ${port} is taken`)]);
  await house.close();
  writeFileSync(join(folder, 'file'), '');
  const unwritable = run(node, ['server/dist/main.mjs'], { PORT: '0', JOBBET_DATA: join(folder, 'file') });
  expect([unwritable.status, unwritable.stderr]).toEqual([1, expect.stringContaining('cannot be written')]);
});

test('a reset asks first: without a terminal it refuses, with --yes it keeps what was there aside', async () => {
  const house = new Boathouse();
  await house.start();
  const env = { JOBBET_DATA: house.folder, PORT: '0' };
  expect(run(node, ['scripts/demo.mjs', '--reset', '--yes'], env)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('stop it first'),
  });
  await house.stop();
  expect(run(node, ['scripts/demo.mjs', '--reset'], env)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('say --yes'),
  });
  expect(run(node, ['scripts/demo.mjs', '--rest'], env)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('unknown option'),
  });
  expect(existsSync(join(house.folder, 'jobbet.sqlite'))).toBe(true);
  const demo = spawn(node, ['scripts/demo.mjs', '--reset', '--yes'], { cwd: ROOT, env: { ...process.env, ...env } });
  const url = await new Promise<string>((resolve) => {
    demo.stdout.on('data', (data: Buffer) => {
      const found = /http:\/\/\S+/.exec(data.toString());
      if (found) resolve(found[0]);
    });
  });
  const flies = (await (await fetch(`${url}/api/flies`)).json()) as unknown[];
  expect(flies).toHaveLength(readdirSync(join(ROOT, 'examples')).filter((name) => name.endsWith('.fly.json')).length);
  expect(readdirSync(house.folder).some((name) => name.startsWith('before-reset-'))).toBe(true);
  const ended = new Promise((resolve) => demo.once('exit', resolve));
  demo.kill('SIGTERM');
  expect(await ended).toBe(0);
  await house.close();
});

test('a first visit takes no more JavaScript than it may', () => {
  const kb = firstLoadKb();
  expect(kb).toBeGreaterThan(50);
  expect(kb).toBeLessThan(FIRST_LOAD_KB);
});
