import { ASKED_BY } from '../src/app/shell/askedBy.ts';
import { SHELL } from '../src/app/shell/commands.ts';
import { viewsOf } from '../src/fly/frame/FlyTabs.tsx';
import type { Command } from '../src/shared/commands/commands.ts';
import { finderOf } from '../src/shared/ui/found.ts';
import { HOUSE } from '../src/shared/ui/houseViews.ts';

const run = (): void => undefined;
const all = [
  ...Object.values(SHELL).map((each: Omit<Command, 'run'>) => ({ also: '', ...each, run })),
  ...[...viewsOf('x'), ...HOUSE].map(({ command, also }) => ({ name: command, group: 'Anywhere', also, run })),
  { name: 'Slate Runner', group: 'Flies', also: 'open fly single 6', run },
];
const find = finderOf(all, ASKED_BY);

describe('what can be done is found by what one calls it', () => {
  test.each([
    ['photo', 'Inspect flies of this pattern'],
    ['gauge', 'Sizes of this fly'],
    ['pdf', 'Sheet of this fly'],
    ['heavier eyes', 'Balance of this fly'],
    ['batch', 'Open the batches'],
    ['caliper', 'Caliper and scale'],
    ['slate', 'Slate Runner'],
    ['left hand', 'Settings'],
    ['stock', 'Open the drawers'],
    ['inch', 'Lengths in inches'],
    ['settigns', 'Settings'],
  ])('%s: %s', (typed, name) => {
    expect(find(typed)[0]?.name).toBe(name);
  });
  test('a command has one name wherever it is offered', () => {
    const names = all.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
  });
});
