import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { listenProblem, readConfig } from '../src/config.ts';
import { openDatabase, StartError } from '../src/db/open.ts';
import { markRunning, RUNNING_FILE } from '../src/running.ts';
import { tempFolder } from './bench.ts';

describe('the environment', () => {
  test('says where the data lies, on which port and under which names', () => {
    expect(readConfig({}, [])).toMatchObject({
      port: 4100,
      host: '127.0.0.1',
      hosts: ['127.0.0.1'],
      logLevel: 'warn',
      seed: false,
    });
    expect(
      readConfig({ PORT: '0', HOST: '::', JOBBET_HOSTS: ' a.local, ,b.local', JOBBET_DATA: '/somewhere' }, ['--seed']),
    ).toMatchObject({ port: 0, hosts: ['::', 'a.local', 'b.local'], folder: '/somewhere', seed: true });
  });
  test.each([
    [{ PORT: 'four' }, 'PORT is "four"'],
    [{ PORT: '70000' }, 'PORT is "70000"'],
    [{ LOG_LEVEL: 'loud' }, 'LOG_LEVEL is "loud"'],
  ])('%j is refused by name', (env, words) => {
    expect(() => readConfig(env, [])).toThrow(words);
  });
  test('why listening failed is told with a way out', () => {
    const config = readConfig({ PORT: '4100' }, []);
    expect(listenProblem('EADDRINUSE', config)?.message).toContain('PORT=4101 npm start');
    expect(listenProblem('EADDRNOTAVAIL', config)?.message).toContain('no address of this machine');
    expect(listenProblem('EBADF', config)).toBeNull();
  });
});

describe('the data folder', () => {
  const folder = tempFolder();
  afterAll(folder.remove);
  test('is made, opened in WAL with foreign keys on every connection, and opened again', async () => {
    const path = join(folder.path, 'made/here');
    const first = await openDatabase(path);
    const pragma = async (name: string): Promise<unknown> =>
      Object.values((await first.client.execute(`pragma ${name}`)).rows[0] ?? {})[0];
    expect([await pragma('journal_mode'), await pragma('foreign_keys'), await pragma('busy_timeout')]).toEqual([
      'wal',
      1,
      5000,
    ]);
    first.close();
    (await openDatabase(path)).close();
  });
  test('that is no folder is refused in words', async () => {
    const file = join(folder.path, 'a-file');
    writeFileSync(file, '');
    await expect(openDatabase(file)).rejects.toThrow(/cannot be written/);
  });
  test('with a database from a newer Jobbet is left alone', async () => {
    const path = join(folder.path, 'newer');
    const { client, close } = await openDatabase(path);
    await client.execute("insert into __drizzle_migrations (hash, created_at) values ('later', 99999999999999)");
    close();
    await expect(openDatabase(path)).rejects.toThrow(/newer Jobbet/);
  });
  test('with a file that is no database is refused in words', async () => {
    const path = join(folder.path, 'broken');
    mkdirSync(path);
    writeFileSync(
      join(path, 'jobbet.sqlite'),
      'not a database at all, though long enough to look like one '.repeat(40),
    );
    await expect(openDatabase(path)).rejects.toBeInstanceOf(StartError);
  });
  test('bears a mark while a server has it open', () => {
    const unmark = markRunning(folder.path, 4100);
    expect(JSON.parse(readFileSync(join(folder.path, RUNNING_FILE), 'utf8'))).toEqual({ pid: process.pid, port: 4100 });
    unmark();
    expect(existsSync(join(folder.path, RUNNING_FILE))).toBe(false);
  });
});
