import { readFileSync } from 'node:fs';
import { NOMINAL_DRAWERS } from '../../core/src/drawers/tables.ts';
import { METRIC } from '../../core/src/units/index.ts';
import { G, layFly, solveText, water } from '../../core/src/model/index.ts';
import { beatAt } from '../../core/src/records/beat.ts';
import type { Place } from '../../core/src/water/cast.ts';
import { Chain } from '../../core/src/water/chain.ts';
import { segmentsOf } from '../../core/src/water/segments.ts';
import type { Body } from '../../core/src/water/loads.ts';
import { ended, hangsOn, type OnDropper, type Otherwise, runWater, type WaterAsked } from '../../core/src/water/ask.ts';
import { readAsked, type WaterTexts } from '../../core/src/water/asked.ts';
import { Current } from '../../core/src/water/current.ts';
import { eyesTo } from '../../core/src/water/eyes.ts';
import { fish, USUAL_FISHING } from '../../core/src/water/fish.ts';
import { WaterFly } from '../../core/src/water/fly.ts';
import { type LinePiece, pieceOfDensity } from '../../core/src/water/line.ts';
import { countCards, countRows } from '../../core/src/water/paper.ts';
import { waysTo } from '../../core/src/water/reach.ts';
import { tackleOut, FLOATING, NO_TACKLE, USUAL_LEADER } from '../../core/src/water/tackle.ts';
import { WATER_WHYS, waterWhy } from '../../core/src/water/whys.ts';
import { whichFly } from '../../core/src/water/which.ts';

/** Runs of flies in water for the rules that are asked of them, by a process of its own: printed as one object. */
const WATER = water();
const NOTHING: Body = {
  massMg: 1e-3,
  sunkMg: 0,
  dryMg: 0,
  fadesMm: 2,
  dragPerSpeed: () => 0,
  reachMm: 0,
  friction: 0.6,
};
const uniform = (meanMmS: number, depthMm = 50_000): Current =>
  new Current({ depthMm, meanMmS, roughnessMm: 1e-9, bankShare: 1, widthMm: null });

const laidOf = (name: string) => {
  const solved = solveText(readFileSync(`examples/${name}.fly.json`, 'utf8'), NOMINAL_DRAWERS);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return solved.value.laid;
};
const slate = laidOf('slate-runner');

const beat = beatAt({
  format: 'jobbet.beat',
  version: 1,
  name: 'Deep Glide',
  depth: '6 m',
  speed: '0.5 m/s',
  bed: 'gravel',
});
if (!beat.ok) throw new Error('no beat');

function askedFor(texts: WaterTexts, current?: number): WaterAsked {
  const asked = readAsked({ manner: 'swing', ...texts }, slate.file);
  if (!asked.ok || !beat.ok) throw new Error(JSON.stringify(asked));
  return {
    ...asked.value,
    laid: slate,
    beat: current === undefined ? beat.value : { ...beat.value, meanMmS: current },
  };
}
function lowest(texts: WaterTexts, otherwise: Otherwise = {}, current?: number): number {
  const run = ended(runWater(askedFor(texts, current), otherwise));
  if (!run.ok) throw new Error(JSON.stringify(run.faults));
  return run.value.told.depth.lowestMm;
}

/** A piece of line between two of its nodes, let go or held, after so many seconds. */
function alone(
  pieces: readonly LinePiece[],
  places: (i: number, n: number) => Place,
  held: Place | null,
  fly: Body,
  current: Current,
  seconds: number,
): Chain {
  const segments = segmentsOf(pieces);
  const all = Array.from({ length: segments.length + 1 }, (_, i) => places(i, segments.length));
  const chain = new Chain(segments, all, { current, water: WATER, fly: () => fly, float: held ? null : NOTHING });
  for (let k = 0; k < seconds * 50; k++) chain.advance(1 / 50, held);
  return chain;
}
const sinking = [pieceOfDensity('line', 4000, 1, 1.35, WATER)];
const deepest = (chain: Chain): number =>
  Math.min(...Array.from({ length: chain.nodes }, (_, i) => chain.at[3 * i + 2] as number));

