import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { layFly, type LaidFly } from '../src/model/solve/layFly.ts';
import { readFly } from '../src/pattern/read.ts';
import { helixLength } from '../src/model/parts/helix.ts';
import { windingOf } from '../src/model/parts/cutting.ts';
import { cutLength } from '../src/model/solve/cutLength.ts';
import { buttAdvice, crossingsOf, passesOf, profilesOf, STEP_MM, threadLength, unevenOf } from '../src/tying/bulk.ts';
import { brokenBy, constraintsOf } from '../src/tying/constraints.ts';
import { movesOf, orderWords, travelMm } from '../src/tying/order.ts';
import { bestOrder, inOrder, mended, orderBy } from '../src/tying/sequence.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { threadOf } from '../src/tying/threadOf.ts';
import { METRIC } from '../src/units/format.ts';
import { body, collar, eyes, laid, partIn, rib, spunHead, strip, tail, weightWire, wing } from './build.ts';

const ids = (fly: LaidFly): string[] => fly.parts.map((part) => part.file.id);
const told = (fly: LaidFly): string[] =>
  movesOf(fly, ids(fly)).map(({ part, does }) => (does === 'tie' ? part.file.id : `${part.file.id} ${does}`));
const folder = join(import.meta.dirname, '../../examples');
const examples = readdirSync(folder)
  .filter((name) => name.endsWith('.fly.json'))
  .map((name) => {
    const read = readFly(readFileSync(join(folder, name), 'utf8'));
    const fly = read.ok ? layFly(read.value) : read;
    if (!fly.ok) throw new Error(name);
    return fly.value;
  });

describe('the order of tying', () => {
  test('is said in short by the parts, each with what is done to it later', () => {
    expect(orderWords(laid([tail(), rib(), body(), collar()]))).toBe('tail rib/catch body rib/wind collar');
    expect(orderWords(laid([]))).toBe('');
  });
  test('one order is right: eyes, weight, tail, rib, body, wing, collar, whatever the list says', () => {
    const weight = weightWire({ from: 'eyes.rear' });
    const right = [
      eyes(),
      weight,
      tail(),
      rib({ to: 'eyes.rear' }),
      body({ to: 'eyes.rear' }),
      strip({ id: 'wing', at: 'eyes.rear', length: '1.5 shank' }),
      collar({ at: 'eyes.rear - 0.5 mm' }),
    ];
    const fly = laid([...right].reverse());
    expect(brokenBy(constraintsOf(fly), ids(fly)).length).toBeGreaterThan(5);
    const order = bestOrder(fly);
    expect(brokenBy(constraintsOf(fly), order)).toEqual([]);
    const at = (id: string): number => order.indexOf(id);
    for (const [first, then] of [
      ['weight', 'body'],
      ['tail', 'body'],
      ['rib', 'body'],
      ['body', 'wing'],
      ['body', 'collar'],
      ['eyes', 'wing'],
    ] as const)
      expect([first, then, at(first) < at(then)]).toEqual([first, then, true]);
  });
  test('an order that breaks nothing and travels little stays as it is', () => {
    for (const fly of examples) {
      const order = bestOrder(fly);
      expect(brokenBy(constraintsOf(fly), order)).toEqual([]);
      expect(travelMm(fly, movesOf(fly, order))).toBeLessThanOrEqual(travelMm(fly, movesOf(fly, ids(fly))) + 1e-9);
    }
  });
  test('a rib is caught first, left hanging, and wound when the body is on', () => {
    expect(told(laid([tail(), rib(), body(), collar()]))).toEqual(['tail', 'rib catch', 'body', 'rib wind', 'collar']);
    expect(told(laid([tail(), body(), rib()]))).toEqual(['tail', 'body', 'rib']);
  });
  test('a rib that binds a strip waits for it', () => {
    expect(told(laid([rib(), body(), strip({ at: 'station 2', length: '1.4 shank', boundBy: 'rib' })]))).toEqual([
      'rib catch',
      'strip catch',
      'body',
      'strip over',
      'rib wind',
    ]);
  });
  test('flash after the head is built: the smallest change that mends it', () => {
    const flash = tail({
      id: 'flash',
      role: 'flash',
      material: 'flash',
      pinch: undefined,
      strands: 6,
      at: 'station 4',
    });
    const fly = laid([tail(), spunHead(), flash]);
    const [broken] = brokenBy(constraintsOf(fly), ids(fly));
    expect(broken).toMatchObject({ code: 'order.head', before: 'flash', after: 'hair' });
    if (!broken) throw new Error('nothing broken');
    const after = mended(fly, broken);
    expect(after.parts.map((part) => part.id)).toEqual(['tail', 'flash', 'hair']);
    expect(inOrder(after, ids(fly)).parts.map((part) => part.id)).toEqual(ids(fly));
  });
  test('constraints that contradict one another leave the order as it is', () => {
    const fly = laid([tail(), body()]);
    const [one] = constraintsOf(fly);
    if (!one) throw new Error('none');
    expect(orderBy(fly, [one, { ...one, before: one.after, after: one.before }])).toEqual(ids(fly));
  });
  test('the thread travels the less, the less it doubles back', () => {
    const fly = laid([tail(), body(), wing()]);
    const [straight, back] = [
      ['tail', 'body', 'wing'],
      ['body', 'tail', 'wing'],
    ].map((order) => travelMm(fly, movesOf(fly, order)));
    expect(straight).toBeLessThan(back ?? 0);
  });
});

