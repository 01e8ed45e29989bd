import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createHash } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';
import { extract, pack } from 'tar-stream';
import type { FastifyInstance } from 'fastify';
import { doJob } from '../src/backup/jobs.ts';
import { keep } from '../src/backup/keep.ts';
import { inThread } from '../src/backup/thread.ts';
import { appOn, boathouse, fly, tempFolder, type Boathouse } from './bench.ts';

let house: Boathouse;
let place: ReturnType<typeof tempFolder>;
beforeEach(async () => {
  house = await boathouse();
  place = tempFolder();
});
afterEach(async () => {
  await house.close();
  place.remove();
});

const hook = { name: 'sixes', form: 'single', size: '6', shankMm: 17 };

async function filled(): Promise<void> {
  await house.drawers.add('hooks', hook);
  const { id } = await house.flies.create(fly('Kept'));
  await house.flies.save(id, fly('Kept', '2 shank'), 1, 'saved');
  const gone = await house.flies.create(fly('In the trash'));
  await house.flies.setDeleted(gone.id, true);
  const tying = { sheet: 's', changed: 1, edits: 2, step: 'tail', spent: {}, counts: {}, differs: {}, drying: {} };
  await house.tyings.keep({ ...tying, fly: id, begun: 1000, done: null });
}

const everything = async (): Promise<unknown> => {
  const list = await house.flies.list();
  const [first] = list;
  return [
    list,
    await house.flies.trash(),
    await house.drawers.list(),
    first && (await house.flies.history(first.id)),
    first && (await house.tyings.list(first.id)),
  ];
};

/** A backup of the house, as a file. */
async function made(name = 'all.jobbet-backup'): Promise<string> {
  const path = join(place.path, name);
  await doJob({ kind: 'write', folder: house.folder, path });
  return path;
}

const restore = async (path: string) => {
  const done = await house.database.ledger.alone(() => doJob({ kind: 'restore', folder: house.folder, path }));
  house.drawers.forget();
  return done;
};

type Entry = [name: string, text: string];

async function entriesOf(path: string): Promise<Entry[]> {
  const archive = extract();
  archive.end(gunzipSync(readFileSync(path)));
  const out: Entry[] = [];
  for await (const entry of archive) {
    const chunks: Buffer[] = [];
    for await (const chunk of entry) chunks.push(chunk as Buffer);
    out.push([entry.header.name, Buffer.concat(chunks).toString()]);
  }
  return out;
}

async function archiveOf(entries: readonly Entry[]): Promise<Buffer> {
  const archive = pack();
  for (const [name, text] of entries) archive.entry({ name }, text);
  archive.finalize();
  const chunks: Buffer[] = [];
  for await (const chunk of archive) chunks.push(chunk as Buffer);
  return gzipSync(Buffer.concat(chunks));
}

/** A backup whose entries are changed, with marks that fit them again unless told otherwise. */
async function changed(path: string, change: (entries: Entry[]) => Entry[], sealed = true): Promise<string> {
  const all = change((await entriesOf(path)).filter(([name]) => name !== 'marks.json'));
  const marks = Object.fromEntries(all.map(([name, text]) => [name, createHash('sha256').update(text).digest('hex')]));
  const out = join(place.path, `changed-${String(Math.random())}`);
  const end: Entry[] = sealed ? [['marks.json', JSON.stringify({ marks, counts: {} })]] : [];
  writeFileSync(out, await archiveOf([...all, ...end]));
  return out;
}

const inRow =
  (table: string, from: string, to: string) =>
  (entries: Entry[]): Entry[] =>
    entries.map(([name, text]) => [name, name.startsWith(`${table}/`) ? text.replace(from, to) : text]);

