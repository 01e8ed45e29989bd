import { chmodSync, closeSync, existsSync, openSync } from 'node:fs';

/** Makes a file, where it is not there, that its owner alone may read, and keeps others out of one that is. A system without such rights is left alone. */
export function ownerOnly(path: string): void {
  if (!existsSync(path)) closeSync(openSync(path, 'a', 0o600));
  try {
    chmodSync(path, 0o600);
  } catch {
    // Not the owner, or no rights of this kind here: whoever set it up so knows.
  }
}
