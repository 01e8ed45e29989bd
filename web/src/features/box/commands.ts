import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Box';

export const BOX = {
  find: { name: 'Find a fly', group, keys: '/' },
  above: { name: 'Fly above', group, keys: 'up' },
  below: { name: 'Fly below', group, keys: 'down' },
  open: { name: 'Open the fly', group, keys: 'enter' },
  choose: { name: 'Choose the fly, or let it go', group, keys: 's' },
  all: { name: 'Choose all flies shown, or none', group, keys: 'a' },
  none: { name: 'Let the chosen flies go', group, keys: 'escape' },
  copy: { name: 'Copy the fly', group, keys: 'c' },
  save: { name: 'Save the pattern file', group, keys: 'e' },
  print: { name: 'Print the tying sheet', group, keys: 'p' },
  rename: { name: 'Rename the fly', group, keys: 'r' },
  tie: { name: 'Tie some of these', group, also: 'plan batch how many', keys: 't' },
  group: { name: 'Keep flies together by a word', group, keys: 'g' },
  remove: { name: 'Put the fly in the trash', group, keys: 'delete' },
  settle: { name: 'Only flies with something to settle', group, keys: 'x' },
  take: { name: 'Import pattern files', group, keys: 'i' },
} as const satisfies CommandTable;
