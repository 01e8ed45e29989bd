import { chainVolume, coneVolume, discVolume } from '../src/model/parts/ballShapes.ts';
import { vaneOf } from '../src/model/parts/feather.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { layFly, type LaidPart } from '../src/model/solve/layFly.ts';
import {
  body,
  collar,
  eyes,
  faultsOf,
  feathers,
  fly,
  laid,
  partIn,
  rib,
  sheet,
  spunHead,
  strip,
  tail,
  without,
} from './build.ts';

type Loose = Record<string, unknown>;
const one = (part: Loose, more: Loose = {}, others: Loose[] = []): LaidPart =>
  partIn(laid([...others, part], more), String(part['id']));

const cone = (more: Loose = {}): Loose =>
  eyes({ id: 'cone', role: 'bead', shape: 'cone', diameter: '5 mm', at: 'against eye', side: 'around', ...more });

describe('balls of every shape', () => {
  test('a bored frustum: volume and centroid as slices give them', () => {
    const [d, f, l, b] = [5, 3, 4, 1.2];
    let [volume, moment] = [0, 0];
    const slices = 20_000;
    for (let i = 0; i < slices; i++) {
      const x = ((i + 0.5) / slices) * l;
      const slice = (Math.PI / 4) * ((f + ((d - f) * x) / l) ** 2 - b ** 2) * (l / slices);
      volume += slice;
      moment += slice * x;
    }
    expect(coneVolume(d, f, l, b).volumeMm3).toBeCloseTo(volume, 6);
    expect(coneVolume(d, f, l, b).behindFrontMm).toBeCloseTo(moment / volume, 6);
  });
  test('a cone against the eye ends where its length says, and its weight lies toward its wide end', () => {
    const it = one(cone({ front: '3 mm', length: '4 mm', bore: '1.2 mm' }));
    expect([it.extent.startMm, it.extent.endMm]).toEqual([0, 4]);
    expect(it.centroid[0]).toBeGreaterThan(2);
    expect(it.massMg).toBeCloseTo(8.5 * coneVolume(5, 3, 4, 1.2).volumeMm3, 9);
  });
  test('a cone without measures of its own is half as wide in front and 0.8 of its diameter long', () => {
    const it = one(cone());
    expect(it.extent.endMm).toBeCloseTo(4, 9);
    expect(it.volumeMm3).toBeCloseTo(coneVolume(5, 2.5, 4, 1.5).volumeMm3, 9);
  });
  test('the head space of a fly with a cone begins behind it', () => {
    expect(laid([cone({ length: '4 mm' })]).headMm).toBeCloseTo(4, 9);
  });
  test('bead chain: two shells of 0.25 mm and a solid neck a quarter as thick as a ball', () => {
    // Two spheres of 4 mm less two of 3.5 mm, and a cylinder of 1 mm over 4.4 − 2·1.9365 mm, less the caps inside the balls.
    const neck = (Math.PI / 4) * (4.4 - 2 * Math.sqrt(4 - 0.25));
    const cap = 2 - Math.sqrt(4 - 0.25);
    const caps = (2 * Math.PI * cap ** 2 * (6 - cap)) / 3;
    const shells = (Math.PI / 3) * (4 ** 3 - 3.5 ** 3);
    expect(chainVolume(4)).toBeCloseTo(shells + neck - caps, 9);
    const it = one(eyes({ shape: 'bead-chain', material: 'stainless' }));
    expect(it.massMg).toBeCloseTo(7.9 * chainVolume(4), 6);
    expect(it.massMg).toBeLessThan(0.5 * one(eyes({ material: 'stainless' })).massMg);
    // Its thin neck sits closer to the shank than a dumbbell's: wire/2 + 0.5 mm.
    expect(it.centroid[2]).toBeCloseTo(0.715064 / 2 + 0.5, 4);
  });
  test('discs: one a side, flat of film or moulded to a cap, on what lies under them', () => {
    const pair = one(without(eyes({ shape: 'disc', side: 'both' }), 'material'));
    const near = one(without(eyes({ shape: 'disc', side: 'near' }), 'material'));
    expect(pair.massMg).toBeCloseTo(2 * Math.PI * 4 * 0.3 * 1.39, 6);
    expect(pair.centroid[1]).toBeCloseTo(0, 12);
    expect(near.massMg).toBeCloseTo(pair.massMg / 2, 9);
    expect(near.centroid[1]).toBeCloseTo(0.715064 / 2 + 0.15, 4);
    const moulded = one(eyes({ shape: 'disc', side: 'both', material: 'moulded' }));
    expect(moulded.massMg).toBeCloseTo(2 * 1.15 * discVolume(4, true).volumeMm3, 9);
    const onHead = partIn(
      laid([without(eyes({ shape: 'disc', side: 'near', at: 'eye + 1.355 mm' }), 'material')], {
        thread: { denier: 140 },
        head: 'bold',
      }),
      'eyes',
    );
    expect(onHead.centroid[1]).toBeGreaterThan(2 * 0.7);
    // On a bead, off its middle by half its radius: √(2² − 1²) out, and half the film.
    const bead = eyes({ id: 'bead', shape: 'bead', side: 'around', at: 'eye + 3 mm' });
    const onBead = (at: string): number =>
      partIn(laid([bead, without(eyes({ shape: 'disc', side: 'near', at }), 'material')]), 'eyes').centroid[1];
    const middle = partIn(laid([bead]), 'bead').centroid[0];
    expect(onBead(`eye + ${String(middle)} mm`)).toBeCloseTo(2 + 0.15, 6);
    expect(onBead(`eye + ${String(middle + 1)} mm`)).toBeCloseTo(Math.sqrt(3) + 0.15, 6);
  });
  test('a ball without a diameter, a wrap without a turn and a clump without a pinch weigh nothing, and say so', () => {
    const notes = (part: Record<string, unknown>): [number, readonly string[]] => {
      const { massMg, built } = one(part);
      return [massMg, built.notes];
    };
    for (const part of [eyes({ diameter: '0 mm' }), body({ diameter: '0 mm' }), tail({ pinch: '0 mm' })])
      expect(notes(part)).toEqual([0, [expect.stringContaining('weighs nothing')]]);
    for (const part of [eyes(), body(), tail()]) expect(notes(part)).toEqual([expect.any(Number), []]);
  });
  test('keys and sides a shape does not take are refused by name', () => {
    expect(faultsOf([eyes({ front: '2 mm' })])).toEqual([`parts[0].front: is a cone's; a dumbbell has none`]);
    expect(faultsOf([eyes({ shape: 'disc', side: 'top' })])).toEqual([
      'parts[0].side: a disc sits near, far or both, not "top"',
    ]);
    expect(faultsOf([cone({ bore: '4 mm', front: '2 mm' })])).toEqual([
      `parts[0].bore: the bore (4.0 mm) is as wide as the cone's front`,
    ]);
  });
});

