import { useEffect, useMemo, useState } from 'react';
import { NavigationType, Outlet, useBlocker, useNavigate } from 'react-router';
import { InstrumentStrip } from '../../shared/instruments/InstrumentStrip.tsx';
import { toggleInstruments, useInstruments } from '../../shared/instruments/store.ts';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { CommandPalette, KeyMap } from './CommandPalette.tsx';
import { NewFlyDialog } from './NewFlyDialog.tsx';
import { ShellProvider, type Shell } from '../../shared/ui/shellContext.ts';
import { useOpenDialogs } from '../../shared/ui/openDialogs.ts';
import { Toasts } from '../../shared/ui/Toasts.tsx';
import { useOffered, useTable } from '../../shared/commands/useKeys.ts';
import { HOUSE } from '../../shared/ui/houseViews.ts';
import { SHELL } from './commands.ts';
import { WorkLine } from '../../shared/ui/WorkLine.tsx';

/** Going back closes the dialog that was opened last, and leaves the view only where none is open. */
function useBackCloses(): void {
  const blocker = useBlocker(
    ({ historyAction }) => historyAction === NavigationType.Pop && useOpenDialogs.getState().closers.length > 0,
  );
  useEffect(() => {
    if (blocker.state !== 'blocked') return;
    blocker.reset();
    useOpenDialogs.getState().closers.at(-1)?.();
  }, [blocker]);
}

/** What stands round every view: commands, keys, the foot line and the way to a new fly. */
export function AppShell() {
  const [open, setOpen] = useState<'commands' | 'keys' | 'new' | null>(null);
  const navigate = useNavigate();
  const { length } = useSettings();
  const measuring = useInstruments((state) => state.open);
  const close = (): void => setOpen(null);
  const go = (to: string): void => void navigate(to);
  const shell = useMemo(
    (): Shell => ({
      openNew: () => setOpen('new'),
      openCommands: () => setOpen('commands'),
      openKeys: () => setOpen('keys'),
    }),
    [],
  );
  useBackCloses();
  useTable('shell', SHELL, {
    commands: () => setOpen('commands'),
    keys: () => setOpen('keys'),
    fly: () => setOpen('new'),
    instruments: toggleInstruments,
    trash: () => go('/trash'),
    settings: () => go('/settings'),
    help: () => go('/help'),
    theme: () => setSettings({ theme: document.documentElement.classList.contains('dark') ? 'light' : 'dark' }),
    inches: length === 'mm' ? () => setSettings({ length: 'in' }) : null,
    millimetres: length === 'in' ? () => setSettings({ length: 'mm' }) : null,
  });
  useOffered(
    'views of the boathouse',
    HOUSE.map(({ command, also, anywhere, to }) => ({
      name: command,
      also,
      group: 'Anywhere',
      ...(anywhere === undefined ? {} : { keys: anywhere }),
      run: () => go(to),
    })),
  );
  return (
    <div className="flex flex-col h-full">
      <div className="flex-1 min-h-0">
        <ShellProvider value={shell}>
          <Outlet />
        </ShellProvider>
      </div>
      {measuring && <InstrumentStrip />}
      {open === 'commands' && <CommandPalette onClose={close} />}
      {open === 'keys' && <KeyMap onClose={close} />}
      {open === 'new' && <NewFlyDialog onClose={close} />}
      <Toasts />
      <WorkLine />
    </div>
  );
}
