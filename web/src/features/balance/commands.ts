import type { CommandTable } from '../../shared/commands/commands.ts';

const group = 'Balance';

/** What Escape goes back from, the nearest first. */
export const BACK = {
  leave: { name: 'Leave it as it was', group, keys: 'escape' },
  rest: { name: 'Let it come to rest', group, keys: 'escape' },
  plan: { name: 'Show it as planned', group, keys: 'escape' },
} as const satisfies CommandTable;

/** What may stand under the tipping weight, and the view from the water. */
export const PANEL = {
  brings: { name: 'What each part brings', group, keys: 'w' },
  find: { name: 'Find weights', group, keys: 'f' },
  hands: { name: 'How alike yours come out', group, keys: 's' },
  curves: { name: 'Pulled and sinking', group, keys: 'c' },
} as const satisfies CommandTable;

export const SEEN = { seen: { name: 'As the fish has it', group, keys: 'v' } } as const satisfies CommandTable;
