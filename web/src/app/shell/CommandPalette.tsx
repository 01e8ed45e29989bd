import { Command } from 'cmdk';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { listed, useCommands, type Command as Offered } from '../../shared/commands/commands.ts';
import { SHELL } from './commands.ts';

const KEY_NAMES: Readonly<Record<string, string>> = {
  ctrl: 'Ctrl',
  shift: 'Shift',
  up: '↑',
  down: '↓',
  left: '←',
  right: '→',
  enter: 'Enter',
  delete: 'Delete',
};

/** A combination as it stands on the keys: `ctrl+z` is Ctrl Z. */
export const keyWords = (combo: string): string =>
  combo
    .split(/(?<=.)\+/)
    .map((key) => KEY_NAMES[key] ?? key.toUpperCase())
    .join(' ');

const useListed = (): readonly Offered[] => listed(useCommands((state) => state.commands));

const firstOf = (keys: string): string => keys.split(' or ')[0] ?? keys;

/** Everything that can be done from here, found by typing. */
export function CommandPalette({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const all = useListed().filter(({ name }) => name !== SHELL.commands.name);
  const groups = [...new Set(all.map((command) => command.group))];
  return (
    <DialogBox title="Commands" open={open} onClose={onClose}>
      <Command label="Commands" loop>
        <Command.Input
          placeholder="what to do"
          className="w-full h-9 px-2 mb-2 border-b-2 border-measure bg-transparent outline-none text-sentence"
        />
        <Command.List className="max-h-[54vh] overflow-auto">
          <Command.Empty className="py-2 text-ink2">Nothing of that name can be done here.</Command.Empty>
          {groups.map((group) => (
            <Command.Group
              key={group}
              heading={group}
              className="[&_[cmdk-group-heading]]:text-label [&_[cmdk-group-heading]]:italic [&_[cmdk-group-heading]]:text-ink3 [&_[cmdk-group-heading]]:pt-2"
            >
              {all
                .filter((command) => command.group === group)
                .map((command) => (
                  <Command.Item
                    key={command.name}
                    value={command.name}
                    onSelect={() => {
                      onClose();
                      setTimeout(command.run, 0);
                    }}
                    className="flex justify-between gap-4 px-2 py-1 cursor-pointer data-[selected=true]:bg-pick data-[selected=true]:text-on-pick"
                  >
                    <span className="text-row">{command.name}</span>
                    {command.keys !== undefined && <span className="plain-key">{keyWords(firstOf(command.keys))}</span>}
                  </Command.Item>
                ))}
            </Command.Group>
          ))}
        </Command.List>
      </Command>
    </DialogBox>
  );
}

/** The keys that work here. */
export function KeyMap({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const all = useListed().filter((command) => command.keys !== undefined);
  const groups = [...new Set(all.map((command) => command.group))];
  return (
    <DialogBox
      title="Keys"
      open={open}
      onClose={onClose}
      wide
      note="Single letters work outside fields and can be turned off in the settings. In a field, up and down step the number, with Shift by a fifth; on a tip in the drawing the arrows pull it."
    >
      <div className="columns-2 gap-8">
        {groups.map((group) => (
          <section key={group} className="break-inside-avoid mb-4">
            <h3 className="font-bold border-b border-hair mb-1">{group}</h3>
            <dl>
              {all
                .filter((command) => command.group === group)
                .map((command) => (
                  <div key={command.name} className="flex justify-between py-0.5">
                    <dt>{command.name}</dt>
                    <dd className="space-x-1">
                      {command.keys?.split(' or ').map((combo) => (
                        <kbd key={combo} className="plain-key">
                          {keyWords(combo)}
                        </kbd>
                      ))}
                    </dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </div>
    </DialogBox>
  );
}