describe('a backup', () => {
  test('holds everything, and brings all of it back in the place of what is there', async () => {
    await filled();
    const before = await everything();
    const path = await made();
    const { counts } = await doJob({ kind: 'look', path });
    expect([counts.flies, counts.versions, counts.items, counts.tyings]).toEqual([2, 3, 1, 1]);
    await house.flies.create(fly('Later'));
    for (const row of await house.drawers.list()) await house.drawers.remove(row.id);
    const { kept, broken } = await restore(path);
    expect([await everything(), broken]).toEqual([before, []]);
    const back = await doJob({ kind: 'look', path: join(house.folder, kept) });
    expect(back.counts.flies).toBe(3);
  });
  test('is written beside its place and for its owner alone; what is cut short leaves nothing', async () => {
    await filled();
    const path = await made();
    expect([(statSync(path).mode & 0o777).toString(8), readdirSync(place.path)]).toEqual([
      '600',
      ['all.jobbet-backup'],
    ]);
    const stop = AbortSignal.abort();
    const half = join(place.path, 'half');
    await expect(doJob({ kind: 'write', folder: house.folder, path: half }, { signal: stop })).rejects.toMatchObject({
      code: 'stopped',
    });
    expect(existsSync(half) || existsSync(`${half}.part`)).toBe(false);
  });
  test('of the first form is still read', async () => {
    await filled();
    const before = await everything();
    const lines = (entries: Entry[], table: string): unknown[] =>
      entries
        .filter(([name]) => name.startsWith(`${table}/`))
        .flatMap(([, text]) => text.trim().split('\n'))
        .map((line) => JSON.parse(line) as Record<string, string>)
        .map((row) =>
          row['file'] === undefined
            ? row
            : {
                ...row,
                file: JSON.parse(row['file']) as unknown,
                summary: JSON.parse(row['summary'] ?? '') as unknown,
              },
        );
    const entries = await entriesOf(await made());
    const data = JSON.stringify({
      flies: lines(entries, 'flies'),
      versions: lines(entries, 'versions'),
      items: lines(entries, 'items').map((row) => ({ ...(row as object), item: hook })),
      facts: lines(entries, 'facts'),
    });
    const sha256 = createHash('sha256').update(data).digest('hex');
    const head = { format: 'jobbet.backup', version: 1, made: '2026-01-01', model: 2, sha256, data };
    const path = join(place.path, 'first');
    writeFileSync(path, gzipSync(JSON.stringify(head)));
    await house.flies.create(fly('Later'));
    await restore(path);
    const [list, trash, drawers, history] = (await everything()) as unknown[];
    expect([list, trash, drawers, history]).toEqual((before as unknown[]).slice(0, 4));
    writeFileSync(path, gzipSync(JSON.stringify({ ...head, data: data.replace('Kept', 'Kapt') })));
    await expect(doJob({ kind: 'look', path })).rejects.toThrow(/do not match the mark/);
  });
  test('that no longer fits today’s limits is restored, broken rows told and kept as they are', async () => {
    await filled();
    const path = await changed(await made(), (entries) =>
      inRow(
        'items',
        '\\"shankMm\\":17',
        '\\"shankMm\\":-17',
      )(inRow('flies', '\\"construction\\":\\"bundle', '\\"construction\\":\\"bindle')(entries)),
    );
    const { broken } = await restore(path);
    expect(broken).toEqual([
      { table: 'flies', name: 'Kept', why: expect.stringMatching(/^parts\[0\]\.construction: /) as string },
      { table: 'items', name: 'sixes, hooks', why: 'shankMm: must be above 0' },
    ]);
    const [listed] = await house.flies.list();
    expect([listed?.name, listed?.summary]).toEqual(['Kept', null]);
    expect((await house.flies.text(listed?.id ?? '')).text).toContain('bindle');
  });
});

