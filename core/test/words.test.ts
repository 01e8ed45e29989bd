import { CAUTIONS } from '../src/data/cautions.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { partName, relationWords } from '../src/tying/partName.ts';
import type { Step } from '../src/tying/step.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { METRIC, type Style } from '../src/units/format.ts';
import { body, collar, eyes, feathers, laid, rib, sheet, spunHead, strip, tail, weightWire, wing } from './build.ts';

const INCHES: Style = { ...METRIC, length: 'in' };
function of(fly: LaidFly, key: string, style: Style = METRIC): Step {
  const step = tyingPlan(fly, style).steps.find((each) => each.key === key);
  if (!step) throw new Error(`no step ${key}`);
  return step;
}
const how = (fly: LaidFly, key: string): string => of(fly, key).how.join(' ');
const ball = (more: Record<string, unknown>) => ({ ...eyes(), ...more });

describe('balls', () => {
  test('eyes: the measure is from the eye of the hook, by the relation as it is written', () => {
    const { measure } = of(laid([eyes()]), 'eyes');
    expect(measure).toMatchObject({ words: 'from the eye to the middle of the eyes', relation: 'station 2' });
    expect(measure?.mm).toBeCloseTo(laid([eyes()]).platform.shankMm / 5, 6);
  });
  test('glue is only spoken of where the fly has it, and then with its caution', () => {
    const dry = of(laid([eyes()]), 'eyes');
    expect([dry.how.join().includes('superglue'), dry.glue, dry.caution]).toEqual([false, null, null]);
    const glued = of(laid([eyes()], { finish: { glueOnThread: true } }), 'eyes');
    expect(glued.how.join()).toContain('superglue');
    expect([glued.glue === null, glued.caution]).toEqual([false, CAUTIONS.superglue]);
  });
  test.each([
    ['lead', CAUTIONS.lead],
    ['lead-free', null],
    ['brass', null],
  ])('eyes of %s', (material, caution) => {
    expect(of(laid([eyes({ material })]), 'eyes').caution).toBe(caution);
  });
  test('discs are glued on what is finished, and looked at from the front', () => {
    const disc = of(
      laid([tail(), ball({ id: 'disc', shape: 'disc', material: undefined, side: 'both', at: 'station 1' })]),
      'disc',
    );
    expect(disc.how.join()).toContain('what is finished');
    expect([disc.caution, disc.look]).toEqual([CAUTIONS.superglue, ['From the front: both at one height.']]);
  });
  test('eyes and beads that are set back leave wire in front, and nothing says that nothing can be tied there', () => {
    for (const at of ['station 0.6', 'station 4']) {
      const fly = laid([eyes({ at }), strip({ at: 'eyes.front - 1 mm', length: '1.4 shank' })]);
      const said = JSON.stringify(tyingPlan(fly).steps);
      expect(said).not.toMatch(/nothing can be tied/);
    }
    const back = laid([ball({ id: 'bead', role: 'bead', shape: 'bead', at: 'station 2', side: 'around' })]);
    expect(how(back, 'bead')).toContain('free to tie on');
    expect(how(back, 'bead')).not.toContain('home');
  });
  test('a bead is slid on and pushed home; a disc is glued on what is finished', () => {
    const bead = laid([ball({ id: 'bead', role: 'bead', shape: 'bead', at: 'against eye', side: 'around' })]);
    expect(how(bead, 'bead')).toContain('small hole to the front. Push it home');
    expect(of(bead, 'bead').thread).toBeNull();
    const disc = laid([body(), ball({ shape: 'disc', material: 'film', at: 'station 3', side: 'both' })]);
    expect(of(disc, 'eyes').glue).toContain('superglue');
  });
});

