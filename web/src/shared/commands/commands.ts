import { create } from 'zustand';

/** Something that can be done from here, by name or by key. */
export interface Command {
  readonly name: string;
  readonly keys?: string;
  readonly group: string;
  /** What else it is looked for by. */
  readonly also?: string;
  /** Its keys work while a field has the focus too. */
  readonly inFields?: boolean;
  readonly run: () => void;
}

/** What a view can do, by its own names: a table that stands beside the view and is bound to what runs each. */
export type CommandTable = Readonly<Record<string, Omit<Command, 'run'>>>;

/** What runs each command of a table; nothing for one that there is no use for now. */
export type Runs<T extends CommandTable> = { readonly [K in keyof T]?: (() => void) | null | undefined };

/** The commands of a table that have something to run now, in its order. */
export const bound = <T extends CommandTable>(table: T, runs: Runs<T>): readonly Command[] =>
  Object.entries(table).flatMap(([name, command]) => {
    const run = runs[name];
    return run ? [{ ...command, run }] : [];
  });

interface CommandStore {
  readonly commands: Readonly<Record<string, readonly Command[]>>;
  readonly offer: (source: string, commands: readonly Command[]) => void;
  readonly withdraw: (source: string) => void;
}

/** What the views on screen offer; the palette and the key map list it. */
export const useCommands = create<CommandStore>()((set) => ({
  commands: {},
  offer: (source, commands) => set((now) => ({ commands: { ...now.commands, [source]: commands } })),
  withdraw: (source) => {
    set((now) => {
      const { [source]: _gone, ...rest } = now.commands;
      return { commands: rest };
    });
  },
}));

/** Which group has a key that is taken twice: what was said just now, then the view, then what stands round it. */
const RANKS: Readonly<Record<string, number>> = { Now: -1, Fly: 1, Anywhere: 2 };

/** Everything offered, those first that have a key before others. */
export const ranked = (commands: Readonly<Record<string, readonly Command[]>>): readonly Command[] =>
  Object.values(commands)
    .flat()
    .sort((a, b) => (RANKS[a.group] ?? 0) - (RANKS[b.group] ?? 0));

/**
 * What is offered as it is listed: what the view itself does before what stands everywhere, one line a name, and no key that another
 * command has here.
 */
export function listed(commands: Readonly<Record<string, readonly Command[]>>): readonly Command[] {
  const taken = new Map<string, string>();
  const lines = new Map<string, Command>();
  for (const command of ranked(commands)) {
    const own = (command.keys?.split(' or ') ?? []).filter((key) => (taken.get(key) ?? command.name) === command.name);
    for (const key of own) taken.set(key, command.name);
    const known = lines.get(command.name);
    const keys = [...new Set([...(known?.keys?.split(' or ') ?? []), ...own])].join(' or ');
    const { keys: _own, ...rest } = known ?? command;
    lines.set(command.name, keys === '' ? rest : { ...rest, keys });
  }
  return [...lines.values()];
}
