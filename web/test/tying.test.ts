import type { Step } from '@jobbet/core/tying/step';
import { step } from '@jobbet/core/tying/step';
import { counted, differing, spoken, stepAt, stepBack, stepOn, withTime } from '../src/tying/progress.ts';
import { clock, keepTying, newTying, openTying, tyingsOf, usualTime } from '../src/tying/record.ts';

const STEPS: readonly Step[] = [
  step({ key: 'hook', title: 'Hook', drawn: [], how: ['Look at it.'] }),
  step({ key: 'tail', title: 'Tail', drawn: ['tail'], how: ['Tie it in.'] }),
  step({ key: 'coat/1', title: 'Varnish', drawn: ['tail'], how: ['One coat.'], dryS: 3600 }),
];
const begun = () => newTying('a', 'k2m4p', 'hook', 1000);

beforeEach(() => {
  localStorage.clear();
});

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
    const tying = counted(counted(withTime(withTime(begun(), 1500), 500)));
    expect([tying.spent, tying.counts]).toEqual([{ hook: 2000 }, { hook: 2 }]);
    // A clock that is set back takes nothing away.
    expect(withTime(tying, -100).spent).toEqual({ hook: 2000 });
  });
  test('what differs is said, changed and taken back', () => {
    const tying = differing(begun(), ' a shorter tail ');
    expect(tying.differs).toEqual({ hook: 'a shorter tail' });
    expect(differing(tying, '  ').differs).toEqual({});
  });
  test('what is said aloud: the title, the measure, what to do', () => {
    const [, tail] = STEPS;
    if (!tail) throw new Error('no tail');
    expect(spoken(tail, '13.7 mm past the bend')).toBe('Tail. 13.7 mm past the bend. Tie it in.');
    expect(spoken(tail, '')).toBe('Tail. Tie it in.');
  });
});

describe('what is kept of it', () => {
  test('a tying left in the middle is taken up, of the same version only', () => {
    const tying = stepOn(begun(), STEPS, 2000);
    keepTying(tying);
    expect(openTying('a', 'k2m4p')).toEqual(tying);
    expect(openTying('a', 'other')).toBeNull();
    expect(openTying('b', 'k2m4p')).toBeNull();
    keepTying({ ...tying, done: 9000 });
    expect(openTying('a', 'k2m4p')).toBeNull();
    expect(tyingsOf('a')).toHaveLength(1);
  });
  test('the usual time is the median of the flies that were finished', () => {
    [300, 100, 200].forEach((ms, i) => {
      keepTying({ ...begun(), begun: i, spent: { hook: ms, tail: 10 }, done: 1 });
    });
    keepTying({ ...begun(), begun: 9, spent: { hook: 99_999 } });
    expect(usualTime('a')).toBe(210);
    expect(usualTime('b')).toBeNull();
  });
  test('a damaged store costs the records and nothing else', () => {
    localStorage.setItem('jobbet.tyings', '{"no": "list"}');
    expect(tyingsOf('a')).toEqual([]);
    keepTying(begun());
    expect(tyingsOf('a')).toHaveLength(1);
  });
  test.each([
    [0, '0:00'],
    [220_400, '3:40'],
    [3_725_000, '1:02:05'],
    [-5, '0:00'],
  ])('%d ms is read as %s', (ms, words) => {
    expect(clock(ms)).toBe(words);
  });
});
