import fc from 'fast-check';
import { windingOf } from '../src/model/parts/cutting.ts';
import { cutLength } from '../src/model/solve/cutLength.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { sheetMarkdown } from '../src/tying/sheet/write.ts';
import { sheetOf } from '../src/tying/sheet/sheet.ts';
import type { Step } from '../src/tying/step.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { twiceDone } from '../src/tying/twice.ts';
import { anyFly, lay } from './anyFly.ts';
import {
  body,
  collar,
  eyes,
  laid,
  partIn,
  rib,
  sheet,
  spunHead,
  strip,
  tail,
  weightWire,
  wing,
  without,
} from './build.ts';

type Loose = Record<string, unknown>;
const stepsOf = (fly: LaidFly): readonly Step[] => tyingPlan(fly).steps;
const keys = (fly: LaidFly): string[] => stepsOf(fly).map(({ key }) => key);
const how = (fly: LaidFly, key: string): string =>
  stepsOf(fly)
    .find((each) => each.key === key)
    ?.how.join(' ') ?? '';
const paper = (fly: LaidFly): string => sheetMarkdown(sheetOf(settleFly(fly)));
/** Keys in the order they come. */
const inTurn = (fly: LaidFly, ...wanted: string[]): string[] => keys(fly).filter((key) => wanted.includes(key));
const TUBE = { kind: 'tube', length: '26 mm', outside: '3 mm', inside: '1.6 mm' };
const bare = (material: string, more: Loose = {}): Loose =>
  without(body({ material, from: 'bend', to: 'head', ...more }), 'diameter');
const palmer = (more: Loose = {}): Loose => ({
  ...without(collar({ id: 'palmer', role: 'hackle', style: 'palmer', turns: 6 }), 'at'),
  from: 'station 3',
  to: 'bend',
  ...more,
});
const legs = (more: Loose = {}): Loose => ({
  id: 'legs',
  role: 'legs',
  construction: 'bundle',
  material: 'rubber leg',
  strands: 4,
  at: 'station 3',
  length: '0.9 gap',
  ...more,
});
const bead = (more: Loose = {}): Loose => eyes({ id: 'bead', role: 'bead', shape: 'bead', side: 'around', ...more });

