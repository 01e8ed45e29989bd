import type { ZodType } from 'zod';

/** What the browser's store did not take: it stands here until the page is closed. */
const inPage = new Map<string, string>();

/** The browser's store, which may be full or closed, and never throws. */
export const browserStore = {
  getItem(key: string): string | null {
    const here = inPage.get(key);
    if (here !== undefined) return here;
    try {
      return localStorage.getItem(key);
    } catch {
      return null;
    }
  },
  /** @returns whether it outlives this page */
  setItem(key: string, text: string): boolean {
    try {
      localStorage.setItem(key, text);
      inPage.delete(key);
      return true;
    } catch {
      inPage.set(key, text);
      return false;
    }
  },
  removeItem(key: string): void {
    inPage.delete(key);
    try {
      localStorage.removeItem(key);
    } catch {
      // A closed store holds nothing to remove.
    }
  },
  keys(): string[] {
    try {
      return [...new Set([...inPage.keys(), ...Object.keys(localStorage)])];
    } catch {
      return [...inPage.keys()];
    }
  },
};

/** Something of a person's own that is kept in this browser, and read again only if it still makes sense. */
export interface Kept<T> {
  readonly read: () => T;
  /** @returns whether it outlives this page: a full or closed store keeps it no longer */
  readonly write: (value: T) => boolean;
  readonly remove: () => void;
}

/** A place in the browser's store. @param otherwise what stands there while nothing does, or nothing that reads */
export function kept<T>(key: string, schema: ZodType<T>, otherwise: T): Kept<T> {
  return {
    read: () => {
      try {
        const text = browserStore.getItem(key);
        return text === null ? otherwise : schema.parse(JSON.parse(text));
      } catch {
        return otherwise;
      }
    },
    write: (value) => browserStore.setItem(key, JSON.stringify(value)),
    remove: () => {
      browserStore.removeItem(key);
    },
  };
}