describe('feathers', () => {
  const vaneMm3 = (form: 'pair' | 'slips', lengthMm: number): number => {
    const share = vaneOf(form);
    let sum = 0;
    for (let i = 0; i < 5000; i++) sum += share((i + 0.5) / 5000) / 5000;
    return sum * lengthMm * 6 * 0.15 * 0.4;
  };
  test('a pair weighs two blades of its outline', () => {
    const it = one(feathers({ length: '40 mm' }));
    expect(it.massMg).toBeCloseTo(2 * vaneMm3('pair', 40) * 1.31, 1);
    expect(it.centroid[1]).toBeCloseTo(0, 9);
  });
  test('four tips are two a side; a count of a side is kept', () => {
    const tips = one(feathers({ form: 'tips' })).massMg;
    expect(one(feathers({ form: 'tips', perSide: 4 })).massMg).toBeCloseTo(2 * tips, 6);
    expect(one(feathers({ form: 'pair', material: 'hackle tip' })).massMg).toBeCloseTo(tips / 2, 6);
    expect(one(feathers({ form: 'single', material: 'hackle tip' })).massMg).toBeCloseTo(tips / 4, 6);
  });
  test('lies: flat is broad from above, along the back broad from the side, tented between, sides stand apart', () => {
    const seen = (lie: string): { side: number; plan: number; apart: number } => {
      const it = laid([feathers({ form: 'slips', lie, angle: '0 deg' })]);
      const sections = it.sections.filter((each) => each.owner === 'feathers');
      const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
      let [side, plan, apart] = [0, 0, 0];
      for (const each of sections) {
        each.at((each.fromMm + each.toMm) / 2, cut);
        side = Math.max(side, Math.hypot(cut.semiY * Math.sin(each.turn), cut.semiZ * Math.cos(each.turn)));
        plan = Math.max(plan, Math.hypot(cut.semiY * Math.cos(each.turn), cut.semiZ * Math.sin(each.turn)));
        apart = Math.max(apart, Math.abs(cut.y));
      }
      return { side, plan, apart };
    };
    const [flat, back, tent, sides] = ['flat', 'along-back', 'tented', 'sides'].map(seen);
    expect(flat?.plan).toBeCloseTo(3, 1);
    expect(flat?.side).toBeLessThan(0.2);
    expect(back?.side).toBeCloseTo(3, 1);
    expect(tent?.side).toBeLessThan(back?.side ?? 0);
    expect(tent?.plan).toBeLessThan(flat?.plan ?? 0);
    expect(sides?.apart).toBeGreaterThan(back?.apart ?? 0);
  });
  test('one slip heavier than the other leans the fly: a single on the near side has a side', () => {
    expect(one(feathers({ form: 'single', side: 'near' })).centroid[1]).toBeGreaterThan(0.3);
  });
  test('bound by a rib it lies along the shank from the tie-in to where the rib ends', () => {
    const it = one(feathers({ boundBy: 'rib', at: 'station 3' }), {}, [rib()]);
    expect(it.extent.endMm).toBeCloseTo(27.105, 2);
    expect(it.extent.startMm).toBeCloseTo(0.3 * 27.105, 2);
    expect(it.extent.lengthMm).toBeCloseTo(1.3 * 27.105 - 0.7 * 27.105, 2);
  });
  test('no width, no length, no feathers: no mass, a note', () => {
    for (const part of [feathers({ width: '0 mm' }), feathers({ length: '0 mm' }), feathers({ perSide: 0 })]) {
      const it = one(part);
      expect([it.massMg, it.built.sections.length]).toEqual([0, 0]);
      expect(it.built.notes.join()).toMatch(/weighs nothing/);
    }
  });
});

