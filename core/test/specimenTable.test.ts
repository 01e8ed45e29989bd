import { faultLine } from '../src/base/fault.ts';
import { readSpecimenTable, writeSpecimenTable } from '../src/records/specimenTable.ts';
import type { SpecimenFile } from '../src/records/specimen.ts';

const MEASURES = ['tail', 'wing.pastBend', 'eyes.at'];
const fly = (more: Partial<SpecimenFile>): SpecimenFile => ({
  format: 'jobbet.specimen',
  version: 1,
  fly: 'Test',
  ...more,
});
const faultsOf = (rows: readonly (readonly string[])[]): string => {
  const read = readSpecimenTable(rows, MEASURES);
  return read.ok ? '' : read.faults.map(faultLine).join('\n');
};

describe('finished flies as a table', () => {
  test('go out and come in again as they were', () => {
    const flies = [
      fly({
        number: 1,
        hand: 'Anna',
        tied: '2026-03-01',
        lengths: { tail: ['18.2 mm', '18.4 mm'] },
        weight: ['0.92 g'],
      }),
      fly({
        number: 2,
        lengths: { 'wing.pastBend': ['0.4 in'] },
        weightWet: ['1.3 g'],
        verdict: 'retie',
        note: 'a; b',
      }),
    ];
    const rows = writeSpecimenTable(flies);
    expect(rows[0]?.slice(-2)).toEqual(['tail', 'wing.pastBend']);
    const read = readSpecimenTable(rows, MEASURES);
    expect(read).toEqual({ ok: true, value: flies.map(({ format: _f, version: _v, fly: _name, ...row }) => row) });
  });

  test('readings of an instrument keep their figure', () => {
    const taken = { value: '18.42 mm', by: 'caliper' } as const;
    expect(writeSpecimenTable([fly({ lengths: { tail: [taken] } })])[1]?.at(-1)).toBe('18.42 mm');
  });

  test('a bare number is mm or g, columns come in any order and case, empty rows are none', () => {
    const read = readSpecimenTable(
      [
        ['Tail', 'WEIGHT', 'number'],
        ['18,2; 18.4', '0.9', '3'],
        ['', '', ''],
      ],
      MEASURES,
    );
    expect(read).toEqual({
      ok: true,
      value: [{ number: 3, lengths: { tail: ['18.2 mm', '18.4 mm'] }, weight: ['0.9 g'] }],
    });
  });

  test('what does not read is told by line and column, all of it', () => {
    expect(faultsOf([['tial', 'number']])).toMatch(/no column "tial"; did you mean "tail"\?/);
    const faults = faultsOf([
      ['number', 'tail', 'verdict', 'tied'],
      ['one', '18 zz', 'burn', 'spring'],
    ]);
    expect(faults).toMatch(/line 2, number: "one"/);
    expect(faults).toMatch(/line 2, tail: /);
    expect(faults).toMatch(/line 2, verdict: "burn" is none of keep, retie, practice/);
    expect(faults).toMatch(/line 2, tied: /);
    expect(faultsOf([['number']])).toMatch(/has no flies/);
  });
});
