import { TECHNIQUES } from '../src/data/techniques.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { sheetOf } from '../src/tying/sheet/sheet.ts';
import { sheetMarkdown } from '../src/tying/sheet/write.ts';
import { taught, techniquesIn } from '../src/tying/techniques.ts';
import { DRAWN, DRAWN_TECHNIQUES, techniqueDrawing } from '../src/tying/techniqueDrawing.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import {
  body,
  collar,
  eyes,
  feathers,
  laid,
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
const named = (parts: readonly Loose[], more: Loose = {}): Set<string> =>
  new Set(tyingPlan(laid(parts, more)).steps.flatMap(({ techniques }) => techniques));
const palmer = {
  ...without(collar({ id: 'palmer', role: 'hackle', style: 'palmer' }), 'at'),
  from: 'station 3',
  to: 'bend',
};

test('there are thirty or more, each with what goes wrong and how one sees that it is right', () => {
  expect(TECHNIQUES.length).toBeGreaterThanOrEqual(30);
  expect(new Set(TECHNIQUES.map(({ key }) => key)).size).toBe(TECHNIQUES.length);
  for (const { name, how, wrong, see } of TECHNIQUES)
    for (const words of [name, how, wrong, see]) expect(words).toMatch(/^[A-Z].*\w/);
});
test('every one of them is named by a step of some fly, and no step names one that is not there', () => {
  const nymph = [
    eyes({ shape: 'plastic', material: 'nylon', diameter: '2.5 mm' }),
    weightWire(),
    tail(),
    rib(),
    body({ material: 'loose dubbing', dubbed: 'loop' }),
    palmer,
    sheet({ from: 'station 2', to: 'station 4' }),
  ];
  const all = [
    named(nymph),
    named([body({ material: 'loose dubbing' })]),
    named([body({ material: 'tight dubbing' })]),
    named([eyes(), body({ material: 'tight dubbing', to: 'head', crossed: true })]),
    named([body({ material: 'herl' })]),
    named([without(body({ material: 'flat tinsel', width: '1 mm' }), 'diameter')]),
    named([body(), rib(), strip({ at: 'station 3', boundBy: 'rib', length: '1 shank' })]),
    named([wing(), wing({ id: 'over', stacked: true })]),
    named([wing({ material: 'braided tubing' })]),
    named([feathers(), feathers({ id: 'slips', form: 'slips' }), feathers({ id: 'crest', form: 'single' })]),
    named([collar({ style: 'throat' }), collar({ id: 'front' })]),
    named([spunHead({ tip: 'station 6' })]),
    named([tail()], { platform: { kind: 'single', size: '2', eye: 'looped-up' } }),
  ];
  const found = new Set(all.flatMap((each) => [...each]));
  expect([...found].filter((key) => !TECHNIQUES.some((each) => each.key === key))).toEqual([]);
  expect(TECHNIQUES.map(({ key }) => key).filter((key) => !found.has(key))).toEqual([]);
});
test('a beginner is told each once, where it is first needed; the caution of one stands on the sheet', () => {
  const fly = laid([
    eyes({ shape: 'plastic', material: 'nylon', diameter: '2.5 mm' }),
    tail(),
    wing(),
    wing({ id: 'over' }),
  ]);
  const steps = taught(tyingPlan(fly).steps);
  const said = steps.flatMap(({ how }) => how).filter((words) => words.startsWith('Pinch wrap:'));
  expect(said).toHaveLength(1);
  const [short, long] = [false, true].map((beginner) =>
    sheetMarkdown(sheetOf(settleFly(fly), undefined, undefined, { beginner })),
  );
  expect(long?.length).toBeGreaterThan(1.5 * (short?.length ?? Infinity));
  expect(short).toContain('a window open');
  expect(techniquesIn({ techniques: ['melt', 'nothing'] }).map(({ key }) => key)).toEqual(['melt']);
});

test('ten or more are drawn with the fly’s own wire and thread, and inside their frame', () => {
  expect(DRAWN_TECHNIQUES.length).toBeGreaterThanOrEqual(10);
  const drawn = (more: Loose, key: string) => techniqueDrawing(key, laid([tail()], more)) ?? [];
  for (const key of DRAWN_TECHNIQUES) {
    expect(TECHNIQUES.some((each) => each.key === key)).toBe(true);
    for (const { points, breadthMm } of drawn({}, key)) {
      expect(breadthMm).toBeGreaterThan(0);
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(DRAWN.acrossMm);
        expect(y).toBeGreaterThanOrEqual(-DRAWN.aboveMm);
        expect(y).toBeLessThanOrEqual(DRAWN.belowMm);
      }
    }
  }
  const wire = (size: string): number | undefined => drawn({ platform: { kind: 'single', size } }, 'bed')[0]?.breadthMm;
  expect(wire('2/0')).toBeGreaterThan(wire('10') ?? Infinity);
  const turns = (denier: number): number => drawn({ thread: { denier } }, 'bed').length;
  expect(turns(50)).toBeGreaterThan(turns(220));
  expect(techniqueDrawing('melt', laid([tail()]))).toBeNull();
});
