import { readFly } from '../../core/src/pattern/read.ts';
import { reportFly } from '../../core/src/model/solve/report.ts';
import { balanceModel } from '../../core/src/model/solve/balanceModel.ts';
import { solveFly, type SolvedFly } from '../../core/src/model/solve/solveFly.ts';
import { layFly, type LaidFly } from '../../core/src/model/solve/layFly.ts';
import type { FlyFile } from '../../core/src/pattern/schema.ts';
import { slackRest } from '../../core/src/model/balance/slack.ts';
import { sideHold } from '../../core/src/model/balance/sideCurrent.ts';
import { solveBalance } from '../../core/src/model/balance/solveBalance.ts';
import { trimAt } from '../../core/src/model/balance/trim.ts';
import { sinking } from '../../core/src/model/balance/sinking.ts';
import { FigureCache } from '../../core/src/drawing/figure/cache.ts';
import { flyFigure } from '../../core/src/drawing/figure/flyFigure.ts';
import { SideFlow } from '../../core/src/model/balance/heeling.ts';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { findAll } from '../../core/src/study/finder/finder.ts';
import { runFly, type Hold } from '../../core/src/study/sizes/runFly.ts';
import { readSizes } from '../../core/src/study/sizes/sizes.ts';
import { scatterOf, SOLVED } from '../../core/src/study/tolerance/scatter.ts';
import { spreadsOf } from '../../core/src/study/tolerance/spreads.ts';
import { sheetOf } from '../../core/src/tying/sheet/sheet.ts';
import { stageSvgs } from '../../core/src/tying/sheet/stages.ts';
import { bestOrder } from '../../core/src/tying/sequence.ts';
import { bareSilhouettes } from './bare.ts';
import { twelvePartFly } from './fly.ts';
import { spread, tell } from './times.ts';

/** Times of one call each over what is prepared beforehand, after a quarter as many to warm up. */
function times<T>(runs: number, prepare: (i: number) => T, call: (given: T) => unknown): number[] {
  for (let i = 0; i < runs / 4; i++) call(prepare(-1 - i));
  const prepared = Array.from({ length: runs }, (_, i) => prepare(i));
  return prepared.map((given) => {
    const start = performance.now();
    call(given);
    return performance.now() - start;
  });
}

const read = readFly(JSON.stringify(twelvePartFly));
if (!read.ok) throw new Error(read.faults.map((fault) => `${fault.path} ${fault.message}`).join('\n'));
const file: FlyFile = read.value;

/** The fly with another length of tail, which no run has met before; nothing of it is shared with another. */
const fresh = (i: number): FlyFile => longerTail(file, i);

function longerTail(of: FlyFile, i: number): FlyFile {
  const copy = structuredClone(of);
  const parts = copy.parts.map((part) =>
    part.id === 'tail' ? { ...part, length: `${String(1.2 + i / 1e4)} shank` } : part,
  );
  return { ...copy, parts };
}

function laid(given: FlyFile): LaidFly {
  const result = layFly(given);
  if (!result.ok) throw new Error(result.faults.map((fault) => `${fault.path} ${fault.message}`).join('\n'));
  return result.value;
}

function solvedOf(given: FlyFile): SolvedFly {
  const result = solveFly(given);
  if (!result.ok) throw new Error('does not solve');
  return result.value;
}

const soft = file.parts.filter((part) => part.construction === 'bundle' || part.construction === 'hackle');

/** The same fly with more and more of its bundles and hackles tied in again, so many parts in all. */
const withParts = (count: number): FlyFile => ({
  ...file,
  parts: [
    ...file.parts,
    ...Array.from({ length: count - file.parts.length }, (_, i) => {
      const part = soft[i % soft.length];
      if (!part) throw new Error('the fly has nothing soft on it');
      return { ...part, id: `${part.id}-${String(i)}` };
    }),
  ],
});
const [thirty, sixty] = [withParts(30), withParts(60)];

