import { type Fault, remembering } from '../../base/index.ts';
import type { LengthRelation, PositionRelation } from './ast.ts';
import { Reader } from './reader.ts';
import { RelationError } from './tokens.ts';

export type ParseResult<T> =
  | { readonly ok: true; readonly relation: T }
  | { readonly ok: false; readonly fault: Omit<Fault, 'path'> };

function attempt<T>(text: string, read: (reader: Reader) => T): ParseResult<T> {
  try {
    if (text.trim() === '')
      throw new RelationError('syntax', 'is empty; write a relation such as "1.2 shank" or "bend"');
    const reader = new Reader(text);
    const relation = read(reader);
    reader.finish();
    return { ok: true, relation };
  } catch (error) {
    if (error instanceof RelationError) return { ok: false, fault: { code: error.code, message: error.message } };
    throw error;
  }
}

/**
 * Parses a length relation: `1.5 shank`, `1.5..2 shank`, `tail + 2 mm`, `at most gap`, `same as tail`.
 * @example parseLength('1 1/2 shank')
 */
export const parseLength = remembering((text: string): ParseResult<LengthRelation> =>
  attempt(text, (reader) => ({ type: 'length', text, tree: reader.length(), references: reader.references })),
);

/**
 * Parses a position relation: `bend + 0.6 shank`, `station 2`, `between point and barb`, `half way along wing`, `eyes.rear`.
 * @example parsePosition('bend + 0.5..0.75 shank')
 */
export const parsePosition = remembering((text: string): ParseResult<PositionRelation> =>
  attempt(text, (reader) => {
    const start = reader.position;
    const anchor = reader.anchor();
    const anchorSpan = { start, end: reader.lastEnd };
    return { type: 'position', text, anchor, anchorSpan, offsets: reader.offsets(), references: reader.references };
  }),
);