describe('materials are what the tier wrote', () => {
  test.each([
    ['moonlight rabbit', strip({ material: 'moonlight rabbit' }), 'rabbit strip'],
    ['river-green wire', rib({ material: 'river-green wire' }), 'copper'],
    ['glimmer tinsel', bare('glimmer tinsel', { width: '1 mm' }), 'flat tinsel'],
    ['rust marabou', body({ material: 'rust marabou' }), 'wound plume'],
    ['claret floss', body({ material: 'claret floss' }), 'floss'],
    ['black ostrich herl', body({ material: 'black ostrich herl' }), 'ostrich-type herl'],
    ['peat mohair', body({ material: 'peat mohair' }), 'mohair yarn'],
    ['pale quill', bare('pale quill', { width: '0.8 mm' }), 'stripped quill'],
  ])('%s keeps its name on the paper, its figures are those of its own kind', (name, part, figured) => {
    const fly = laid([part]);
    const { built } = fly.parts[0] ?? { built: null };
    expect([built?.material, built?.figuredAs]).toEqual([name, figured]);
    expect(paper(fly)).toContain(name);
  });
  test('whose figures it has is said where it is not the one named', () => {
    expect(paper(laid([strip({ material: 'moonlight rabbit' })]))).toContain('(figured as rabbit strip)');
    expect(paper(laid([strip({ material: 'rabbit strip' })]))).not.toContain('figured as');
  });
  test('colour and kind stand on the paper', () => {
    const fly = laid([
      strip({ colour: 'olive' }),
      collar({ colour: 'claret' }),
      sheet({ colour: 'black' }),
      spunHead({ colour: 'white' }),
      bead({ colour: 'gold', at: 'against eye' }),
    ]);
    for (const words of ['rabbit strip, olive', 'hen, claret', 'foam, black', 'deer hair, white', 'bead, gold'])
      expect(paper(fly)).toContain(words);
  });
  test('flat tinsel over a tube of 26 mm takes some half a metre, not five', () => {
    const fly = laid([bare('flat tinsel', { layers: 2, from: 'head', to: 'bend' })], { platform: TUBE });
    const wound = partIn(fly, 'body');
    const mm = windingOf(wound)?.lengthMm ?? 0;
    expect(mm).toBeGreaterThan(300);
    expect(mm).toBeLessThan(600);
    // Breadth times thickness times length of film, nine tenths of it matter.
    expect(wound.massMg / (1.2 * 0.03 * mm * 0.9 * 1.39)).toBeCloseTo(1, 1);
  });
  test.each([
    ['a body of 13 mm', 'station 8', 6, 9],
    ['a collar of 6 mm', 'station 5', 2, 5],
  ])('%s of spun fur has as many turns as its core takes', (_words, to, least, most) => {
    const fly = laid([body({ material: 'spun fur', diameter: '9 mm', from: 'station 3', to })], {
      platform: { kind: 'single', size: '6', longX: 3, shank: '26 mm' },
    });
    const turns = partIn(fly, 'body').built.turns ?? 0;
    expect(turns).toBeGreaterThanOrEqual(least);
    expect(turns).toBeLessThanOrEqual(most);
  });
  test('denser is more turns of the same stuff, and a metre of it weighs what it weighs', () => {
    const wound = (density: string) =>
      partIn(laid([body({ material: 'long-fibre chenille', diameter: '14 mm', density })]), 'body');
    const [sparse, dense] = [wound('sparse'), wound('dense')];
    expect((dense.built.turns ?? 0) / (sparse.built.turns ?? 1)).toBeCloseTo(2, 6);
    const metre = ({ massMg }: { massMg: number }, mm: number) => massMg / mm;
    expect(metre(dense, windingOf(dense)?.lengthMm ?? 1)).toBeCloseTo(0.55, 6);
  });
  test('lead is known in any words, and lead-free is no lead', () => {
    expect(partIn(laid([eyes({ material: 'painted lead eyes' })]), 'eyes').built.figuredAs).toBe('lead');
    expect(partIn(laid([eyes({ material: 'painted lead-free eyes' })]), 'eyes').built.figuredAs).toBe('tin alloy');
  });
});

