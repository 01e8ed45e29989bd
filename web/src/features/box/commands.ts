import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Box';

export const BOX = {
  find: { name: 'Find a fly', group, keys: '/' },
  above: { name: 'Fly above', group, keys: 'up' },
  below: { name: 'Fly below', group, keys: 'down' },
  open: { name: 'Open the fly', group, keys: 'enter' },
  copy: { name: 'Copy the fly', group, keys: 'c' },
  rename: { name: 'Rename the fly', group, keys: 'r' },
  remove: { name: 'Put the fly in the trash', group, keys: 'delete' },
  settle: { name: 'Only flies with something to settle', group, keys: 'x' },
  take: { name: 'Import pattern files', group, keys: 'i' },
} as const satisfies CommandTable;