describe('what is wound', () => {
  test('weight wire says its turns, how far they lie, and to leave the scissors', () => {
    const step = of(laid([weightWire()]), 'weight');
    expect(step.how.join(' ')).toMatch(
      /Wind 8 turns, touching, on the bare shank .* it lies from 8\.1 to 12\.2 mm behind the eye/,
    );
    expect(step.measure?.mm).toBeCloseTo(8 * 0.508, 2);
    expect(step.tool).toContain('clippers');
    expect(of(laid([weightWire({ material: 'lead wire' })]), 'weight').caution).toBe(CAUTIONS.lead);
  });
  test('a rib that goes counter says why; one that goes with the body only where to', () => {
    const counter = laid([tail(), rib({ direction: 'counter' }), body()]);
    expect(how(counter, 'rib/wind')).toContain('cross what it binds');
    expect(how(laid([tail(), rib(), body()]), 'rib/wind')).toContain('forward');
    expect(how(counter, 'rib/wind')).toMatch(/5 turns to the front of the body, \d\.\d mm apart/);
    expect(how(counter, 'rib/catch')).toContain('Let it hang');
  });
  test('loose dubbing goes between the halves of a split thread, tight is twisted on', () => {
    const said = (material: string) => of(laid([body({ material })]), 'body');
    expect(said('loose dubbing').thread?.state).toBe('split');
    expect(said('loose dubbing').how.join(' ')).toContain('split the thread');
    expect(said('tight dubbing').thread?.state).toBe('flat');
    expect(said('tight dubbing').how.join(' ')).not.toContain('split');
  });
  test('wound backward where it begins in front', () => {
    expect(how(laid([body({ from: 'station 3', to: 'bend' })]), 'body')).toContain('to the rear');
  });
  test('a collar goes turn before turn, a throat is drawn down, a palmer from its tip', () => {
    expect(how(laid([collar()]), 'collar')).toContain('3 turns, each in front of the last');
    expect(how(laid([collar({ style: 'throat' })]), 'collar')).toContain('bind them below');
    const palmer = collar({ at: undefined, style: 'palmer', from: 'bend', to: 'station 3', turns: 1 });
    const fly = laid([palmer, body()]);
    expect(how(fly, 'collar/catch')).toContain('by its tip at the bend');
    expect(how(fly, 'collar/wind')).toMatch(/^1 turn to the front of the body/);
    expect(of(laid([collar({ by: 'tip' })]), 'collar').wrong).toContain('thin tip breaks');
  });
});

