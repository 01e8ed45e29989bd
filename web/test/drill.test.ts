import { layFly } from '@jobbet/core/model';
import { readFlyValue } from '@jobbet/core/pattern';
import type { DrillFile, DrillItem } from '@jobbet/core/records';
import { METRIC } from '@jobbet/core/units';
import { fliesNext } from '../src/features/drill/flyNext.ts';
import { pullQuestion } from '../src/features/drill/pullQuestion.ts';
import { seenOf } from '../src/features/drill/seenOf.ts';
import { type BoxFly, isRight, itemsOf } from '../src/features/drill/task.ts';
import { offWords } from '../src/features/drill/words.ts';

const NOW = '2026-11-30T10:00';
const round = (of: DrillFile['of'], items: readonly Partial<DrillItem>[], at = '2026-11-29T10:00'): DrillFile => ({
  format: 'jobbet.drill',
  version: 1,
  of,
  at,
  items: items.map((each) => ({ on: '6', asked: 'x', truth: 1, given: 1, seconds: 1, ...each })),
});

describe('what is pulled next', () => {
  const asked = (rounds: readonly DrillFile[], seed: number, only: string | null = null) => {
    const question = pullQuestion(rounds, 'length', seed, NOW, only);
    if (!question) throw new Error('nothing to ask');
    return question;
  };
  test('is the same for a seed, and another for another; the tip begins within the longest pull', () => {
    const [one, again] = [asked([], 7), asked([], 7)];
    expect([one.ask.asked, one.on, one.turnDeg]).toEqual([again.ask.asked, again.on, again.turnDeg]);
    const kinds = new Set(
      Array.from({ length: 30 }, (_, seed) => `${asked([], seed).ask.asked} ${asked([], seed).on}`),
    );
    expect(kinds.size).toBeGreaterThan(12);
    for (let seed = 0; seed < 30; seed++) {
      expect(Math.abs(asked([], seed).turnDeg)).toBeLessThanOrEqual(12);
      expect(asked([], seed).begins).toBeGreaterThan(0);
      expect(asked([], seed).begins).toBeLessThan(1);
    }
  });
  test('is no kind that was answered just now, though it went badly', () => {
    const first = asked([], 3);
    const bad = round('length', [
      { on: first.on, platform: first.platform.kind, asked: first.ask.asked, truth: 20, given: 40 },
    ]);
    const next = asked([bad], 3);
    expect([next.ask.asked, next.on]).not.toEqual([first.ask.asked, first.on]);
  });
  test('can be one relation alone, on whatever hook', () => {
    const all = Array.from({ length: 12 }, (_, seed) => asked([], seed, '1 shank'));
    expect(new Set(all.map(({ ask }) => ask.asked))).toEqual(new Set(['1 shank']));
    expect(new Set(all.map(({ on }) => on)).size).toBeGreaterThan(2);
    expect(pullQuestion([], 'length', 1, NOW, 'no such thing')).toBeNull();
  });
  test('of butts and turns is on the shank, never past the bend', () => {
    for (let seed = 0; seed < 20; seed++) {
      const question = pullQuestion([], 'butts', seed, NOW);
      if (!question) throw new Error('nothing to ask');
      const { ask, laid } = question;
      expect(ask.fromMm + ask.truthMm).toBeLessThan(laid.platform.shankMm);
    }
  });
});

describe('which fly is asked of next', () => {
  const fly = (name: string): BoxFly => {
    const read = readFlyValue({
      format: 'jobbet.fly',
      version: 1,
      name,
      platform: { kind: 'single', size: '6' },
      parts: [],
    });
    const laid = read.ok ? layFly(read.value) : read;
    if (!read.ok || !laid.ok) throw new Error('it lays out');
    return { id: name, name, file: read.value, laid: laid.value };
  };
  const box = ['a', 'b', 'c', 'd', 'e', 'f'].map(fly);
  test('is one that was told wrong before those told right, once it was left alone for a while; all stay in the list', () => {
    const told = (name: string, right: boolean): Partial<DrillItem> => ({
      fly: name,
      truth: 'point-up',
      given: right ? 'point-up' : 'point-down',
    });
    const long = round('ride', [told('b', false)], '2026-10-01T10:00');
    const since = round(
      'ride',
      ['a', 'c', 'd', 'e', 'f'].map((name) => told(name, true)),
      '2026-11-29T10:00',
    );
    const order = fliesNext([long, since], 'ride', box, 1);
    expect(order[0]?.name).toBe('b');
    expect(order.map(({ name }) => name).sort()).toEqual(['a', 'b', 'c', 'd', 'e', 'f']);
  });
  test('goes by its own drill', () => {
    const other = round('order', [{ fly: 'a', truth: ['x'], given: ['y'] }]);
    expect(fliesNext([other], 'ride', box, 4).map(({ name }) => name)).toEqual(
      fliesNext([], 'ride', box, 4).map(({ name }) => name),
    );
  });
});

describe('answers', () => {
  test('that are words or lists are right where they are the truth', () => {
    expect(isRight({ truth: ['a', 'b'], given: ['a', 'b'] })).toBe(true);
    expect(isRight({ truth: ['a', 'b'], given: ['b', 'a'] })).toBe(false);
    expect(itemsOf([round('ride', [{}, {}]), round('sink', [{}])], 'ride')).toHaveLength(2);
  });
  test('of left and right are seen by the side that was told, thing by thing; nothing is seen of no difference', () => {
    const rounds = [
      round('equal', [
        { on: 'collar', truth: 0.2, given: 0.2 },
        { on: 'collar', truth: -0.1, given: 0.1 },
        { on: 'plumes', truth: 0.3, given: -0.3 },
        { on: 'collar', truth: 0, given: 0 },
      ]),
    ];
    expect(seenOf(rounds, 'collar')).toEqual([
      { share: 0.2, right: true },
      { share: 0.1, right: false },
    ]);
    expect(seenOf(rounds, 'plumes')).toEqual([{ share: 0.3, right: false }]);
    expect(seenOf(rounds, 'head')).toEqual([]);
  });
  test('in mm are said short or long', () => {
    expect([0.09, -0.124, 0.004].map((off) => offWords(off, METRIC))).toEqual([
      '9 % long',
      '12 % short',
      'As it is asked',
    ]);
  });
});
