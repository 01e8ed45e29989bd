import type { Fault } from '@jobbet/core';

/** Every error the API answers with: its code, status and usual words. */
export const ERRORS = {
  'bad-request': { status: 400, message: 'The request does not read.' },
  'invalid-fly': { status: 422, message: 'The pattern file has faults.' },
  'not-found': { status: 404, message: 'There is no such thing here.' },
  'no-fly': { status: 404, message: 'There is no fly of that id.' },
  'no-version': { status: 404, message: 'There is no such version of this fly.' },
  'no-item': { status: 404, message: 'There is no such item in the drawers.' },
  'invalid-item': { status: 422, message: 'The item has faults.' },
  'same-name': { status: 409, message: 'The drawer holds an item of that name already.' },
  'breaks-fly': { status: 409, message: 'A fly of the box would no longer lay out.' },
  'bad-backup': { status: 422, message: 'This is no backup that can be read.' },
  stale: { status: 409, message: 'The fly was saved elsewhere since you opened it.' },
  'too-large': { status: 413, message: 'The request is larger than 1 MB.' },
  'foreign-host': { status: 421, message: 'This server does not answer to that name; list it in JOBBET_HOSTS.' },
  'foreign-origin': { status: 403, message: 'Requests from other sites are refused.' },
  unsupported: { status: 415, message: 'Send JSON.' },
  internal: { status: 500, message: 'Something went wrong on the server; nothing was changed.' },
} as const;
export type ErrorCode = keyof typeof ERRORS;

export class ApiError extends Error {
  readonly code: ErrorCode;
  readonly details: { faults?: readonly Fault[]; revision?: number };

  constructor(code: ErrorCode, message?: string, details: { faults?: readonly Fault[]; revision?: number } = {}) {
    super(message ?? ERRORS[code].message);
    this.code = code;
    this.details = details;
  }
}
