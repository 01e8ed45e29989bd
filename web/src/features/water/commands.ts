import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Water';

export const WATER = {
  write: { name: 'How it is fished', group, also: 'line leader cast mend count manner', keys: '/' },
  back: { name: 'A second back', group, keys: 'left' },
  on: { name: 'A second on', group, keys: 'right' },
  backBit: { name: 'A fifth of a second back', group, keys: 'shift+left' },
  onBit: { name: 'A fifth of a second on', group, keys: 'shift+right' },
  play: { name: 'Play it at its own pace', group, also: 'run animate', keys: 'space' },
  first: { name: 'Where it comes down', group, keys: 'home' },
  last: { name: 'Where it ends', group, keys: 'end' },
  beatBefore: { name: 'The beat before', group, keys: '[' },
  beatAfter: { name: 'The beat after', group, keys: ']' },
  take: { name: 'Take the first way to the wanted depth', group, also: 'count mend line deeper', keys: 't' },
  second: { name: 'Take the second way to the wanted depth', group, keys: 'y' },
  third: { name: 'Take the other eyes', group, also: 'weight heavier lighter deeper finder', keys: 'u' },
  manner: { name: 'Fish it in the next manner', group, also: 'swing strip drift jig hang count down', keys: 'm' },
  beside: { name: 'Keep this run beside the next', group, also: 'compare overlay ghost line fly', keys: 'o' },
  box: { name: 'Which fly of the box fishes here', group, also: 'choose planner', keys: 'b' },
  beat: { name: 'Change the beat', group, also: 'depth speed bed water', keys: 'e' },
  newBeat: { name: 'Another beat', group, also: 'new water stretch', keys: 'n' },
  levels: { name: 'Take in levels of the gauge', group, also: 'csv station river import' },
  svg: { name: 'Save the section as a drawing', group, also: 'export svg' },
  card: { name: 'Print the count-down card', group, also: 'pdf seconds depth pocket' },
} as const satisfies CommandTable;
