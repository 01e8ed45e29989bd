import fc from 'fast-check';
import { LineSplitter, readLine } from '../src/instruments/reading.ts';
import { seriesOf, shareOf } from '../src/instruments/series.ts';
import { CALIPER, caliperLine, pieceOf, SCALE, scaleLine, SimulatedInstrument } from '../src/instruments/simulated.ts';

describe('a line of an instrument', () => {
  test.each([
    ['+014.87 mm', 'length', 14.87],
    ['14,87mm', 'length', 14.87],
    ['  0.5855 in', 'length', 14.8717],
    ['0.5855"', 'length', 14.8717],
    ['ST, +   0.562 g', 'mass', 562],
    ['ST,GS, 0.562g', 'mass', 562],
    ['8.67 GN', 'mass', 561.80655],
    ['8.67 gr', 'mass', 561.80655],
    ['562 mg', 'mass', 562],
    ['- 0.02 mm', 'length', -0.02],
    ['.020 in', 'length', 0.508],
  ])('%s', (line, kind, value) => {
    expect(readLine(line)).toEqual({ ok: true, value: { kind, value, settled: true } });
  });

  test.each(['US, + 0.561 g', '0.561 g ?', '~ 0.561 g'])('%s has not settled', (line) => {
    const read = readLine(line);
    expect(read).toEqual({ ok: true, value: { kind: 'mass', value: 561, settled: false } });
  });

  test.each([
    ['', 'no reading'],
    ['ERR 3', 'no reading'],
    ['14.87', 'no reading'],
    ['14.87 kg', 'no unit known'],
    ['14.87 lb', 'no unit known'],
    ['99999 mm', 'more than a fly bench holds'],
  ])('%s is refused', (line, why) => {
    const read = readLine(line);
    expect(read.ok ? '' : read.faults[0]?.message).toContain(why);
  });

  test('any line at all is read or refused, never thrown at', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (line) => {
        const read = readLine(line);
        expect(read.ok ? Number.isFinite(read.value.value) : read.faults.length > 0).toBe(true);
      }),
    );
  });

  test('what the stand-ins send is read back as they showed it', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99999, max: 99999 }), (n) => {
        const length = readLine(caliperLine(n / 100));
        const mass = readLine(scaleLine(n));
        expect(length.ok ? length.value.value : NaN).toBeCloseTo(n / 100, 6);
        expect(mass.ok ? mass.value.value : NaN).toBeCloseTo(n, 6);
      }),
    );
  });
});

test('lines come whole however they are cut on the way', () => {
  const text = '+14.87 mm\r\n+14.88 mm\n\n+14.86 mm\r';
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 20 }), (cuts) => {
      const splitter = new LineSplitter();
      const lines: string[] = [];
      let at = 0;
      for (const cut of [...cuts, text.length]) {
        lines.push(...splitter.take(text.slice(at, at + cut)));
        at += cut;
      }
      expect(lines).toEqual(['+14.87 mm', '+14.88 mm', '+14.86 mm']);
    }),
  );
});

describe('a series', () => {
  test('mean and spread of the sample', () => {
    expect(seriesOf([])).toBeNull();
    expect(seriesOf([5])).toEqual({ n: 1, mean: 5, sd: null });
    expect(seriesOf([2, 4, 4, 4, 5, 5, 7, 9])).toEqual({ n: 8, mean: 5, sd: expect.closeTo(2.138, 3) });
  });

  test('ten on the scale, divided by ten', () => {
    expect(shareOf(5620, 10)).toEqual({ n: 10, mean: 562, sd: null });
    expect(shareOf(5620, 0)).toBeNull();
    expect(shareOf(5620, 2.5)).toBeNull();
  });
});

describe('the stand-ins', () => {
  test('the same seed gives the same readings, another gives others', () => {
    const readings = (seed: number): number[] => {
      const scale = new SimulatedInstrument(SCALE, seed);
      return Array.from({ length: 20 }, () => scale.read(562));
    };
    expect(readings(7)).toEqual(readings(7));
    expect(readings(7)).not.toEqual(readings(8));
  });

  test.each([
    ['caliper', CALIPER, 14.87],
    ['scale', SCALE, 562],
  ] as const)(
    'the %s shows whole steps, trembles about the truth, drifts, and is set right',
    (_name, nature, truth) => {
      const many = Array.from({ length: 300 }, (_, seed) => new SimulatedInstrument(nature, seed).read(truth));
      for (const value of many) expect(value / nature.resolution).toBeCloseTo(Math.round(value / nature.resolution), 6);
      const first = seriesOf(many);
      expect(Math.abs((first?.mean ?? 0) - truth)).toBeLessThan(nature.resolution);
      const after = Array.from({ length: 300 }, (_, seed) => {
        const instrument = new SimulatedInstrument(nature, seed);
        for (let i = 0; i < 200; i++) instrument.read(truth);
        const drifted = instrument.read(truth);
        instrument.zero();
        return [drifted, instrument.read(truth)] as const;
      });
      const drifted = seriesOf(after.map(([value]) => value))?.sd ?? 0;
      const zeroed = seriesOf(after.map(([, value]) => value))?.sd ?? 0;
      expect(drifted).toBeGreaterThan(1.5 * (first?.sd ?? 0));
      expect(zeroed).toBeLessThan(1.3 * (first?.sd ?? 0));
    },
  );

  test('pieces of one make differ by a little, each by its own', () => {
    const pieces = Array.from({ length: 200 }, (_, n) => pieceOf(562, 'mass', 3, n));
    const { mean, sd } = seriesOf(pieces) ?? { mean: 0, sd: 0 };
    expect(Math.abs(mean / 562 - 1)).toBeLessThan(0.01);
    expect((sd ?? 0) / 562).toBeGreaterThan(0.02);
    expect((sd ?? 0) / 562).toBeLessThan(0.04);
    expect(pieceOf(562, 'mass', 3, 5)).toBe(pieces[5]);
  });
});
