import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TECHNIQUES } from '../src/data/index.ts';
import { reportFly } from '../src/model/index.ts';
import type { FlyFile } from '../src/pattern/index.ts';
import { sheetOf, sheetPages, stageSvgs, techniqueDrawing } from '../src/tying/index.ts';
import { METRIC } from '../src/units/index.ts';
import { anyFly, lay } from './anyFly.ts';
import { laid } from './build.ts';
import { amongOthers, CHANGES } from './changes.ts';
import { fileOf, PLATFORMS, TIED } from './everything.ts';
import {
  askewLines,
  cutLines,
  drawnFigure,
  foundLines,
  laidLines,
  laidOf,
  mixedFly,
  otherThan,
  sectionFigures,
  solvedOf,
  tiedLines,
  told,
  weighed,
} from './told.ts';

/**
 * What is laid out, found and tied of everything there is to tie, as it was when somebody last looked at it: no figure of it changes
 * unnoticed. Where a change is meant, `npm test -- unnoticed -u` writes it down, and what else it moved is seen in what was written.
 */

/** So many flies of some things that are tied. */
const MIXED = 50;
const kept = (lines: readonly string[]): string => `\n${lines.join('\n')}\n`;

const FOLDER = join(import.meta.dirname, '../../examples');
const EXAMPLES = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.fly.json'))
  .map((name): [string, FlyFile] => [
    name.replace('.fly.json', ''),
    JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as FlyFile,
  ]);

describe('nothing changes unnoticed', () => {
  test.each(Object.entries(PLATFORMS))('%s, bare', (_, platform) => {
    const laid = laidOf({ format: 'jobbet.fly', version: 1, name: 'bare', platform, parts: [] });
    expect(kept(laid ? [...laidLines(laid), told(laid.platform)] : ['does not lay out'])).toMatchSnapshot();
  });
  test.each(TIED.map((tied) => [tied.name, tied] as const))('%s', (_, tied) => {
    const lines = ['single', 'double', 'tube'].flatMap((kind) => {
      const laid = laidOf(fileOf(tied, PLATFORMS[kind] ?? {}));
      if (!laid) return [`${kind}: does not lay out`];
      return [
        `${kind}:`,
        ...laidLines(laid),
        ...(kind === 'single' ? [...askewLines(laid), ...cutLines(laid), ...foundLines(laid), ...tiedLines(laid)] : []),
      ];
    });
    expect(kept(lines)).toMatchSnapshot();
  });
  test.each(EXAMPLES)('%s, with what it does in water, its sheet and its pages', (_, file) => {
    const laid = laidOf(file);
    if (!laid) throw new Error('an example lays out');
    const solved = solvedOf(laid);
    const sheet = sheetOf(solved);
    const pages = sheetPages(sheet, laid, {
      paper: 'a4',
      hand: 'right',
      style: METRIC,
      textWidth: (text, size) => 0.5 * size * text.length,
    });
    const pageLines = pages.map(({ items }) => {
      const at = items.flatMap((item) => ('at' in item ? item.at : item.points.flat()));
      return told(items.length, weighed(at));
    });
    const stages = told(stageSvgs(laid, sheet, 'right').map(drawnFigure));
    expect(
      kept([
        ...laidLines(laid),
        told(reportFly(solved)),
        ...foundLines(laid),
        ...cutLines(laid),
        ...tiedLines(laid),
        stages,
        ...pageLines,
      ]),
    ).toMatchSnapshot();
  });
  const changed = Object.entries(CHANGES).flatMap(([construction, keys]) =>
    Object.entries(keys).map(([key, [, after]]) => [construction, key, after] as const),
  );
  const alone = laid(amongOthers({}).slice(0, -1), { thread: { denier: 140 }, head: 'bold' });
  const usual = [...laidLines(alone), ...cutLines(alone), ...foundLines(alone), ...tiedLines(alone)];
  test.each(changed)('%s with another %s', (_construction, _key, part) => {
    const it = laid(amongOthers(part), { thread: { denier: 140 }, head: 'bold' });
    expect(
      kept(otherThan(usual, [...laidLines(it), ...cutLines(it), ...foundLines(it), ...tiedLines(it)])),
    ).toMatchSnapshot();
  });
  test('small drawings of techniques', () => {
    const laid = laidOf(EXAMPLES.find(([name]) => name === 'slate-runner')?.[1]);
    if (!laid) throw new Error('an example lays out');
    const lines = TECHNIQUES.map(({ key }) => {
      const strokes = techniqueDrawing(key, laid) ?? [];
      const numbers = strokes.flatMap(({ points, breadthMm }) => [breadthMm, ...points.flat()]);
      return told(key, strokes.map(({ tone, goes }) => `${tone}${goes === true ? '>' : ''}`).join(), weighed(numbers));
    });
    expect(kept(lines)).toMatchSnapshot();
  });
  test.each(Array.from({ length: MIXED }, (_, seed) => seed))('mixed fly %s', (seed) => {
    const laid = laidOf(mixedFly(seed));
    const lines = laid
      ? [
          laid.file.parts.map(({ id }) => id).join(', '),
          ...laidLines(laid).slice(0, 2),
          told(weighed(laid.sections.flatMap(sectionFigures))),
          ...foundLines(laid),
          ...tiedLines(laid),
        ]
      : ['does not lay out'];
    expect(kept(lines)).toMatchSnapshot();
  });
  test('of flies of all kinds what is found', () => {
    const flies = fc.sample(anyFly, { numRuns: 60, seed: 1891 });
    expect(kept(flies.flatMap((each, i) => [`fly ${String(i)}`, ...foundLines(lay(each))]))).toMatchSnapshot();
  });
});
