import { gaugeNow, readGauge, simulatedStation } from '../src/records/gauge.ts';

const NOW = Date.UTC(2026, 2, 14, 9, 30);
const HOUR = 3_600_000;

describe('a made-up station', () => {
  const feed = simulatedStation('Tarvel at Mill Bridge');

  test('has the same level at the same hour whenever it is asked, hour by hour up to now', () => {
    const rows = feed.rows(NOW);
    expect(feed.simulated).toBe(true);
    expect(rows).toHaveLength(72);
    expect(Date.parse(rows.at(-1)?.time ?? '')).toBe(Date.UTC(2026, 2, 14, 9));
    const later = feed.rows(NOW + 5 * HOUR);
    expect(later.find(({ time }) => time === rows.at(-1)?.time)).toEqual(rows.at(-1));
  });

  test('comes down in spate now and then: up in hours, down in days', () => {
    const levels = Array.from({ length: 120 }, (_, day) => feed.rows(NOW + day * 24 * HOUR).at(-1)?.levelM ?? 0);
    expect(Math.min(...levels)).toBeGreaterThan(0.4);
    expect(Math.max(...levels) - Math.min(...levels)).toBeGreaterThan(0.25);
    const hours = Array.from({ length: 40 }, (_, k) => feed.rows(NOW + k * 72 * HOUR)).flat();
    const steps = hours.slice(1).map(({ levelM }, i) => levelM - (hours[i]?.levelM ?? 0));
    expect(Math.max(...steps)).toBeGreaterThan(2 * Math.abs(Math.min(...steps)));
  });
});

describe('a table of a gauge', () => {
  const table = (...rows: string[][]) => readGauge([['time', 'level_m', 'temperature_C'], ...rows], 'Mill Bridge');

  test('reads in any order, with a point or a comma; the trend goes by the last six hours', () => {
    const feed = table(
      ['2026-03-14T08:00Z', '0,81', '7'],
      ['2026-03-14T02:00Z', '0.62', ''],
      ['2026-03-15T02:00Z', '0.7', ''],
    );
    if (!feed.ok) throw new Error(JSON.stringify(feed.faults));
    expect(gaugeNow(feed.value, NOW)).toMatchObject({
      row: { levelM: 0.81, temperatureC: 7, flowM3S: null },
      trend: 'rising',
    });
    expect(gaugeNow(feed.value, Date.UTC(2026, 0, 1))).toBeNull();
  });

  test.each([
    [[['then', '0.6', '']], 'line 2', 'is no time'],
    [[['2026-03-14T08:00Z', 'high', '']], 'line 2', 'is no level'],
    [[], 'line 2', 'no reading'],
  ])('%j is refused by its line', (rows, path, words) => {
    const read = table(...rows);
    expect(read.ok ? [] : [read.faults[0]?.path, read.faults[0]?.message]).toEqual([
      path,
      expect.stringContaining(words),
    ]);
  });

  test('of another kind says what columns it has', () => {
    const read = readGauge([['name', 'size']], 'a');
    expect(read.ok ? '' : read.faults[0]?.message).toContain('time and level_m');
  });
});
