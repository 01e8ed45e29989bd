import { create } from 'zustand';

/** Something that can be done from here, by name or by key. */
export interface Command {
  readonly name: string;
  readonly keys?: string;
  readonly group: string;
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
