import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'At the vise';

export const VISE = {
  on: { name: 'Done, the next step', group, keys: 'space or right or pagedown' },
  back: { name: 'The step before', group, keys: 'left or pageup' },
  count: { name: 'Count a turn', group, keys: 'c' },
  flip: { name: 'The far side', group, keys: 'f' },
  differs: { name: 'What differs from the plan', group, keys: 'w' },
  aloud: { name: 'Speak the steps', group, keys: 's' },
  again: { name: 'The next fly', group, keys: 'n' },
  spoilt: { name: 'The fly is spoilt', group, keys: 'x' },
  out: { name: 'Out', group, keys: 'escape' },
} as const satisfies CommandTable;