describe('cut lengths', () => {
  test('wire of a helix by hand: eight turns of 0.508 on a bare shank', () => {
    const fly = laid([weightWire()]);
    const wire = windingOf(partIn(fly, 'weight'));
    // N·√((π(c + w))² + w²) with the wire's own pitch.
    expect(wire?.lengthMm).toBeCloseTo(helixLength(8, fly.platform.windMm, 0.508, 0.508), 1);
    // The tie-in and what is held in the hand come on top: 3 + 30 mm.
    expect(cutLength(partIn(fly, 'weight'), fly)).toBeCloseTo((wire?.lengthMm ?? 0) + 33, 6);
  });
  test('bound, free and held: a clump, and one whose butts run to the weight', () => {
    const fly = laid([tail(), tail({ id: 'long', buttsTo: 'station 5' })]);
    const [short, long] = ['tail', 'long'].map((id) => cutLength(partIn(fly, id), fly) ?? 0);
    expect(short).toBeCloseTo(fly.platform.shankMm + 3 + 6, 3);
    expect((long ?? 0) - (short ?? 0)).toBeCloseTo(fly.platform.shankMm / 2 - 3, 3);
  });
  test('what goes on from another piece is cut with it, once; balls are not cut', () => {
    const fly = laid([eyes(), tail({ buttsTo: 'station 8' }), body({ continues: 'tail' })]);
    expect(cutLength(partIn(fly, 'body'), fly)).toBeNull();
    expect(cutLength(partIn(fly, 'eyes'), fly)).toBeNull();
    expect(cutLength(partIn(fly, 'tail'), fly)).toBeGreaterThan(fly.platform.shankMm + 50);
  });
});

describe('bulk', () => {
  const weight = weightWire({ turns: 10 });
  const under = (fly: LaidFly) => {
    const moves = movesOf(fly, ids(fly));
    const profiles = profilesOf(fly, moves, threadOf(fly.file));
    return profiles[moves.findIndex(({ part }) => part.file.id === 'body')] ?? new Float64Array();
  };
  const uneven = (fly: LaidFly) => {
    const { startMm } = partIn(fly, 'weight').extent;
    return unevenOf(under(fly), startMm + 1, fly.platform.shankMm - 2, 0.25, 0.8).map((each) => each.kind);
  };
  test('the bare shank is as thick as its wire and bed; wire stands on it', () => {
    const fly = laid([weight, body({ to: 'weight.front' })], { thread: { denier: 140 } });
    const profile = under(fly);
    expect(profile[0]).toBeCloseTo(fly.platform.windMm + 0.2, 6);
    const middle = partIn(fly, 'weight').extent.startMm + 2.5;
    expect(profile[Math.round(middle / STEP_MM)]).toBeCloseTo(fly.platform.windMm + 0.2 + 2 * 0.508, 1);
  });
  test('butts that meet the weight leave no step and no valley; short ones leave a valley', () => {
    // Wire over the shank is 1.75 mm across; a clump of 3.2 mm is π/16·3.2² = 2 mm² bound, √(0.73² + 4·2/π) = 1.76 mm over the shank.
    const met = laid([
      weight,
      tail({ pinch: '3.2 mm', buttsTo: 'weight.rear' }),
      body({ to: 'weight.front', diameter: '5 mm' }),
    ]);
    const short = laid([
      weight,
      tail({ pinch: '3.2 mm', buttsTo: 'station 8' }),
      body({ to: 'weight.front', diameter: '5 mm' }),
    ]);
    expect(uneven(met)).toEqual([]);
    expect(uneven(short)).toContain('valley');
  });
  test('where butts are best cut: at the weight, else at the front of the body', () => {
    const fly = laid([weight, tail(), body({ to: 'weight.front' })]);
    expect(buttAdvice(fly, partIn(fly, 'tail'))?.words).toBe('weight.rear');
    const plain = laid([tail(), body()]);
    expect(buttAdvice(plain, partIn(plain, 'tail'))?.words).toBe('body.front');
    expect(buttAdvice(plain, partIn(plain, 'body'))).toBeNull();
  });
  test('a rib goes even on a taper, within 2 %', () => {
    const fly = laid([rib({ turns: 7 }), body({ diameter: undefined, profile: ['1.5 mm', '2.6 mm', '4 mm'] })]);
    const at = crossingsOf(partIn(fly, 'rib'));
    const gaps = at.slice(1).map((x, i) => (at[i] ?? 0) - x);
    expect(at).toHaveLength(7);
    for (const gap of gaps) expect(Math.abs(gap / (gaps[0] ?? 1) - 1)).toBeLessThan(0.02);
    // Wire on the thick end is longer than on the thin one: more than a helix on the thinnest, less than on the thickest.
    const wire = windingOf(partIn(fly, 'rib'))?.lengthMm ?? 0;
    const pitch = gaps[0] ?? 0;
    expect(wire).toBeGreaterThan(helixLength(7, 1.5, 0.2, pitch));
    expect(wire).toBeLessThan(helixLength(7, 4, 0.2, pitch));
  });
  test('passes of floss from 1 to 2.4 mm, 0.1 a pass: seven', () => {
    expect(passesOf(1, 2.4, 0.1)).toBe(7);
    expect(passesOf(2, 1, 0.1)).toBe(0);
    expect(passesOf(1, 2, 0)).toBe(0);
  });
  test('a heavier thread is longer spent on the bed no more than a finer one; each tie-in takes some', () => {
    const use = (parts: Record<string, unknown>[], denier: number): number => {
      const fly = laid(parts, { thread: { denier } });
      const moves = movesOf(fly, ids(fly));
      return threadLength(fly, moves, travelMm(fly, moves), threadOf(fly.file));
    };
    expect(use([tail()], 220)).toBeLessThan(use([tail()], 70));
    expect(use([tail(), body()], 140)).toBeGreaterThan(use([tail()], 140));
    // By hand: 140 denier is 140/9000/1.2 = 0.01296 mm², laid 0.02·√140 = 0.237 mm broad.
    const thread = threadOf(laid([], { thread: { denier: 140 } }).file);
    expect(thread.sectionMm2).toBeCloseTo(0.01296, 5);
    expect(thread.flatMm).toBeCloseTo(0.2366, 3);
  });
});

