import { byEye } from '../src/tying/byEye.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { body, eyes, laid, tail, weightWire, wing } from './build.ts';

type Loose = Parameters<typeof laid>[0][number];
const seen = (parts: readonly Loose[], key: string) => {
  const fly = laid(parts);
  const step = tyingPlan(fly).steps.find((each) => each.key === key);
  if (!step) throw new Error(`no step ${key}`);
  return byEye(fly, step);
};

test('a length of the hook is said as such before any two places', () => {
  expect(seen([tail({ length: '1 shank' })], 'tail')?.words).toBe('the shank');
  expect(seen([tail({ length: '0.5 shank' })], 'tail')?.words).toBe('half the shank');
  expect(seen([tail({ length: '1 gap' })], 'tail')?.words).toBe('the gap');
});
test('two places on what is tied already, while they can be seen', () => {
  const strip = tail({ length: '0.6 shank' });
  const wire = weightWire({ from: 'station 4', turns: 6 });
  expect(seen([eyes(), wire, strip], 'tail')).toMatchObject({ words: 'the bend to the front of the weight' });
  // Once a body lies over it the weight is not seen.
  const covered = wing({ length: '0.6 shank', at: 'bend' });
  expect(seen([eyes(), wire, body(), covered], 'wing')?.words ?? '').not.toContain('weight');
});
test('where it lies is as long as it says, within 3 %', () => {
  const alike = seen([eyes(), weightWire({ from: 'station 4', turns: 6 }), tail({ length: '0.6 shank' })], 'tail');
  const [from, to] = alike?.span ?? [0, 0];
  expect(to - from).toBeCloseTo(alike?.mm ?? 0, 9);
  expect(Math.abs((alike?.mm ?? 0) / (0.6 * laid([]).platform.shankMm) - 1)).toBeLessThan(0.03);
});
test('nothing where nothing is as long, where a step has no measure, and for what is too short to compare', () => {
  expect(seen([tail({ length: '1.7 shank' })], 'tail')).toBeNull();
  expect(seen([tail()], 'whip')).toBeNull();
  expect(seen([tail({ length: '1 mm' })], 'tail')).toBeNull();
});