function limits() {
  const flat = alone(sinking, (i, n) => [(4000 * i) / n, 0, -1000], null, NOTHING, uniform(0), 4);
  const sag = alone(
    sinking,
    (i, n) => [(3000 * i) / n, 0, -1000 - 1300 * Math.sin((Math.PI * i) / n)],
    [0, 0, -1000],
    { ...NOTHING, massMg: 1e9 },
    uniform(0),
    60,
  );
  const weight: Body = {
    massMg: 1000,
    sunkMg: 600,
    dryMg: 900,
    fadesMm: 2,
    dragPerSpeed: (v) => 0.5 * WATER.density * 60 * v,
    reachMm: 0,
    friction: 0.6,
  };
  const even = Object.assign(uniform(400), { at: () => 400 });
  const hung = alone(
    [pieceOfDensity('leader', 2700, 0.25, 1.14, WATER)],
    (i, n) => [(2700 * i) / n, 0, 0],
    [0, 0, 0],
    weight,
    even,
    25,
  );
  return {
    flat_mm_s: -(flat.speed[14] as number),
    sag_mm: -deepest(sag) - 1000,
    lowest_mg: Math.min(...sag.pull.subarray(0, sag.nodes - 1)) / G,
    hang_mm: -deepest(hung),
  };
}

/** Energy of a weight on a line in still water that is let go aside, step by step. */
function energies(): number[] {
  const weight: Body = {
    massMg: 2000,
    sunkMg: 1500,
    dryMg: 1800,
    fadesMm: 2,
    dragPerSpeed: (v) => 30 * v,
    reachMm: 0,
    friction: 0.6,
  };
  const segments = segmentsOf([pieceOfDensity('leader', 2000, 0.3, 1.14, WATER)]);
  const places = Array.from({ length: segments.length + 1 }, (_, i): Place => [(2000 * i) / segments.length, 0, -500]);
  const chain = new Chain(segments, places, { current: uniform(0), water: WATER, fly: () => weight, float: null });
  const told = [chain.energy()];
  for (let k = 0; k < 300; k++) {
    chain.advance(1 / 50, [0, 0, -500]);
    told.push(chain.energy());
  }
  return told;
}

/** Where a swung fly is at its end, cast to either side. */
function mirrored(): readonly [readonly number[], readonly number[]] {
  const pieces = tackleOut(FLOATING, USUAL_LEADER, 12_000, WATER);
  if (!pieces.ok) throw new Error('no tackle');
  const ends = ([1, -1] as const).map((side) => {
    const fly = new WaterFly(slate);
    const segments = segmentsOf(pieces.value);
    let gone = 0;
    const places = [0, ...segments.map(({ lengthMm }) => lengthMm)].map((each): Place => {
      gone += each;
      return [0.5 * gone, side * 0.85 * gone, 0];
    });
    const chain = new Chain(segments, places, {
      current: uniform(500),
      water: WATER,
      fly: () => fly.body(),
      float: null,
    });
    for (let k = 0; k < 300; k++) chain.advance(1 / 30, [0, 0, 0]);
    return [...chain.at.subarray(3 * chain.flyNode, 3 * chain.flyNode + 3)];
  });
  return ends as [number[], number[]];
}

function finer() {
  const asked = askedFor({ seconds: '14 s' });
  const pieces = tackleOut(asked.line, asked.leader, asked.castMm, WATER);
  if (!pieces.ok || !beat.ok) throw new Error('no tackle');
  return [{}, { steps: 2 }, { nodes: 2 }].map((how) => {
    const fly = new WaterFly(slate);
    const track = ended(
      fish(fly, {
        current: new Current(asked.beat),
        water: WATER,
        pieces: pieces.value,
        fishing: { ...USUAL_FISHING, seconds: 14 },
        finer: how,
      }),
    );
    return Math.max(...track.moments.map(({ fly: [, , z] }) => -z));
  });
}

