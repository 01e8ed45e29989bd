import { useEffect } from 'react';
import { create } from 'zustand';
import { useStable } from './useStable.ts';

interface OpenDialogs {
  /** What closes each, the last opened last. */
  readonly closers: readonly (() => void)[];
}

/** The dialogs that are open: going back closes the last one before it leaves the view. */
export const useOpenDialogs = create<OpenDialogs>()(() => ({ closers: [] }));

/** Counts a dialog among the open ones for as long as it is. */
export function useCountedOpen(open: boolean, onClose: () => void): void {
  const close = useStable(onClose);
  useEffect(() => {
    if (!open) return;
    useOpenDialogs.setState(({ closers }) => ({ closers: [...closers, close] }));
    return () => useOpenDialogs.setState(({ closers }) => ({ closers: closers.filter((each) => each !== close) }));
  }, [open, close]);
}

const OVERLAID = '[role="dialog"], [role="menu"], [role="listbox"]';
/** What had the keyboard last in the view itself; nothing where it was let go there. */
let outside: HTMLElement | null = null;

document.addEventListener('focusin', ({ target }) => {
  if (target instanceof HTMLElement && target.closest(OVERLAID) === null) outside = target;
});
document.addEventListener('focusout', ({ target, relatedTarget }) => {
  if (relatedTarget === null && target === outside && document.hasFocus()) outside = null;
});

/** Gives the keyboard back to the view under a dialog that closes; not while another one is open. */
export function giveBack(): void {
  if (useOpenDialogs.getState().closers.length > 0) return;
  if (outside?.isConnected === true) outside.focus();
}

const FIELDS = 'input:not([type="hidden"]):not([hidden]), select, textarea';

/** Puts the keyboard into the first field of a dialog, else on what it is there to do. */
export function enterFirst(content: HTMLElement): void {
  const first =
    content.querySelector<HTMLElement>('[data-first]') ??
    content.querySelector<HTMLElement>(FIELDS) ??
    content.querySelector<HTMLElement>('.primary');
  (first ?? content).focus();
  if (first instanceof HTMLInputElement && first.type === 'text') first.select();
}
