import type { CommandTable } from '../../shared/commands/commands.ts';

const anywhere = { group: 'Anywhere' } as const;

export const SHELL = {
  commands: { ...anywhere, name: 'Commands', keys: 'ctrl+k or k', inFields: true },
  keys: { ...anywhere, name: 'Keys', also: 'shortcuts hotkeys keyboard', keys: '?' },
  fly: { ...anywhere, name: 'Lay out a new fly', also: 'add create begin pattern', keys: 'n' },
  instruments: { ...anywhere, name: 'Caliper and scale', also: 'measure weigh instruments', keys: 'm' },
  trash: { ...anywhere, name: 'Trash', also: 'deleted removed bin' },
  settings: {
    ...anywhere,
    name: 'Settings',
    also: 'units preferences options backup restore left right hand temperature name of the tier',
  },
  help: { ...anywhere, name: 'Help', also: 'words glossary manual' },
  theme: { ...anywhere, name: 'Light or dark', also: 'theme night appearance' },
  inches: { ...anywhere, name: 'Lengths in inches', also: 'units imperial' },
  millimetres: { ...anywhere, name: 'Lengths in millimetres', also: 'units metric mm' },
} as const satisfies CommandTable;
