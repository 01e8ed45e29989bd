import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createClient } from '@libsql/client';
import { isLoopback, listenProblem, readConfig } from '../src/config.ts';
import { openDatabase } from '../src/db/open.ts';
import { StartError, TakenError } from '../src/errors.ts';
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
      readConfig(
        {
          PORT: '0',
          HOST: '::',
          JOBBET_HOSTS: ' a.local, ,b.local',
          JOBBET_DATA: '/somewhere',
          JOBBET_PHRASE: 'a phrase of twelve',
          JOBBET_PROXY: '10.0.0.1',
        },
        ['--seed'],
      ),
    ).toMatchObject({
      port: 0,
      hosts: ['::', 'a.local', 'b.local'],
      folder: '/somewhere',
      seed: true,
      phrase: 'a phrase of twelve',
      proxies: ['10.0.0.1'],
    });
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
  test('that is a folder where the database should be, or full, or kept by another program, is told in words', async () => {
    const path = join(folder.path, 'odd');
    mkdirSync(join(path, 'jobbet.sqlite'), { recursive: true });
    await expect(openDatabase(path)).rejects.toThrow(/is a folder, where the database should be/);
  });
  test('is for its owner alone', async () => {
    const path = join(folder.path, 'own');
    const { close } = await openDatabase(path);
    const rights = (name: string): string => (statSync(join(path, name)).mode & 0o777).toString(8);
    expect([rights('.'), rights('jobbet.sqlite'), rights('jobbet.sqlite-wal'), rights('jobbet.lock')]).toEqual([
      '700',
      '600',
      '600',
      '600',
    ]);
    close();
  });
  test('is one process’s alone, until it lets go or dies', async () => {
    const path = join(folder.path, 'locked');
    const other = await holder(path);
    await expect(openDatabase(path)).rejects.toThrow(/^Jobbet is running on port 4567 with its data in/);
    other.kill('SIGKILL');
    await once(other, 'exit');
    const mine = await openDatabase(path);
    await expect(openDatabase(path)).rejects.toBeInstanceOf(TakenError);
    mine.close();
    (await openDatabase(path)).close();
  });
  test('of an older Jobbet is copied beside itself before it is brought up to date', async () => {
    const path = join(folder.path, 'older');
    const { client, close } = await openDatabase(path);
    await client.execute("insert into facts values ('old', 'yes')");
    await client.execute('drop table taken');
    await client.execute('drop table hands');
    await client.execute('drop table records');
    await client.execute('drop table devices');
    await client.execute('alter table flies drop column listed');
    await client.execute('alter table tyings drop column edits');
    await client.execute('alter table versions drop column name');
    await client.execute(
      'delete from __drizzle_migrations where created_at in (select created_at from __drizzle_migrations order by created_at desc limit 6)',
    );
    close();
    (await openDatabase(path)).close();
    const copies = readdirSync(path).filter((name) => name.startsWith('before-update-'));
    expect(copies).toHaveLength(1);
    const copy = createClient({ url: `file:${join(path, copies[0] ?? '')}` });
    expect((await copy.execute("select value from facts where key = 'old'")).rows[0]?.['value']).toBe('yes');
    copy.close();
    (await openDatabase(path)).close();
    expect(readdirSync(path).filter((name) => name.startsWith('before-update-'))).toHaveLength(1);
  });
});

/** Another process that has a folder open, as a server has. */
async function holder(path: string): Promise<ChildProcess> {
  const code = `
    import { openDatabase } from './server/src/db/open.ts';
    const { lock } = await openDatabase(${JSON.stringify(path)});
    lock.tellPort(4567);
    process.stdout.write('held');
    setInterval(() => undefined, 1000);`;
  const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code], {
    cwd: join(import.meta.dirname, '../..'),
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(child.stdout, 'data');
  return child;
}

describe('who may reach it from elsewhere', () => {
  const PHRASE = 'twelve signs or more';
  test.each([
    ['another address', { HOST: '0.0.0.0' }],
    ['all of IPv6', { HOST: '::' }],
    ['an address of the house', { HOST: '192.168.1.20' }],
    ['a name it is known by through a proxy', { JOBBET_HOSTS: 'flies.example' }],
  ])('%s is refused without a phrase', (_what, env) => {
    expect(() => readConfig(env, [])).toThrow(/Set JOBBET_PHRASE to a phrase of 12 signs or more/);
    expect(readConfig({ ...env, JOBBET_PHRASE: PHRASE }, []).phrase).toBe(PHRASE);
  });
  test.each(['127.0.0.1', '127.1.2.3', 'localhost', '::1', '[::1]', 'localhost:4100'])('%s is this machine', (host) => {
    expect(isLoopback(host)).toBe(true);
  });
  test.each(['0.0.0.0', '::', '128.0.0.1', 'localhost.example', '10.0.0.1', 'fe80::1'])('%s is not', (host) => {
    expect(isLoopback(host)).toBe(false);
  });
  test('a short phrase is refused; one is asked for on this machine too where it is given', () => {
    expect(() => readConfig({ JOBBET_PHRASE: 'short' }, [])).toThrow(/12 signs or more/);
    expect([readConfig({}, []).phrase, readConfig({ JOBBET_PHRASE: PHRASE }, []).phrase]).toEqual([null, PHRASE]);
  });
});
