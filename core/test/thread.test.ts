import { buildUp, threadLayerMm } from '../src/tying/buildUp.ts';
import { profilesOf } from '../src/tying/bulk.ts';
import { movesOf } from '../src/tying/order.ts';
import type { Step } from '../src/tying/step.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { bears } from '../src/tying/strain.ts';
import { threadOf } from '../src/tying/threadOf.ts';
import type { ThreadItem } from '../src/drawers/items.ts';
import { METRIC } from '../src/units/format.ts';
import { body, eyes, fly, laid, partIn, rib, spunHead, tail, wing } from './build.ts';

type Loose = Parameters<typeof laid>[0][number];
const steps = (parts: readonly Loose[], more: Loose = {}, spools: readonly ThreadItem[] = []): readonly Step[] =>
  tyingPlan(laid(parts, more), METRIC, spools).steps;
const stepOf = (all: readonly Step[], key: string): Step => {
  const found = all.find((each) => each.key === key);
  if (!found) throw new Error(`no step ${key}`);
  return found;
};
const spool: ThreadItem = {
  name: 'strong black',
  denier: 70,
  widthMm: 0.2,
  strengthG: 950,
  material: 'gel-spun',
};

describe('what a step asks of the thread', () => {
  const fine = { thread: { denier: 70 } };
  test('a thread bears what is well under its breaking strain, barely what nears it, not what passes it', () => {
    const thread = threadOf(fly([], { thread: { denier: 100 } }));
    expect(thread.breaksG).toBeCloseTo(450, 6);
    expect([280, 300, 370].map((grams) => bears(grams, thread))).toEqual(['well', 'barely', 'not']);
  });
  test('eyes on a fine thread are warned of with both figures; on a usual one a half hitch goes before', () => {
    expect(stepOf(steps([eyes()], fine), 'eyes').wrong).toContain('420 g of a thread that breaks at 320 g');
    const usual = stepOf(steps([eyes()], { thread: { denier: 140 } }), 'eyes');
    expect(usual.how[0]).toMatch(/half hitch/i);
    expect(usual.wrong).not.toContain('breaks');
    expect(stepOf(steps([tail()], { thread: { denier: 140 } }), 'tail').how[0]).not.toMatch(/half hitch/i);
  });
  test('a spool of that denier in the drawer says what it bears and how broad it lies', () => {
    const thread = threadOf(fly([], fine), [spool]);
    expect(thread).toMatchObject({ breaksG: 950, flatMm: 0.2, spool: 'strong black' });
    expect(stepOf(steps([eyes()], fine, [spool]), 'eyes').wrong).not.toContain('breaks');
    expect(threadOf(fly([], { thread: { denier: 140 } }), [spool]).spool).toBeNull();
  });
  test('hair that is flared asks the most, a coat and a bead nothing', () => {
    const all = steps([
      {
        id: 'bead',
        role: 'bead',
        construction: 'ball',
        shape: 'bead',
        material: 'brass',
        diameter: '3 mm',
        at: 'against eye',
      },
      tail(),
      spunHead({ from: 'eye + 4 mm' }),
      { id: 'skin', role: 'head', construction: 'coat', material: 'resin', over: 'hair' },
    ]);
    expect(stepOf(all, 'bead').asksG).toBeNull();
    expect(stepOf(all, 'skin').asksG).toBeNull();
    expect(stepOf(all, 'hair').asksG).toBeGreaterThan(stepOf(all, 'tail').asksG ?? Infinity);
  });
});

describe('the hook turned over', () => {
  const throat = tail({ id: 'throat', role: 'throat', at: 'head', length: '1 gap' });
  const keys = (parts: readonly Loose[]): string[] => steps(parts).map((each) => each.key);
  test('before what is tied in on the point side, and back after it', () => {
    const all = keys([tail(), throat, wing()]);
    const from = all.indexOf('turn/1');
    expect(all.slice(from - 1, from + 4)).toEqual(['tail', 'turn/1', 'throat', 'turn/2', 'wing']);
    expect(stepOf(steps([tail(), throat, wing()]), 'throat').turned).toBe(true);
  });
  test('once for two in a row, and back before the head; never where nothing is tied below', () => {
    const all = keys([tail(), throat, wing({ side: 'bottom' })]);
    expect(all.filter((key) => key.startsWith('turn/'))).toEqual(['turn/1', 'turn/2']);
    expect(all.indexOf('turn/2')).toBeLessThan(all.indexOf('head'));
    expect(keys([tail(), wing()]).some((key) => key.startsWith('turn/'))).toBe(false);
  });
});

describe('a body built up to its taper', () => {
  const built = (more: Loose, before: readonly Loose[] = []) => {
    const on = laid([...before, body(more)]);
    const moves = movesOf(
      on,
      on.parts.map((part) => part.file.id),
    );
    const thread = threadOf(on.file);
    const under = profilesOf(on, moves, thread)[moves.length - 1];
    if (!under) throw new Error('no profile');
    return { up: buildUp(partIn(on, 'body'), under, thread), thread };
  };
  test('floss in passes: as many as the rise on one side over the thickness of one', () => {
    const { up } = built({ material: 'floss', diameter: undefined, profile: ['1.6 mm', '2.4 mm', '1.6 mm'] });
    expect(up?.by).toBe('passes');
    const [rear, middle, front] = up?.at ?? [];
    // (2.4 - under) / 2 / 0.08, rounded up
    expect(middle?.passes).toBe(Math.ceil(((middle?.meantMm ?? 0) - (middle?.underMm ?? 0)) / 2 / 0.08));
    expect(middle?.meantMm).toBeCloseTo(2.4, 6);
    expect(rear?.passes).toBe(front?.passes);
    expect(rear?.passes).toBeLessThan(middle?.passes ?? 0);
  });
  test('dubbing as a rope, chenille as it comes; where it is to taper, thread goes under it', () => {
    expect(built({ material: 'tight dubbing' }).up?.by).toBe('rope');
    expect(built({}).up).toBeNull();
    const { up, thread } = built({ diameter: undefined, profile: ['3 mm', '4 mm', '3 mm'] });
    expect(up?.by).toBe('thread');
    // The chenille lifts its middle as much as its ends; 0.42 mm a side are left at the inset ends' level.
    const [rear, middle] = up?.at ?? [];
    const rise = ((middle?.meantMm ?? 0) - (rear?.meantMm ?? 0)) / 2;
    expect(middle?.passes).toBe(Math.ceil(rise / threadLayerMm(thread)));
    expect(rear?.passes).toBe(0);
  });
  test('the steps say it: passes instead of turns, thread before the strand', () => {
    const said = (more: Loose): string => stepOf(steps([body(more)]), 'body').how.join(' ');
    expect(said({ material: 'floss', diameter: '2 mm' })).toMatch(/\d+ layers from end to end/);
    expect(said({ material: 'floss', diameter: '2 mm' })).not.toMatch(/\d turns to/);
    expect(said({ diameter: undefined, profile: ['3 mm', '4 mm', '3 mm'] })).toMatch(
      /thread under it for the taper: \d layers in the middle\. Wind/,
    );
    expect(said({ material: 'tight dubbing' })).toMatch(/Twist it onto the thread as a rope \d(\.5)? mm thick/);
    expect(stepOf(steps([rib()]), 'rib').how.join(' ')).toContain('turns');
  });
});
