import { verdictSentence } from '../src/contract/verdict.ts';
import { reportFly } from '../src/model/solve/report.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { METRIC } from '../src/units/format.ts';
import { eyes, laid, tail } from './build.ts';

const report = reportFly(settleFly(laid([eyes(), tail()])));
const { keel } = report;
const said = (more: Partial<typeof keel>, tight: Partial<typeof keel.tight> = {}, sink = report.sink): string =>
  verdictSentence({ keel: { ...keel, ...more, tight: { ...keel.tight, ...tight } }, sink }, METRIC);

test('a verdict is one sentence: ride and how firmly, lean, swing, fall', () => {
  expect(said({ holdsTo_mm_s: 120 }, { ride: 'point-up', heel_deg: 180 })).toMatch(
    /^Rides point up, firmly; leans nowhere; a swing over 12 cm\/s rolls it; falls \d+ cm\/s free and soaked, [a-z ]+\.$/,
  );
  expect(said({ holdsTo_mm_s: 49 }, { ride: 'point-down', heel_deg: -7 })).toContain(
    'Rides point down, loosely; leans 7°; a swing over 5 cm/s rolls it',
  );
  expect(said({ holdsTo_mm_s: 60 })).not.toMatch(/firmly|loosely/);
  expect(said({ holdsTo_mm_s: null })).toContain(', firmly; ');
  expect(said({ holdsTo_mm_s: null })).toContain('no swing rolls it');
});
test('one that rides either way up neither leans nor is rolled; one that floats falls nowhere', () => {
  expect(said({}, { ride: 'undecided' })).toMatch(/^Rides either way up, the wing decides; falls/);
  expect(said({}, {}, null)).toMatch(/; floats\.$/);
});