const TIP = 'sink-tip:4 m:75 mm/s';
const sweep = (cast: string): number => {
  const run = ended(runWater(askedFor({ cast, seconds: '60 s' })));
  return run.ok ? (run.value.told.swing?.sweepS ?? 60) : Number.NaN;
};
const still = (manner: string): number => lowest({ manner, seconds: '12 s' }, {}, 0);

/** Which of two flies fishes half a metre down, each on which line. */
function chosen() {
  const texts = { manner: 'swing', want: '0.5 m', seconds: '10 s' };
  const flies = ['slate-runner', 'night-sexton'].map((name) => ({ id: name, name, laid: laidOf(name) }));
  return ended(whichFly(flies, askedFor(texts), texts)).map(({ id, line, leader, misses, lowestMm }) => ({
    id,
    line,
    leader,
    misses,
    lowestMm,
  }));
}

/** What hangs below a float so that a light fly drifts at a depth in a current, and how deep it drifts with as much as that below it. */
function drifted() {
  const texts = { manner: 'dead-drift', want: '1.2 m', 'float-to-fly': '0.6 m', seconds: '12 s' };
  const asked = { ...askedFor(texts, 700), laid: laidOf('night-sexton') };
  const ways = ended(waysTo(asked, texts, { file: { intent: {} }, tackle: NO_TACKLE }));
  if (!ways.ok) throw new Error(JSON.stringify(ways.faults));
  const run = ended(runWater(asked));
  const free = (fly: string): number => {
    const drift = askedFor({ manner: 'dead-drift', float: 'no float', 'float-to-fly': '1 m', seconds: '20 s' }, 400);
    const freely = ended(runWater({ ...drift, laid: laidOf(fly) }));
    return freely.ok ? freely.value.told.depth.lowestMm : Number.NaN;
  };
  return {
    nowMm: run.ok ? run.value.told.depth.lowestMm : null,
    ways: ways.value,
    free: ['night-sexton', 'slate-runner'].map(free),
  };
}

/** Other eyes for a depth that a floating line leaves out of reach, how deep a fly with them goes, and what is offered where it is there already. */
function otherEyes() {
  const asked = askedFor({ manner: 'swing', want: '0.6 m', seconds: '16 s', line: 'floating' });
  const found = ended(eyesTo(asked, NOMINAL_DRAWERS));
  if (!found) return null;
  const laid = layFly(found.file, NOMINAL_DRAWERS);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  const run = ended(runWater({ ...asked, laid: laid.value }));
  return {
    reaches: found.reaches,
    lowestMm: found.lowestMm,
    againMm: run.ok ? run.value.told.depth.lowestMm : null,
    ride: laid.value.tight.ride,
    heavier: laid.value.dryMg / slate.dryMg,
    there: ended(eyesTo({ ...asked, laid: laid.value }, NOMINAL_DRAWERS)),
  };
}

/** A point fly alone and with a second one on the dropper, light or heavy; two that drift; one that is tied in too far up. */
function droppers() {
  const [light, heavy] = [laidOf('night-sexton'), slate];
  const asked = askedFor({ manner: 'swing', seconds: '14 s' });
  const depths = (dropper: OnDropper | null, of: WaterAsked = asked) => {
    const run = ended(runWater({ ...of, dropper }));
    if (!run.ok) throw new Error(JSON.stringify(run.faults));
    return [run.value.told.depth.lowestMm, run.value.told.dropper?.lowestMm ?? 0] as const;
  };
  const drift = askedFor({ manner: 'dead-drift', want: '2 m', seconds: '15 s' }, 200);
  const [point, second] = depths({ laid: light, aboveMm: 600 }, drift);
  const far = ended(runWater({ ...asked, dropper: { laid: light, aboveMm: 2690 } }));
  return {
    alone: depths(null)[0],
    light: depths({ laid: light, aboveMm: 900 }),
    heavy: depths({ laid: heavy, aboveMm: 900 }),
    apart: point - second,
    refused: far.ok ? [] : far.faults.map(({ message }) => message),
  };
}