describe('strips cut and locked', () => {
  test('a tapered end leaves three quarters of the hide, an angled one only what is cut off its end', () => {
    const whole = one(strip()).massMg;
    expect(one(strip({ ends: 'square' })).massMg).toBeCloseTo(whole, 9);
    expect(one(strip({ ends: 'tapered' })).massMg / whole).toBeCloseTo(0.75, 2);
    // Over 1.5 widths (6 of 40 mm) half the hide is gone.
    expect(one(strip({ ends: 'angled' })).massMg / whole).toBeCloseTo(1 - 3 / 40, 2);
  });
  test('locked by a rib it is tail and wing in one piece: bound along the body, free behind the bend', () => {
    const it = one(without(strip({ at: 'station 3', tip: 'bend + 10 mm', boundBy: 'rib' }), 'length'), {}, [rib()]);
    expect(it.extent.lengthMm).toBeCloseTo(10, 6);
    expect(it.massMg).toBeCloseTo((107.848 * (10 + 0.7 * 27.105)) / 40, 0);
  });
});

describe('hackle to one side', () => {
  test('a throat weighs what a collar weighs, below the shank', () => {
    const [round, half] = [one(collar()), one(collar({ style: 'throat' }))];
    expect(half.massMg).toBeCloseTo(round.massMg, 9);
    expect(round.centroid[2]).toBeCloseTo(0, 9);
    expect(half.centroid[2]).toBeLessThan(-1.5);
    expect(one(collar({ style: 'throat', side: 'top' })).centroid[2]).toBeCloseTo(-half.centroid[2], 6);
  });
  test('two feathers wound together have twice the fibres', () => {
    expect(one(collar({ feathers: 2 })).massMg).toBeCloseTo(2 * one(collar()).massMg, 9);
  });
  test('a throat is wound at one place', () => {
    expect(faultsOf([without(collar({ style: 'throat', from: 'bend', to: 'head' }), 'at')])[0]).toMatch(
      /parts\[0\]\.from/,
    );
  });
});

