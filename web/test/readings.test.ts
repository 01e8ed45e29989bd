import { readingsText, readReadings } from '../src/features/inspect/readings.ts';

const read = (text: string, before?: Parameters<typeof readReadings>[3]) => readReadings(text, 'length', 'mm', before);

describe('readings as they are typed', () => {
  test.each([
    ['19.4', ['19.4 mm']],
    ['19.4; 19.6', ['19.4 mm', '19.6 mm']],
    ['19.4 mm; 19.6', ['19.4 mm', '19.6 mm']],
    ['19.4 19.6 19.5', ['19.4 mm', '19.6 mm', '19.5 mm']],
    ['19.4, 19.6', ['19.4 mm', '19.6 mm']],
    ['3/4 in', ['3/4 in']],
    ['', []],
  ])('%s', (text, readings) => {
    expect(read(text)).toEqual({ readings });
  });
  test('what is known of one that stood there already stays', () => {
    const before = [{ value: '19.4 mm', by: 'caliper' as const }];
    expect(read('19.4 mm; 20', before)).toEqual({ readings: [before[0], '20 mm'] });
    expect(readingsText([...before, '20 mm'])).toBe('19.4 mm; 20 mm');
  });
  test.each(['19 zz', 'long', '-3 mm', '0'])('"%s" is told why it is none', (text) => {
    expect(read(text)).toMatchObject({ faults: [{ message: expect.any(String) as string }] });
  });
});