describe('what is tied in by its end', () => {
  test('a tip past the bend is measured from there where its relation begins there, else from the tie-in', () => {
    const past = of(laid([wing({ length: undefined, tip: 'bend + 5 mm' })]), 'wing');
    expect(past.measure).toMatchObject({ words: 'past the bend', relation: 'bend + 5 mm' });
    expect(past.measure?.mm).toBeCloseTo(5, 3);
    expect(of(laid([wing()]), 'wing').measure?.words).toBe('from the tie-in to the tip');
  });
  test.each([
    [{ pinch: undefined, strands: 12 }, '12 strands'],
    [{ pinch: undefined, dose: 'half a pencil' }, 'half a pencil'],
    [{ pinch: undefined, dose: 'matchstick' }, 'a matchstick (2 mm squeezed)'],
    [{ pinch: '2.5 mm' }, '2.5 mm squeezed'],
  ])('the amount as a tier takes it: %j', (more, words) => {
    expect(of(laid([tail(more)]), 'tail').inHand[0]).toContain(words);
  });
  test('cut stuff is left long and trimmed in the end, grown tips stay as they are', () => {
    const fly = laid([tail(), tail({ id: 'flash', role: 'flash', material: 'flash', pinch: undefined, strands: 6 })]);
    expect([of(fly, 'tail').end, of(fly, 'flash').end]).toEqual(['final', 'trimmed later']);
    expect(how(fly, 'trim')).toMatch(/Cut the flash to \d+(\.\d)? mm/);
    expect(tyingPlan(laid([tail()])).steps.some((each) => each.key === 'trim')).toBe(false);
  });
  test('butts go where they are told, else they are trimmed on a slant', () => {
    expect(how(laid([tail({ buttsTo: 'station 5' })]), 'tail')).toContain(
      'along the shank and trim them 13.6 mm behind the eye',
    );
    expect(how(laid([tail()]), 'tail')).toContain('on a slant');
    expect(how(laid([tail(), body()]), 'tail')).toContain('trim them at the front of the body');
    expect(how(laid([tail({ buttsTo: 'bend' }), body()]), 'tail')).toContain('on a slant');
    expect(of(laid([tail({ buttsTo: 'station 5' }), body()]), 'tail').buttAdvice).toBeNull();
  });
  test('a turn under it, half on each side, tips levelled: said where they are asked for', () => {
    expect(how(laid([tail({ support: 'turn-under' })]), 'tail')).toContain('turn of thread under it');
    expect(how(laid([tail({ side: 'both' })]), 'tail')).toContain('Half of it on each side');
    expect(of(laid([tail({ stacked: true })]), 'tail').tool).toBe('stacker');
  });
  test('feathers: slips fold under a soft loop, cheeks go shiny side out, a single one shiny side up', () => {
    expect(how(laid([feathers({ form: 'slips' })]), 'feathers')).toContain('they fold');
    expect(of(laid([feathers({ form: 'slips' })]), 'feathers').wrong).toContain('splits');
    expect(of(laid([feathers({ form: 'pair' })]), 'feathers').wrong).toContain('not stripped far enough');
    expect(of(laid([feathers({ role: 'cheek', side: 'both' })]), 'feathers').face).toContain('shiny side out');
    expect(of(laid([feathers({ form: 'single' })]), 'feathers').face).toBe('shiny side up');
    expect(of(laid([feathers()]), 'feathers').proof).toContain('same length');
  });
  test('a strip that is bound twice is bound at the rear, the body made, then pulled over and tied down in front', () => {
    const twice = laid([body(), strip({ at: 'station 2', boundAt: ['bend'] })]);
    const keys = tyingPlan(twice).steps.map(({ key }) => key);
    const [rear, over] = [keys.indexOf('strip/catch'), keys.indexOf('strip/over')];
    expect(rear).toBeLessThan(keys.indexOf('body'));
    expect(over).toBeGreaterThan(keys.indexOf('body'));
    expect(how(twice, 'strip/catch')).toContain('bind the bare skin there');
    expect(how(twice, 'strip/over')).toMatch(/Pull it over the body.*Trim its end/);
    const ribbed = laid([rib(), body(), strip({ at: 'station 2', length: '1.4 shank', boundBy: 'rib' })]);
    expect(how(ribbed, 'strip/over')).toContain('part the fur for each turn');
  });
  test('front first the rear is bound after it, and a rib needs no second binding', () => {
    const front = laid([body(), strip({ at: 'station 2', boundAt: ['bend'], first: 'front' })]);
    expect(how(front, 'strip/catch')).toContain('Skin the fur off');
    expect(how(front, 'strip/over')).toContain('bind it at the bend');
    const keys = tyingPlan(front).steps.map(({ key }) => key);
    expect(keys.indexOf('strip/over') - keys.indexOf('strip/catch')).toBe(1);
    const ribbed = laid([
      rib(),
      body(),
      strip({ at: 'station 2', length: '1.4 shank', boundBy: 'rib', first: 'front' }),
    ]);
    expect(how(ribbed, 'strip')).toContain('part the fur for each turn');
  });
});