describe('the order is the one tiers use', () => {
  test('a case is tied in, what it covers made, and folded over legs and thorax', () => {
    const nymph = laid([
      body({ id: 'abdomen', to: 'station 5' }),
      body({ id: 'thorax', from: 'station 5', to: 'station 2' }),
      sheet({ from: 'station 2', to: 'station 5', material: 'turkey-type quill' }),
      legs(),
    ]);
    expect(inTurn(nymph, 'abdomen', 'case/catch', 'thorax', 'legs', 'case/over')).toEqual([
      'abdomen',
      'case/catch',
      'thorax',
      'legs',
      'case/over',
    ]);
    expect(how(nymph, 'case/catch')).toContain('while the thorax and the legs are made');
  });
  test('a shell that a rib binds is folded before the rib is wound', () => {
    const shell = laid([
      rib({ to: 'station 3', binds: ['case'] }),
      sheet({ from: 'station 3', to: 'bend', material: 'latex' }),
      body(),
    ]);
    expect(inTurn(shell, 'rib/catch', 'case/catch', 'body', 'case/over', 'rib/wind')).toEqual([
      'rib/catch',
      'case/catch',
      'body',
      'case/over',
      'rib/wind',
    ]);
  });
  test('wire goes on the bare shank and the thread after it; over thread where the file says so', () => {
    const wired = (more: Loose = {}) =>
      laid([bead({ at: 'against eye' }), weightWire({ from: 'bead.rear', ...more }), body()]);
    expect(inTurn(wired(), 'bead', 'weight', 'thread')).toEqual(['bead', 'weight', 'thread']);
    expect(how(wired(), 'weight')).toMatch(/at its middle.*Push the coils home against the bead: it lies from/);
    expect(how(wired(), 'thread')).toContain('ramp');
    expect(inTurn(wired({ on: 'thread' }), 'weight', 'thread')).toEqual(['thread', 'weight']);
    const apart = laid([bead({ at: 'against eye' }), weightWire({ from: 'station 5' }), body()]);
    expect(how(apart, 'weight')).not.toContain('home');
  });
  test('one piece with two jobs is tied in once and cut once', () => {
    const fly = laid([
      rib({ id: 'tag', role: 'tag', from: 'bend', to: undefined, turns: 4 }),
      rib({ from: 'tag.front', continues: 'tag' }),
      body({ from: 'tag.front' }),
    ]);
    expect(inTurn(fly, 'tag', 'rib/catch', 'body', 'rib/on')).toEqual(['tag', 'body', 'rib/on']);
    expect(how(fly, 'tag')).toContain('it becomes the rib');
    expect(paper(fly).match(/cut \d+ mm/g)?.length).toBe(2);
    expect(cutLength(partIn(fly, 'rib'), fly)).toBeNull();
    expect(cutLength(partIn(fly, 'tag'), fly)).toBeGreaterThan(windingOf(partIn(fly, 'rib'))?.lengthMm ?? Infinity);
  });
  test('of two ribs round a hackle one goes under it and one over', () => {
    const fly = laid([rib({ id: 'under', over: 'under' }), rib({ id: 'top', direction: 'counter' }), body(), palmer()]);
    expect(inTurn(fly, 'under/wind', 'palmer', 'palmer/wind', 'top/wind')).toEqual([
      'under/wind',
      'palmer',
      'top/wind',
    ]);
    expect(how(fly, 'top/wind')).toContain('wiggle it through');
  });
  test('tinsel wound both ways begins and ends in front', () => {
    const fly = laid([tail(), bare('flat tinsel', { layers: 2, from: 'station 2', to: 'bend' })]);
    expect(how(fly, 'body')).toMatch(/to the rear, edge to edge, and back over itself/);
    const [move] = tyingPlan(fly).moves.filter(({ part }) => part.file.id === 'body');
    expect(move?.toMm).toBeCloseTo(move?.fromMm ?? NaN, 6);
  });
  test('a hackle from the front is tied in by its butt, from the rear and as a collar by its tip', () => {
    expect(how(laid([body(), palmer()]), 'palmer')).toContain('by its stripped butt');
    expect(how(laid([palmer({ from: 'bend', to: 'station 3' }), body()]), 'palmer/catch')).toContain('by its tip');
    expect(how(laid([collar()]), 'collar')).toContain('by its tip');
  });
  test('the tip of a hackle that is wound to the rear is held by the rib, and the thread stays in front', () => {
    const fly = laid([rib({ direction: 'counter' }), body(), palmer()]);
    expect(how(fly, 'palmer')).toContain('the first turn of the rib binds it');
    const [move] = tyingPlan(fly).moves.filter(({ part }) => part.file.id === 'palmer');
    expect(move?.toMm).toBeCloseTo(move?.fromMm ?? NaN, 9);
    expect(move?.toMm).toBeLessThan(fly.platform.landmarksMm.bend / 2);
    expect(how(laid([body(), palmer()]), 'palmer')).toContain('Tie off on the tip');
  });
  test('fur in split thread is no rope, and a barb that is pinched is not pinched again', () => {
    const taper = { profile: ['3 mm', '4 mm', '5 mm'] };
    const dubbed = (more: Loose) =>
      how(laid([without(body({ material: 'loose dubbing', ...taper, ...more }), 'diameter')]), 'body');
    expect(dubbed({})).not.toContain('rope');
    expect(dubbed({ dubbed: 'rope' })).toContain('rope');
    // Two furs: in a loop of its own, or in the thread that is split for them.
    const two = (as: string): string => dubbed({ with: 'seal-type dubbing', dubbed: as });
    expect(two('loop')).toContain('Make a loop of thread behind the body, lay the first fur between');
    expect(two('split')).toContain('Flatten and split the thread, lay the first fur between');
    expect([two('loop'), two('split')].every((how) => how.includes('the seal-type dubbing on it'))).toBe(true);
    const barb = (of: string) =>
      stepsOf(laid([bead({ at: 'against eye' })], { platform: { kind: 'single', size: '6', barb: of } })).find(
        ({ key }) => key === 'bead',
      )?.wrong ?? null;
    expect([barb('pinched'), barb('none')]).toEqual([null, null]);
    expect(barb('full')).toContain('pinch the barb first');
  });
  test('places just ahead of the bend are told from it', () => {
    expect(how(laid([tail({ at: 'bend - 1.5 mm' })]), 'tail')).toContain('1.5 mm in front of the bend');
  });
  test('fur is brushed out while it can be reached: before a strip lies over it', () => {
    const fly = laid([body({ material: 'loose dubbing' }), strip({ at: 'station 2', boundAt: ['bend'] })]);
    expect(inTurn(fly, 'strip/catch', 'body', 'body/brush', 'strip/over')).toEqual([
      'strip/catch',
      'body',
      'body/brush',
      'strip/over',
    ]);
    expect(keys(laid([body({ material: 'floss' })])).some((key) => key.endsWith('/brush'))).toBe(false);
    // The rib over it goes first, for brushing loosens what it still has to hold; a rib elsewhere is not waited for.
    const fur = body({ material: 'loose dubbing', from: 'station 6', to: 'station 3' });
    const inOrder = (...parts: Loose[]): string[] => inTurn(laid(parts), 'body', 'body/brush', 'rib', 'rib/wind');
    expect(inOrder(rib({ from: 'station 6', to: 'station 3' }), fur)).toEqual(['body', 'rib/wind', 'body/brush']);
    expect(inOrder(fur, rib({ from: 'bend', to: 'station 7' }))).toEqual(['body', 'body/brush', 'rib']);
  });
  test('what is glued on a spun head comes after it is trimmed', () => {
    const fly = laid([spunHead(), eyes({ shape: 'disc', material: 'film', side: 'both' })]);
    expect(inTurn(fly, 'hair', 'whip', 'hair/trim', 'eyes')).toEqual(['hair', 'whip', 'hair/trim', 'eyes']);
  });
});

