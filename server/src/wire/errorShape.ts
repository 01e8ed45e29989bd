import type { ErrorAnswer } from '@jobbet/core/contract';
import type { FastifyError } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { toldError } from '../db/ledger.ts';
import { ApiError, ERRORS, type ErrorCode } from '../errors.ts';

const CODES: Readonly<Record<string, ErrorCode>> = {
  FST_ERR_CTP_BODY_TOO_LARGE: 'too-large',
  FST_ERR_CTP_INVALID_MEDIA_TYPE: 'unsupported',
  FST_ERR_CTP_EMPTY_JSON_BODY: 'bad-request',
  FST_ERR_CTP_INVALID_JSON_BODY: 'bad-request',
  FST_ERR_BAD_URL: 'bad-request',
};

export interface Shaped {
  readonly status: number;
  readonly body: ErrorAnswer;
}

const shaped = (code: ErrorCode, message: string, more: object = {}): Shaped => ({
  status: ERRORS[code].status,
  body: { error: { code, message, ...more } },
});

/** Brings whatever was thrown to the one shape of errors; what is not known is told as internal, without its words. */
export function shapeOf(thrown: unknown): Shaped {
  const error = toldError(thrown);
  if (error instanceof ApiError) {
    const { faults, revision } = error.details;
    return shaped(error.code, error.message, {
      ...(faults ? { faults: faults.map(({ path, code, message }) => ({ path, code, message })) } : {}),
      ...(revision === undefined ? {} : { revision }),
    });
  }
  const { code = '', statusCode, message = '' } = (error ?? {}) as Partial<FastifyError>;
  if (hasZodFastifySchemaValidationErrors(error)) {
    const first = error.validation[0];
    const place = first?.instancePath.slice(1).replaceAll('/', '.') ?? '';
    return shaped('bad-request', `${place} ${first?.message ?? ''}`.trim());
  }
  const known =
    CODES[code] ?? (statusCode !== undefined && statusCode >= 400 && statusCode < 500 ? 'bad-request' : 'internal');
  return shaped(known, known === 'bad-request' && message !== '' ? message : ERRORS[known].message);
}

/** What an answer of an error is when the request was so malformed that no handler saw it. */
export function rawAnswer(code: ErrorCode): string {
  const { status, body } = shaped(code, ERRORS[code].message);
  const text = JSON.stringify(body);
  return `HTTP/1.1 ${String(status)} Error\r\ncontent-type: application/json; charset=utf-8\r\ncontent-length: ${String(Buffer.byteLength(text))}\r\nconnection: close\r\n\r\n${text}`;
}
