import type { ZodType } from 'zod';

/** Something of a person's own that is kept in this browser, and read again only if it still makes sense. */
export interface Kept<T> {
  readonly read: () => T;
  readonly write: (value: T) => void;
}

/** A place in the browser's store. @param otherwise what stands there while nothing does, or nothing that reads */
export function kept<T>(key: string, schema: ZodType<T>, otherwise: T): Kept<T> {
  return {
    read: () => {
      try {
        const text = localStorage.getItem(key);
        return text === null ? otherwise : schema.parse(JSON.parse(text));
      } catch {
        return otherwise;
      }
    },
    write: (value) => {
      try {
        localStorage.setItem(key, JSON.stringify(value));
      } catch {
        // A full or closed store costs a convenience, nothing else.
      }
    },
  };
}
