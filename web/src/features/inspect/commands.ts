import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Inspect';

export const INSPECT = {
  before: { name: 'The fly before', group, keys: 'left' },
  after: { name: 'The fly after', group, keys: 'right' },
  add: { name: 'Lay another finished fly on the table', group, also: 'new specimen measure', keys: 'n' },
  measure: { name: 'Measure it', group, also: 'caliper scale reading', keys: 'i' },
  photo: { name: 'Take in a photograph of the fly', group, also: 'picture camera image', keys: 'c' },
  view: { name: 'Photograph, difference or plan', group, keys: 'v' },
  unphoto: { name: 'Put the photograph away', group },
  drop: { name: 'Time a fall in the jar', group, also: 'stopwatch sink test', keys: 'j' },
  look: { name: 'Look at it, point by point', group, also: 'by eye tug strays', keys: 'l' },
  keep: { name: 'Keep the fly', group, keys: 'e' },
  retie: { name: 'Tie the fly again', group, keys: 'r' },
  practice: { name: 'Keep the fly for practice', group, keys: 'p' },
  take: { name: 'Take the first of what it teaches', group, also: 'learnt hands pattern', keys: 't' },
  second: { name: 'Take the second of what it teaches', group, keys: 'y' },
  save: { name: 'Save the fly’s readings and pictures as files', group, also: 'export specimen json', keys: 's' },
  table: { name: 'Save all readings as a table', group, also: 'export csv' },
  takeIn: { name: 'Take in finished flies from files', group, also: 'import csv specimen json readings' },
  remove: { name: 'Put the fly’s readings in the trash', group, keys: 'delete' },
} as const satisfies CommandTable;
