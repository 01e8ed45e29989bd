import flies from './cases/flies.json' with { type: 'json' };
import { readFlyValue } from '../src/pattern/read.ts';
import { reportFly } from '../src/model/solve/report.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';

/** Walks the wanted figures and yields every leaf with its path, so that a miss names the figure. */
function* leaves(want: unknown, got: unknown, path = ''): Generator<[path: string, want: unknown, got: unknown]> {
  if (Array.isArray(want) && want.length > 0 && typeof want[0] === 'object' && want[0] !== null && 'id' in want[0]) {
    for (const item of want as { id: string }[])
      yield* leaves(
        item,
        (got as { id: string }[]).find((each) => each.id === item.id),
        `${path}[${item.id}]`,
      );
  } else if (typeof want === 'object' && want !== null) {
    for (const [key, value] of Object.entries(want))
      yield* leaves(value, (got as Record<string, unknown> | undefined)?.[key], `${path}.${key}`);
  } else yield [path, want, got];
}

describe('worked flies, computed by an independent program', () => {
  test.each(flies.cases.map((each) => [each.name, each] as const))('%s', (_name, each) => {
    const file = readFlyValue(each.file);
    if (!file.ok) throw new Error(JSON.stringify(file.faults));
    const solved = solveFly(file.value);
    if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
    const report = reportFly(solved.value);
    for (const [path, want, got] of leaves(each.expect, report)) {
      if (typeof want !== 'number') {
        expect([path, got]).toEqual([path, want]);
        continue;
      }
      const off = Math.abs((got as number) - want) / Math.max(Math.abs(want), 0.1);
      expect(`${path} off by ${off <= flies.tolerance ? 'nothing' : String(off)}: ${String(want)}`).toBe(
        `${path} off by nothing: ${String(want)}`,
      );
    }
  });
});
