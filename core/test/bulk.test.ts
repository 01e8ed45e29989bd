import { THREAD, TIE_IN } from '../src/data/index.ts';
import { bareProfile, crossingsOf, passesOf, profilesOf, STEP_MM, unevenOf, type Profile } from '../src/tying/bulk.ts';
import { tieInMm } from '../src/tying/constraints.ts';
import type { Move } from '../src/tying/order.ts';
import type { Thread } from '../src/tying/threadOf.ts';
import { body, laid, partIn, tail } from './build.ts';

const thread: Thread = {
  denier: 140,
  aught: null,
  spool: null,
  sectionMm2: 0.013,
  flatMm: 0.3,
  cordMm: 0.15,
  breaksG: 630,
};
const fly = laid([tail(), body()]);
const move = (id: string, does: Move['does'], toMm = 0): Move => ({ part: partIn(fly, id), does, fromMm: 0, toMm });
/** What a move adds to a profile, by stations. */
const grown = (...moves: Move[]): number[] => {
  const [before, ...after] = profilesOf(fly, moves, thread);
  const last = after.at(-1);
  return Array.from(last ?? [], (d, i) => d - (before?.[i] ?? 0));
};
const stretched = (pieces: readonly (readonly [mm: number, d: number])[]): Profile =>
  Float64Array.from(pieces.flatMap(([mm, d]) => Array.from({ length: Math.round(mm / STEP_MM) }, () => d)));

describe('the body as it grows', () => {
  test('begins with the bare shank and its bed of thread', () => {
    const { windMm } = fly.platform;
    expect(new Set(bareProfile(fly))).toEqual(new Set([windMm + 2 * fly.thread.bedMm]));
    expect(bareProfile(fly).length * STEP_MM).toBeGreaterThan(fly.platform.shankMm + 1.9);
  });
  test('turns of a tie-in lie nearly side by side ahead of it, and their section is that of the thread', () => {
    const more = grown(move('body', 'catch', tieInMm(partIn(fly, 'body'))));
    const at = more.flatMap((each, i) => (each > 0 ? [i * STEP_MM] : []));
    const breadth = 0.8 * TIE_IN.turns * thread.flatMm;
    const tied = tieInMm(partIn(fly, 'body'));
    expect(Math.max(...at)).toBeCloseTo(tied, 0);
    expect(Math.max(...at) - Math.min(...at)).toBeCloseTo(breadth, 0);
    const section = more.reduce((sum, each) => sum + (each / 2) * STEP_MM, 0);
    expect(section / ((TIE_IN.turns * thread.sectionMm2) / THREAD.solid)).toBeCloseTo(1, 0);
    expect(Math.max(...more)).toBeCloseTo((2 * TIE_IN.turns * thread.sectionMm2) / THREAD.solid / breadth, 9);
  });
  test('a clump that is bound makes the round larger by its section', () => {
    const [before, after] = profilesOf(fly, [move('tail', 'tie')], thread);
    const at = Math.round((tieInMm(partIn(fly, 'tail')) - 2.5) / STEP_MM);
    expect(after?.[at]).toBeGreaterThan(before?.[at] ?? NaN);
  });
  test('what is wound stands as far out as its outline, at the middle of each step', () => {
    const wound = partIn(fly, 'body');
    const after = profilesOf(fly, [move('body', 'wind', wound.extent.startMm)], thread).at(-1);
    const i = Math.round((wound.extent.startMm + wound.extent.endMm) / 2 / STEP_MM);
    expect(after?.[i]).toBeCloseTo(2 * (wound.built.outer?.((i + 0.5) * STEP_MM) ?? NaN), 9);
  });
});

describe('where it is uneven', () => {
  test('a jump of more than a share within a wire’s width, told where it is and how large', () => {
    const [only, ...none] = unevenOf(
      stretched([
        [5, 1],
        [5, 1.4],
      ]),
      0,
      10,
      0.25,
      0.5,
    );
    expect(none).toEqual([]);
    expect(only).toMatchObject({ kind: 'step', diameterMm: 1 });
    expect(only?.share).toBeCloseTo(0.4, 9);
    expect(only?.atMm).toBeCloseTo(5, 0);
  });
  test('not one that is smaller, or that takes longer', () => {
    expect(
      unevenOf(
        stretched([
          [5, 1],
          [5, 1.24],
        ]),
        0,
        10,
        0.25,
        0.5,
      ),
    ).toEqual([]);
    const ramp = Float64Array.from({ length: 100 }, (_, i) => 1 + i * 0.004);
    expect(unevenOf(ramp, 0, 10, 0.25, 0.5)).toEqual([]);
  });
  test('down and up again is a valley, told by the smaller of the two', () => {
    const [only, ...none] = unevenOf(
      stretched([
        [4, 1.5],
        [2, 1],
        [4, 2],
      ]),
      0,
      10,
      0.25,
      0.5,
    );
    expect(none).toEqual([]);
    expect(only).toMatchObject({ kind: 'valley', diameterMm: 1 });
    expect(only?.share).toBeCloseTo(0.5, 9);
    expect(only?.atMm).toBeCloseTo(5, 0);
  });
  test('up and down again are two steps', () => {
    const found = unevenOf(
      stretched([
        [4, 1],
        [2, 2],
        [4, 1],
      ]),
      0,
      10,
      0.25,
      0.5,
    );
    expect(found.map(({ kind }) => kind)).toEqual(['step', 'step']);
  });
  test('nothing outside the stretch that is asked about', () => {
    expect(
      unevenOf(
        stretched([
          [5, 1],
          [5, 1.4],
        ]),
        6,
        10,
        0.25,
        0.5,
      ),
    ).toEqual([]);
  });
});

test.each([
  [1, 3, 0.5, 2],
  [1, 3.01, 0.5, 3],
  [3, 1, 0.5, 0],
  [1, 3, 0, 0],
])('from %d mm to %d mm with a strand of %d mm: %d passes', (core, outer, strand, passes) => {
  expect(passesOf(core, outer, strand)).toBe(passes);
});

test('turns of a rib cross the near side in even steps, half a step from its rear', () => {
  const rib = { ...partIn(fly, 'body'), extent: { ...partIn(fly, 'body').extent, startMm: 5, endMm: 15 } };
  const crossings = crossingsOf({ ...rib, built: { ...rib.built, turns: 5 } });
  expect(crossings).toEqual([14, 12, 10, 8, 6]);
  expect(crossingsOf({ ...rib, built: { ...rib.built, turns: 2.5 } })).toHaveLength(2);
  expect(crossingsOf({ ...rib, built: { ...rib.built, turns: null } })).toEqual([]);
});
