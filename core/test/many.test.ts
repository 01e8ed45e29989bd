import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { compareSchools } from '../src/checks/compare.ts';
import { standing } from '../src/checks/standing.ts';
import { SCHOOLS } from '../src/data/index.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/index.ts';
import { dragFactorOf, fallOf, SOAKED_ALONE, timeDown } from '../src/model/solve/fall.ts';
import type { LaidFly } from '../src/model/index.ts';
import { byEye } from '../src/tying/byEye.ts';
import { sheetHtml, sheetMarkdown, sheetOf, stageSvgs } from '../src/tying/index.ts';
import { waysOf, withWay } from '../src/tying/ways/ways.ts';
import { METRIC, type Style } from '../src/units/index.ts';
import {
  cutLines,
  foundLines,
  foundOn,
  laidLines,
  laidOf,
  mixedFly,
  planOf,
  solvedOf,
  tiedLines,
  told,
} from './told.ts';

/**
 * Many mixed flies, each as prints of what is laid out, found and said of it, words and all. With `LINES_IN=folder` the lines are written
 * there, to be held against those of another commit; `npm test -- many -u` keeps what is meant.
 */

const INCHES: Style = { length: 'in', mass: 'gr', speed: 'ft/s', temperature: 'F', decimal: '.' };

const MANY = 90;
const FIRST = 1000;
const MOST_PARTS = 10;

/** A print of some lines: six digits are enough to see that anything is other than it was. */
const print = (lines: readonly string[]): string =>
  createHash('sha1').update(lines.join('\n')).digest('hex').slice(0, 6);

const foundWords = (laid: LaidFly): string[] =>
  foundOn(laid).map(({ message, reason, fix, severity }) => told(severity, message, reason, fix?.words));

const stepWords = (laid: LaidFly): string[] =>
  planOf(laid).steps.map((step) => told(JSON.stringify(step), byEye(laid, step)));

const wayLines = (laid: LaidFly): string[] => [
  ...waysOf(laid).flatMap(({ key, words, now, options }) =>
    options.map(({ value, says }) =>
      told(key, words, now, value, says, JSON.stringify(withWay(laid, key, value).parts)),
    ),
  ),
  JSON.stringify(withWay(laid, 'none of them', 'own').parts.map(({ id }) => id)),
];

function sheetLines(laid: LaidFly): string[] {
  const solved = solvedOf(laid);
  return [METRIC, INCHES].flatMap((style) => {
    const sheet = sheetOf(solved, style);
    return [
      sheetMarkdown(sheet, style),
      sheetHtml(sheet, style, style === METRIC ? stageSvgs(laid, sheet, 'right') : stageSvgs(laid, sheet, 'left')),
    ];
  });
}

const standingLines = (laid: LaidFly): string[] =>
  SCHOOLS.flatMap((school) =>
    laid.parts.map(({ file }) => told(school.name, file.id, standing(laid, file.id, school, NOMINAL_DRAWERS))),
  );

function schoolLines(laid: LaidFly): string[] {
  const [first, ...others] = SCHOOLS;
  if (!first) throw new Error('no schools');
  return others.flatMap((other) =>
    compareSchools(laid, first, other, NOMINAL_DRAWERS).differences.map((each) => told(other.name, each)),
  );
}

function fallLines(laid: LaidFly): string[] {
  const timed = { depthMm: 400, aboveMm: 50, widthMm: 200 };
  const free = { depthMm: 800 };
  const seconds = [timeDown(laid, timed), timeDown(laid, free)];
  const fall = fallOf(laid, SOAKED_ALONE, 500);
  return [
    told(seconds, fall?.timesS.at(-1), fall?.speedsMmS.at(-1)),
    ...[0.3, 0.5, 0.8, 1, 1.4, 2.1, 4].map((share) =>
      told(...seconds.map((each, i) => each && dragFactorOf(laid, i === 0 ? timed : free, share * each))),
    ),
  ];
}

test.each(Array.from({ length: MANY }, (_, i) => FIRST + i))('fly %s', (seed) => {
  const laid = laidOf(mixedFly(seed, MOST_PARTS));
  if (!laid) {
    expect('does not lay out').toMatchSnapshot();
    return;
  }
  const lines = {
    laid: [...laidLines(laid), ...cutLines(laid)],
    found: [...foundLines(laid), ...foundWords(laid)],
    tied: [...tiedLines(laid), ...stepWords(laid)],
    ways: wayLines(laid),
    sheet: seed % 6 === 0 ? sheetLines(laid) : [],
    schools: seed % 6 === 1 ? [...standingLines(laid), ...schoolLines(laid)] : [],
    falls: seed % 6 === 2 ? fallLines(laid) : [],
  };
  const folder = process.env['LINES_IN'];
  if (folder !== undefined) writeFileSync(join(folder, `${String(seed)}.txt`), Object.values(lines).flat().join('\n'));
  const prints = Object.entries(lines).map(([what, of]) => `${what} ${print(of)}`);
  expect(prints.join(', ')).toMatchSnapshot();
});