describe('spun hair', () => {
  test('it floats: displaced hair at 0.35 mg/mm³ with its air', () => {
    const it = one(spunHead());
    expect(it.massMg / it.volumeMm3).toBeCloseTo(0.35, 9);
    expect(it.submergedMg).toBeLessThan(0);
  });
  test('tight hair displaces 0.35 of its envelope, loose hair 0.20', () => {
    const [tight, loose, usual] = [spunHead({ dose: 'a pencil' }), spunHead({ dose: 'sparse' }), spunHead()].map(
      (part) => one(part),
    );
    expect((loose?.massMg ?? 0) / (tight?.massMg ?? 1)).toBeCloseTo(0.2 / 0.35, 9);
    expect(usual?.massMg).toBeCloseTo(tight?.massMg ?? 0, 9);
  });
  test('trimmed flat below it loses hair there and its middle rises', () => {
    const [round, flat, lower] = [spunHead(), spunHead({ flatBelow: true }), spunHead({ flatBelow: '3 mm' })].map(
      (part) => one(part),
    );
    expect(flat?.massMg).toBeLessThan(0.75 * (round?.massMg ?? 0));
    expect(lower?.massMg).toBeGreaterThan(flat?.massMg ?? 0);
    expect(flat?.centroid[2]).toBeGreaterThan(lower?.centroid[2] ?? 0);
    expect(round?.centroid[2]).toBeCloseTo(0, 9);
  });
  test('denser on the near side it pulls that side up, and no hair is won or lost', () => {
    const [even, leaning] = [spunHead(), spunHead({ lean: 0.3 })].map((part) => laid([part]));
    expect(leaning?.dryMg).toBeCloseTo(even?.dryMg ?? 0, 9);
    // More buoyancy at +y: Σ w y is negative there.
    expect(leaning?.tight.lateralMgMm).toBeLessThan(-5);
    expect(even?.tight.lateralMgMm).toBeCloseTo(0, 9);
  });
  test('a collar of tips runs back to where it is told, with or without a trimmed head', () => {
    const it = one(without(spunHead({ tip: 'station 8', role: 'collar' }), 'diameter'));
    expect(it.extent.tipMm).toBeCloseTo(0.8 * 27.105, 2);
    expect(it.massMg).toBeGreaterThan(1);
    expect(one(spunHead({ tip: 'station 8' })).massMg).toBeGreaterThan(one(spunHead()).massMg);
    // Where no dose is said a head is spun tight, its collar too; a collar by itself is loose.
    const of = (role: string): number => one(spunHead({ tip: 'station 8', role })).massMg;
    expect(of('collar') / of('head')).toBeLessThan(0.75);
  });
  test('neither diameter nor tip is refused with the cure', () => {
    expect(faultsOf([without(spunHead(), 'diameter')])[0]).toMatch(
      /^parts\[0\]\.diameter: is missing; write "diameter"/,
    );
  });
});

describe('sheets and coats', () => {
  test('a sheet weighs its area times its thickness, twice when doubled', () => {
    const it = one(sheet());
    expect(it.massMg).toBeCloseTo(5 * it.extent.lengthMm * 1 * 0.2, 6);
    expect(one(sheet({ doubled: true })).massMg).toBeCloseTo(2 * it.massMg, 9);
  });
  test('a case lies over the body it is folded over, even where it is tied in before it', () => {
    const before = one(sheet(), {}, []);
    const over = partIn(laid([sheet(), body({ to: 'head' })]), 'case');
    expect(over.centroid[2]).toBeGreaterThan(before.centroid[2] + 1);
    expect(over.centroid[2]).toBeCloseTo(partIn(laid([body({ to: 'head' }), sheet()]), 'case').centroid[2], 9);
  });
  test('on top it lies flat, at a side it stands: as broad and as thin as it is cut, one on each of both sides', () => {
    const cut = (side: string): readonly { across: number; high: number; aside: number }[] =>
      one(sheet({ side })).built.sections.map((each) => {
        const out = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
        each.at((each.fromMm + each.toMm) / 2, out);
        return { across: 2 * out.semiY, high: 2 * out.semiZ, aside: Math.sign(out.y) };
      });
    expect(cut('top')).toEqual([{ across: 5, high: 1, aside: 0 }]);
    expect(cut('near')).toEqual([{ across: 1, high: 5, aside: 1 }]);
    expect(cut('both')).toHaveLength(2);
    expect(new Set(cut('both').map(({ aside }) => aside))).toEqual(new Set([-1, 1]));
    expect(cut('both').every(({ across, high }) => across === 1 && high === 2.5)).toBe(true);
  });
  test('a coat weighs the skin under it times its thickness, by layers', () => {
    const over = (layers: number): LaidPart =>
      partIn(
        laid([
          body(),
          { id: 'gloss', role: 'finish', construction: 'coat', material: 'varnish', over: 'body', layers },
        ]),
        'gloss',
      );
    const { massMg, extent } = over(1);
    expect(massMg).toBeCloseTo(Math.PI * 4 * extent.lengthMm * 0.08 * 1.05, 0);
    expect(over(3).massMg).toBeCloseTo(3 * massMg, 9);
  });
  test('a coat over the head replaces what the finish says', () => {
    const head = { thread: { denier: 140 }, head: 'bold' };
    const coated = { id: 'gloss', role: 'finish', construction: 'coat', material: 'varnish', over: 'head' };
    const said = laid([], { ...head, finish: { coats: ['varnish'] } });
    const both = laid([coated], { ...head, finish: { coats: ['varnish'] } });
    const part = laid([coated], head);
    expect(both.dryMg).toBeCloseTo(part.dryMg, 9);
    expect(part.dryMg / said.dryMg).toBeCloseTo(1, 2);
    expect(partIn(laid([coated]), 'gloss').built.notes.join()).toMatch(/no thread head to coat/);
    const bare = partIn(laid([tail({ pinch: '0 mm' }), { ...coated, over: 'tail' }]), 'gloss');
    expect([bare.massMg, bare.built.notes]).toEqual([0, ['"tail" has nothing to coat']]);
  });
  test('an unknown coat is asked back; a coat over itself is a ring', () => {
    const gloss = { id: 'gloss', role: 'finish', construction: 'coat', over: 'other', material: 'varnis' };
    const other = { ...gloss, id: 'other', over: 'gloss', material: 'varnish' };
    expect(faultsOf([body(), { ...gloss, over: 'body' }])).toEqual([
      'parts[1].material: "varnis" is no coat the tables know; did you mean "varnish"?',
    ]);
    expect(faultsOf([gloss, other])).toEqual(['parts[0].over: leans on itself: gloss → other → gloss']);
  });
});

