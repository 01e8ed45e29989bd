import fc from 'fast-check';
import { nudgeMm, pullRelation, renameIn, type Scale } from '../src/pattern/relations/adjust.ts';
import { loose } from '../src/pattern/relations/loose.ts';
import { parseLength, parsePosition } from '../src/pattern/relations/parse.ts';
import { body, eyes, faultsOf, fly, laid, partIn, strip, tail, wing } from './build.ts';

const SHANK = 27.105;
const GAP = 7.4115;

/** Length of a tail written so, on a 6 3X-long. */
const long = (length: string, others: readonly Record<string, unknown>[] = []): number =>
  partIn(laid([tail({ length }), ...others]), 'tail').extent.lengthMm;
/** Where a strip's tip comes to. */
const reaches = (tip: string, others: readonly Record<string, unknown>[] = []): number =>
  partIn(
    laid(
      [strip({ length: undefined, tip }), ...others].map(
        (part) => JSON.parse(JSON.stringify(part)) as Record<string, unknown>,
      ),
    ),
    'strip',
  ).extent.tipMm ?? Number.NaN;

describe('lengths', () => {
  test.each([
    ['31 mm', 31],
    ['5/32 in', 3.96875],
    ['.020 in', 0.508],
    ['gap', GAP],
    ['shank', SHANK],
    ['1.5 shank', 1.5 * SHANK],
    ['1 1/2 shank', 1.5 * SHANK],
    ['1.5x shank', 1.5 * SHANK],
    ['1.5 × shank', 1.5 * SHANK],
    ['2*gap', 2 * GAP],
    ['1.2 SHANK', 1.2 * SHANK],
    ['2mm', 2],
    ['⅝ in', 15.875],
    ['1½ gap', 1.5 * GAP],
    ['1,5 gap', 1.5 * GAP],
    ['gap + 2 mm', GAP + 2],
    ['shank - 3 mm', SHANK - 3],
    ['2 head space', 5.421],
    ['headSpace', 2.7105],
    ['1..2 shank', 1.5 * SHANK],
    ['gap..2 gap', 1.5 * GAP],
    ['.5...75 shank', 0.625 * SHANK],
    ['1..5 gap', 3 * GAP],
    ['at most gap', 0.9 * GAP],
  ])('%s', (text, mm) => {
    expect(long(text)).toBeCloseTo(mm, 2);
  });

  test('another part as a length: free length, diameter, span', () => {
    expect(long('wing + 2 mm', [wing({ length: '30 mm' })])).toBeCloseTo(32, 6);
    expect(long('2 eyes', [eyes()])).toBeCloseTo(8, 6);
    expect(long('same as body', [body()])).toBeCloseTo(0.7 * SHANK, 2);
    expect(long('0.85 body', [body()])).toBeCloseTo(0.85 * 0.7 * SHANK, 2);
  });
  test('a band is kept beside its target, and what leans on it takes the target', () => {
    const both = laid([tail({ length: '1..1.5 shank' }), wing({ length: 'tail + 2 mm' })]);
    expect(partIn(both, 'tail').extent.bandMm?.map((mm) => mm / SHANK)).toEqual([
      expect.closeTo(1, 4),
      expect.closeTo(1.5, 4),
    ]);
    expect(partIn(both, 'wing').extent.lengthMm).toBeCloseTo(1.25 * SHANK + 2, 2);
    expect(partIn(both, 'wing').extent.bandMm).toBeNull();
  });
  test('at most: nine tenths of it, banded from nothing to all of it', () => {
    expect(partIn(laid([tail({ length: 'at most gap' })]), 'tail').extent.bandMm).toEqual([0, expect.closeTo(GAP, 3)]);
  });
  test('each result tells what it is made of', () => {
    expect(
      partIn(laid([tail({ length: '1 shank + 2 mm' })]), 'tail').extent.readings['length']?.pieces.map((piece) => [
        piece.text,
        Math.round(piece.mm),
      ]),
    ).toEqual([
      ['1 shank', 27],
      ['2 mm', 2],
    ]);
  });
});

describe('lengths as people write them', () => {
  test.each([
    ['1.2 shanks', '1.2 shank'],
    ['120 %', '1.2 shank'],
    ['62.5% of the gap', '0.625 gap'],
    ['1¼x', '1¼ shank'],
    ['1 1/2 × gap', '1 1/2 gap'],
    ['3 stations', '3 station'],
    // What is none of these stays as it is.
    ['1.2 shank', '1.2 shank'],
    ['eyes.rear', 'eyes.rear'],
    ['bend + 0.6 shank', 'bend + 0.6 shank'],
    ['35', '35'],
    ['', ''],
  ])('%s is %s', (text, is) => {
    expect(loose(text)).toBe(is);
  });
  test('what is a relation already is never changed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('shank', 'gap', 'wire', 'hook', 'tail', 'station'),
        fc.integer({ min: 1, max: 99 }),
        (unit, n) => {
          const text = `${String(n / 10)} ${unit}`;
          expect(loose(text)).toBe(text);
        },
      ),
    );
  });
});

