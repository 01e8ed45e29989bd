import { useLayoutEffect } from 'react';
import { useSettings } from '../settings/settings.ts';
import { bound, ranked, useCommands, type Command, type CommandTable, type Runs } from './commands.ts';

const NAMES: Readonly<Record<string, string>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ' ': 'space',
};

/** Keys that write nothing stay when single letters are turned off. */
const isNamedKey = (combo: string): boolean => /^f\d+$/.test(combo);

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Sliders and boxes to tick take arrows and blanks, but no letters or digits. */
const takesNoLetters = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement && ['range', 'checkbox', 'radio'].includes(target.type);
const isLetter = (combo: string): boolean => /^(shift\+)?[a-z0-9]$|^escape$|^delete$/.test(combo);

/** Enter and blank belong to a button, link or item that has the focus, whatever they do elsewhere. */
const ownsKey = (event: KeyboardEvent): boolean =>
  ['Enter', ' '].includes(event.key) &&
  event.target instanceof HTMLElement &&
  event.target.closest('button, a, [role="menuitem"], [role="option"]') !== null;

/** Whether an event presses `combo`: `z`, `shift+z`, `ctrl+z` (Command on a Mac), `[`. */
export function pressed(combo: string, event: KeyboardEvent): boolean {
  const parts = combo.split('+').filter((part) => part !== '');
  const key = combo.endsWith('+') ? '+' : (parts.at(-1) ?? '');
  const name = NAMES[event.key] ?? event.key.toLowerCase();
  const symbol = /^[^a-z0-9]$/.test(key);
  return (
    name === key &&
    (event.ctrlKey || event.metaKey) === parts.includes('ctrl') &&
    !event.altKey &&
    (symbol || event.shiftKey === parts.includes('shift'))
  );
}

/** Does what a key is for here, once: the command of the view before that of what stands round it. */
function press(event: KeyboardEvent): void {
  if (event.defaultPrevented || ownsKey(event) || document.querySelector('[role="dialog"], [role="menu"]')) return;
  for (const command of ranked(useCommands.getState().commands)) {
    const combo = command.keys?.split(' or ').find((each) => pressed(each, event));
    if (combo === undefined) continue;
    // A key that writes a letter is the field's own.
    const writes = !combo.includes('ctrl+') && !isNamedKey(combo);
    const free = takesNoLetters(event.target) && isLetter(combo);
    const inside = inField(event.target) && !free && (writes || command.inFields !== true);
    if (inside || (writes && !useSettings.getState().singleKeys)) continue;
    event.preventDefault();
    command.run();
    return;
  }
}

/**
 * Offers commands while a view is on screen and binds their keys. Keys without Ctrl work outside fields only and can be turned off;
 * nothing is bound while a dialog or a menu is open.
 */
export function useOffered(source: string, commands: readonly Command[]): void {
  const { offer, withdraw } = useCommands.getState();
  // Before the paint: a key pressed as soon as the view is seen must reach it.
  useLayoutEffect(() => {
    offer(source, commands);
  });
  useLayoutEffect(() => {
    // The same listener is bound once, however often.
    window.addEventListener('keydown', press);
    return () => withdraw(source);
  }, [source, withdraw]);
}

/** Offers the commands of a table, each with what runs it now. */
export function useTable<T extends CommandTable>(source: string, table: T, runs: Runs<T>): void {
  useOffered(source, bound(table, runs));
}
