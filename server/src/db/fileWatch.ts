import { statSync } from 'node:fs';

interface Mark {
  readonly dev: number;
  readonly ino: number;
}

function markOf(path: string): Mark | null {
  const found = statSync(path, { throwIfNoEntry: false });
  return found ? { dev: found.dev, ino: found.ino } : null;
}

/**
 * Notices files that were deleted or put in another's place while this process has them open: what is written to those is lost. A file that
 * comes later is remembered from then on.
 */
export class FileWatch {
  private readonly known = new Map<string, Mark>();
  private readonly paths: readonly string[];

  constructor(paths: readonly string[]) {
    this.paths = paths;
    this.missing();
  }

  /** The first file that is no longer the one that was opened, or null. */
  missing(): string | null {
    for (const path of this.paths) {
      const [then, now] = [this.known.get(path), markOf(path)];
      if (then && (now?.ino !== then.ino || now.dev !== then.dev)) return path;
      if (!then && now) this.known.set(path, now);
    }
    return null;
  }
}
