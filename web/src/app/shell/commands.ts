import type { CommandTable } from '../../shared/commands/commands.ts';

const anywhere = { group: 'Anywhere' } as const;

export const SHELL = {
  commands: { ...anywhere, name: 'Commands', keys: 'ctrl+k or k', inFields: true },
  keys: { ...anywhere, name: 'Keys', keys: '?' },
  box: { ...anywhere, name: 'Open the box', keys: 'b' },
  fly: { ...anywhere, name: 'Lay out a new fly', keys: 'n' },
  drawers: { ...anywhere, name: 'Open the drawers', keys: 'd' },
  instruments: { ...anywhere, name: 'Caliper and scale', keys: 'm' },
  trash: { ...anywhere, name: 'Trash' },
  settings: { ...anywhere, name: 'Settings' },
  help: { ...anywhere, name: 'Help' },
  theme: { ...anywhere, name: 'Light or dark' },
  inches: { ...anywhere, name: 'Lengths in inches' },
  millimetres: { ...anywhere, name: 'Lengths in millimetres' },
} as const satisfies CommandTable;
