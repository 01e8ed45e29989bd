import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Drill';

export const DRILL = {
  fresh: { name: 'A new round', group, keys: 'n' },
  back: { name: 'Take the last answer back', group, also: 'undo slip', keys: 'z' },
  before: { name: 'The drill before', group, keys: '[' },
  after: { name: 'The drill after', group, keys: ']' },
  hands: { name: 'Reckon the scatter of your hands with it', group, also: 'use mine spread', keys: 't' },
  fly: { name: 'Tie the first fly at the vise', group, also: 'beginner', keys: 'f' },
  file: { name: 'Save all rounds as files', group, also: 'export json' },
  takeIn: { name: 'Take in rounds from files', group, also: 'import json' },
  remove: { name: 'Put this round in the trash', group, keys: 'shift+delete' },
  end: { name: 'End the round', group, keys: 'escape' },
} as const satisfies CommandTable;

/** Pulling a tip: by key it follows the way it is seen. */
export const PULLS = {
  letGo: { name: 'Let go, or the next question', group, keys: 'enter or space' },
  left: { name: 'Pull the tip to the left', group, keys: 'left' },
  right: { name: 'Pull the tip to the right', group, keys: 'right' },
  leftBit: { name: 'Pull it a bit to the left', group, keys: 'shift+left' },
  rightBit: { name: 'Pull it a bit to the right', group, keys: 'shift+right' },
} as const satisfies CommandTable;

/** Which of two sides. */
export const SIDES = {
  next: { name: 'The next question', group, keys: 'enter or space' },
  left: { name: 'The left side', group, keys: 'left' },
  right: { name: 'The right side', group, keys: 'right' },
} as const satisfies CommandTable;

/** One of a few answers. */
export const CHOICES = {
  next: { name: 'The next question', group, keys: 'enter or space' },
  first: { name: 'The first answer', group, keys: '1' },
  second: { name: 'The second answer', group, keys: '2' },
  third: { name: 'The third answer', group, keys: '3' },
  fourth: { name: 'The fourth answer', group, keys: '4' },
} as const satisfies CommandTable;
