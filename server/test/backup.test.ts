import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { makeBackup, readBackup, restoreBackup } from '../src/backup.ts';
import { keep } from '../src/keep.ts';
import { markRunning } from '../src/running.ts';
import { boathouse, fly, tempFolder, type Boathouse } from './bench.ts';

let house: Boathouse;
beforeEach(async () => {
  house = await boathouse();
});
afterEach(() => {
  house.close();
});

const hook = { name: 'sixes', form: 'single', size: '6', shankMm: 17 };

async function filled(): Promise<void> {
  await house.drawers.add('hooks', hook);
  const { id } = await house.store.create(fly('Kept'));
  await house.store.save(id, fly('Kept', '2 shank'), 1, 'saved');
  const gone = await house.store.create(fly('In the trash'));
  await house.store.setDeleted(gone.id, true);
}

describe('a backup', () => {
  test('holds everything, and brings all of it back in the place of what is there', async () => {
    await filled();
    const { db } = house.database;
    const before = [await house.store.list(), await house.store.trash(), await house.drawers.list()];
    const { bytes, counts } = await makeBackup(db);
    expect([counts.flies, counts.versions, counts.items]).toEqual([2, 3, 1]);
    await house.store.create(fly('Later'));
    for (const row of await house.drawers.list()) await house.drawers.remove(row.id);
    await restoreBackup(db, readBackup(bytes));
    house.drawers.forget();
    expect([await house.store.list(), await house.store.trash(), await house.drawers.list()]).toEqual(before);
    const [kept] = await house.store.list();
    expect((await house.store.history(kept?.id ?? '')).map((each) => each.revision)).toEqual([2, 1]);
  });
  test.each<[string, (bytes: Buffer) => Uint8Array, RegExp]>([
    ['cut off', (bytes) => bytes.subarray(0, bytes.length - 40), /damaged: it does not unpack/],
    ['something else', () => Buffer.from('hello'), /damaged: it does not unpack/],
    ['another archive', () => gzipSync('{"format":"other"}'), /no Jobbet backup/],
    [
      'changed inside',
      (bytes) => gzipSync(gunzipSync(bytes).toString().replace('Kept', 'Kapt')),
      /damaged: its contents do not match/,
    ],
    [
      'newer',
      (bytes) => gzipSync(gunzipSync(bytes).toString().replace('"version":1', '"version":2')),
      /made by a newer Jobbet/,
    ],
  ])('that is %s is refused in clear words, and nothing is changed', async (_name, spoil, words) => {
    await filled();
    const { bytes } = await makeBackup(house.database.db);
    expect(() => readBackup(spoil(bytes))).toThrow(words);
  });
});

describe('the commands that keep a data folder', () => {
  const said = async (folder: string, ...args: string[]): Promise<{ code: number; out: string; err: string }> => {
    let [out, err] = ['', ''];
    const code = await keep(args, folder, { out: (text) => (out += text), err: (text) => (err += text) });
    return { code, out, err };
  };
  test('backup while it is open, restore into an empty folder', async () => {
    await filled();
    const other = tempFolder();
    const file = join(other.path, 'all.jobbet-backup');
    expect(await said(house.folder, 'backup', file)).toMatchObject({
      code: 0,
      out: expect.stringMatching(/^2 flies, 3 versions and 1 items/) as string,
    });
    expect((await said(house.folder, 'backup', file)).err).toMatch(/is there already/);
    const fresh = join(other.path, 'fresh');
    mkdirSync(fresh);
    expect(await said(fresh, 'restore', file)).toMatchObject({
      code: 0,
      out: expect.stringMatching(/^2 flies .* are back/) as string,
    });
    expect(readdirSync(fresh).some((name) => name.startsWith('before-restore-'))).toBe(true);
    const text = (await said(fresh, 'export')).out;
    expect(JSON.parse(text)).toMatchObject({ format: 'jobbet.drawers', hooks: [hook] });
    other.remove();
  });
  test('import takes an export of the drawers or a fly, and names every fault', async () => {
    const other = tempFolder();
    const file = (name: string, value: unknown): string => {
      const path = join(other.path, name);
      writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
      return path;
    };
    const drawers = { format: 'jobbet.drawers', version: 1, hooks: [hook] };
    expect((await said(house.folder, 'import', file('d.json', drawers))).out).toMatch(/^1 items added, 0 replaced/);
    expect((await said(house.folder, 'import', file('f.fly.json', fly('Brought in')))).out).toBe(
      'Brought in is in the box\n',
    );
    expect(await house.store.list()).toHaveLength(1);
    const bad = {
      ...drawers,
      hooks: [
        { ...hook, size: 'x' },
        { ...hook, gapMm: -1 },
      ],
    };
    const answer = await said(house.folder, 'import', file('b.json', bad));
    expect(answer).toMatchObject({ code: 2, out: '' });
    expect(answer.err.trim().split('\n')).toEqual([
      expect.stringMatching(/^hooks\[0\]\.size: /),
      'hooks[1].gapMm: must be above 0',
    ]);
    expect((await said(house.folder, 'import', file('n.json', '{'))).err).toMatch(/not JSON/);
    expect((await said(house.folder, 'import')).code).toBe(2);
    other.remove();
  });
  test('what would change the data behind a running server’s back is refused; reading is not', async () => {
    await filled();
    const unmark = markRunning(house.folder, 4123);
    const other = tempFolder();
    const file = join(other.path, 'all.jobbet-backup');
    expect((await said(house.folder, 'backup', file)).code).toBe(0);
    const kept = readFileSync(file);
    expect((await said(house.folder, 'restore', file)).err).toMatch(/running on port 4123/);
    expect(readFileSync(file)).toEqual(kept);
    unmark();
    expect((await said(house.folder, 'restore', file)).code).toBe(0);
    other.remove();
  });
  test('a folder without data, a file that is not there, words it does not know', async () => {
    const empty = tempFolder();
    expect((await said(empty.path, 'backup')).err).toMatch(/no Jobbet data/);
    expect((await said(house.folder, 'restore', '/nowhere/x')).err).toMatch(/no such file/);
    expect((await said(house.folder, 'restore')).err).toMatch(/name the backup/);
    expect((await said(house.folder, 'export', '--all')).code).toBe(2);
    empty.remove();
  });
});
