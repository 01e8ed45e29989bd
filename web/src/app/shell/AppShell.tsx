import { useState } from 'react';
import { Outlet, useNavigate } from 'react-router';
import { InstrumentStrip } from '../../shared/instruments/InstrumentStrip.tsx';
import { toggleInstruments, useInstruments } from '../../shared/instruments/store.ts';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { CommandPalette, KeyMap } from './CommandPalette.tsx';
import { NewFlyDialog } from './NewFlyDialog.tsx';
import type { ShellContext } from '../../shared/ui/shellContext.ts';
import { Toasts } from '../../shared/ui/Toasts.tsx';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { WorkLine } from '../../shared/ui/WorkLine.tsx';

/** What stands round every view: commands, keys, the foot line and the way to a new fly. */
export function AppShell() {
  const [open, setOpen] = useState<'commands' | 'keys' | 'new' | null>(null);
  const navigate = useNavigate();
  const settings = useSettings();
  const measuring = useInstruments((state) => state.open);
  const close = (): void => setOpen(null);
  const go = (to: string): void => void navigate(to);
  useOffered('shell', [
    {
      name: 'Commands',
      group: 'Anywhere',
      keys: 'ctrl+k or k',
      inFields: true,
      run: () => setOpen('commands'),
    },
    {
      name: 'Keys',
      group: 'Anywhere',
      keys: '?',
      run: () => setOpen('keys'),
    },
    {
      name: 'Open the box',
      group: 'Anywhere',
      keys: 'b',
      run: () => go('/'),
    },
    {
      name: 'Lay out a new fly',
      group: 'Anywhere',
      keys: 'n',
      run: () => setOpen('new'),
    },
    {
      name: 'Drawers',
      group: 'Anywhere',
      keys: 'd',
      run: () => go('/drawers'),
    },
    { name: 'Caliper and scale', group: 'Anywhere', keys: 'm', run: toggleInstruments },
    {
      name: 'Trash',
      group: 'Anywhere',
      run: () => go('/trash'),
    },
    {
      name: 'Settings',
      group: 'Anywhere',
      run: () => go('/settings'),
    },
    {
      name: 'Help',
      group: 'Anywhere',
      run: () => go('/help'),
    },
    {
      name: 'Light or dark',
      group: 'Anywhere',
      run: () => setSettings({ theme: document.documentElement.classList.contains('dark') ? 'light' : 'dark' }),
    },
    {
      name: settings.length === 'mm' ? 'Lengths in inches' : 'Lengths in millimetres',
      group: 'Anywhere',
      run: () => setSettings({ length: settings.length === 'mm' ? 'in' : 'mm' }),
    },
  ]);
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
