import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Batches';

export const BATCH = {
  plan: { name: 'Plan a batch', group, also: 'new series many', keys: 'n' },
  before: { name: 'The batch before', group, keys: '[' },
  after: { name: 'The batch after', group, keys: ']' },
  left: { name: 'Fly to the left', group, keys: 'left' },
  right: { name: 'Fly to the right', group, keys: 'right' },
  above: { name: 'Item above', group, keys: 'up' },
  below: { name: 'Item below', group, keys: 'down' },
  vise: { name: 'Tie the fly at the vise', group, also: 'step by step', keys: 'enter' },
  on: { name: 'On with the fly: vise, coats, box', group, also: 'finished dry kept', keys: 'o' },
  hang: { name: 'Hang the fly in the vise', group, keys: 'g' },
  spoilt: { name: 'The fly is spoilt', group, also: 'lost broken', keys: 'x' },
  apart: { name: 'The fly is taken apart', group, also: 'hook eyes back', keys: 'a' },
  earlier: { name: 'The fly on the evening before', group, also: 'move pin', keys: 'shift+left' },
  later: { name: 'The fly on the evening after', group, also: 'move pin', keys: 'shift+right' },
  rowEarlier: { name: 'All flies of the row on the evening before', group, also: 'move pin', keys: 'ctrl+shift+left' },
  rowLater: { name: 'All flies of the row on the evening after', group, also: 'move pin', keys: 'ctrl+shift+right' },
  free: { name: 'Let the row lie on whatever evening it falls', group, also: 'unpin', keys: 'w' },
  fewer: { name: 'One fewer of these', group, keys: '-' },
  more: { name: 'One more of these', group, keys: '+' },
  take: { name: 'Tie the first in instead', group, also: 'substitute', keys: 't' },
  second: { name: 'Tie the second in instead', group, also: 'substitute', keys: 'y' },
  third: { name: 'Tie the third in instead', group, also: 'substitute', keys: 'u' },
  rename: { name: 'Rename the batch', group, keys: 'r' },
  print: { name: 'Save the prep sheet as PDF', group, also: 'print cut list shopping', keys: 'p' },
  save: { name: 'Save the batch as a file', group, also: 'export', keys: 'e' },
  remove: { name: 'Put the batch in the trash', group, keys: 'delete' },
  undo: { name: 'Undo', group, keys: 'ctrl+z or z' },
  redo: { name: 'Redo', group, keys: 'ctrl+shift+z or ctrl+y or shift+z' },
} as const satisfies CommandTable;
