import { useOutletContext } from 'react-router';
import type { ShellContext } from './shellContext.ts';

/** The way to all commands and to the list of keys, which every view's bar ends with. */
export function ShellKeys() {
  const { openCommands, openKeys } = useOutletContext<ShellContext>();
  return (
    <>
      <button type="button" onClick={openCommands}>
        commands <span className="plain-key">K</span>
      </button>
      <button type="button" aria-label="Keys" onClick={openKeys}>
        <span className="plain-key">?</span>
      </button>
    </>
  );
}
