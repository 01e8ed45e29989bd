import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { Transform, type Readable } from 'node:stream';
import { setImmediate as breathe } from 'node:timers/promises';
import { createGunzip } from 'node:zlib';
import { extract } from 'tar-stream';
import { z } from 'zod';
import type { Watched } from '../drawers/settle.ts';
import { ApiError } from '../errors.ts';
import { isPictureOf } from '../pictures/shelf.ts';
import {
  damaged,
  FORMAT,
  newer,
  NO_BACKUP,
  PICTURE_ENTRIES,
  VERSION,
  type BackupCounts,
  type LookedAt,
} from './format.ts';
import { tableNamed, TABLES, type BackupTable, type BrokenRow, type TableName } from './tables.ts';

/** No box unpacks to more; nor does any JSON that is read in one piece. */
export const MOST_UNPACKED = 4_000_000_000;
export const MOST_IN_ONE = 400_000_000;
/** Rows of one and the same fly squeeze well, but not to less than this; what is made to fill a disk does. */
const MOST_RATIO = 600;
const RATIO_FROM = 20_000_000;
const MOST_ENTRY = 256_000_000;

const headSchema = z.object({ format: z.literal(FORMAT), version: z.number(), made: z.string().max(40) });
const marksSchema = z.object({ marks: z.record(z.string(), z.string()), counts: z.record(z.string(), z.number()) });
const firstSchema = z.object({
  format: z.literal(FORMAT),
  version: z.number(),
  made: z.string(),
  sha256: z.string(),
  data: z.string(),
});

/** Is given each row of a backup, in order: what its table takes. */
export type OnRow = (table: BackupTable, values: Readonly<Record<string, unknown>>) => void | Promise<void>;

const sha256 = (bytes: Uint8Array | string): string => createHash('sha256').update(bytes).digest('hex');

/** Is given each picture of a backup by its name. */
export type OnPicture = (name: string, bytes: Buffer) => void | Promise<void>;

/** Reads rows, sees that each is one of a kind and belongs to something, and counts. */
class Rows {
  readonly broken: BrokenRow[] = [];
  readonly counts: Partial<Record<TableName, number>> = {};
  private readonly keys = new Map<string, Set<string>>();
  private readonly onRow: OnRow;

  private readonly onPicture: OnPicture;

  constructor(onRow: OnRow, onPicture: OnPicture) {
    this.onRow = onRow;
    this.onPicture = onPicture;
  }

  async takePicture(name: string, bytes: Buffer): Promise<void> {
    if (!isPictureOf(name, bytes)) throw damaged(`pictures/${name}: it is not what its name says`);
    await this.onPicture(name, bytes);
  }

  private keysOf(table: string): Set<string> {
    let keys = this.keys.get(table);
    if (!keys) this.keys.set(table, (keys = new Set()));
    return keys;
  }

  async take(table: BackupTable, value: unknown, place: string): Promise<void> {
    let read: ReturnType<BackupTable['read']>;
    try {
      read = table.read(value);
    } catch (error) {
      const issue = error instanceof z.ZodError ? error.issues[0] : undefined;
      const where = issue && issue.path.length > 0 ? `${place}, ${issue.path.join('.')}` : place;
      throw damaged(`${where}: ${issue?.message ?? 'does not read'}`);
    }
    const keys = this.keysOf(table.name);
    if (keys.has(read.key)) throw damaged(`${place}: there are two of "${read.key}"`);
    if (table.parent !== undefined && !this.keysOf(table.parent).has(read.of ?? ''))
      throw damaged(`${place}: it belongs to "${read.of ?? ''}", which is not in it`);
    keys.add(read.key);
    const name = table.name as TableName;
    this.counts[name] = (this.counts[name] ?? 0) + 1;
    if (read.broken) this.broken.push({ table: name, ...read.broken });
    await this.onRow(table, read.values);
  }

  all(made: string): LookedAt {
    const counts = Object.fromEntries(TABLES.map(({ name }) => [name, this.counts[name] ?? 0]));
    return { counts: { made, ...counts } as BackupCounts, broken: this.broken };
  }
}

/** Lets bytes through as long as they are no more than a backup has, and tells how far in the file one is. */
function bounded(size: number, { onShare, signal }: Watched, readSoFar: () => number): Transform {
  let out = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      out += chunk.length;
      const packed = Math.max(1, readSoFar());
      onShare?.(Math.min(1, packed / size));
      if (signal?.aborted === true) done(new ApiError('stopped'));
      else if (out > MOST_UNPACKED || (out > RATIO_FROM && out / packed > MOST_RATIO))
        done(damaged('it unpacks to more than any box holds'));
      else done(null, chunk);
    },
  });
}

async function bytesOf(stream: Readable, most: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > most) throw damaged('a piece of it is larger than any that Jobbet writes');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

function parsed(text: string, place: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw damaged(`${place} is no JSON`);
  }
}

