import { useSyncExternalStore } from 'react';
import { isDark, useSettings } from './settings.ts';

function subscribe(changed: () => void): () => void {
  const query = window.matchMedia('(prefers-color-scheme: dark)');
  query.addEventListener('change', changed);
  const leave = useSettings.subscribe(changed);
  return () => {
    query.removeEventListener('change', changed);
    leave();
  };
}

/** Whether the dark theme is on, as chosen or as the system has it. */
export const useDark = (): boolean => useSyncExternalStore(subscribe, () => isDark(useSettings.getState().theme));
