/** What stands round a view and can be opened from it. */
export interface ShellContext {
  readonly openNew: () => void;
  readonly openCommands: () => void;
  readonly openKeys: () => void;
}
