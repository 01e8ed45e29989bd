import { bad, good, type Fault, type Outcome } from '../base/index.ts';

export const MAX_BYTES = 1_000_000;
const MAX_DEPTH = 24;

/** The fault of a file of so many bytes or characters, or null where it is not too large for one of its kind. @param what in words: `pattern file` */
export function sizeFault(size: number, what = 'pattern file'): Fault | null {
  if (size <= MAX_BYTES) return null;
  const [found, most] = [(size / 1e6).toFixed(1), String(MAX_BYTES / 1e6)];
  return { path: '', code: 'size', message: `the file is ${found} MB; a ${what} is at most ${most} MB` };
}

/** Depth and size are checked on the text, before any parser walks into it. */
function shapeFault(text: string, what: string): Fault | null {
  const large = sizeFault(text.length, what);
  if (large) return large;
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i++;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 123 || c === 91) {
      if (++depth > MAX_DEPTH)
        return {
          path: '',
          code: 'depth',
          message: `nested deeper than ${String(MAX_DEPTH)} levels; a ${what} is not`,
        };
    } else if (c === 125 || c === 93) depth--;
  }
  return null;
}

function jsonFault(text: string, error: unknown, what: string): Fault {
  const reason = error instanceof Error ? error.message : '';
  const at = /position (\d+)/.exec(reason)?.[1];
  const offset = at === undefined ? text.length : Number(at);
  const before = text.slice(0, offset).split('\n');
  const ended = offset >= text.trimEnd().length;
  const where = `line ${String(before.length)}, column ${String((before.at(-1)?.length ?? 0) + 1)}`;
  return {
    path: '',
    code: 'json',
    message: ended
      ? `not JSON: the file ends too soon (${where}); is it cut off?`
      : `not JSON at ${where}; a ${what} is JSON`,
  };
}

/** The value of a JSON text that is no larger and no deeper than a file of its kind. @param what in words: `pattern file` */
export function readJson(text: string, what: string): Outcome<unknown> {
  const shape = shapeFault(text, what);
  if (shape) return bad(shape);
  try {
    return good(JSON.parse(text.replace(/^\uFEFF/, '')) as unknown);
  } catch (error) {
    return bad(jsonFault(text, error, what));
  }
}
