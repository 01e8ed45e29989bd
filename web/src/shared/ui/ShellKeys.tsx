import { useShell } from './shellContext.ts';

/** The way to all commands, which every view's bar ends with; where the words have no room, to the list of keys too. */
export function ShellKeys() {
  const { openCommands, openKeys } = useShell();
  return (
    <>
      <button type="button" aria-label="commands" onClick={openCommands}>
        <span className="max-[1180px]:hidden">commands </span>
        <span className="plain-key">K</span>
      </button>
      <button type="button" aria-label="Keys" className="min-[1181px]:hidden max-[640px]:hidden" onClick={openKeys}>
        <span className="plain-key">?</span>
      </button>
    </>
  );
}
