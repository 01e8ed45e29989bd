import type { DateFile } from '@jobbet/core/records';
import { calendarOfDates } from '../src/features/log/calendar.ts';

const date = (more: Partial<DateFile>): DateFile => ({
  format: 'jobbet.date',
  version: 1,
  name: 'Spring run',
  sort: 'run',
  from: '2027-03-14',
  to: '2027-04-02',
  ...more,
});
const told = (record: DateFile, batches: Parameters<typeof calendarOfDates>[1] = []): Promise<string> =>
  calendarOfDates([{ id: 'a', record }], batches, '2026-11-30');
const lines = (text: string, key: string): string[] =>
  text.split(/\r?\n/).flatMap((line) => (line.startsWith(key) ? [line.slice(key.length)] : []));

describe('dates as a calendar takes them', () => {
  test('whole days; the day after the last is the first that is free', async () => {
    const text = await told(date({}));
    expect(lines(text, 'DTSTART;VALUE=DATE:')).toEqual(['20270314']);
    expect(lines(text, 'DTEND;VALUE=DATE:')).toEqual(['20270403']);
    expect(lines(text, 'SUMMARY:')).toEqual(['Spring run']);
  });
  test('what is over is not told; what comes round is told as often as it does in three years', async () => {
    expect(lines(await told(date({ from: '2026-03-14', to: '2026-04-02' })), 'SUMMARY:')).toEqual([]);
    const yearly = await told(date({ every: 1 }));
    expect(lines(yearly, 'DTSTART;VALUE=DATE:')).toEqual(['20270314', '20280314', '20290314']);
    const other = await told(date({ every: 2 }));
    expect(lines(other, 'DTSTART;VALUE=DATE:')).toEqual(['20270314', '20290314']);
  });
  test('by when flies are to be ready, for a date and in a batch still to come', async () => {
    const text = await told(date({ tieDays: 14 }), [
      { id: 'b', name: 'Opening week', date: '2027-02-01' },
      { id: 'c', name: 'Long past', date: '2026-02-01' },
    ]);
    expect(lines(text, 'SUMMARY:')).toEqual(['Spring run', 'Flies ready for Spring run', 'Flies ready: Opening week']);
    expect(lines(text, 'DTSTART;VALUE=DATE:').slice(1)).toEqual(['20270228', '20270201']);
  });
  test('each event has a name of its own that stays, so that a calendar taken in twice has each once', async () => {
    const [one, again] = [await told(date({ every: 1, tieDays: 7 })), await told(date({ every: 1, tieDays: 7 }))];
    const ids = lines(one, 'UID:');
    expect(new Set(ids).size).toBe(ids.length);
    expect(lines(again, 'UID:')).toEqual(ids);
  });
});
