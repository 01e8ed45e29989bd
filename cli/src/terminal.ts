import { openSync, readSync, closeSync, fstatSync, readdirSync } from 'node:fs';
import { MAX_BYTES, sizeFault } from '@jobbet/core/document';

/** Where a run of the command line writes and reads; the process itself in use, a stand-in under test. */
export interface Terminal {
  readonly out: (written: string | Uint8Array) => void;
  readonly err: (text: string) => void;
  readonly stdin: () => string;
  /** @param most bytes the file may have; those of a pattern file where nothing is said */
  readonly read: (file: string, most?: number) => string;
  /** @param most bytes the file may have */
  readonly bytes: (file: string, most: number) => Uint8Array;
  /** Names of what lies in a folder, in order. */
  readonly list: (folder: string) => readonly string[];
}

/** So much is read of standard input: as many pattern files as one run is given. */
const MOST_STDIN = 20 * MAX_BYTES;
const CHUNK = 65_536;

/** Reads what is open to its end, or until it is more than it may be. @throws Error in words */
function bytesOf(handle: number, most: number): Buffer {
  const chunks: Buffer[] = [];
  let size = 0;
  for (;;) {
    const chunk = Buffer.alloc(CHUNK);
    const read = readSome(handle, chunk);
    if (read === 0) return Buffer.concat(chunks);
    size += read;
    if (size > most) throw new Error(`is over ${String(most / 1e6)} MB, the most that is read`);
    chunks.push(chunk.subarray(0, read));
  }
}

const readOpen = (handle: number, most: number): string => bytesOf(handle, most).toString('utf8');

/** Bytes read, 0 at the end; a pipe that has nothing just now is asked again. */
function readSome(handle: number, into: Buffer): number {
  for (;;) {
    try {
      return readSync(handle, into);
    } catch (error) {
      const { code } = error as { code?: string };
      if (code === 'EOF') return 0;
      if (code !== 'EAGAIN') throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 10);
    }
  }
}

function fstatOf(handle: number): { readonly size: number; readonly isFile: boolean } {
  const found = fstatSync(handle);
  return { size: found.size, isFile: found.isFile() };
}

/** Reads a file that is one: no folder, no pipe, no device. @throws Error in words */
function readBytes(file: string, most: number): Buffer {
  const handle = openSync(file, 'r');
  try {
    const { size, isFile } = fstatOf(handle);
    if (!isFile) throw new Error('is no file');
    const large = most === MAX_BYTES ? sizeFault(size) : null;
    if (large) throw new Error(large.message);
    return bytesOf(handle, most);
  } finally {
    closeSync(handle);
  }
}

/**
 * The process's own terminal. Where whoever reads of it has heard enough, it ends quietly; a full disk is told in words.
 */
export function processTerminal(): Terminal {
  process.stdout.on('error', (error: Error & { code?: string }) => {
    if (error.code === 'EPIPE') process.exit(0);
    process.stderr.write(
      error.code === 'ENOSPC' ? 'the disk is full; what was asked was not written\n' : `${error.message}\n`,
    );
    process.exit(2);
  });
  return {
    out: (text) => {
      process.stdout.write(text);
    },
    err: (text) => {
      process.stderr.write(text);
    },
    stdin: () => readOpen(0, MOST_STDIN),
    read: (file, most = MAX_BYTES) => readBytes(file, most).toString('utf8'),
    bytes: readBytes,
    list: (folder) => readdirSync(folder).sort(),
  };
}
