import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Sheet';

export const SHEET = {
  tie: { name: 'Tie it, step by step', also: 'vise tying', group, keys: 'g' },
  print: { name: 'Print the sheet', group, keys: 'p' },
  pdf: { name: 'Save the sheet as PDF', group, keys: 'e' },
  order: { name: 'Put the parts in order', group, keys: 'o' },
  markdown: { name: 'Save the sheet as Markdown', group },
  html: { name: 'Save the sheet as HTML', group },
} as const satisfies CommandTable;