describe('a backup is refused in clear words, with the place, and nothing is changed', () => {
  const bytes = (change: (all: Buffer) => Uint8Array) => async (path: string) => {
    const out = join(place.path, 'spoilt');
    writeFileSync(out, change(readFileSync(path)));
    return Promise.resolve(out);
  };
  test.each<[string, (path: string) => Promise<string>, RegExp]>([
    ['cut off', bytes((all) => all.subarray(0, all.length - 40)), /damaged: it does not unpack/],
    ['something else', bytes(() => Buffer.from('hello')), /damaged: it does not unpack/],
    ['nothing', bytes(() => Buffer.from('')), /damaged|no Jobbet backup/],
    ['another archive', bytes(() => gzipSync('{"format":"other"}')), /no Jobbet backup/],
    ['cut off inside', (path) => changed(path, (all) => all.slice(0, 3), false), /damaged: it ends too soon/],
    [
      'changed inside',
      async (path) => {
        const all = await entriesOf(path);
        const out = join(place.path, 'spoilt');
        writeFileSync(out, await archiveOf(inRow('flies', 'Kept', 'Kapt')(all)));
        return out;
      },
      /damaged: its contents do not match/,
    ],
    [
      'newer',
      (path) => changed(path, (all) => all.map(([name, text]) => [name, text.replace('"version":2', '"version":3')])),
      /made by a newer Jobbet/,
    ],
    [
      'with a table it does not know',
      (path) => changed(path, (all) => [...all, ['logs/1.jsonl', '{}\n']]),
      /newer Jobbet/,
    ],
    [
      'with an id twice',
      (path) => changed(path, (all) => [...all, ...all.filter(([name]) => name.startsWith('flies/'))]),
      /flies\/000001\.jsonl, line 1: there are two of/,
    ],
    [
      'with a time that is none',
      (path) => changed(path, inRow('flies', '"createdAt":1', '"createdAt":-1')),
      /flies\/000001\.jsonl, line 1, createdAt: /,
    ],
    [
      'with a revision that is none',
      (path) => changed(path, inRow('versions', '"revision":1', '"revision":0')),
      /versions\/000001\.jsonl, line \d, revision: /,
    ],
    [
      'with a version of no fly',
      (path) => changed(path, (all) => all.filter(([name]) => !name.startsWith('flies/'))),
      /it belongs to ".+", which is not in it/,
    ],
    [
      'with a line that is no JSON',
      (path) => changed(path, inRow('items', '{', '')),
      /items\/000001\.jsonl, line 1 is no JSON/,
    ],
  ])('that is %s', async (_name, spoil, words) => {
    await filled();
    const before = await everything();
    const path = await spoil(await made());
    const found = await restore(path).catch((error: unknown) => error as Error & { code: string });
    expect(found).toMatchObject({ code: 'bad-backup', message: expect.stringMatching(words) as string });
    house.drawers.forget();
    expect(await everything()).toEqual(before);
    expect(readdirSync(house.folder).filter((name) => name.startsWith('before-restore-'))).toEqual([]);
  });
  test('that unpacks to more than any box holds, before it is unpacked', async () => {
    const path = join(place.path, 'bomb');
    const [head] = await entriesOf(await made());
    writeFileSync(path, await archiveOf([head ?? ['', ''], ['flies/000001.jsonl', '\n'.repeat(60_000_000)]]));
    await expect(doJob({ kind: 'look', path })).rejects.toThrow(/unpacks to more than any box holds/);
  });
});

