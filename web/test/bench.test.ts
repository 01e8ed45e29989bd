import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { PRESETS } from '@jobbet/core/edit';
import { keyWords, sentenceOf } from '../src/features/bench/sentence.ts';
import { asOneStep, change, changeOrSay, createBench, redo, undo } from '../src/fly/store.ts';
import { ALL_CHECKS, besides, HOOK, partCalled, stepFrom, type Selection } from '../src/fly/selection.ts';
import { slug } from '../src/shared/ui/saveFile.ts';
import { fly, stored, TAIL, withTail } from './build.ts';

describe('what is chosen', () => {
  const file = fly({ parts: [TAIL, { ...TAIL, id: 'wing', role: 'wing' }] });
  test('is the hook above the first part; from the checks one comes to either', () => {
    const walk = (from: Selection, ...steps: (1 | -1)[]): Selection =>
      steps.reduce((at, by) => stepFrom(at, file, by), from);
    expect(walk(HOOK, 1)).toEqual(partCalled('tail'));
    expect(walk(HOOK, 1, 1, 1)).toEqual(partCalled('wing'));
    expect(walk(partCalled('wing'), -1, -1, -1)).toEqual(HOOK);
    expect([walk(ALL_CHECKS, 1), walk(ALL_CHECKS, -1)]).toEqual([partCalled('tail'), HOOK]);
    expect(stepFrom(HOOK, { ...file, parts: [] }, 1)).toEqual(HOOK);
  });
  test('once a part is off is the one after it, else the one before', () => {
    expect([besides(file, 'tail'), besides(file, 'wing')]).toEqual([partCalled('wing'), partCalled('tail')]);
  });
  test('undo with the checks shown leaves them shown', () => {
    const bench = createBench(stored());
    change(bench, withTail('20 mm'));
    bench.setState({ selected: ALL_CHECKS });
    undo(bench);
    expect(bench.getState().selected).toEqual(ALL_CHECKS);
  });
});

describe('the bench', () => {
  test('takes a change that lays out; one that does not leaves the last good fly and says why in a tier’s words', () => {
    const bench = createBench(stored());
    expect(change(bench, withTail('20 mm'))).toEqual([]);
    const before = bench.getState().laid;
    expect(changeOrSay(bench, withTail('tial'))).toBe(false);
    expect(bench.getState().laid).toBe(before);
    expect(bench.getState().refused).toBe('tail, length: unknown name "tial"; did you mean "tail"?');
    change(bench, withTail('21 mm'));
    expect(bench.getState().refused).toBeNull();
  });
  test('undo and redo walk through everything done, and the choice follows', () => {
    const bench = createBench(stored());
    change(bench, { ...fly(), parts: [] }, HOOK);
    change(bench, withTail('30 mm'), partCalled('tail'));
    undo(bench);
    expect(bench.getState().selected).toBe(HOOK);
    undo(bench);
    expect(bench.getState().file.parts[0]).toMatchObject({ length: '1 shank' });
    redo(bench);
    redo(bench);
    expect(bench.getState().file.parts[0]).toMatchObject({ length: '30 mm' });
  });
  test('a word typed letter by letter in one blank is one step of undo, another blank another', () => {
    const bench = createBench(stored());
    for (const length of ['2 mm', '21 mm', '21.5 mm']) change(bench, withTail(length), undefined, 'tail.length');
    change(bench, { ...withTail('21.5 mm'), notes: 'n' }, undefined, 'notes');
    undo(bench);
    expect(bench.getState().file.parts[0]).toMatchObject({ length: '21.5 mm' });
    expect(bench.getState().file.notes).toBeUndefined();
    undo(bench);
    expect(bench.getState().file.parts[0]).toMatchObject({ length: '1 shank' });
    redo(bench);
    change(bench, withTail('22 mm'), undefined, 'tail.length');
    undo(bench);
    expect(bench.getState().file.parts[0]).toMatchObject({ length: '21.5 mm' });
  });
  test('a pull is one step of undo however far it went', () => {
    const bench = createBench(stored());
    const step = asOneStep(bench);
    for (let mm = 18; mm < 30; mm++) change(bench, withTail(`${String(mm)} mm`));
    step.end();
    expect(bench.getState()).toMatchObject({ moving: false, file: { parts: [{ length: '29 mm' }] } });
    undo(bench);
    expect(bench.getState().file.parts[0]).toMatchObject({ length: '1 shank' });
    expect(bench.temporal.getState().pastStates).toHaveLength(0);
  });
});

describe('the sentence', () => {
  test.each(PRESETS.map((preset) => [preset.name, preset.part] as const))(
    '%s: every blank that is filled stands for a key of the part',
    (_name, part) => {
      const keys = sentenceOf(part, NOMINAL_DRAWERS).flatMap((piece) =>
        typeof piece === 'string' || piece.kind === 'swap' || piece.empty !== undefined ? [] : [piece.key],
      );
      const fields = part as unknown as Record<string, unknown>;
      for (const key of keys) expect([key, fields[key.replace(/\[\d\]$/, '')] !== undefined]).toEqual([key, true]);
      expect(keys.length).toBeGreaterThan(0);
    },
  );
  test('keys of the file are said in a tier’s words', () => {
    const [tail] = fly().parts;
    if (!tail) throw new Error('no tail');
    expect(['at', 'buttsTo', 'length'].map((key) => keyWords(tail, key))).toEqual(['tie-in', 'butts', 'length']);
  });
});

test('a file is named so that every system takes it', () => {
  expect([slug('Slate Runner'), slug('Åse’s 2/0!'), slug('…')]).toEqual(['slate-runner', 'åse-s-2-0', 'fly']);
  expect([slug('الذبابة الحمراء'), slug('Żółta 🎣 Nimfa')]).toEqual(['الذبابة-الحمراء', 'żółta-🎣-nimfa']);
});