describe('the finish', () => {
  test('a step by default, none where the file says none, and only then nothing is cleared', () => {
    expect(keys(laid([tail()]))).toEqual(expect.arrayContaining(['seal', 'eye']));
    const none = keys(laid([tail()], { finish: { coats: [] } }));
    expect([none.includes('seal'), none.includes('eye')]).toEqual([false, false]);
    const [sealed, unsealed] = [laid([tail()]), laid([tail()], { finish: { coats: [] } })];
    expect(sealed.dryMg).toBeCloseTo(unsealed.dryMg, 9);
  });
  test('behind a bead and on a tube nothing is said of the eye', () => {
    const beaded = laid([bead({ at: 'against eye' }), tail()]);
    expect(how(beaded, 'head')).toContain('close behind the bead');
    expect(stepsOf(beaded).find(({ key }) => key === 'head')?.look).toEqual([]);
    const tube = laid([wing({ at: 'head' })], {
      platform: { ...TUBE, hook: { kind: 'double', size: '6' } },
      head: 'neat',
    });
    expect(JSON.stringify(stepsOf(tube))).not.toMatch(/behind the eye|Clear the eye/);
    expect(keys(tube).at(-1)).toBe('rig');
  });
  test('a shank is held by its rear eye, its loop and hook are steps of their own', () => {
    const fly = laid([tail()], {
      platform: {
        kind: 'shank',
        length: '34 mm',
        loop: '15 mm',
        hook: { kind: 'single', size: '6', ride: 'point-up' },
      },
    });
    expect(how(fly, 'hook')).toContain('rear eye');
    expect(how(fly, 'loop')).toContain('15 mm of it stands behind the rear eye');
    expect(how(fly, 'rig')).toContain('its point up');
  });
  test('a hook without a barb has none to flatten', () => {
    expect(keys(laid([tail()], { platform: { kind: 'single', size: '6', barb: 'none' } }))).not.toContain('barb');
    expect(keys(laid([tail()], { platform: { kind: 'single', size: '6', barb: 'pinched' } }))).toContain('barb');
  });
});