describe('one piece, two jobs', () => {
  const plume = (more: Loose = {}): Loose => tail({ buttsTo: 'station 4', ...more });
  const woundButts = (more: Loose = {}): Loose => without(body({ continues: 'tail', ...more }), 'material');
  test('butts wound on as the body are weighed as the body, once', () => {
    const [trimmed, piece] = [laid([tail({ buttsTo: 'bend' }), body()]), laid([plume(), body({ continues: 'tail' })])];
    expect(partIn(piece, 'tail').massMg).toBeCloseTo(partIn(trimmed, 'tail').massMg, 9);
    expect(piece.dryMg).toBeCloseTo(trimmed.dryMg, 6);
    expect(partIn(piece, 'tail').built.notes.join()).toMatch(/goes on as body: one piece/);
    expect(partIn(piece, 'body').built.notes.join()).toMatch(/goes on from tail: one piece/);
  });
  test('what goes on is of the same material where it names none', () => {
    expect(partIn(laid([plume(), woundButts()]), 'body').built.figuredAs).toBe('wound plume');
  });
  test('a piece that goes on from itself is refused by its path', () => {
    expect(faultsOf([tail({ continues: 'body' }), body({ continues: 'tail' })])).toEqual([
      'parts[0].continues: leans on itself: tail → body → tail',
    ]);
  });
});

describe('how level the tips of a clump are drawn', () => {
  test.each([
    [{ ends: 'even' }, 1],
    [{ ends: 'cut' }, 1],
    [{ stacked: true }, 1],
    [{ ends: 'staggered' }, -1],
    [{ ends: 'torn' }, -1],
    [{}, 0],
  ] as const)('%o: %i', (more, level) => {
    expect(one(tail(more)).built.forms[0]).toMatchObject({ kind: 'bundle', level });
  });
});

describe('a packet out of the drawers', () => {
  const packet = (form: 'single' | 'double') => ({
    ...NOMINAL_DRAWERS,
    hooks: [{ name: 'long 6', form, size: '6', shankMm: 25 }],
  });
  const notes = (form: 'single' | 'double', name = 'long 6'): readonly string[] => {
    const read = layFly(fly([tail()], { platform: { kind: 'single', size: '6', packet: name } }), packet(form));
    if (!read.ok) throw new Error('it does not lay out');
    return read.value.platform.notes;
  };
  test('is told of where it holds another kind of hook, or is not there', () => {
    expect(notes('single')).toEqual([]);
    expect(notes('double')).toEqual(['the packet "long 6" holds a double, the fly says single']);
    expect(notes('single', 'short 8')[0]).toContain('"short 8" is not in the drawers');
  });
});

describe('a piece that goes on as another part', () => {
  test('is of its material where it names none, and of its own where it does', () => {
    const first = tail({ id: 'first', material: 'fox hair', buttsTo: 'station 5' });
    const on = (more: Loose) =>
      without(
        tail({ id: 'on', at: 'station 5', continues: 'first', ...more }),
        ...(more['material'] === undefined ? ['material'] : []),
      );
    expect(one(on({}), {}, [first]).built.material).toBe('fox hair');
    expect(one(on({ material: 'bucktail' }), {}, [first]).built.material).not.toBe('fox hair');
    expect(one(on({}), {}, [without(first, 'material')]).built.material).toBe(
      one(without(tail({ id: 'on' }), 'material')).built.material,
    );
  });
});
