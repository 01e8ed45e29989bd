import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '../..');
const folder = mkdtempSync(join(tmpdir(), 'jobbet-cli-'));
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** What a shell line with `jobbet` in it comes to, on the sources as they are. */
function shell(line: string): { code: number | null; out: string; err: string } {
  const jobbet = `"${process.execPath}" --import tsx cli/src/bin.ts`;
  const done = spawnSync('bash', ['-o', 'pipefail', '-c', line.replaceAll('jobbet', jobbet)], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, FOLDER: folder, NODE_OPTIONS: '' },
  });
  return { code: done.status, out: done.stdout, err: done.stderr };
}
const fly = 'examples/slate-runner.fly.json';

test('where whoever reads of it has heard enough, it ends quietly', () => {
  const files = Array.from({ length: 12 }, () => fly).join(' ');
  const { code, err } = shell(`jobbet solve ${files} | head -c 10`);
  expect([code, err]).toEqual([0, '']);
}, 60_000);

test('a full disk is told in words', () => {
  const { code, err } = shell('jobbet schema > /dev/full');
  expect([code, err]).toEqual([2, 'the disk is full; what was asked was not written\n']);
}, 60_000);

test('only files are read, and only as much as a file may be', () => {
  writeFileSync(join(folder, 'large.fly.json'), ' '.repeat(1_100_000));
  const { code, err } = shell('mkfifo "$FOLDER/pipe"; jobbet solve "$FOLDER" /dev/zero "$FOLDER/large.fly.json"');
  expect(code).toBe(2);
  expect(
    err
      .trim()
      .split('\n')
      .map((line) => line.replace(folder, '')),
  ).toEqual([
    ': is no file',
    '/dev/zero: is no file',
    '/large.fly.json: the file is 1.1 MB; a pattern file is at most 1 MB',
  ]);
}, 60_000);

test('standard input is read to its end, and no further than it may be', () => {
  expect(shell(`(head -c 100 ${fly}; sleep 0.3; tail -c +101 ${fly}) | jobbet solve --stdin --lines`).out).toMatch(
    /^\{"name":"Slate Runner"/,
  );
  const { code, err } = shell('yes | jobbet solve --stdin');
  expect([code === 0, err]).toEqual([false, expect.stringContaining('is over 20 MB, the most that is read') as string]);
}, 60_000);
