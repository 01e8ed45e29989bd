import { flyFigure } from '../src/drawing/figure/flyFigure.ts';
import { PART_KEYS } from '../src/pattern/parts.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { laid, tail } from './build.ts';
import { amongOthers, CHANGES } from './changes.ts';

type Loose = Record<string, unknown>;

/** All that a fly comes to: masses, places, sections and the drawing, so that a key which changes nothing is found out. */
function likeness(it: LaidFly): string {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const sections = it.sections.map((section) => {
    section.at(section.fromMm + 0.6 * (section.toMm - section.fromMm), cut);
    return [section.fromMm, section.toMm, section.turn, section.softness, { ...cut }];
  });
  const figure = flyFigure(it).parts.map((part) => ({ ...part, fibres: [...part.fibres].slice(0, 2200) }));
  const parts = it.parts.map((part) => [
    part.massMg,
    part.volumeMm3,
    part.centroid,
    part.built.turns,
    part.built.notes,
  ]);
  const steps = tyingPlan(it).steps.map(({ title, how }) => [title, ...how]);
  return JSON.stringify([
    parts,
    steps,
    it.dryMg,
    it.castingMg,
    it.tight.momentMgMm,
    it.tight.lateralMgMm,
    sections,
    figure,
  ]);
}

/** Keys every part has, tried on one; `binds` says what a rib holds down and is judged, not built. */
const COMMON = ['id', 'role', 'construction', 'note', 'binds', 'material', 'colour', 'side', 'continues'];
const more = { thread: { denier: 140 }, head: 'bold' };
const lay = (part: Loose): string => likeness(laid(amongOthers(part), more));

describe('every documented key of a part does something', () => {
  test('the list below holds them all', () => {
    for (const [construction, keys] of Object.entries(PART_KEYS))
      expect([construction, ...keys.filter((key) => !COMMON.includes(key) && !CHANGES[construction]?.[key])]).toEqual([
        construction,
      ]);
  });
  test.each(
    Object.entries(CHANGES).flatMap(([construction, keys]) =>
      Object.entries(keys).map(([key, [before, after]]) => [construction, key, before, after] as const),
    ),
  )('%s: %s', (_construction, _key, before, after) => {
    expect(lay(after)).not.toBe(lay(before));
  });
  test.each([
    ['material', tail(), tail({ material: 'fox hair' })],
    ['colour', tail(), tail({ colour: 'black' })],
    ['side', tail(), tail({ side: 'near' })],
    ['continues', tail({ buttsTo: 'station 4' }), tail({ buttsTo: 'station 4', continues: 'other' })],
  ])('every part: %s', (_key, before, after) => {
    expect(lay(after)).not.toBe(lay(before));
  });
});