describe('positions', () => {
  test.each([
    ['bend', SHANK],
    ['rear', 31.526],
    ['bend + 0.6 shank', 1.6 * SHANK],
    ['bend + 0.5..0.75 shank', 1.625 * SHANK],
    ['station 12', 1.2 * SHANK],
    ['between bend and rear', (SHANK + 31.526) / 2],
    ['bend + 1 gap + 2 mm', SHANK + GAP + 2],
  ])('%s', (text, mm) => {
    expect(reaches(text)).toBeCloseTo(mm, 2);
  });
  test('edges of other parts', () => {
    expect(reaches('tail.tip + 2 mm', [tail({ length: '20 mm' })])).toBeCloseTo(SHANK + 22, 2);
    expect(reaches('half way along tail', [tail({ length: '20 mm' })])).toBeCloseTo(SHANK + 10, 2);
    expect(reaches('¼ way along tail', [tail({ length: '20 mm' })])).toBeCloseTo(SHANK + 5, 2);
    expect(reaches('body.rear + 1 mm', [body({ from: 'bend' })])).toBeCloseTo(SHANK + 1, 2);
  });
  test('against the eye a ball touches it; behind a bead the head begins', () => {
    const beaded = laid([
      {
        id: 'bead',
        role: 'bead',
        construction: 'ball',
        shape: 'bead',
        material: 'brass',
        diameter: '4 mm',
        at: 'against eye',
      },
      wing({ at: 'head' }),
    ]);
    expect(partIn(beaded, 'bead').extent.startMm).toBeCloseTo(0, 9);
    expect(partIn(beaded, 'wing').extent.startMm).toBeCloseTo(4, 9);
    expect(beaded.headSpaceMm).toBe(0);
  });
  test('round the bend a part follows the wire and hangs lower', () => {
    const level = partIn(laid([tail({ length: '20 mm' })]), 'tail');
    const hung = partIn(laid([tail({ length: '20 mm', at: 'round 2 mm' })]), 'tail');
    expect(hung.centroid[2]).toBeLessThan(level.centroid[2] - 2);
    expect(hung.extent.tipMm).toBeLessThan(level.extent.tipMm ?? 0);
  });
  test('hide bound in front of the eyes asks for more head space', () => {
    const front = laid([eyes(), strip({ at: 'eyes.front - 1 mm', length: '40 mm' })]);
    expect(front.headSpaceMm).toBeCloseTo(0.18 * SHANK, 2);
    expect(laid([eyes()]).headSpaceMm).toBeCloseTo(0.1 * SHANK, 2);
  });
});

describe('what is refused, by name, with the cure', () => {
  test.each([
    ['5/32', /no unit/],
    ['2', /no unit/],
    ['1,500 mm', /may be a thousand/],
    ['0.25 gauge', /gauge/],
    ['10 gm', /gm/],
    ['tial', /unknown name "tial"; did you mean "tail"/],
    ['tail.tip', /without the dot/],
    ['bend', /bend is a place/],
    ['1 gap - 5 shank', /below zero/],
    ['tail-2 mm', /./],
    ['5 turns', /turns/],
    ['1..2..3 mm', /./],
    ['2..1 shank', /smaller/],
    ['1..2 shank + 1..2 gap', /more than one band/],
    ['shank -3 mm mm', /./],
    ['', /too short|is empty/],
    ['1 shank wing', /./],
  ])('length %s', (length, reason) => {
    const faults = faultsOf([wing({ length }), tail({ length: '20 mm' })]);
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatch(/^parts\[0\]\.length/);
    expect(faults[0]).toMatch(reason);
  });
  test.each(
    [
      ['tail + 2 mm', 'did you mean "tail.tip + 2 mm"?'],
      ['2 station', 'write "station 2"'],
      ['bend - 10 mm', 'is ahead of where it is bound'],
      ['tail.top', 'has no "top"; did you mean "tip"?'],
      ['bendd + 1 mm', 'did you mean "bend"?'],
      ['shank', 'did you mean "eye + shank"?'],
      ['3 mm', 'did you mean'],
    ].map(([tip, reason]) => [tip, reason ?? '']),
  )('position %s', (tip, reason) => {
    const [fault] = faultsOf(
      [strip({ length: undefined, tip }), tail({ length: '20 mm' })].map(
        (part) => JSON.parse(JSON.stringify(part)) as Record<string, unknown>,
      ),
    );
    expect(fault).toMatch(/^parts\[0\]\.tip/);
    if (tip !== '3 mm') expect(fault).toContain(reason);
  });
  test('a loop is told once, by its path', () => {
    const faults = faultsOf([tail({ length: 'wing' }), wing({ length: 'tail' })]);
    expect(faults).toEqual(['parts[0].length: leans on itself: tail.length → wing.length → tail.length']);
  });
  test('a part that only leans on a faulty one brings no fault of its own', () => {
    expect(faultsOf([tail({ length: 'gapp' }), wing({ length: 'tail + 2 mm' })])).toHaveLength(1);
  });
  test('a minus wants a blank before it, since ids hold dashes', () => {
    expect(parseLength('shank- 2 mm').ok).toBe(false);
    expect(long('under-tail - 2 mm', [tail({ id: 'under-tail', length: '20 mm' })])).toBeCloseTo(18, 6);
  });
});

