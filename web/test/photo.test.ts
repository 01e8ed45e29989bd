import { viewOf } from '@jobbet/core/drawing';
import { layFly } from '@jobbet/core/model';
import { readFlyValue } from '@jobbet/core/pattern';
import type { SpecimenFile } from '@jobbet/core/records';
import { measuresTold, onView, type Photo, sideOf, withoutPhoto, withPhoto } from '../src/features/inspect/photo.ts';

const record: SpecimenFile = {
  format: 'jobbet.specimen',
  version: 1,
  fly: 'a',
  lengths: { tail: ['18.2 mm', { value: '19.9 mm', by: 'photograph' }], wing: [{ value: '30 mm', by: 'photograph' }] },
};
const photo: Photo = { file: 'pictures/a.jpg', view: 'side', landmarks: { eye: [1000, 400], bend: [400, 430] } };

describe('what a photograph tells of a fly', () => {
  const told = [{ measure: 'tail', mm: 18.44, spreadMm: 0.2 }];

  test('stands beside what the caliper told, in the place of what another photograph told', () => {
    const next = withPhoto(record, photo, told);
    expect(sideOf(next)).toEqual(photo);
    expect(next.lengths).toEqual({ tail: ['18.2 mm', { value: '18.4 mm', by: 'photograph' }] });
  });

  test('of one that was rendered is marked so', () => {
    const { lengths } = withPhoto(record, { ...photo, simulated: true }, told);
    expect(lengths?.['tail']?.[1]).toEqual({ value: '18.4 mm', by: 'photograph', simulated: true });
  });

  test('goes with it, and views from elsewhere stay', () => {
    const top: Photo = { file: 'pictures/b.jpg', view: 'top' };
    const both = { ...withPhoto(record, photo, told), photos: [photo, top] };
    expect(withoutPhoto(both)).toEqual({ ...record, lengths: { tail: ['18.2 mm'] }, photos: [top] });
    const { lengths: _lengths, ...bare } = record;
    expect(withoutPhoto({ ...bare, photos: [photo] })).toEqual(bare);
  });

  test('is said once: as the length where the pattern has one, else as the place past the bend', () => {
    const lengths = ['tail', 'tail.pastBend', 'wing', 'wing.pastBend'].map((measure) => ({
      measure,
      mm: 9,
      spreadMm: 0,
    }));
    const known = new Set(['tail', 'tail.pastBend', 'wing.pastBend']);
    expect(measuresTold(lengths, known).map(({ measure }) => measure)).toEqual(['tail', 'wing.pastBend']);
  });
});

test('a picture is laid on the plan eye on eye and bend on bend, and a place of it found again', () => {
  const read = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name: 'Bare',
    platform: { kind: 'single', shank: '26 mm', gap: '8 mm', wire: '0.8 mm' },
    parts: [],
  });
  const laid = read.ok ? layFly(read.value) : read;
  if (!laid.ok) throw new Error('does not lay out');
  const view = viewOf('profile', 500, 200, 12, 'right');
  const lies = onView({ eye: [1000, 400], bend: [400, 430], point: [580, 620] }, laid.value, view);
  expect(lies.to(1000, 400)).toEqual([expect.closeTo(500, 6), expect.closeTo(200, 6)]);
  expect(lies.to(400, 430)).toEqual([expect.closeTo(500 - 26 * 12, 6), expect.closeTo(200, 6)]);
  const [x, y] = lies.to(733, 512);
  expect(lies.from(x, y)).toEqual([expect.closeTo(733, 6), expect.closeTo(512, 6)]);
  const [a, b, c, d, e, f] = lies.matrix;
  expect([a * 733 + c * 512 + e, b * 733 + d * 512 + f]).toEqual([expect.closeTo(x, 6), expect.closeTo(y, 6)]);
});