describe('the steps', () => {
  test.each(examples.map((fly) => [fly.file.name, fly] as const))(
    '%s: every step is told in whole words',
    (_name, fly) => {
      const { steps, moves, profiles, threadMm } = tyingPlan(fly, METRIC);
      expect(new Set(steps.map((each) => each.key)).size).toBe(steps.length);
      expect(profiles).toHaveLength(moves.length + 1);
      expect(threadMm).toBeGreaterThan(200);
      expect(['eye', 'rig']).toContain(steps.at(-1)?.key);
      for (const each of steps) {
        expect(each.how.length).toBeGreaterThan(0);
        for (const words of [
          each.title,
          ...each.how,
          ...each.inHand,
          ...each.look,
          each.wrong,
          each.proof,
          each.caution,
        ])
          expect(words ?? 'none').not.toMatch(/undefined|NaN|null|\s\s|^$/);
      }
      // What is drawn only grows, and in the end it is all of it.
      const drawn = steps.map((each) => each.drawn.length);
      expect(drawn).toEqual([...drawn].sort((a, b) => a - b));
      expect(new Set(steps.at(-1)?.drawn)).toEqual(new Set(ids(fly)));
    },
  );
  test('a bead goes on before the thread, a barb before both; coats are waited for', () => {
    const fly = laid(
      [{ ...eyes(), id: 'bead', role: 'bead', shape: 'bead', at: 'against eye', side: 'around' }, tail()],
      {
        platform: { kind: 'single', size: '6', longX: 3, barb: 'pinched' },
        finish: { whips: 2, coats: ['superglue', 'varnish'] },
      },
    );
    const steps = tyingPlan(fly).steps;
    expect(steps.map((each) => each.key)).toEqual([
      'hook',
      'barb',
      'bead',
      'thread',
      'tail',
      'head',
      'whip',
      'coat/1',
      'coat/2',
      'eye',
    ]);
    expect(steps.find((each) => each.key === 'coat/2')?.dryS).toBeGreaterThan(
      steps.find((each) => each.key === 'coat/1')?.dryS ?? 0,
    );
    expect(steps.find((each) => each.key === 'barb')?.caution).toContain('glasses');
  });
  test('cautions stand where they belong: lead, blades, glue', () => {
    const lead = tyingPlan(laid([eyes({ material: 'lead' })], { finish: { glueOnThread: true } })).steps;
    expect(lead.find((each) => each.part === 'eyes')?.caution).toContain('Lead');
    const hide = tyingPlan(laid([strip()])).steps;
    expect(hide.find((each) => each.part === 'strip')?.caution).toContain('cut away from yourself');
  });
  test('what hangs is told to be kept out of the turns; butts are advised', () => {
    const steps = tyingPlan(laid([tail(), rib(), body()])).steps;
    expect(steps.find((each) => each.key === 'body')?.look.join()).toContain('Keep the rib out of the turns');
    const cut = tyingPlan(laid([tail({ buttsTo: 'bend' }), rib(), body()])).steps;
    expect(cut.find((each) => each.key === 'tail')?.buttAdvice).toBeNull();
    expect(steps.find((each) => each.key === 'rib/wind')?.pitchMm).toBeGreaterThan(1);
  });
});
