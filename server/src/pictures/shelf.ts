import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/** Where pictures lie in a data folder. */
const PICTURES = 'pictures';
const NAME = /^[0-9a-f]{64}\.(jpg|png|webp)$/;

/** Whether a name is one that a picture is kept under: the mark of its bytes, and what it is. */
export const isPictureName = (name: string): boolean => NAME.test(name);

const markOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Whether bytes are what a picture's name says. */
export const isPictureOf = (name: string, bytes: Uint8Array): boolean =>
  isPictureName(name) && name.startsWith(markOf(bytes));

/** Pictures as files of a data folder, each under the mark of its bytes: the same picture lies there once. */
export class PictureShelf {
  private readonly folder: string;

  /** @param folder the data folder */
  constructor(folder: string) {
    this.folder = join(folder, PICTURES);
  }

  /** The names of all, in order. */
  names(): readonly string[] {
    return existsSync(this.folder) ? readdirSync(this.folder).filter(isPictureName).sort() : [];
  }

  has(name: string): boolean {
    return isPictureName(name) && existsSync(join(this.folder, name));
  }

  read(name: string): Promise<Buffer> {
    return readFile(join(this.folder, name));
  }

  /** Keeps a picture, whole or not at all. @returns its name */
  async keep(bytes: Uint8Array, extension: string): Promise<string> {
    const name = `${markOf(bytes)}.${extension}`;
    if (this.has(name)) return name;
    mkdirSync(this.folder, { recursive: true, mode: 0o700 });
    const beside = join(this.folder, `${name}.part`);
    await writeFile(beside, bytes, { mode: 0o600 });
    await rename(beside, join(this.folder, name));
    return name;
  }

  /** Takes away what nothing names any more, and what was left half written; what was laid down within the hour may be named yet. */
  sweep(named: (name: string) => boolean, now = Date.now()): void {
    if (!existsSync(this.folder)) return;
    for (const name of readdirSync(this.folder)) {
      const path = join(this.folder, name);
      const young = now - statSync(path).mtimeMs < HOUR_MS;
      if (!young && !(isPictureName(name) && named(name))) rmSync(path, { force: true });
    }
  }
}

const HOUR_MS = 3_600_000;
