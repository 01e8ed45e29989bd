import type { SpecimenFile } from '@jobbet/core/records';
import { takingIn, withRow } from '../src/features/inspect/takingIn.ts';

const caliper = { value: '18.42 mm', by: 'caliper' } as const;
const record: SpecimenFile = {
  format: 'jobbet.specimen',
  version: 1,
  fly: 'a',
  number: 3,
  lengths: { tail: [caliper], wing: ['30 mm'] },
  verdict: 'keep',
};

describe('readings out of a table', () => {
  test('stay what they were where they say the same, and change nothing else', () => {
    expect(withRow(record, { number: 3, lengths: { tail: ['18.42 mm'] } })).toEqual(record);
    const next = withRow(record, { lengths: { tail: ['18.42 mm', '18.5 mm'] }, weight: ['0.9 g'] });
    expect(next).toEqual({ ...record, lengths: { tail: [caliper, '18.5 mm'], wing: ['30 mm'] }, weight: ['0.9 g'] });
  });

  const of = {
    fly: 'a',
    pattern: { name: 'Test' } as never,
    revision: 4,
    measures: ['tail', 'wing'],
    there: [{ id: 'x', record } as never],
  };
  const file = (name: string, text: string): File =>
    ({ name, size: text.length, type: '', text: async () => text }) as File;

  test('of a fly that lies there are its, of another a fly of its own', async () => {
    const { fresh, changes, reasons } = await takingIn([file('a.csv', 'number,tail\n3,19 mm\n4,20 mm\n')], of);
    expect(reasons).toEqual([]);
    expect(changes.map(({ id, how }) => [id, how(record).lengths?.['tail']])).toEqual([['x', ['19 mm']]]);
    expect(fresh).toMatchObject([{ number: 4, revision: 4, lengths: { tail: ['20 mm'] } }]);
  });

  test('a photograph whose picture is not beside it is left out and told; a file that does not read changes nothing', async () => {
    const whole = { ...record, photos: [{ file: 'eel-3.jpg', view: 'side' }] };
    const taken = await takingIn([file('eel.specimen.json', JSON.stringify(whole)), file('b.csv', 'tale\n1\n')], of);
    expect(taken.fresh).toEqual([record]);
    expect(taken.reasons.join(' ')).toMatch(/its picture eel-3.jpg is not beside it.*no column "tale"/);
  });
});
