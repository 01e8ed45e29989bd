import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readFly } from '../src/pattern/read.ts';
import { settleFly, solveFly, type SolvedFly } from '../src/model/solve/solveFly.ts';
import { sheetOf, shortId } from '../src/tying/sheet/sheet.ts';
import { sheetHtml, sheetMarkdown } from '../src/tying/sheet/write.ts';
import { stageOf, stageView } from '../src/tying/stage.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { body, eyes, laid, rib, tail } from './build.ts';

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
    const stage = stageOf(fly, ['eyes', 'tail'], false);
    expect(stage.parts.map((part) => part.file.id)).toEqual(['eyes', 'tail']);
    const owners = new Set(stage.sections.map((section) => section.owner));
    expect(owners.has('body') || owners.has('rib') || owners.has('head')).toBe(false);
    expect(stage.thread.sections.map((section) => section.owner)).toEqual(['thread']);
    expect(fly.thread.sections.map((section) => section.owner)).toEqual(['thread', 'head']);
    expect(owners.has('platform') && owners.has('eyes') && owners.has('thread')).toBe(true);
    expect(stage.thread.forms.some((form) => form.kind === 'thread' && form.head)).toBe(false);
  });
  test('in the end it is the fly', () => {
    const whole = stageOf(fly, ['eyes', 'tail', 'rib', 'body'], true);
    expect(whole.sections).toHaveLength(fly.sections.length);
    expect(whole.thread).toBe(fly.thread);
  });
});
