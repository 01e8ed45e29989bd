import { checkFly } from '../src/checks/checkFly.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { fly } from './build.ts';

type Loose = Record<string, unknown>;
const wrap = (id: string, role: string, material: string, more: Loose): Loose => ({
  id,
  role,
  construction: 'wrap',
  material,
  ...more,
});
const hair = (id: string, role: string, material: string, more: Loose): Loose => ({
  id,
  role,
  construction: 'bundle',
  material,
  ...more,
});
const hackle = (id: string, role: string, material: string, more: Loose): Loose => ({
  id,
  role,
  construction: 'hackle',
  material,
  ...more,
});

/** Flies of the Tarvel as their tiers mean them, each with things that were warned of once and should not have been. */
const FLIES: readonly (readonly [name: string, file: FlyFile])[] = [
  [
    'a strip over tinsel, bound by a wire that goes with it, fine thread on a large hook',
    fly(
      [
        wrap('rib', 'rib', 'copper wire', { strand: '0.2 mm', turns: 6, from: 'bend', to: 'station 3' }),
        wrap('body', 'body', 'flat tinsel', { width: '1.2 mm', from: 'bend', to: 'station 3' }),
        {
          id: 'wing',
          role: 'wing',
          construction: 'strip',
          material: 'squirrel strip',
          at: 'station 3',
          boundBy: 'rib',
          tip: 'bend + 0.5 shank',
        },
        hackle('collar', 'collar', 'hen', { at: 'station 2.5', fibre: '1.1 gap', turns: 3 }),
      ],
      { platform: { kind: 'single', size: '2', longX: 3 }, thread: { denier: 70 }, school: 'long-strip' },
    ),
  ],
  [
    'a hairwing on a double: the rib goes with the floss, the tag’s tinsel runs on as rib',
    fly(
      [
        wrap('tag', 'tag', 'oval tinsel', { strand: '0.4 mm', turns: 4, from: 'point' }),
        hair('tail', 'tail', 'fox hair', { pinch: '1 mm', at: 'tag.front', length: '0.8 gap', angle: '15 deg' }),
        wrap('rib', 'rib', 'oval tinsel', {
          strand: '0.4 mm',
          turns: 5,
          from: 'tag.front',
          to: 'head + 1 mm',
          continues: 'tag',
        }),
        wrap('body', 'body', 'floss', { diameter: '2.4 mm', from: 'tag.front', to: 'head + 1 mm' }),
        hair('throat', 'throat', 'hackle fibres', { pinch: '1.4 mm', at: 'head', tip: 'between point and barb' }),
        hair('wing', 'wing', 'squirrel hair', { pinch: '1.8 mm', at: 'head', tip: 'tail.tip + 3 mm' }),
      ],
      { platform: { kind: 'double', size: '6', eye: 'looped-up', headSpace: '3 mm' }, school: 'hairwing-long' },
    ),
  ],
  [
    'a nymph with plastic eyes that is to hang, legs of a gap and a half, a case over them',
    fly(
      [
        {
          id: 'eyes',
          role: 'eyes',
          construction: 'ball',
          shape: 'plastic',
          material: 'nylon',
          diameter: '2.4 mm',
          at: 'station 1.2',
          side: 'axis',
        },
        hair('tail', 'tail', 'marabou', { pinch: '1.4 mm', at: 'bend', length: '0.9 body' }),
        wrap('rib', 'rib', 'brass wire', {
          strand: '0.18 mm',
          turns: 7,
          from: 'bend',
          to: 'station 4',
          direction: 'counter',
        }),
        wrap('abdomen', 'body', 'tight dubbing', { diameter: '2.4 mm', from: 'bend', to: 'station 4' }),
        wrap('thorax', 'body', 'loose dubbing', { diameter: '4 mm', from: 'station 4', to: 'station 2' }),
        {
          id: 'case',
          role: 'case',
          construction: 'sheet',
          material: 'turkey-type case',
          width: '4 mm',
          from: 'station 2',
          to: 'station 4',
        },
        hair('legs', 'legs', 'rubber leg', { strands: 4, at: 'station 3', length: '1.5 gap' }),
      ],
      { platform: { kind: 'single', size: '8', longX: 3, headSpace: '2 mm' }, school: 'nymph-lure' },
    ),
  ],
  [
    'herl under a hackle whose wire goes through it, the palmer of eight turns',
    fly(
      [
        wrap('rib', 'rib', 'copper wire', { strand: '0.2 mm', turns: 6, from: 'bend', to: 'station 2' }),
        hackle('palmer', 'hackle', 'saddle', {
          style: 'palmer',
          fibre: '1.4 gap',
          turns: 8,
          from: 'bend',
          to: 'station 2',
        }),
        wrap('body', 'body', 'herl', { diameter: '3 mm', from: 'bend', to: 'station 2' }),
      ],
      { school: 'mobile' },
    ),
  ],
  [
    'a leech with a bead set back and a collar in front of it',
    fly(
      [
        {
          id: 'bead',
          role: 'bead',
          construction: 'ball',
          shape: 'bead',
          material: 'brass',
          diameter: '3.2 mm',
          at: 'station 2.4',
        },
        hair('tail', 'tail', 'marabou', { dose: 'thumbnail', at: 'bend', length: '1 shank' }),
        wrap('body', 'body', 'mohair yarn', { diameter: '4 mm', from: 'bend', to: 'bead.rear' }),
        hackle('collar', 'collar', 'soft hen', { at: 'bead.front - 1 mm', fibre: '1.4 gap', turns: 2 }),
      ],
      { school: 'mobile', intent: { trim: 'nose-first' } },
    ),
  ],
];

test.each(FLIES)('nothing but notes on %s', (_name, file) => {
  const solved = solveFly(file);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  const loud = checkFly(solved.value).findings.filter(({ severity }) => severity !== 'note');
  expect(loud.map(({ code, message }) => `${code}: ${message}`)).toEqual([]);
});
