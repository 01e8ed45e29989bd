import type { Fault } from '@jobbet/core/base';

/** Every error the API answers with: its code, status and usual words. */
export const ERRORS = {
  'bad-request': { status: 400, message: 'The request does not read.' },
  'sign-in': { status: 401, message: 'Sign in with the phrase of this Jobbet.' },
  'wrong-phrase': { status: 401, message: 'That is not the phrase.' },
  'foreign-origin': { status: 403, message: 'Requests from other sites are refused.' },
  'not-found': { status: 404, message: 'There is no such thing here.' },
  'no-fly': { status: 404, message: 'There is no fly of that id.' },
  'no-version': { status: 404, message: 'There is no such version of this fly.' },
  'no-record': { status: 404, message: 'There is no such record.' },
  'no-item': { status: 404, message: 'There is no such item in the drawers.' },
  stale: { status: 409, message: 'The fly was saved elsewhere since you opened it.' },
  'same-name': { status: 409, message: 'The drawer holds an item of that name already.' },
  'breaks-fly': { status: 409, message: 'A fly of the box would no longer lay out.' },
  'broken-fly': { status: 409, message: 'This fly does not lay out; its file can be saved and mended.' },
  'broken-record': { status: 409, message: 'This record does not read any more.' },
  'too-large': { status: 413, message: 'The request is larger than 1 MB.' },
  unsupported: { status: 415, message: 'Send JSON.' },
  'foreign-host': { status: 421, message: 'This server does not answer to that name; list it in JOBBET_HOSTS.' },
  'invalid-fly': { status: 422, message: 'The pattern file has faults.' },
  'invalid-item': { status: 422, message: 'The item has faults.' },
  'bad-picture': { status: 422, message: 'The picture cannot be kept.' },
  'invalid-record': { status: 422, message: 'The record has faults.' },
  'bad-backup': { status: 422, message: 'This is no backup that can be read.' },
  'too-many': { status: 429, message: 'Too many tries; wait a little.' },
  'long-header': { status: 431, message: 'The head of the request is too long.' },
  stopped: { status: 499, message: 'Stopped; nothing was changed.' },
  internal: { status: 500, message: 'Something went wrong on the server; nothing was changed.' },
  'database-gone': {
    status: 503,
    message:
      'The database was deleted or replaced while Jobbet was running: nothing was saved. Put it back and start Jobbet again; your work is kept in this browser.',
  },
  restoring: { status: 503, message: 'A backup is being restored; try again in a moment.' },
  busy: { status: 503, message: 'Jobbet has too much to do just now; try again in a moment.' },
  'too-long': { status: 503, message: 'This takes longer than it may; fewer parts or turns take less.' },
  'read-only': {
    status: 503,
    message: 'The database cannot be written; nothing was saved. Your work is kept in this browser.',
  },
  damaged: { status: 503, message: 'The database is damaged; nothing was saved. Stop Jobbet and restore a backup.' },
  'disk-full': { status: 507, message: 'The disk is full; nothing was saved. Your work is kept in this browser.' },
} as const;
export type ErrorCode = keyof typeof ERRORS;

/** So many faults are told at once. */
const MOST_FAULTS = 50;

export interface ErrorDetails {
  readonly faults?: readonly Fault[];
  readonly revision?: number;
}

/** An error the API answers with, in words for the person who asked. */
export class ApiError extends Error {
  readonly code: ErrorCode;
  readonly details: ErrorDetails;

  constructor(code: ErrorCode, message?: string, { faults, ...details }: ErrorDetails = {}) {
    super(message ?? ERRORS[code].message);
    this.code = code;
    this.details = faults ? { ...details, faults: faults.slice(0, MOST_FAULTS) } : details;
  }
}

/** A reason not to start, in words for the person who started it. */
export class StartError extends Error {}

/** Another process has the data folder. */
export class TakenError extends StartError {}