/** What is offered where a floating line does not come down to a depth, m. */
function offered() {
  const texts = { manner: 'swing', want: '0.7 m', seconds: '16 s', line: 'floating' };
  const ways = ended(waysTo(askedFor(texts), texts, { file: { intent: {} }, tackle: NO_TACKLE }));
  if (!ways.ok) throw new Error(JSON.stringify(ways.faults));
  return ways.value.map(({ change, to, lowestMm, reaches }) => ({ change, to, lowestMm, reaches }));
}

/** A fly counted down in a pool of 4.5 m, by a metric tier and by one who goes by feet; and what stands on the card. */
function counted() {
  return (['mm', 'in'] as const).map((length) => {
    const style = { ...METRIC, length };
    const asked = askedFor({}, 0);
    const still = { ...asked, beat: { ...asked.beat, depthMm: 4500 } };
    const rows = ended(countRows(still, {}, { file: { intent: {} }, tackle: NO_TACKLE }, style));
    return {
      ...rows,
      words: countCards('Slate Runner', 'Deep Glide', rows, style).flatMap(({ items }) =>
        items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])),
      ),
    };
  });
}

/** What is said of every figure of a swing, a strip along the bed and a drift, in either unit. */
function whys() {
  const how: readonly WaterTexts[] = [
    { manner: 'swing', want: '0.5 m', seconds: '12 s' },
    { manner: 'strip', line: 'sinking 125 mm/s', count: '4 s', seconds: '14 s' },
    { manner: 'dead-drift', want: '0.8 m', seconds: '6 s' },
  ];
  return how.flatMap((texts, i) => {
    const asked = askedFor(texts);
    const at = { ...asked, beat: { ...asked.beat, depthMm: i === 1 ? 900 : asked.beat.depthMm } };
    const run = ended(runWater(at));
    const hangs = ended(hangsOn({ ...at, fishing: { ...at.fishing, seconds: Math.min(6, at.fishing.seconds) } }));
    if (!run.ok || !hangs.ok) throw new Error('it was not fished');
    const { track, told } = run.value;
    const of = { laid: slate, asked: at, moments: track.moments, told, range: null, hangs: hangs.value };
    return [METRIC, { ...METRIC, length: 'in', speed: 'ft/s', mass: 'gr' } as const].flatMap((style) =>
      WATER_WHYS.map((name) => ({ name, manner: at.fishing.manner, ...waterWhy(name, of, style) })),
    );
  });
}

console.log(
  JSON.stringify({
    whys: whys(),
    slateMg: slate.submergedMg,
    counted: counted(),
    droppers: droppers(),
    drifted: drifted(),
    otherEyes: otherEyes(),
    chosen: chosen(),
    offered: offered(),
    limits: limits(),
    energies: energies(),
    mirrored: mirrored(),
    finer: finer(),
    weight: [0.8, 1, 1.2, 1.5].map((weight) => lowest({}, { weight })),
    current: [0.3, 0.5, 0.7, 0.9].map((metres) => lowest({ line: TIP }, {}, 1000 * metres)),
    count: ['0 s', '3 s', '6 s', '9 s'].map((count) => lowest({ manner: 'strip', count }, {}, 0)),
    leader: ['0.2 mm', '0.3 mm', '0.4 mm'].map((thick) => lowest({ leader: `2.7 m:${thick}:nylon` })),
    denser: ['nylon', 'fluorocarbon'].map((of) => lowest({ leader: `2.7 m:0.3 mm:${of}` })),
    lines: ['floating', 'intermediate', TIP, 'sinking:75 mm/s', 'sinking:150 mm/s'].map((line) => lowest({ line })),
    sweeps: ['7 m', '11 m'].map(sweep),
    still: [still('swing'), still('count-down')],
  }),
);
