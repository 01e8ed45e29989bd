import { createContext, useContext } from 'react';

/** What stands round a view and can be opened from it. */
export interface Shell {
  readonly openNew: () => void;
  readonly openCommands: () => void;
  readonly openKeys: () => void;
}

const nothing = (): void => undefined;
const ShellContext = createContext<Shell>({ openNew: nothing, openCommands: nothing, openKeys: nothing });
export const ShellProvider = ShellContext.Provider;
export const useShell = (): Shell => useContext(ShellContext);