/** Reads the entries of an archive in their order; the marks come last and must fit all that came before. */
async function readEntries(unpacked: Readable, rows: Rows): Promise<string> {
  const entries = extract();
  unpacked.on('error', (error) => entries.destroy(error));
  unpacked.pipe(entries);
  const seen: Record<string, string> = {};
  let made: string | null = null;
  let sealed = false;
  for await (const entry of entries) {
    const { name } = entry.header;
    const bytes = await bytesOf(entry as unknown as Readable, MOST_ENTRY);
    if (sealed) throw damaged(`${name} comes after its end`);
    if (made === null) {
      if (name !== 'head.json') throw NO_BACKUP();
      const head = headSchema.safeParse(parsed(bytes.toString(), name));
      if (!head.success) throw NO_BACKUP();
      if (head.data.version > VERSION) throw newer();
      made = head.data.made;
    } else if (name === 'marks.json') {
      const marks = marksSchema.safeParse(parsed(bytes.toString(), name));
      if (!marks.success || !isSame(marks.data.marks, seen))
        throw damaged('its contents do not match the marks it carries');
      sealed = true;
      continue;
    } else if (name.startsWith(PICTURE_ENTRIES)) await rows.takePicture(name.slice(PICTURE_ENTRIES.length), bytes);
    else await readLines(name, bytes.toString(), rows);
    seen[name] = sha256(bytes);
  }
  if (made === null) throw NO_BACKUP();
  if (!sealed) throw damaged('it ends too soon');
  return made;
}

const isSame = (a: Readonly<Record<string, string>>, b: Readonly<Record<string, string>>): boolean =>
  Object.keys(a).length === Object.keys(b).length && Object.entries(a).every(([name, mark]) => b[name] === mark);

async function readLines(name: string, text: string, rows: Rows): Promise<void> {
  const table = tableNamed(name.split('/')[0] ?? '');
  if (!table || !name.endsWith('.jsonl')) throw newer();
  let line = 0;
  for (const each of text.split('\n')) {
    line++;
    if (each === '') continue;
    const place = `${name}, line ${String(line)}`;
    await rows.take(table, parsed(each, place), place);
  }
  await breathe();
}

/** The first form of a backup: one JSON that carries the mark of its data. */
async function readFirstForm(text: string, rows: Rows): Promise<string> {
  const head = firstSchema.safeParse(parsed(text, 'it'));
  if (!head.success) throw NO_BACKUP();
  if (head.data.version > 1) throw newer();
  if (sha256(head.data.data) !== head.data.sha256) throw damaged('its contents do not match the mark it carries');
  const data = parsed(head.data.data, 'its data') as Readonly<Record<string, unknown>>;
  for (const table of TABLES) {
    const list = data[table.name] ?? [];
    if (!Array.isArray(list)) throw damaged(`${table.name} is no list`);
    for (const [i, row] of list.entries()) {
      await rows.take(table, row, `${table.name}[${String(i)}]`);
      if (i % 200 === 0) await breathe();
    }
  }
  return head.data.made;
}

/**
 * Reads a backup from its first byte to its last and verifies all of it: size, marks, versions, ids, times, and that each row is one of a kind.
 * What is given its rows and pictures counts for nothing if this throws.
 * @throws ApiError `bad-backup` with the place, `stopped`
 */
export async function readBackup(
  path: string,
  {
    onRow = () => undefined,
    onPicture = () => undefined,
  }: { readonly onRow?: OnRow; readonly onPicture?: OnPicture } = {},
  watched: Watched = {},
): Promise<LookedAt> {
  const { size } = await stat(path);
  const file = createReadStream(path);
  const gunzip = createGunzip();
  const unpacked = bounded(size, watched, () => file.bytesRead);
  file.on('error', (error) => unpacked.destroy(error));
  gunzip.on('error', () =>
    unpacked.destroy(damaged('it does not unpack; is it a Jobbet backup, and is it all there?')),
  );
  file.pipe(gunzip).pipe(unpacked);
  const rows = new Rows(onRow, onPicture);
  try {
    const first = await firstByte(unpacked);
    const made =
      first === '{'.charCodeAt(0)
        ? await readFirstForm((await bytesOf(unpacked, MOST_IN_ONE)).toString(), rows)
        : await readEntries(unpacked, rows);
    return rows.all(made);
  } catch (error) {
    if (error instanceof ApiError) throw error;
    throw damaged(error instanceof Error ? error.message : 'it does not read');
  } finally {
    for (const stream of [file, gunzip, unpacked]) stream.destroy();
  }
}

/** The first byte of a stream, which it still gives to whoever reads it next. */
async function firstByte(stream: Readable): Promise<number | undefined> {
  for (;;) {
    const chunk = stream.read() as Buffer | null;
    if (chunk) {
      stream.unshift(chunk);
      return chunk[0];
    }
    if (stream.readableEnded) return undefined;
    await new Promise<void>((resolve, reject) => {
      const settle = (): void => {
        stream.off('readable', settle).off('end', settle).off('error', fail);
        resolve();
      };
      const fail = (error: Error): void => {
        stream.off('readable', settle).off('end', settle).off('error', fail);
        reject(error);
      };
      stream.once('readable', settle).once('end', settle).once('error', fail);
    });
  }
}
