import type { ZodType } from 'zod';

/** A store of the browser, which may be full or closed, and never throws: what it does not take stands here until the page is closed. */
class PatientStore {
  private readonly inPage = new Map<string, string>();
  private readonly store: () => Storage;

  constructor(store: () => Storage) {
    this.store = store;
  }

  getItem(key: string): string | null {
    const here = this.inPage.get(key);
    if (here !== undefined) return here;
    try {
      return this.store().getItem(key);
    } catch {
      return null;
    }
  }

  /** @returns whether it outlives this page */
  setItem(key: string, text: string): boolean {
    try {
      this.store().setItem(key, text);
      this.inPage.delete(key);
      return true;
    } catch {
      this.inPage.set(key, text);
      return false;
    }
  }

  removeItem(key: string): void {
    this.inPage.delete(key);
    try {
      this.store().removeItem(key);
    } catch {
      // A closed store holds nothing to remove.
    }
  }

  keys(): string[] {
    try {
      return [...new Set([...this.inPage.keys(), ...Object.keys(this.store())])];
    } catch {
      return [...this.inPage.keys()];
    }
  }
}

export const browserStore = new PatientStore(() => localStorage);
/** What belongs to one tab; it outlives a reload. */
export const tabStore = new PatientStore(() => sessionStorage);

/** Something of a person's own that is kept in this browser, and read again only if it still makes sense. */
export interface Kept<T> {
  readonly read: () => T;
  /** @returns whether it outlives this page: a full or closed store keeps it no longer */
  readonly write: (value: T) => boolean;
  readonly remove: () => void;
}

/** A place in a store of the browser. @param otherwise what stands there while nothing does, or nothing that reads */
export function kept<T>(key: string, schema: ZodType<T>, otherwise: T, store = browserStore): Kept<T> {
  return {
    read: () => {
      try {
        const text = store.getItem(key);
        return text === null ? otherwise : schema.parse(JSON.parse(text));
      } catch {
        return otherwise;
      }
    },
    write: (value) => store.setItem(key, JSON.stringify(value)),
    remove: () => store.removeItem(key),
  };
}
