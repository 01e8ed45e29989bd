import { layoutRun } from '../src/features/sizes/runLayout.ts';
import { laidOf } from './build.ts';

const fly = (longX: number) => laidOf([], { platform: { kind: 'single', size: '6', longX } });

describe('a run side by side', () => {
  const flies = [fly(6), fly(3), fly(0)];
  test('is at true size where it fits', () => {
    const { scale, columns } = layoutRun(flies, 1100, 3.78);
    expect(scale).toBe(3.78);
    expect(columns.reduce((sum, each) => sum + each, 0)).toBeLessThanOrEqual(1100);
  });
  test('is as near to it as fits where it does not, never broader than there is room', () => {
    const many = [...flies, ...flies, ...flies];
    const { scale, columns } = layoutRun(many, 900, 6);
    expect(scale).toBeLessThan(6);
    expect(columns.reduce((sum, each) => sum + each, 0)).toBeLessThanOrEqual(900);
  });
  test('each column is as broad as its own fly', () => {
    const { columns } = layoutRun(flies, 10_000, 12);
    expect(columns[0]).toBeGreaterThan(columns[2] ?? 0);
  });
  test('a size that is not reckoned yet has its place', () => {
    expect(layoutRun([null, null], 600, 3.78).columns).toHaveLength(2);
  });
});
