import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Log';

export const LOG = {
  write: { name: 'Write an outing', group, also: 'new log day', keys: 'n' },
  line: { name: 'Write of a fly in a line', group, also: 'fly add', keys: 'w or /' },
  take: { name: 'A take', group, keys: 'j' },
  loss: { name: 'A loss', group, keys: 'x' },
  minutes: { name: 'What came by the minute, and what was landed', group, also: 'events fish size', keys: 'e' },
  pictures: { name: 'Add pictures of the outing', group, also: 'photo', keys: 'p' },
  inspect: { name: 'Inspect the finished flies of it', group, also: 'specimen', keys: 's' },
  bench: { name: 'Open the fly on the Bench', group, keys: 'g' },
  before: { name: 'The outing before', group, keys: 'left or [' },
  after: { name: 'The outing after', group, keys: 'right or ]' },
  above: { name: 'The fly above', group, keys: 'up' },
  below: { name: 'The fly below', group, keys: 'down' },
  first: { name: 'Show the first change on the Bench', group, also: 'change one thing', keys: 't' },
  second: { name: 'Show the second change on the Bench', group, keys: 'y' },
  third: { name: 'Show the third change on the Bench', group, keys: 'u' },
  batch: { name: 'Plan a batch of what was lost', group, also: 'reorder tie again', keys: 'b' },
  date: { name: 'Set a date: a run, a season, a trip', group, also: 'calendar tie by', keys: 'd' },
  calendar: { name: 'Save the dates for a calendar', group, also: 'ics export' },
  card: { name: 'Print the card for the water', group, also: 'pdf paper tick at the water', keys: 'c' },
  takeIn: { name: 'Take in outings from files', group, also: 'import csv json table', keys: 'i' },
  table: { name: 'Save all outings as CSV', group, also: 'export table' },
  season: { name: 'Save the season in words', group, also: 'markdown export report' },
  file: { name: 'Save the outing as a file', group, also: 'export json' },
  remove: { name: 'Put the outing in the trash', group, keys: 'shift+delete' },
} as const satisfies CommandTable;
