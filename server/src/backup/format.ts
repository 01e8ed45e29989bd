import { ApiError } from '../errors.ts';
import type { BrokenRow, TableName } from './tables.ts';

/**
 * A backup of everything, version 2: a gzipped tar of `head.json`, the rows of each table as lines of JSON (`flies/000001.jsonl`), and
 * `marks.json`, which has the SHA-256 of each entry before it. Pictures stand in it as entries of their own. Version 1 was
 * one gzipped JSON; it is still read.
 */
export const FORMAT = 'jobbet.backup';
export const VERSION = 2;
/** Pictures stand after the rows, each as an entry of its own under its name. */
export const PICTURE_ENTRIES = 'pictures/';
export const BACKUP_TYPE = 'application/gzip';
export const BACKUP_ENDING = '.jobbet-backup';

/** What a backup holds, told before and after it is taken up. */
export type BackupCounts = { readonly made: string } & Readonly<Record<TableName, number>>;

/** What was read of a backup: what it holds, and rows that break today's limits, which are restored as broken. */
export interface LookedAt {
  readonly counts: BackupCounts;
  readonly broken: readonly BrokenRow[];
}

export const damaged = (why: string): ApiError =>
  new ApiError('bad-backup', `The backup is damaged: ${why}. Nothing was changed.`);
export const NO_BACKUP = (): ApiError =>
  new ApiError('bad-backup', 'This file is no Jobbet backup. Nothing was changed.');
export const newer = (): ApiError =>
  new ApiError(
    'bad-backup',
    'The backup was made by a newer Jobbet. Update Jobbet, then restore it; nothing was changed.',
  );
