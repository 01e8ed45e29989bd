import { nextDates, occurrencesOf, runOn } from '../src/log/dates.ts';
import { readRecord } from '../src/records/kinds.ts';
import type { DateFile } from '../src/records/date.ts';

const date = (more: Partial<DateFile> = {}): DateFile => ({
  format: 'jobbet.date',
  version: 1,
  name: 'Summer run',
  sort: 'run',
  from: '2026-07-10',
  to: '2026-08-25',
  ...more,
});

describe('a date one set', () => {
  test('comes round every so many years, and is ready for so many days before', () => {
    const every = date({ every: 2, tieDays: 14 });
    expect(occurrencesOf(every, '2026-01-01', '2031-12-31').map(({ from, to, tieBy }) => [from, to, tieBy])).toEqual([
      ['2026-07-10', '2026-08-25', '2026-06-26'],
      ['2028-07-10', '2028-08-25', '2028-06-26'],
      ['2030-07-10', '2030-08-25', '2030-06-26'],
    ]);
    // Odd years have none of it, and what is long past is found from where one looks.
    expect(occurrencesOf(every, '2027-01-01', '2027-12-31')).toEqual([]);
    expect(occurrencesOf(every, '2040-01-01', '2040-12-31').map(({ from }) => from)).toEqual(['2040-07-10']);
  });
  test('once is once; what lasts into the time is told', () => {
    expect(occurrencesOf(date(), '2026-08-01', '2030-01-01')).toHaveLength(1);
    expect(occurrencesOf(date(), '2026-08-26', '2030-01-01')).toEqual([]);
    expect(occurrencesOf(date({ to: undefined as never }), '2026-07-10', '2026-07-10')).toMatchObject([
      { from: '2026-07-10', to: '2026-07-10', tieBy: null },
    ]);
  });
  test('over the turn of the year ends in the next, and the last of February is kept in every year', () => {
    const winter = date({ from: '2026-12-20', to: '2027-01-10', every: 1 });
    expect(occurrencesOf(winter, '2028-01-05', '2028-01-05')).toMatchObject([{ from: '2027-12-20', to: '2028-01-10' }]);
    const leap = date({ from: '2028-02-29', to: '2028-02-29', every: 1 });
    expect(occurrencesOf(leap, '2029-01-01', '2032-12-31').map(({ from }) => from)).toEqual([
      '2029-02-28',
      '2030-02-28',
      '2031-02-28',
      '2032-02-29',
    ]);
  });
  test('that is a run is on or not on a day; seasons and trips are none', () => {
    const dates = [date({ every: 2 }), date({ name: 'Trip', sort: 'trip' })];
    expect([runOn(dates, '2026-07-10'), runOn(dates, '2026-08-26'), runOn(dates, '2028-08-25')]).toEqual([
      'Summer run',
      null,
      'Summer run',
    ]);
    expect(runOn([date({ sort: 'season' })], '2026-07-20')).toBeNull();
  });
  test('what comes next is in order, each once, and not what is over', () => {
    const dates = [
      date({ every: 1 }),
      date({ name: 'Opening week', sort: 'trip', from: '2027-03-13', to: '2027-03-20' }),
      date({ name: 'Over', from: '2026-01-01', to: '2026-01-02' }),
    ];
    expect(nextDates(dates, '2026-11-30').map(({ name, from }) => [name, from])).toEqual([
      ['Opening week', '2027-03-13'],
      ['Summer run', '2027-07-10'],
    ]);
  });
  test('that ends before it begins, or is no day, is named', () => {
    const faults = (more: Partial<DateFile>): readonly string[] => {
      const read = readRecord('date', date(more));
      return read.ok ? [] : read.faults.map(({ path }) => path);
    };
    expect(faults({ to: '2026-07-09' })).toEqual(['to']);
    expect(faults({ from: '2026-02-30' })).toContain('from');
    expect(faults({ every: 0 })).toEqual(['every']);
    expect(faults({ tieDays: 1.5 })).toEqual(['tieDays']);
    expect(faults({})).toEqual([]);
  });
});
