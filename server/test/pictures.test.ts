import { createHash } from 'node:crypto';
import { readdirSync, utimesSync, writeFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import sharp from 'sharp';
import { doJob } from '../src/backup/jobs.ts';
import { PictureShelf } from '../src/pictures/shelf.ts';
import { appOn, boathouse, type Boathouse, fly } from './bench.ts';

let house: Boathouse;
let app: FastifyInstance;
beforeEach(async () => {
  house = await boathouse();
  app = await appOn(house);
});
afterEach(async () => {
  await app.close();
  await house.close();
});

const picture = (shade: number): Promise<Buffer> =>
  sharp({ create: { width: 12, height: 9, channels: 3, background: { r: shade, g: 40, b: 40 } } })
    .png()
    .toBuffer();
const sent = (payload: Buffer | string, type = 'application/octet-stream') =>
  app.inject({
    method: 'POST',
    url: '/api/pictures',
    payload,
    headers: { host: 'localhost:4100', 'content-type': type },
  });
const fetched = (url: string) => app.inject({ method: 'GET', url, headers: { host: 'localhost:4100' } });
const keep = async (shade: number): Promise<string> => {
  const answer = await sent(await picture(shade));
  expect(answer.statusCode).toBe(201);
  return (JSON.parse(answer.body) as { file: string }).file;
};
const specimen = (file: string) => ({
  format: 'jobbet.specimen',
  version: 1,
  fly: 'a',
  pattern: fly(),
  photos: [{ file, view: 'side' }],
});

describe('pictures', () => {
  test('are kept once under the mark of their bytes, and shown as what they are', async () => {
    const file = await keep(200);
    expect(await keep(200)).toBe(file);
    const { headers, rawPayload, statusCode } = await fetched(`/api/${file}`);
    expect(statusCode).toBe(200);
    expect(headers['content-type']).toBe('image/png');
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(file).toBe(`pictures/${createHash('sha256').update(rawPayload).digest('hex')}.png`);
  });

  test('what is none is refused in words, whatever it calls itself, and nothing is kept', async () => {
    const answer = await sent('<html><script>alert(1)</script>', 'image/png');
    expect(answer.statusCode).toBe(422);
    expect(answer.body).toContain('is not a picture that can be read');
    expect((await sent(Buffer.alloc(12_000_001))).statusCode).toBe(413);
    expect(new PictureShelf(house.folder).names()).toEqual([]);
  });

  test.each(['/api/pictures/..%2Fjobbet.sqlite', '/api/pictures/none.png', `/api/pictures/${'0'.repeat(64)}.jpg`])(
    '%s is none',
    async (url) => {
      expect((await fetched(url)).statusCode).toBe(404);
    },
  );

  test('go into the backup and come back with it, each checked against its name', async () => {
    const file = await keep(90);
    await app.inject({
      method: 'POST',
      url: '/api/specimens',
      payload: { record: specimen(file) },
      headers: { host: 'localhost:4100' },
    });
    const path = join(house.folder, 'all.jobbet-backup');
    await doJob({ kind: 'write', folder: house.folder, path });
    const other = await boathouse();
    try {
      await doJob({ kind: 'restore', folder: other.folder, path });
      expect(new PictureShelf(other.folder).names()).toEqual([file.slice('pictures/'.length)]);
      expect(await new PictureShelf(other.folder).read(file.slice('pictures/'.length))).toEqual(
        (await fetched(`/api/${file}`)).rawPayload,
      );
    } finally {
      await other.close();
    }
  });

  test('that nothing names any more are swept away, those that were laid down just now are not', async () => {
    const [named, loose, young] = [await keep(10), await keep(20), await keep(30)].map(
      (each) => each.split('/')[1] ?? '',
    );
    const folder = join(house.folder, 'pictures');
    writeFileSync(join(folder, 'half.part'), 'x');
    const old = new Date(Date.now() - 2 * 3_600_000);
    for (const name of [named, loose, 'half.part']) utimesSync(join(folder, name ?? ''), old, old);
    new PictureShelf(house.folder).sweep((name) => name === named);
    expect(readdirSync(folder).sort()).toEqual([named, young].sort((a = '', b = '') => a.localeCompare(b)));
  });

  test('a folder that has none has none', () => {
    mkdirSync(join(house.folder, 'empty'));
    expect(new PictureShelf(join(house.folder, 'empty')).names()).toEqual([]);
  });
});
