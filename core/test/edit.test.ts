import { addPart, dependants, freezeDependants, freeId, movePart, removePart, renamePart } from '../src/edit/parts.ts';
import { fittedTo } from '../src/edit/fitted.ts';
import { newFly } from '../src/edit/newFly.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/index.ts';
import { offeredParts } from '../src/edit/offered.ts';
import { PRESETS } from '../src/edit/presets.ts';
import { withKey } from '../src/edit/relations.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { body, eyes, fly, laid, partIn, strip, tail, wing } from './build.ts';

const lays = (file: FlyFile) => {
  const result = layFly(file);
  if (!result.ok) throw new Error(result.faults.map((fault) => fault.message).join());
  return result.value;
};

describe('parts come and go', () => {
  test('every preset solves on a bare hook, alone and after all the others', () => {
    let file = newFly('All');
    for (const { part } of PRESETS) {
      expect(layFly(addPart(newFly('One'), part).file).ok).toBe(true);
      file = addPart(file, part).file;
    }
    expect(lays(file).parts).toHaveLength(PRESETS.length);
  });
  test('every part that is offered solves in every material it is offered in, and weighs something', () => {
    for (const { name, of, part } of offeredParts(NOMINAL_DRAWERS)) {
      const [laidPart] = lays(addPart(newFly(`${name} of ${of ?? 'the usual'}`), part).file).parts;
      if (part.construction !== 'coat') expect(laidPart?.massMg).toBeGreaterThan(0);
    }
  });
  test('a body is begun as thick as its material makes one: what lies flat is told no thickness', () => {
    const body = (of: string) =>
      offeredParts(NOMINAL_DRAWERS).find((each) => each.name === 'Body' && each.of === of)?.part;
    expect(body('chenille')).toMatchObject({ diameter: '4 mm' });
    expect(body('floss')).toMatchObject({ diameter: '2 mm' });
    expect(body('oval tinsel')).toMatchObject({ strand: '0.5 mm' });
    expect(body('oval tinsel')).not.toHaveProperty('diameter');
    expect(body('flat tinsel')).not.toHaveProperty('diameter');
    expect(body('flat tinsel')).not.toHaveProperty('strand');
  });
  test('what would begin at the bend begins in front of a tag or a butt that lies there', () => {
    const offered = (name: string) => {
      const part = PRESETS.find((each) => each.name === name)?.part;
      if (!part) throw new Error(name);
      return part;
    };
    const begun = (file: FlyFile, name: string) => addPart(file, fittedTo(file, offered(name))).file;
    const bare = newFly('Begun');
    expect(fittedTo(bare, offered('Body'))).toBe(offered('Body'));
    const tagged = begun(bare, 'Tag');
    expect(tagged.parts).toMatchObject([{ from: 'bend - 2 mm' }]);
    const whole = ['Tail', 'Butt', 'Body', 'Rib', 'Palmered hackle', 'Throat'].reduce(begun, tagged);
    expect(whole.parts).toMatchObject([
      { id: 'tag' },
      { id: 'tail', at: 'tag.front' },
      { id: 'butt', from: 'tag.front', to: 'tag.front - 1.5 mm' },
      { id: 'body', from: 'butt.front', to: 'station 3' },
      { id: 'rib', from: 'butt.front' },
      { id: 'palmer', from: 'butt.front' },
      { id: 'throat', at: 'head', tip: 'between point and barb' },
    ]);
    const { parts } = lays(whole);
    const extent = (id: string) => parts.find(({ file: { id: own } }) => own === id)?.extent;
    // Nothing lies over the tag.
    expect(extent('butt')?.endMm).toBeCloseTo(extent('tag')?.startMm ?? Number.NaN, 6);
    expect(extent('body')?.endMm).toBeCloseTo(extent('butt')?.startMm ?? Number.NaN, 6);
  });
  test('an id that is taken or reserved gets a number', () => {
    const file = fly([tail()]);
    expect([
      freeId(file, 'tail', 'tail'),
      freeId(file, 'bend', 'tail'),
      freeId(file, 'body', 'body'),
      freeId(file, 'body', 'tail'),
      freeId(file, '7 up!', 'tail'),
    ]).toEqual(['tail-2', 'bend-2', 'body', 'body-2', 'up']);
  });
  test('moving keeps every part and every measure', () => {
    const file = fly([eyes(), tail(), body()]);
    expect(movePart(file, 0, 2).parts.map((part) => part.id)).toEqual(['tail', 'body', 'eyes']);
    expect(movePart(file, 2, -5).parts.map((part) => part.id)).toEqual(['body', 'eyes', 'tail']);
  });
  test('a rename follows through relations, butts, bindings and the head space', () => {
    const file = fly(
      [
        eyes(),
        tail({ buttsTo: 'eyes.rear' }),
        strip({ at: 'eyes.rear', boundAt: ['eyes.rear + 3 mm'], length: '40 mm' }),
      ],
      { platform: { kind: 'single', size: '6', headSpace: '0.5 eyes' } },
    );
    const renamed = renamePart(file, 'eyes', 'balls');
    expect(JSON.stringify(renamed)).not.toContain('eyes.');
    expect(renamed.platform).toMatchObject({ headSpace: '0.5 balls' });
    expect(lays(renamed).dryMg).toBeCloseTo(lays(file).dryMg, 9);
  });
  test('what leans on a part is found, also through the word body, and frozen at its present measure', () => {
    const it = laid([body(), tail({ length: '0.85 body' }), wing({ at: 'body.front', length: 'tail + 2 mm' })]);
    expect(dependants(it.file, 'body').map((each) => `${each.part}.${each.key}`)).toEqual(['tail.length', 'wing.at']);
    const frozen = removePart(freezeDependants(it, 'body'), 'body');
    const after = lays(frozen);
    for (const id of ['tail', 'wing'])
      expect(partIn(after, id).extent.tipMm).toBeCloseTo(partIn(it, id).extent.tipMm ?? 0, 1);
    expect(dependants(frozen, 'tail')).toHaveLength(1);
  });
  test('the head space may lean on a part too, and a band or a place round the bend stays one', () => {
    const platform = { kind: 'single', size: '6', longX: 3, headSpace: '0.5 eyes' };
    const it = laid([eyes(), tail({ length: '8..10 eyes', at: 'round 0.5 eyes' })], { platform });
    const leaning = dependants(it.file, 'eyes').map((each) => `${each.part}.${each.key}`);
    expect(leaning).toEqual(['tail.at', 'tail.length', 'hook.headSpace']);
    const frozen = removePart(freezeDependants(it, 'eyes'), 'eyes');
    expect(frozen.parts[0]).toMatchObject({ length: '32..40 mm', at: 'round 2 mm' });
    expect(lays(frozen).headSpaceMm).toBeCloseTo(it.headSpaceMm, 2);
  });
  test('what a part binds, follows or is bound by is followed, dropped with it, and left behind when copied elsewhere', () => {
    const rib = {
      id: 'rib',
      role: 'rib',
      construction: 'wrap',
      material: 'copper',
      strand: '0.2 mm',
      turns: 5,
      from: 'bend',
      to: 'station 3',
      binds: ['body'],
    };
    const file = fly([body(), rib, strip({ boundBy: 'rib', continues: 'body' })]);
    const renamed = renamePart(renamePart(file, 'rib', 'wire'), 'body', 'belly-wrap');
    expect(renamed.parts[1]).toMatchObject({ binds: ['belly-wrap'] });
    expect(renamed.parts[2]).toMatchObject({ boundBy: 'wire', continues: 'belly-wrap' });
    const without = removePart(file, 'rib');
    expect(without.parts[1]).not.toHaveProperty('boundBy');
    const [, copied] = file.parts;
    if (!copied) throw new Error('no rib');
    expect(addPart(newFly('Other'), copied).file.parts[0]).not.toHaveProperty('binds');
  });
  test('an emptied key is taken away, a list entry too', () => {
    const [part] = fly([strip({ boundAt: ['bend', 'station 5'], at: 'station 3', length: '40 mm' })]).parts;
    if (!part) throw new Error('no part');
    expect(withKey(part, 'boundAt[0]', '')).toMatchObject({ boundAt: ['station 5'] });
    expect('width' in withKey(part, 'width', '')).toBe(false);
  });
});