describe('a restore', () => {
  test('runs on a thread of its own, tells how far it is and can be stopped; then nothing was changed', async () => {
    await filled();
    const path = await made();
    await house.flies.create(fly('Later'));
    const before = await everything();
    const job = { kind: 'restore', folder: house.folder, path } as const;
    const stop = new AbortController();
    const stopped = inThread(job, {
      signal: stop.signal,
      onShare: () => {
        stop.abort();
      },
    });
    await expect(stopped).rejects.toMatchObject({ code: 'stopped' });
    expect(await everything()).toEqual(before);
    const shares: number[] = [];
    const { counts } = await inThread(job, { onShare: (share) => shares.push(share) });
    expect([counts.flies, shares.length > 0, Math.max(...shares) <= 1]).toEqual([2, true, true]);
    house.drawers.forget();
    house.database.ledger.writtenPast();
    expect(await everything()).not.toEqual(before);
  }, 60_000);
  test('a thread does one job after another, whatever came of the one before, and two at once on two', async () => {
    await filled();
    const path = await made();
    const [nothing, look] = [join(house.folder, 'nothing'), { kind: 'look', path } as const];
    writeFileSync(nothing, '');
    await expect(inThread({ kind: 'look', path: nothing })).rejects.toMatchObject({ code: 'bad-backup' });
    expect((await inThread(look)).counts.flies).toBe(2);
    const stop = new AbortController();
    const stopped = inThread({ kind: 'restore', folder: house.folder, path }, { signal: stop.signal });
    stop.abort();
    const [one, other] = await Promise.all([inThread(look), stopped.catch((error: unknown) => error)]);
    expect([one.counts.flies, other]).toEqual([2, expect.objectContaining({ code: 'stopped' })]);
    // What was told to stop it is not told to what comes after.
    expect((await inThread(look)).counts.flies).toBe(2);
  }, 60_000);
  test('keeps others from writing meanwhile, and says so', async () => {
    const { ledger } = house.database;
    let go: () => void = () => undefined;
    const held = ledger.alone(
      () =>
        new Promise<void>((resolve) => {
          go = resolve;
        }),
    );
    await expect(house.flies.create(fly())).rejects.toMatchObject({ code: 'restoring' });
    go();
    await held;
    expect((await house.flies.create(fly())).revision).toBe(1);
  });
});

