/**
 * The finder over seeds of turn, scale, side, ground, light, grain and blur, by numbers.
 * `npm run trial` for 200, `npm run trial -- 12` for so many; `--json` prints each, and the odd ones too.
 */
import type { Tried } from '../../core/test/tried.ts';
import { tryOdd, trySeed } from './pictures.ts';

const WITHIN = { landmark: 0.01, lengthMm: 0.4, length: 0.02, area: 0.03 } as const;
const [count = '200'] = process.argv.slice(2).filter((each) => !each.startsWith('--'));
/** What should be told of each. */
const TOLD = ['tail', 'tail.pastBend', 'wing', 'bead.diameter', 'bead.at'];
const json = process.argv.includes('--json');

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((one, other) => one - other)[Math.min(values.length - 1, Math.floor(values.length * share))] ??
  Number.NaN;

const told = (name: string, values: readonly number[], over: number): string =>
  `${name.padEnd(28)} ${String(values.length).padStart(5)}  median ${quantile(values, 0.5).toFixed(4)}  95 % ${quantile(values, 0.95).toFixed(4)}  worst ${quantile(values, 1).toFixed(4)}  over ${String(over)}`;

const tried: Tried[] = [];
for (let seed = 0; seed < Number(count); seed++) {
  const one = await trySeed(seed);
  tried.push(one);
  if (json) process.stdout.write(`${JSON.stringify(one)}\n`);
}
if (json) for (const one of await tryOdd()) process.stdout.write(`${JSON.stringify(one)}\n`);
else {
  const found = tried.flatMap((one) => (one.ok ? [one] : []));
  const marks = found.flatMap(({ landmarks }) => Object.values(landmarks).map(({ off }) => off));
  const lengths = found.flatMap(({ lengths: each }) => Object.entries(each).map(([at, one]) => ({ at, ...one })));
  const offs = lengths.map(({ mm, is }) => Math.abs(mm - is));
  const gaps = found.flatMap(({ gap }) => (gap ? [Math.abs(gap.mm - gap.is)] : []));
  const areas = found.map(({ area }) => Math.abs(area - 1));
  const lines = [
    `${String(found.length)} of ${String(tried.length)} found; ${String(3 * found.length - marks.length)} landmarks and ${String(TOLD.length * found.length - lengths.filter(({ at }) => TOLD.includes(at)).length)} lengths told to be covered`,
    told('landmarks, share of shank', marks, marks.filter((off) => off > WITHIN.landmark).length),
    told(
      'lengths, mm',
      offs,
      lengths.filter(({ mm, is }) => Math.abs(mm - is) > Math.max(WITHIN.lengthMm, WITHIN.length * is)).length,
    ),
    told('gap, mm', gaps, gaps.filter((off) => off > WITHIN.lengthMm).length),
    told('area, share', areas, areas.filter((off) => off > WITHIN.area).length),
    told(
      'time, ms',
      tried.map(({ ms }) => ms),
      0,
    ),
    ...tried.flatMap((one) => (one.ok ? [] : [`picture ${one.what}: ${one.why}`])),
  ];
  process.stdout.write(`${lines.join('\n')}\n`);
}
