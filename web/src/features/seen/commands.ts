import type { CommandTable } from '../../shared/commands/commands.ts';

export const SEEN = {
  back: { name: 'Back to the balance', group: 'Fly', keys: 'escape' },
  water: { name: 'Another water', group: 'As the fish has it', keys: 'w' },
} as const satisfies CommandTable;