describe('over HTTP', () => {
  let app: FastifyInstance;
  beforeEach(async () => {
    await filled();
    app = await appOn(house);
  });
  afterEach(() => app.close());
  const headers = { host: 'localhost' };
  test('it is made, fetched once, looked at and taken up; as events where they are asked for', async () => {
    const begun = await app.inject({
      method: 'POST',
      url: '/api/backup',
      headers: { ...headers, accept: 'text/event-stream' },
    });
    expect(begun.headers['content-type']).toBe('text/event-stream');
    const done = /event: done\ndata: (.+)/.exec(begun.body)?.[1] ?? '';
    expect(begun.body).toContain('event: share');
    const { id } = JSON.parse(done) as { id: string };
    const file = await app.inject({ url: `/api/backup/${id}`, headers });
    expect([file.statusCode, file.headers['content-type'], file.headers['cache-control']]).toEqual([
      200,
      'application/gzip',
      'no-store',
    ]);
    expect((await app.inject({ url: `/api/backup/${id}`, headers })).statusCode).toBe(404);
    const send = {
      method: 'POST' as const,
      headers: { ...headers, 'content-type': 'application/octet-stream' },
      payload: file.rawPayload,
    };
    expect((await app.inject({ ...send, url: '/api/backup/look' })).json()).toMatchObject({
      flies: 2,
      items: 1,
      broken: [],
    });
    await house.flies.create(fly('Later'));
    expect((await app.inject({ ...send, url: '/api/backup/restore' })).json()).toMatchObject({
      flies: 2,
      kept: expect.stringMatching(/^before-restore-/) as string,
    });
    expect(await house.flies.list()).toHaveLength(1);
    expect(readdirSync(house.folder).filter((name) => name.startsWith('.passing-'))).toEqual([]);
  }, 60_000);
  test('what is no backup is refused with 422, and is no event of success', async () => {
    const send = { method: 'POST' as const, url: '/api/backup/restore', payload: Buffer.from('hello') };
    const type = { 'content-type': 'application/octet-stream' };
    expect((await app.inject({ ...send, headers: { ...headers, ...type } })).json()).toMatchObject({
      error: { code: 'bad-backup' },
    });
    const events = await app.inject({ ...send, headers: { ...headers, ...type, accept: 'text/event-stream' } });
    expect(events.body).toMatch(/^event: fault\ndata: \{"error":\{"code":"bad-backup"/);
  }, 60_000);
});

describe('the commands that keep a data folder', () => {
  const said = async (folder: string, ...args: string[]): Promise<{ code: number; out: string; err: string }> => {
    let [out, err] = ['', ''];
    const code = await keep(args, folder, { out: (text) => (out += text), err: (text) => (err += text) });
    return { code, out, err };
  };
  test('backup while it is open, restore into an empty folder', async () => {
    await filled();
    const file = join(place.path, 'all.jobbet-backup');
    expect(await said(house.folder, 'backup', file)).toMatchObject({
      code: 0,
      out: expect.stringMatching(/^2 flies, 3 versions and 1 items/) as string,
    });
    expect((await said(house.folder, 'backup', file)).err).toMatch(/is there already/);
    const fresh = join(place.path, 'fresh');
    mkdirSync(fresh);
    expect(await said(fresh, 'restore', file)).toMatchObject({
      code: 0,
      out: expect.stringMatching(/^2 flies .* are back/) as string,
    });
    expect(readdirSync(fresh).some((name) => name.startsWith('before-restore-'))).toBe(true);
    const text = (await said(fresh, 'export')).out;
    expect(JSON.parse(text)).toMatchObject({ format: 'jobbet.drawers', hooks: [hook] });
  });
  test('import takes an export of the drawers or a fly, and names every fault', async () => {
    const own = join(place.path, 'own');
    const file = (name: string, value: unknown): string => {
      const path = join(place.path, name);
      writeFileSync(path, typeof value === 'string' ? value : JSON.stringify(value));
      return path;
    };
    const drawers = { format: 'jobbet.drawers', version: 1, hooks: [hook] };
    expect((await said(own, 'import', file('d.json', drawers))).out).toMatch(/^1 items added, 0 replaced/);
    expect((await said(own, 'import', file('f.fly.json', fly('Brought in')))).out).toBe('Brought in is in the box\n');
    const bad = {
      ...drawers,
      hooks: [
        { ...hook, size: 'x' },
        { ...hook, gapMm: -1 },
      ],
    };
    const answer = await said(own, 'import', file('b.json', bad));
    expect(answer).toMatchObject({ code: 2, out: '' });
    expect(answer.err.trim().split('\n')).toEqual([
      expect.stringMatching(/^hooks\[0\]\.size: /),
      'hooks[1].gapMm: must be above 0',
    ]);
    expect((await said(own, 'import', file('n.json', '{'))).err).toMatch(/not JSON/);
    expect((await said(own, 'import')).code).toBe(2);
    expect((await said(own, 'import', place.path)).err).toMatch(/is no file/);
  });
  test('what would change the data behind a running server’s back is refused; reading is not', async () => {
    await filled();
    house.database.lock.tellPort(4123);
    const file = join(place.path, 'all.jobbet-backup');
    expect((await said(house.folder, 'backup', file)).code).toBe(0);
    expect(JSON.parse((await said(house.folder, 'export')).out)).toMatchObject({ hooks: [hook] });
    const kept = readFileSync(file);
    for (const command of ['restore', 'import'])
      expect((await said(house.folder, command, file)).err).toMatch(/running on port 4123/);
    expect((await said(house.folder, 'aside')).err).toMatch(/running on port 4123/);
    expect(readFileSync(file)).toEqual(kept);
  });
  test('puts a database aside whole', async () => {
    const own = join(place.path, 'own');
    await said(own, 'import', join(place.path, 'none'));
    mkdirSync(own, { recursive: true });
    writeFileSync(join(place.path, 'f.json'), JSON.stringify(fly('Kept')));
    await said(own, 'import', join(place.path, 'f.json'));
    expect((await said(own, 'aside')).out).toMatch(/^What was there is kept in /);
    expect(existsSync(join(own, 'jobbet.sqlite'))).toBe(false);
  });
  test('a folder without data, a file that is not there, words it does not know', async () => {
    const empty = tempFolder();
    expect((await said(empty.path, 'backup')).err).toMatch(/no Jobbet data/);
    expect((await said(empty.path, 'restore', '/nowhere/x')).err).toMatch(/no such file/);
    expect((await said(empty.path, 'restore')).err).toMatch(/name the backup/);
    expect((await said(house.folder, 'export', '--all')).code).toBe(2);
    expect((await said(house.folder, 'polish')).code).toBe(2);
    empty.remove();
  });
});
