import { useState } from 'react';
import { Outlet, useNavigate } from 'react-router';
import { InstrumentStrip } from '../../shared/instruments/InstrumentStrip.tsx';
import { toggleInstruments, useInstruments } from '../../shared/instruments/store.ts';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { CommandPalette, KeyMap } from './CommandPalette.tsx';
import { NewFlyDialog } from './NewFlyDialog.tsx';
import type { ShellContext } from '../../shared/ui/shellContext.ts';
import { Toasts } from '../../shared/ui/Toasts.tsx';
import { useTable } from '../../shared/commands/useKeys.ts';
import { SHELL } from './commands.ts';
import { WorkLine } from '../../shared/ui/WorkLine.tsx';

/** What stands round every view: commands, keys, the foot line and the way to a new fly. */
export function AppShell() {
  const [open, setOpen] = useState<'commands' | 'keys' | 'new' | null>(null);
  const navigate = useNavigate();
  const { length } = useSettings();
  const measuring = useInstruments((state) => state.open);
  const close = (): void => setOpen(null);
  const go = (to: string): void => void navigate(to);
  useTable('shell', SHELL, {
    commands: () => setOpen('commands'),
    keys: () => setOpen('keys'),
    box: () => go('/'),
    fly: () => setOpen('new'),
    drawers: () => go('/drawers'),
    instruments: toggleInstruments,
    trash: () => go('/trash'),
    settings: () => go('/settings'),
    help: () => go('/help'),
    theme: () => setSettings({ theme: document.documentElement.classList.contains('dark') ? 'light' : 'dark' }),
    inches: length === 'mm' ? () => setSettings({ length: 'in' }) : null,
    millimetres: length === 'in' ? () => setSettings({ length: 'mm' }) : null,
  });
  return (
    <div className="flex flex-col h-full">
      <div className="flex-1 min-h-0">
        <Outlet
          context={
            {
              openNew: () => setOpen('new'),
              openCommands: () => setOpen('commands'),
              openKeys: () => setOpen('keys'),
            } satisfies ShellContext
          }
        />
      </div>
      {measuring && <InstrumentStrip />}
      <CommandPalette open={open === 'commands'} onClose={close} />
      <KeyMap open={open === 'keys'} onClose={close} />
      {open === 'new' && <NewFlyDialog onClose={close} />}
      <Toasts />
      <WorkLine />
    </div>
  );
}
