import type { BatchReport } from '@jobbet/core/batch';
import { calendarOf } from '../src/features/batches/calendar.ts';

type Block = BatchReport['time']['schedule'][number];
const block = (evening: string, from: string, to: string, step: string, more: Partial<Block> = {}): Block => ({
  evening,
  start: `${evening}T${from}`,
  end: `${evening}T${to}`,
  row: 1,
  fly: 1,
  step,
  kind: 'hands',
  ...more,
});
const report = {
  name: 'Opening week',
  rows: [{ name: 'Slate Runner, single 6' }, { name: 'Glass Smolt, single 4' }],
  time: {
    schedule: [
      block('2026-03-02', '19:30:12', '19:45', 'prep', { row: null, fly: null }),
      block('2026-03-02', '19:45', '20:05', 'tie'),
      block('2026-03-02', '20:05', '20:25', 'tie', { fly: 2 }),
      block('2026-03-02', '20:25', '20:25:31', 'coat 1'),
      block('2026-03-02', '20:26', '23:10', 'coat 1', { kind: 'drying' }),
      block('2026-03-04', '20:00', '20:20', 'tie', { row: 2, fly: 3 }),
    ],
  },
} as unknown as BatchReport;

test('evenings as a calendar takes them: from the first thing done to the last, by the clock of the place', async () => {
  const lines = (await calendarOf('abc', report)).replaceAll('\r\n ', '').split('\r\n');
  const events = lines.filter((line) => line === 'BEGIN:VEVENT');
  expect(events).toHaveLength(2);
  expect(lines).toEqual(
    expect.arrayContaining([
      'UID:abc-2026-03-02',
      'DTSTART:20260302T193000',
      'DTEND:20260302T202600',
      'SUMMARY:Opening week: 2 flies',
      'DESCRIPTION:made ready beforehand\\, 15 min\\n2 Slate Runner\\, single 6\\n1 coat',
      'UID:abc-2026-03-04',
      'DTSTART:20260304T200000',
      'SUMMARY:Opening week: 1 fly',
      'DESCRIPTION:1 Glass Smolt\\, single 4',
    ]),
  );
});