const one = laid(file);
const model = balanceModel(one);
const balance = solveBalance(model);
const size = `${String(file.parts.length)} parts, ${String(model.table.cells)} cells, ${String(model.table.y.length)} ellipses`;
console.log(`core, ${size}, node ${process.version}, one core, after warm-up`);
const ROLLS = 50;
const bare = times(
  200,
  () => model.table,
  (table) => bareSilhouettes(table, ROLLS),
);
tell(`a bare loop over its silhouette at ${String(ROLLS)} rolls`, bare, null);
tell('lengths, weights, tight keel', times(2000, fresh, layFly), 0.5);
const whole = times(200, fresh, solveFly);
tell('whole solve', whole, 5);
console.log(`  which is ${(spread(whole).median / spread(bare).median).toFixed(1)} bare loops`);
tell(
  'whole solve of 30 parts',
  times(60, (i) => longerTail(thirty, i), solveFly),
  11,
);
tell(
  'whole solve of 60 parts',
  times(30, (i) => longerTail(sixty, i), solveFly),
  22,
);
tell(
  '  cells and front area',
  times(200, fresh, (given) => balanceModel(laid(given))),
  null,
);
tell(
  '  slack rest',
  // Of a silhouette nobody asked for before.
  times(200, (i) => balanceModel(laid(fresh(i))), slackRest),
  null,
);
tell(
  '  holds-to',
  times(
    200,
    () => model,
    (given) => sideHold(given, one.tight),
  ),
  null,
);
tell(
  '  trim',
  times(
    200,
    () => model,
    (given) => trimAt(given, balance.restDeg),
  ),
  null,
);
tell(
  '  sinking',
  times(
    200,
    () => model,
    (given) => sinking(given, balance.restDeg, balance.trim.noseDownDeg ?? 0),
  ),
  null,
);
tell(
  'fibres and solids of the drawing',
  times(
    100,
    () => one,
    (given) => flyFigure(given),
  ),
  null,
);
const cache = new FigureCache();
tell(
  '  of a fly with one length changed',
  times(
    200,
    (i) => laid(fresh(i)),
    (given) => cache.figure(given),
  ),
  null,
);
const sizes = readSizes('2/0,1/0,2,4,6,8,10,12');
if (!sizes.ok) throw new Error('the sizes do not read');
const runOf =
  (hold: Hold) =>
  (given: FlyFile): unknown =>
    runFly(given, sizes.value, hold);
tell('a run of 8 sizes, holding the shape', times(12, fresh, runOf('shape')), 200);
tell('  holding the ride', times(12, fresh, runOf('ride')), 200);
tell('  holding the sink', times(6, fresh, runOf('sink')), 200);
tell(
  'weights found for wishes, some thousands of choices',
  times(3, fresh, (given) =>
    findAll(laid(given), NOMINAL_DRAWERS, {
      ride: 'point-up',
      holdsMmS: 120,
      sinkMmS: [150, 450],
      lead: false,
      from: 'sold',
    }),
  ),
  3000,
);
tell(
  'a righting curve with the push of a current',
  times(60, fresh, (given) => new SideFlow(balanceModel(laid(given))).torque(120, 1)),
  null,
);
/** Runs a scatter of so many solved flies to its end. */
function scatter(given: FlyFile, solved: number): void {
  const plan = laid(given);
  const steps = scatterOf(plan, NOMINAL_DRAWERS, spreadsOf(plan), 1, solved);
  while (steps.next().done !== true);
}
tell(
  'ten thousand flies scattered, by weights and moments',
  times(6, fresh, (given) => {
    scatter(given, 0);
  }),
  2000,
);
tell(
  '  and 200 of them solved wholly',
  times(2, fresh, (given) => {
    scatter(given, SOLVED);
  }),
  7000,
);
tell(
  'figures of a solved fly written out, with droop and time to a metre',
  times(60, (i) => solvedOf(fresh(i)), reportFly),
  null,
);
tell(
  'the tying sheet of a solved fly',
  times(
    60,
    (i) => solvedOf(fresh(i)),
    (solved) => sheetOf(solved),
  ),
  null,
);
tell(
  'the order of 30 parts put right',
  times(
    12,
    (i) => laid(longerTail(thirty, i)),
    (given) => bestOrder(given),
  ),
  null,
);
tell(
  'its stages drawn as SVG',
  times(
    6,
    (i) => solvedOf(fresh(i)),
    (solved) => stageSvgs(solved.laid, sheetOf(solved), 'right'),
  ),
  null,
);
/** As many wraps as a file may have, each over all before it; another width each time, so that nothing of it is known. */
const sixtyWraps = (i: number): FlyFile => ({
  ...file,
  parts: Array.from(
    { length: 60 },
    (_, n) =>
      ({
        id: `wrap${String(n)}`,
        role: 'body',
        construction: 'wrap',
        material: 'chenille',
        diameter: `${String(1 + n * 0.1 + i * 1e-4)} mm`,
        from: 'bend',
        to: 'station 1',
      }) satisfies FlyFile['parts'][number],
  ),
});
tell('60 wraps over one another laid out', times(20, sixtyWraps, laid), 30);
console.log(`peak memory ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB`);
