import type { CommandTable } from '../../shared/commands/commands.ts';

const bench = { group: 'Bench' } as const;
const fly = { group: 'Fly' } as const;

/** While two schools are compared on the drawing. */
export const COMPARED = {
  leave: { ...bench, name: 'Leave the comparison of schools', keys: 'escape' },
} as const satisfies CommandTable;

export const BENCH = {
  checks: { ...bench, name: 'Checks', also: 'faults findings warnings problems', keys: 'x' },
  above: { ...bench, name: 'Part above', keys: 'up' },
  below: { ...bench, name: 'Part below', keys: 'down' },
  add: { ...bench, name: 'Add a part', also: 'tie in material new part', keys: 'a' },
  edit: { ...bench, name: 'Edit the part', also: 'sentence change', keys: 'enter or e' },
  earlier: { ...bench, name: 'Tie it earlier', keys: '[' },
  later: { ...bench, name: 'Tie it later', keys: ']' },
  left: { ...bench, name: 'Pull the tip left', keys: 'left' },
  right: { ...bench, name: 'Pull the tip right', keys: 'right' },
  littleLeft: { ...bench, name: 'A little to the left', keys: 'shift+left' },
  littleRight: { ...bench, name: 'A little to the right', keys: 'shift+right' },
  copy: { ...bench, name: 'Copy the part', also: 'duplicate', keys: 'c' },
  remove: { ...bench, name: 'Take the part off', also: 'delete remove', keys: 'delete' },
  mode: { name: 'Lines, dressed, silhouette', also: 'drawing view mode', group: 'Drawing', keys: 'v' },
  turn: { name: 'As tied, as it fishes', also: 'turn over flip', group: 'Drawing', keys: 'r' },
  print: { ...fly, name: 'Print', also: 'paper', keys: 'p or ctrl+p' },
} as const satisfies CommandTable;