describe('the parser never throws', () => {
  const word = fc.constantFrom(
    'shank',
    'gap',
    'tail',
    'bend',
    'station',
    'between',
    'and',
    'half',
    'way',
    'along',
    'at',
    'most',
    'same',
    'as',
    '..',
    '+',
    '-',
    '.',
    '1',
    '1/2',
    '½',
    '1,5',
    'mm',
    'in',
    '"',
    'x',
    'turns',
    'round',
    'against',
    'eye',
  );
  test('on any text', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 60 }),
          fc.array(word, { maxLength: 10 }).map((words) => words.join(' ')),
        ),
        (text) => {
          for (const parse of [parseLength, parsePosition]) {
            const read = parse(text);
            expect(read.ok ? read.relation.text : read.fault.message).toBeTruthy();
          }
        },
      ),
      { numRuns: 1500 },
    );
  });
  test('a fly with any relation in it solves or is refused with a path', () => {
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 7 }), (words) => {
        for (const line of faultsOf([tail({ length: words.join(' ') }), wing()])) expect(line).toMatch(/^parts\[\d\]/);
      }),
      { numRuns: 300 },
    );
  });
});

describe('pulling changes the number, not the relation', () => {
  const PLACES: Readonly<Record<string, number>> = { point: 12, barb: 18, bend: 20 };
  const units: Scale = {
    unitMm: (term) => (term.unit.kind === 'absolute' ? term.unit.mm : 10),
    anchorMm: (anchor) => {
      if (anchor.kind === 'landmark') return PLACES[anchor.name] ?? 0;
      if (anchor.kind === 'station') return anchor.factor.low;
      return anchor.kind === 'along' ? 20 + 10 * anchor.factor.low : 0;
    },
  };
  const pulled = (text: string, delta: number, free: number): string => {
    const read = parseLength(text);
    if (!read.ok) throw new Error(read.fault.message);
    return pullRelation(read.relation, delta, units, free);
  };
  const pulledTo = (text: string, delta: number): string => {
    const read = parsePosition(text);
    if (!read.ok) throw new Error(read.fault.message);
    return pullRelation(read.relation, delta, units, 20);
  };
  test.each([
    ['1.2 shank', 3, '1.5 shank', 20],
    ['gap', 2, '1.2 gap', 20],
    ['31 mm', -2.5, '28.5 mm', 20],
    ['1..1.5 shank', 2, '1.2..1.7 shank', 20],
    ['same as tail', 5, '1.25 tail', 20],
    ['tail + 2 mm', 1.5, 'tail + 3.5 mm', 20],
    ['1 1/2 shank', 1, '1.6 shank', 20],
    ['at most gap', 5, '1 gap', 9],
    ['at most gap', -2, '0.7 gap', 9],
    ['1 shank..12 mm', 1, '1.1 shank..13 mm', 20],
    ['1.5..2 shank', -20, '0..0.5 shank', 20],
  ])('%s by %f mm', (text, delta, after, free) => {
    expect(pulled(text, delta, free)).toBe(after);
  });
  test.each([
    ['bend + 0.6 shank', 2, 'bend + 0.8 shank'],
    ['tail.tip', 3, 'tail.tip + 3 mm'],
    ['bend + 2 mm', -3, 'bend - 1 mm'],
    ['between point and barb', -1, 'point + 2 mm'],
    ['between point and barb', 3, 'barb'],
    ['between point and barb', 0, 'between point and barb'],
    ['half way along wing', 2, '0.7 way along wing'],
    ['round 2 mm', 1, 'round 3 mm'],
    ['against eye', 1.5, 'against eye + 1.5 mm'],
    ['bend + 0.5..0.7 shank', 1, 'bend + 0.6..0.8 shank'],
    ['station 2', 1, 'station 3'],
  ])('%s by %f mm', (text, delta, after) => {
    expect(pulledTo(text, delta)).toBe(after);
  });
  test('one step of a key: 0.05 of a factor, half a millimetre, 1/64 inch', () => {
    const step = (text: string): number => {
      const read = parseLength(text);
      return read.ok ? nudgeMm(read.relation, units) : 0;
    };
    expect([step('1.2 shank'), step('31 mm'), step('2 in')]).toEqual([0.5, 0.5, 25.4 / 64]);
  });
});

test('a rename follows through a relation and leaves other names alone', () => {
  expect(renameIn('tail + 2 tailing', 'tail', 'plume')).toBe('plume + 2 tailing');
  expect(renameIn('between Tail.tip and bend', 'tail', 'plume')).toBe('between plume.tip and bend');
  expect(fly([tail()]).parts[0]?.id).toBe('tail');
});
