import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readFly } from '../src/pattern/read.ts';
import { settleFly, solveFly, type SolvedFly } from '../src/model/solve/solveFly.ts';
import { sheetOf, shortId } from '../src/tying/sheet/sheet.ts';
import { sheetHtml, sheetMarkdown } from '../src/tying/sheet/write.ts';
import { bareOf, stageOf, stageView } from '../src/tying/stage.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { WITH_BED } from '../src/tying/step.ts';
import { body, eyes, laid, rib, spunHead, tail, weightWire, without } from './build.ts';

function example(name: string): SolvedFly {
  const read = readFly(readFileSync(join(import.meta.dirname, `../../examples/${name}.fly.json`), 'utf8'));
  const fly = read.ok ? solveFly(read.value) : read;
  if (!fly.ok) throw new Error(JSON.stringify(fly.faults));
  return fly.value;
}
const slate = example('slate-runner');

describe('how a stage is looked at', () => {
  const { laid: fly } = slate;
  const scale = (look: Partial<Parameters<typeof stageView>[3]>): number =>
    stageView(fly, 300, 160, { hand: 'right', ...look }).scale;
  const whole = scale({});
  test('as the whole fly, as large as the frame allows; a part that is none is no reason to come closer', () => {
    expect(stageView(fly, 600, 320, { hand: 'right' }).scale).toBeGreaterThan(2 * whole);
    expect(scale({ part: 'nothing' })).toBe(whole);
    expect(scale({ part: null })).toBe(whole);
  });
  test('a part is come closer to, never beyond what shows where it is, and never further off', () => {
    const closer = fly.parts.map(({ file }) => scale({ part: file.id }) / whole);
    expect(Math.min(...closer)).toBeGreaterThanOrEqual(1);
    expect(Math.max(...closer)).toBeLessThanOrEqual(2.2 + 1e-9);
    expect(scale({ part: 'eyes' }) / whole).toBeCloseTo(2.2, 6);
  });
  test('from the far side as the other hand has it', () => {
    const far = stageView(fly, 300, 160, { hand: 'right', far: true });
    expect(far).toEqual(stageView(fly, 300, 160, { hand: 'left' }));
    expect(far).not.toEqual(stageView(fly, 300, 160, { hand: 'right' }));
    expect(stageView(fly, 300, 160, { hand: 'left', far: true })).toEqual(stageView(fly, 300, 160, { hand: 'right' }));
  });
});

describe('the tying sheet', () => {
  const sheet = sheetOf(slate);
  test('names everything that is cut, with its length; what is not cut has none', () => {
    const of = (id: string) => sheet.materials.find((each) => each.part === id);
    expect(sheet.materials[0]?.words).toContain('140 denier');
    expect(of('tail')?.cut).toMatch(/^\d+ mm$/);
    expect(of('eyes')?.cut).toBeNull();
    for (const part of slate.laid.parts) expect(of(part.file.id)?.words).toMatch(/\w/);
  });
  test('measures stand with the words of the tier; what it does is the report’s', () => {
    expect(sheet.proportions.find((each) => each.part === 'wing')).toMatchObject({ relation: 'bend + 0.6 shank' });
    expect(sheet.does[0]).toContain('Rides point up');
    expect(sheet.does.join()).toMatch(/falls \d+ to \d+ cm\/s free and soaked/);
    expect(sheet.cautions.join()).toContain('cut away from yourself');
  });
  test('its short name is of the fly as it is', () => {
    expect(sheet.id).toMatch(/^[2-9a-z]{5}$/);
    expect(shortId(slate.laid.file)).toBe(sheet.id);
    expect(shortId({ ...slate.laid.file, head: 'bold' })).not.toBe(sheet.id);
  });
  test('what there is nothing of has no heading', () => {
    const bare = { ...sheet, cautions: [], notes: null };
    expect([sheetHtml(sheet), sheetHtml(bare)].map((page) => page.includes('Take care'))).toEqual([true, false]);
    expect([sheetMarkdown(sheet), sheetMarkdown(bare)].map((page) => page.includes('Take care'))).toEqual([
      true,
      false,
    ]);
  });
  test('as Markdown: one numbered line a step, every caution', () => {
    const text = sheetMarkdown(sheet);
    expect(text.match(/^\d+\. \*\*/gm)).toHaveLength(sheet.steps.length);
    for (const caution of sheet.cautions) expect(text).toContain(caution);
    expect(text).toContain('# Slate Runner');
    expect(text).not.toMatch(/\bnull\b|undefined/);
  });
  test('as Markdown: what a tier wrote is words, never tags', () => {
    const text = sheetMarkdown(sheetOf(settleFly(laid([tail({ note: 'a < b & c' })], { name: 'Tom <img src=x>' }))));
    expect(text).toContain('# Tom &lt;img src=x>');
    expect(text).toContain('a &lt; b &amp; c');
  });
  test('as HTML: a page of its own, with every mark of the file escaped', () => {
    const odd = settleFly(laid([tail({ note: 'a < b & "c"' })], { name: 'Tom <script>' }));
    const page = sheetHtml(sheetOf(odd));
    expect(page).toContain('Tom &lt;script&gt;');
    expect(page).not.toContain('<script>');
    expect(page).toContain('a &lt; b &amp; &quot;c&quot;');
    expect(page.match(/<li><b>/g)?.length).toBeGreaterThan(tyingPlan(odd.laid).steps.length);
  });
});

