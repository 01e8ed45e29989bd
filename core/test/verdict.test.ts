import { rideIfLight, verdictSentence } from '../src/contract/verdict.ts';
import { reportFly } from '../src/model/solve/report.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { METRIC } from '../src/units/format.ts';
import { tightKeel } from '../src/model/balance/keel.ts';
import { balanceModel } from '../src/model/solve/balanceModel.ts';
import { lightestOf } from '../src/model/solve/lightest.ts';
import { eyes, laid, partIn, tail } from './build.ts';

const report = reportFly(settleFly(laid([eyes(), tail()])));
const { keel } = report;
const said = (more: Partial<typeof keel>, tight: Partial<typeof keel.tight> = {}, sink = report.sink): string =>
  verdictSentence({ keel: { ...keel, ...more, tight: { ...keel.tight, ...tight } }, sink, lightest: null }, METRIC);

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

describe('eyes that nobody has weighed', () => {
  const fly = (more: Record<string, unknown> = {}) =>
    laid([eyes({ material: 'brass', diameter: '4 mm', ...more }), tail()]);

  test('may be six tenths of the solid: the ride and the fall are reckoned with them so light', () => {
    const own = fly();
    const lightest = lightestOf(own);
    const ball = partIn(own, 'eyes');
    // The same eyes weighed at six tenths keep their room, as those that are hollowed out do.
    const weighed = fly({ mass: `${String(0.6 * ball.massMg)} mg` });
    const settled = settleFly(weighed).balance;
    expect(lightest?.parts).toEqual(['eyes']);
    expect(lightest?.ride).toBe(tightKeel(balanceModel(weighed)).ride);
    expect(lightest?.terminal).toBeCloseTo(settled.sink?.terminal ?? 0, 6);
    expect(lightest?.slackRide).toBe(settled.slack.ride);
  });
  test('that were weighed, or are of plastic, are what they are', () => {
    expect(lightestOf(fly({ mass: '0.4 g' }))).toBeNull();
    expect(lightestOf(fly({ shape: 'plastic', material: 'plastic' }))).toBeNull();
    expect(lightestOf(laid([tail()]))).toBeNull();
  });
  test('are to be weighed where the verdict turns with them, and only there', () => {
    const base = { keel: { ...keel, tight: { ...keel.tight, ride: 'point-up' as const } }, sink: report.sink };
    const light = {
      parts: ['eyes'],
      ride: 'point-up',
      slackRide: 'point-up',
      terminal_mm_s: 200,
      class: 'medium',
    } as const;
    const with_ = (lightest: Parameters<typeof verdictSentence>[0]['lightest']): string =>
      verdictSentence(
        { ...base, sink: report.sink && { ...report.sink, terminal_mm_s: 300, class: 'fast' }, lightest },
        METRIC,
      );
    expect(with_({ ...light, parts: ['eyes'] })).toMatch(
      /falls 20 to 30 cm\/s free and soaked, medium to fast; weigh the eyes\.$/,
    );
    expect(with_({ ...light, parts: ['eyes'], class: 'fast' })).not.toContain('weigh');
    expect(with_({ ...light, parts: ['eyes'], class: 'fast', ride: 'on-its-side' })).toContain(
      'Rides point up, or on its side with light eyes',
    );
    const heavy = { ...base, lightest: { ...light, parts: ['eyes'], ride: 'undecided' as const } };
    expect(rideIfLight(heavy)).toEqual({ short: 'or either way if light', whole: 'either way with light eyes' });
    expect(rideIfLight({ ...heavy, lightest: null })).toBeNull();
  });
});
