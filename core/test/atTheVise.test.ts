import type { TyingRecord } from '../src/contract/index.ts';
import {
  spoken,
  stepAt,
  stepBack,
  stepOn,
  threadAt,
  withDifference,
  withTime,
  withTurn,
} from '../src/tying/progress.ts';
import { clock, mergedTyings, newTying, openTying, usualStepTime, usualTime } from '../src/tying/record.ts';
import { underHands } from '../src/tying/handful.ts';
import { step, type Step } from '../src/tying/step.ts';

const STEPS: readonly Step[] = [
  step({ key: 'hook', title: 'Hook', drawn: [], how: ['Look at it.'] }),
  step({ key: 'tail', title: 'Tail', drawn: ['tail'], how: ['Tie it in.'] }),
  step({ key: 'coat/1', title: 'Varnish', drawn: ['tail'], how: ['One coat.'], dryS: 3600 }),
];
const begun = () => newTying('a', 'k2m4p', 'hook', 1000);

describe('a fly at the vise', () => {
  test('goes step by step, back and on, and is done after the last', () => {
    let tying = stepOn(begun(), STEPS, 2000);
    expect(stepAt(STEPS, tying)).toBe(1);
    tying = stepBack(tying, STEPS);
    expect(stepBack(tying, STEPS).step).toBe('hook');
    tying = stepOn(stepOn(stepOn(tying, STEPS, 3000), STEPS, 4000), STEPS, 5000);
    expect(tying.done).toBe(5000);
    expect(stepOn(tying, STEPS, 6000)).toBe(tying);
    expect(stepBack(tying, STEPS)).toMatchObject({ done: null, step: 'coat/1' });
  });
  test('what was coated dries on, whatever comes next', () => {
    const tying = stepOn({ ...begun(), step: 'coat/1' }, STEPS, 5000);
    expect(tying.drying).toEqual({ 'coat/1': 5000 + 3_600_000 });
  });
  test('a step that is not there any more begins anew', () => {
    expect(stepAt(STEPS, { ...begun(), step: 'wing' })).toBe(0);
  });
  test('time and turns go to the step they were spent on', () => {
    const tying = withTurn(withTurn(withTime(withTime(begun(), 1500), 500)));
    expect([tying.spent, tying.counts]).toEqual([{ hook: 2000 }, { hook: 2 }]);
    // A clock that is set back takes nothing away.
    expect(withTime(tying, -100).spent).toEqual({ hook: 2000 });
  });
  test('what differs is said, changed and taken back', () => {
    const tying = withDifference(begun(), ' a shorter tail ');
    expect(tying.differs).toEqual({ hook: 'a shorter tail' });
    expect(withDifference(tying, '  ').differs).toEqual({});
  });
  test('what is said aloud: the title, the measure, what to do', () => {
    const [, tail] = STEPS;
    if (!tail) throw new Error('no tail');
    expect(spoken(tail, '13.7 mm past the bend')).toBe('Tail. 13.7 mm past the bend. Tie it in.');
    expect(spoken(tail, '')).toBe('Tail. Tie it in.');
  });
});

describe('a handful that is begun', () => {
  const at = (name: string, key: string | null, done: number | null = null) => ({
    at: name,
    tying: key === null ? null : { ...begun(), step: key, done },
  });
  const next = (bySteps: boolean, ...flies: ReturnType<typeof at>[]) => underHands(STEPS, flies, bySteps)?.at;
  test('step by step each step is done to all of them before the next', () => {
    expect(next(true, at('a', null), at('b', null))).toBe('a');
    expect(next(true, at('a', 'tail'), at('b', null), at('c', 'hook'))).toBe('b');
    expect(next(true, at('a', 'tail'), at('b', 'tail'), at('c', 'hook'))).toBe('c');
    expect(next(true, at('a', 'tail'), at('b', 'tail'), at('c', 'tail'))).toBe('a');
  });
  test('it passes every step of every fly once, and ends', () => {
    let flies = [at('a', null), at('b', null), at('c', null)];
    const order: string[] = [];
    for (let here = underHands(STEPS, flies, true); here; here = underHands(STEPS, flies, true)) {
      const { at: name, tying } = here;
      if (tying !== null && tying.done !== null) flies = flies.filter((each) => each.at !== name);
      else {
        order.push(`${name} ${tying?.step ?? 'hook'}`);
        flies = flies.map((each) => (each.at === name ? { ...each, tying: stepOn(tying ?? begun(), STEPS, 9) } : each));
      }
    }
    expect(order).toEqual(['hook', 'tail', 'coat/1'].flatMap((key) => ['a', 'b', 'c'].map((name) => `${name} ${key}`)));
  });
  test('fly by fly the one that is farthest is gone on with; a finished one comes out first either way', () => {
    expect(next(false, at('a', 'hook'), at('b', 'tail'), at('c', null))).toBe('b');
    for (const bySteps of [true, false]) expect(next(bySteps, at('a', null), at('b', 'coat/1', 5))).toBe('b');
    expect(next(true)).toBeUndefined();
  });
});

