import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Drawers';

export const DRAWER = {
  find: { name: 'Find in the drawer', group, keys: '/' },
  add: { name: 'Lay in another', group, keys: 'n or a' },
  remove: { name: 'Take it out', group, keys: 'shift+delete' },
  columns: { name: 'Other columns', group, keys: 'c' },
  takeIn: { name: 'Import a CSV', group, keys: 'i' },
  save: { name: 'Save as CSV', group, keys: 's' },
  undo: { name: 'Undo', group, keys: 'ctrl+z or z' },
  redo: { name: 'Redo', group, keys: 'ctrl+shift+z or ctrl+y or shift+z' },
} as const satisfies CommandTable;
