import { createReadStream, createWriteStream, readdirSync, rmSync } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ROUTES } from '@jobbet/core/contract';
import type { FastifyInstance, FastifyPluginCallback } from 'fastify';
import { z } from 'zod';
import { ApiError } from '../errors.ts';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';
import { WATCHED } from '../wire/watched.ts';
import { BACKUP_ENDING, BACKUP_TYPE } from './format.ts';
import { inThread } from './thread.ts';

/** A backup that was made and waits to be fetched does so for this long. */
const WAITS_MS = 10 * 60_000;
const MOST_BYTES = 1_000_000_000;

const byId = z.object({ id: z.uuid() });
const PASSING = '.passing-';

interface PassingFile {
  readonly path: string;
  readonly drop: () => Promise<void>;
}

/** Files of this folder that are gone when they were used. */
class Passing {
  private readonly folder: string;

  constructor(folder: string) {
    this.folder = folder;
  }

  /** Takes away what an end without warning left. */
  clear(): void {
    for (const name of readdirSync(this.folder))
      if (name.startsWith(PASSING)) rmSync(join(this.folder, name), { recursive: true, force: true });
  }

  /** A new place for a file, in a folder that goes with it. */
  async place(name: string): Promise<PassingFile> {
    const own = await mkdtemp(join(this.folder, PASSING));
    return { path: join(own, name), drop: () => rm(own, { recursive: true, force: true }) };
  }

  /** Writes what is sent to a file; no more than a backup may be. */
  async take(body: unknown): Promise<PassingFile> {
    if (!(body instanceof Readable)) throw new ApiError('unsupported', 'Send the backup file itself.');
    const file = await this.place('sent');
    let size = 0;
    const bounded = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        size += chunk.length;
        done(size > MOST_BYTES ? new ApiError('too-large', 'No backup is larger than 1 GB.') : null, chunk);
      },
    });
    try {
      await pipeline(body, bounded, createWriteStream(file.path, { mode: 0o600 }));
      return file;
    } catch (error) {
      await file.drop();
      throw error;
    }
  }
}

const nameToday = (): string => `jobbet-${new Date().toISOString().slice(0, 10)}${BACKUP_ENDING}`;

/** Backups that were made and wait to be fetched, each for its time and once. */
class Ready {
  private readonly files = new Map<string, PassingFile>();

  add(file: PassingFile): string {
    const id = crypto.randomUUID();
    this.files.set(id, file);
    setTimeout(() => void this.take(id)?.drop(), WAITS_MS).unref();
    return id;
  }

  take(id: string): PassingFile | undefined {
    const file = this.files.get(id);
    this.files.delete(id);
    return file;
  }

  async clear(): Promise<void> {
    for (const file of this.files.values()) await file.drop();
  }
}

/** Everything into one file and back, each on a thread of its own. */
export const backupRoutes =
  (house: House): FastifyPluginCallback =>
  (app, _options, done) => {
    const passing = new Passing(house.database.folder);
    passing.clear();
    // A backup is taken as it comes, into a file, never into memory.
    app.addContentTypeParser([BACKUP_TYPE, 'application/octet-stream'], (_request, payload, parsed) => {
      parsed(null, payload);
    });
    outward(app, house, passing);
    inward(app, house, passing);
    done();
  };

/** Made, then fetched. */
function outward(app: FastifyInstance, { database: { folder } }: House, passing: Passing): void {
  const ready = new Ready();
  app.addHook('onClose', () => ready.clear());
  serve(app, ROUTES.makeBackup, async ({ by }) => {
    const file = await passing.place(nameToday());
    try {
      await inThread({ kind: 'write', folder, path: file.path }, by);
    } catch (error) {
      await file.drop();
      throw error;
    }
    return { id: ready.add(file) };
  });
  app.get('/api/backup/:id', { ...WATCHED, schema: { hide: true, params: byId } }, async (request, reply) => {
    const file = ready.take(byId.parse(request.params).id);
    if (!file) throw new ApiError('not-found', 'This backup is no longer here; make another.');
    const { size } = await stat(file.path);
    const bytes = createReadStream(file.path);
    bytes.once('close', () => void file.drop());
    return reply
      .header('content-type', BACKUP_TYPE)
      .header('content-length', size)
      .header('content-disposition', `attachment; filename="${nameToday()}"`)
      .send(bytes);
  });
}

/** Looked at, then put back. */
function inward(
  app: FastifyInstance,
  { database: { folder, ledger }, drawers, refresh }: House,
  passing: Passing,
): void {
  const large = { bodyLimit: MOST_BYTES };
  const withSent = async <T>(body: unknown, done: (path: string) => Promise<T>): Promise<T> => {
    const file = await passing.take(body);
    try {
      return await done(file.path);
    } finally {
      await file.drop();
    }
  };
  serve(
    app,
    ROUTES.lookAtBackup,
    ({ body, by }) =>
      withSent(body, async (path) => {
        const { counts, broken } = await inThread({ kind: 'look', path }, by);
        return { ...counts, broken: [...broken] };
      }),
    large,
  );
  serve(
    app,
    ROUTES.restoreBackup,
    ({ body, by }) =>
      withSent(body, async (path) => {
        const { counts, broken, kept } = await ledger.alone(() => inThread({ kind: 'restore', folder, path }, by));
        drawers.forget();
        await refresh();
        return { ...counts, broken: [...broken], kept };
      }),
    large,
  );
}