describe('what is known of those before', () => {
  const tied = (n: number, hook: number, done: number | null = 1): TyingRecord => ({
    ...begun(),
    begun: n,
    spent: { hook, tail: 10 },
    done,
  });
  test('a tying left in the middle is taken up, the newest, of the same version only', () => {
    const [first, second] = [tied(1, 5, null), tied(2, 5, null)];
    expect(openTying([first, second, tied(3, 5)], 'k2m4p')).toBe(second);
    expect(openTying([first], 'other')).toBeNull();
    expect(openTying([], 'k2m4p')).toBeNull();
  });
  test('a fly of a batch has an account of its own, and keeps it when it is finished', () => {
    const own = { ...tied(4, 5), of: 'b/2026-03-02T20:12' };
    const spoilt = { ...tied(5, 5, null), of: 'b/2026-03-02T20:13' };
    expect(openTying([own, spoilt], 'k2m4p', 'b/2026-03-02T20:12')).toBe(own);
    expect(openTying([own, spoilt], 'k2m4p', 'b/2026-03-02T20:14')).toBeNull();
    // One that was left on a spoilt fly is not taken up by another.
    expect(openTying([own, spoilt], 'k2m4p')).toBeNull();
    expect(newTying('a', 'k2m4p', 'hook', 1, 'b/x').of).toBe('b/x');
  });
  test('the usual time, of a fly and of a step, is the median of those that were finished', () => {
    const all = [tied(1, 300), tied(2, 100), tied(3, 200), tied(9, 99_999, null)];
    expect(usualTime(all)).toBe(210);
    expect([usualStepTime(all, 'hook'), usualStepTime(all, 'tail'), usualStepTime(all, 'wing')]).toEqual([
      200,
      10,
      null,
    ]);
    expect(usualTime([tied(9, 99_999, null)])).toBeNull();
  });
  test('of two accounts of one tying the later is true, whichever list it stands in; the newest comes last', () => {
    const old = { ...tied(2, 5), changed: 10 };
    const late = { ...tied(2, 6), changed: 20 };
    expect(mergedTyings([old], [late])).toEqual([late]);
    expect(mergedTyings([late], [old])).toEqual([late]);
    const more = { ...old, edits: 1 };
    expect(mergedTyings([late], [more])).toEqual([more]);
    expect(mergedTyings([more], [late])).toEqual([more]);
    expect(mergedTyings([tied(3, 1)], [tied(1, 1)]).map((each) => each.begun)).toEqual([1, 3]);
  });
  test('the bobbin hangs where the last step left it: nowhere before the thread, nowhere after the whip', () => {
    const thread = (toMm: number) => ({ fromMm: 0, toMm, state: 'flat', turns: 5 }) as const;
    const steps = [
      step({ key: 'hook', title: '', drawn: [] }),
      step({ key: 'thread', title: '', drawn: [], thread: thread(26) }),
      step({ key: 'bead', title: '', drawn: [] }),
      step({ key: 'whip', title: '', drawn: [], thread: thread(2) }),
    ];
    expect([0, 1, 2, 3].map((i) => threadAt(steps, i))).toEqual([null, 26, 26, null]);
  });
});

describe('a clock', () => {
  test.each([
    [0, '0:00'],
    [220_400, '3:40'],
    [3_725_000, '1:02:05'],
    [-5, '0:00'],
  ])('%d ms is read as %s', (ms, words) => {
    expect(clock(ms)).toBe(words);
  });
});