describe('laws of the craft', () => {
  test('hold on any fly', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const fly = lay(given);
        const steps = stepsOf(fly);
        const trimmed = steps.find(({ key }) => key === 'trim')?.how.join(' ') ?? '';
        for (const part of fly.parts) {
          const { file, built } = part;
          const [form] = built.forms;
          // No tip that grew is ever trimmed.
          if (form?.kind === 'bundle' && (form.manner === 'hair' || form.manner === 'plume'))
            expect(trimmed).not.toContain(`the ${file.id} to`);
          // What is bound twice has two steps.
          const own = steps.filter((step) => step.part === file.id);
          const twice = twiceDone(part, fly);
          if (twice) expect(own.map(({ key }) => key)).toEqual([`${file.id}/catch`, `${file.id}/over`]);
          // Nothing is wound less than once round.
          if (file.construction === 'wrap' && built.forms.length > 0)
            expect(windingOf(part)?.turns ?? 1).toBeGreaterThanOrEqual(1);
          // A material's own name is on the paper.
          if (file.material !== undefined && file.construction !== 'ball' && file.construction !== 'coat')
            expect(steps.some((step) => step.inHand.join(' ').includes(built.material))).toBe(true);
        }
        // Every part is tied in once.
        const cut = steps.filter(({ cutMm }) => cutMm !== null).map(({ part }) => part);
        expect(new Set(cut).size).toBe(cut.length);
        // Nothing unsealed is cleared.
        if (!steps.some(({ key }) => key === 'seal' || key.startsWith('coat/')))
          expect(steps.some(({ key }) => key === 'eye')).toBe(false);
      }),
      { numRuns: 60 },
    );
  });
});

test('head and head space count from the eye, unless a bead sits against it', () => {
  const against = laid([bead({ at: 'against eye' }), tail()]);
  expect(against.headMm).toBeCloseTo(partIn(against, 'bead').extent.endMm, 9);
  expect(against.headSpaceMm).toBe(0);
  const back = laid([bead({ at: 'station 3' }), wing({ at: 'head' })]);
  expect(back.headMm).toBeCloseTo(back.headSpaceMm, 9);
  expect(back.headMm).toBeLessThan(partIn(back, 'bead').extent.startMm);
});

describe('said in the file, told and weighed', () => {
  test('a slotted bead is lighter by its slot, and told which way it goes on', () => {
    const whole = laid([bead({ at: 'against eye' })], { platform: { kind: 'jig', size: '8' } });
    const slotted = laid([bead({ at: 'against eye', slotted: true })], { platform: { kind: 'jig', size: '8' } });
    const [a, b] = [partIn(whole, 'bead'), partIn(slotted, 'bead')];
    expect(b.massMg / a.massMg).toBeCloseTo(0.85, 9);
    expect(b.volumeMm3 / a.volumeMm3).toBeCloseTo(0.85, 9);
    expect(how(slotted, 'bead')).toContain('its slot to the rear');
  });
  test('married strands and bands of colour are in hand in their order, and weigh as one', () => {
    const slips = (more: Loose = {}): Loose => ({
      id: 'wing',
      role: 'wing',
      construction: 'feather',
      form: 'slips',
      material: 'goose slip',
      at: 'head',
      length: '1.2 shank',
      ...more,
    });
    const married = laid([slips({ married: ['yellow', 'red', 'blue'] }), spunHead({ bands: ['olive', 'white'] })]);
    expect(paper(married)).toContain('married, top to bottom: yellow, red, blue');
    expect(paper(married)).toContain('from the rear: olive, white');
    expect(married.dryMg).toBeCloseTo(laid([slips(), spunHead()]).dryMg, 9);
  });
});