describe('heads, backs and coats', () => {
  test('spun hair is packed, trimmed later below first; a collar of tips is measured by them', () => {
    const head = laid([spunHead({ flatBelow: true })]);
    expect(of(head, 'hair').measure?.words).toBe('across when trimmed');
    expect(how(head, 'hair/trim')).toMatch(/^Nose first.*flat below.*sides alike.*level/);
    expect(how(head, 'hair/trim')).not.toContain('tips of the collar');
    expect(how(laid([spunHead({ tip: 'station 8' })]), 'hair/trim')).toContain('tips of the collar are not touched');
    const tips = laid([spunHead({ diameter: undefined, tip: 'station 7', dose: 'a pencil' })]);
    expect(of(tips, 'hair').measure?.words).toBe('of tips behind it');
    expect(of(tips, 'hair').inHand[0]).toContain('a pencil a clump');
    expect(how(tips, 'hair')).toContain('The tips stay as they grew');
    expect(tyingPlan(tips).steps.some(({ key }) => key === 'hair/trim')).toBe(false);
  });
  test('a back is folded forward, doubled where it is; coats are counted', () => {
    expect(how(laid([sheet({ doubled: true })]), 'case/over')).toContain('Fold it back once more');
    expect(how(laid([sheet()]), 'case/over')).not.toContain('once more');
    expect(how(laid([sheet({ first: 'front' })]), 'case/over')).toContain('Fold it back over');
    const coat = (layers?: number) =>
      laid([
        body(),
        {
          id: 'varnish',
          role: 'finish',
          construction: 'coat',
          over: 'body',
          ...(layers === undefined ? {} : { layers }),
        },
      ]);
    expect(how(coat(), 'varnish')).toMatch(/^1 thin coat of/);
    expect(how(coat(3), 'varnish')).toMatch(/^3 thin coats of/);
  });
  test('of several coats of a kind each has its number, and every one the caution of what it is', () => {
    const fly = laid([tail()], { finish: { whips: 2, coats: ['varnish', 'varnish', 'resin'] } });
    expect([1, 2, 3].map((n) => of(fly, `coat/${String(n)}`).title)).toEqual([
      'Varnish, coat 1',
      'Varnish, coat 2',
      'Resin',
    ]);
    expect(of(fly, 'coat/3').caution).toBe(CAUTIONS.resin);
    expect(of(fly, 'whip').title).toContain('2 times');
  });
  test('epoxy turns while it dries, and is a coat of its own: neither resin nor its lamp', () => {
    const fly = laid([tail()], { finish: { coats: ['epoxy'] } });
    expect(of(fly, 'coat/1')).toMatchObject({ title: 'Epoxy', dryS: 1800, caution: CAUTIONS.epoxy });
    expect(how(fly, 'coat/1')).toMatch(/turning until it no longer runs/);
    expect(how(fly, 'coat/1')).not.toMatch(/lamp/);
    const skin = laid([tail(), { id: 'skin', role: 'head', construction: 'coat', material: 'epoxy', over: 'head' }]);
    expect(skin.parts.find(({ file }) => file.id === 'skin')?.built.material).toBe('epoxy');
  });
});

describe('places and pieces', () => {
  test('round the bend, at the bend, and by stations; in inches where a tier has them', () => {
    const round = laid([tail({ at: 'round 1.5 mm' })]);
    expect(how(round, 'tail')).toContain('round the bend');
    expect(of(laid([wing({ at: 'station 2' })]), 'wing', INCHES).how.join(' ')).toMatch(/\d\/\d+ in/);
    expect(how(laid([wing({ at: 'station 2' })]), 'wing')).toContain('5.4 mm behind the eye');
  });
  test('a piece with a second job is taken up again; a note of the tier is kept', () => {
    const fly = laid([tail({ buttsTo: 'station 8', note: 'The palest of the bag.' }), body({ continues: 'tail' })]);
    expect(how(fly, 'body/on')).toMatch(/^Take up the tail that was left/);
    expect(how(fly, 'body/on')).not.toContain('Tie it in');
    expect(how(fly, 'tail')).toMatch(/they become the body.*The palest of the bag\./);
    expect(of(fly, 'body/on').cutMm).toBeNull();
  });
  test('a tube is slid on its needle and has no barb to flatten', () => {
    const tube = laid([wing({ at: 'eye + 3 mm', length: '40 mm' })], {
      platform: { kind: 'tube', length: '30 mm', hook: { kind: 'single', size: '6', barb: 'pinched' } },
    });
    const keys = tyingPlan(tube).steps.map((each) => each.key);
    expect(keys.slice(0, 2)).toEqual(['tube', 'thread']);
    expect(keys).not.toContain('barb');
  });
});

test.each([
  ['eyes.rear', 'behind the eyes'],
  ['eyes.rear + 6 mm', '6 mm behind the eyes'],
  ['eyes.front - 0.5 mm', '0.5 mm in front of the eyes'],
  ['tail.tip', 'the tail’s tip'],
  ['tail.tip + 3 mm', 'the tail’s tip + 3 mm'],
  ['between thorax-2.front and head', 'between the front of the second thorax and head'],
  ['0.6..0.8 shank', '0.6 to 0.8 shank'],
])('a relation as a tier says it: %s', (text, words) => {
  expect(relationWords(text)).toBe(words);
});
test.each([
  ['tail-2', 'second tail'],
  ['wing3', 'third wing'],
  ['over-wing', 'over wing'],
  ['tail', 'tail'],
])('a part by its name: %s', (id, name) => {
  expect(partName(id)).toBe(name);
});