describe('the fly at a stage', () => {
  const fly = laid([eyes(), tail(), rib(), body()], { thread: { denier: 140 }, head: 'neat' });
  test('holds what is on it and nothing that comes later; the head comes last', () => {
    const stage = stageOf(fly, ['eyes', 'tail'], WITH_BED);
    expect(stage.parts.map((part) => part.file.id)).toEqual(['eyes', 'tail']);
    const owners = new Set(stage.sections.map((section) => section.owner));
    expect(owners.has('body') || owners.has('rib') || owners.has('head')).toBe(false);
    expect(stage.thread.sections.map((section) => section.owner)).toEqual(['thread']);
    expect(fly.thread.sections.map((section) => section.owner)).toEqual(['thread', 'head']);
    expect(owners.has('platform') && owners.has('eyes') && owners.has('thread')).toBe(true);
    expect(stage.thread.forms.some((form) => form.kind === 'thread' && form.head)).toBe(false);
  });
  test('a bare hook has no thread on it', () => {
    const stage = bareOf(fly);
    expect(stage.parts).toEqual([]);
    expect([stage.thread.sections, stage.thread.forms, stage.thread.headMm]).toEqual([[], [], null]);
    expect(new Set(stage.sections.map(({ owner }) => owner))).toEqual(new Set(['platform']));
  });
  test('the thread comes with its step, the head with its own and stays: for what is trimmed and glued after it too', () => {
    const on = (file: Parameters<typeof laid>): string[] =>
      tyingPlan(laid(...file)).steps.map(({ key, beside }) => `${key} ${beside.thread}`);
    const bead = eyes({ id: 'bead', shape: 'bead', side: 'around', at: 'against eye' });
    const discs = without(eyes({ id: 'discs', shape: 'disc', side: 'both' }), 'material');
    const steps = on([[bead, weightWire(), tail(), spunHead(), discs], { thread: { denier: 140 } }]);
    expect(steps).toEqual(
      expect.arrayContaining([
        'hook none',
        'bead none',
        'weight none',
        'thread bed',
        'tail bed',
        'hair bed',
        'head head',
      ]),
    );
    expect(steps).toEqual(expect.arrayContaining(['whip head', 'hair/trim head', 'discs head']));
    expect(on([[tail(), weightWire({ on: 'thread' })]])).toContain('weight bed');
    // A part that is called as a step is takes nothing from it.
    const [first, ...others] = on([[tail({ id: 'whip' }), tail({ id: 'loop' })], { thread: { denier: 140 } }]);
    expect([first, ...others.slice(0, 3)]).toEqual(['hook none', 'thread bed', 'whip bed', 'loop bed']);
    // Once it is on it stays on.
    const turn = ['none', 'bed', 'head'];
    const came = steps.map((each) => turn.indexOf(each.split(' ')[1] ?? ''));
    expect(came).toEqual(came.toSorted((a, b) => a - b));
  });
  test('room for the head is left bare until it is built', () => {
    const { sections } = stageOf(fly, [], WITH_BED).thread;
    expect(fly.headMm).toBeGreaterThan(1);
    expect(sections.map(({ fromMm, toMm }) => [fromMm, toMm])).toEqual([[fly.headMm, fly.platform.shankMm]]);
    expect(fly.thread.sections[0]?.fromMm).toBe(0);
  });
  test('a barb stands until it is pinched, and one that is never pinched stands', () => {
    const barbs = (barb: string): Record<string, boolean | undefined> => {
      const one = laid([tail()], { platform: { kind: 'single', size: '6', barb } });
      return Object.fromEntries(
        tyingPlan(one).steps.map(({ key, drawn, beside }) => [
          key,
          stageOf(one, drawn, beside).platform.wires[0]?.barb?.pinched,
        ]),
      );
    };
    expect(barbs('pinched')).toMatchObject({ hook: false, barb: true, thread: true, whip: true });
    expect(barbs('full')).toMatchObject({ hook: false, whip: false });
    expect(barbs('none')).toMatchObject({ hook: undefined, whip: undefined });
  });
  test('what hangs behind comes in its turn: a loop before the parts, a hook on braid or behind a tube last, on wire with it', () => {
    const hook = { kind: 'single', size: '6' };
    const wires = (platform: Record<string, unknown>): Record<string, string> => {
      const one = laid([tail()], { platform });
      const all = one.platform.wires.length;
      const steps = tyingPlan(one).steps.map(({ key, drawn, beside }): [string, string] => {
        const { landmarksMm, wires: on } = stageOf(one, drawn, beside).platform;
        const hung = on.some(({ spearMm }) => spearMm > 0);
        expect(landmarksMm.rear < one.platform.landmarksMm.rear).toBe(!hung);
        return [key, on.length === all ? 'all' : on.map(({ kind }) => kind).join(' ')];
      });
      return Object.fromEntries(steps);
    };
    const shank = { kind: 'shank', length: '30 mm', hook };
    expect(wires(shank)).toMatchObject({
      hook: 'shank ring ring',
      thread: 'shank ring ring',
      loop: 'shank ring ring braid',
      whip: 'shank ring ring braid',
      rig: 'all',
    });
    expect(wires({ ...shank, loopOf: 'wire' })).toMatchObject({ thread: 'shank ring ring', loop: 'all', whip: 'all' });
    expect(wires({ kind: 'tube', length: '30 mm', hook })).toMatchObject({ tube: '', whip: '', rig: 'all' });
  });
  test('what is tied in below asks for a turn, in the words of what is in the vise', () => {
    const turns = (platform: Record<string, unknown>): [string, string | undefined, boolean][] =>
      tyingPlan(laid([tail({ id: 'throat', role: 'throat', at: 'head', length: '10 mm' })], { platform }))
        .steps.filter(({ key }) => key.startsWith('turn/'))
        .map(({ title, how, caution }) => [title, how[0]?.split(/[:.]/)[0], caution !== null]);
    expect(turns({ kind: 'single', size: '6' })).toEqual([
      ['Turn the hook over', 'Point up', true],
      ['Turn the hook back', 'Point down again', false],
    ]);
    // These have no point yet.
    for (const kind of ['tube', 'shank'])
      expect(turns({ kind, length: '30 mm' })).toEqual([
        [`Turn the ${kind} over`, 'Half a turn', false],
        [`Turn the ${kind} back`, 'Its top up again', false],
      ]);
    const onWire = { kind: 'shank', length: '30 mm', loopOf: 'wire', hook: { kind: 'single', size: '6' } };
    expect(turns(onWire).map(([, , cautious]) => cautious)).toEqual([true, false]);
  });
  test('in the end it is the fly', () => {
    const whole = stageOf(fly, ['eyes', 'tail', 'rib', 'body'], { ...WITH_BED, thread: 'head' });
    expect(whole.sections).toHaveLength(fly.sections.length);
    expect(whole.thread).toBe(fly.thread);
  });
});
