import { readdirSync, readFileSync } from 'node:fs';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { solveText } from '../../core/src/model/index.ts';
import { beatAt } from '../../core/src/records/index.ts';
import { readRecord } from '../../core/src/records/kinds.ts';
import {
  askWater,
  ended,
  readAsked,
  runWater,
  type WaterAsked,
  type WaterTexts,
  whichFly,
} from '../../core/src/water/index.ts';
import { tell } from './times.ts';

const RUNS = 25;

const read = readRecord('beat', JSON.parse(readFileSync('examples/mill-run.beat.json', 'utf8')));
const solved = solveText(readFileSync('examples/slate-runner.fly.json', 'utf8'), NOMINAL_DRAWERS);
if (!read.ok || !solved.ok) throw new Error('the examples do not read');
const { laid } = solved.value;
const beat = beatAt(read.value);

function askedFor(texts: WaterTexts): WaterAsked {
  const asked = readAsked(texts, laid.file);
  if (!asked.ok || !beat.ok) throw new Error('nothing is asked');
  return { ...asked.value, laid, beat: beat.value };
}

function timed(what: string, askedMs: number, work: () => unknown): void {
  const times = Array.from({ length: RUNS + 3 }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).slice(3);
  tell(what, times, askedMs);
}

const swing = askedFor({ manner: 'swing', seconds: '20 s' });
timed('a swing of 20 s', 100, () => ended(runWater(swing)));
timed('the same with its band', 300, () => ended(askWater(swing)));
const strip = askedFor({ manner: 'strip', count: '4 s', seconds: '20 s' });
timed('a strip of 20 s', 100, () => ended(runWater(strip)));

const flies = readdirSync('examples')
  .filter((name) => name.endsWith('.fly.json'))
  .flatMap((name) => {
    const other = solveText(readFileSync(`examples/${name}`, 'utf8'), NOMINAL_DRAWERS);
    return other.ok ? [{ id: name, name, laid: other.value.laid }] : [];
  });
const from = performance.now();
const found = ended(whichFly(flies, strip, { manner: 'strip' }));
const ms = performance.now() - from;
tell(`which of ${String(found.length)} flies, over six lines and five counts`, [ms], 4000);
timed('a coarse run, as one pulls', 17, () => ended(runWater(swing, { coarse: true })));
