import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Sizes';

export const SIZES = {
  write: { name: 'Write the sizes', group, keys: '/' },
  hold: { name: 'Hold something else', group, keys: 'o' },
  card: { name: 'The gauge card of the run', group, keys: 'g' },
  table: { name: 'The table of the run', group, keys: 'g' },
  tie: { name: 'Tie a batch of these', group, also: 'plan how many', keys: 't' },
} as const satisfies CommandTable;

const card = 'Gauge card';

export const GAUGE = {
  pdf: { name: 'Save the gauge card as PDF', group: card, keys: 'p' },
  svg: { name: 'Save the gauge card as SVG', group: card, keys: 's' },
  calibrate: { name: 'Bring the screen to true size', group: card, keys: 'c' },
} as const satisfies CommandTable;
