import type { FlyFile } from '@jobbet/core/pattern';
import { say } from '../shared/ui/toast.ts';
import { changeOrSay, undo, type Bench } from './store.ts';

/** Says what was done to the fly on the bench, with the way back. */
export function sayUndoable(bench: Bench, words: string): void {
  say(words, {
    name: 'Undo',
    run: () => undo(bench),
  });
}

/** Changes the fly and says so, with the way back; where it cannot be, says why. @returns whether it was changed */
export function changeUndoable(bench: Bench, file: FlyFile, words: string): boolean {
  if (!changeOrSay(bench, file)) return false;
  sayUndoable(bench, words);
  return true;
}
