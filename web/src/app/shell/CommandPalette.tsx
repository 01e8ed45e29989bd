import { useNavigate } from 'react-router';
import { isSound, useFlies } from '../../shared/api/listed.ts';
import { ASKED_BY, type Askable } from './askedBy.ts';
import { FoundList } from '../../shared/ui/FoundList.tsx';
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

const FLIES = 'Flies';

/** The flies of the box, each to be opened by its name. */
function useFliesToOpen(): readonly Askable[] {
  const navigate = useNavigate();
  const { flies } = useFlies();
  return (flies ?? []).filter(isSound).map(({ id, name, summary }) => ({
    name,
    group: FLIES,
    also: `open fly ${summary.platform}`,
    run: () => void navigate(`/fly/${id}`),
  }));
}

/** Everything that can be done from here and every fly, found by typing. */
export function CommandPalette({ onClose }: { readonly onClose: () => void }) {
  const flies = useFliesToOpen();
  const all: readonly Askable[] = [
    ...useListed()
      .filter(({ name }) => name !== SHELL.commands.name)
      .map((command) => ({ also: '', ...command })),
    ...flies,
  ];
  return (
    <DialogBox title="Commands" open onClose={onClose}>
      <FoundList
        label="Commands"
        placeholder="what to do, or the name of a fly"
        items={all}
        by={ASKED_BY}
        keyOf={({ group, name }) => `${group} ${name}`}
        atFirst={({ group }) => group !== FLIES}
        groupOf={({ group }) => group}
        none="Nothing of that name can be done here, and no fly has it."
        onTake={({ run }) => {
          onClose();
          setTimeout(run, 0);
        }}
        show={({ name, group, keys }) => (
          <>
            <span className="text-row">{name}</span>
            {group === FLIES && <span className="italic opacity-80">open the fly</span>}
            {keys !== undefined && <span className="plain-key">{keyWords(firstOf(keys))}</span>}
          </>
        )}
      />
    </DialogBox>
  );
}

/** The keys that work here. */
export function KeyMap({ onClose }: { readonly onClose: () => void }) {
  const all = useListed().filter((command) => command.keys !== undefined);
  const groups = [...new Set(all.map((command) => command.group))];
  return (
    <DialogBox
      title="Keys"
      open
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
