import { findingsOf } from '../src/checks/checkFly.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/index.ts';
import { type LaidFly, layFly, type SolvedFly, solveLaid } from '../src/model/index.ts';
import type { Ellipse, Section } from '../src/model/platform/section.ts';
import { cutLength, pointsOf } from '../src/model/solve/cutLength.ts';
import { noise } from '../src/numeric/index.ts';
import { readFlyValue } from '../src/pattern/read.ts';
import { tyingPlan } from '../src/tying/index.ts';
import { METRIC } from '../src/units/index.ts';
import { PLATFORMS, TIED } from './everything.ts';

/** Flies in lines: what is laid out, found, cut and tied of them, to be held against what it was. */

const NOTHING = 1e-9;

/** Six digits of a figure: more than anybody measures, fewer than machines differ in. */
const six = (value: unknown): string =>
  typeof value === 'number'
    ? Number.isFinite(value)
      ? String(Math.abs(value) < NOTHING ? 0 : Number(value.toPrecision(6)))
      : String(value)
    : typeof value === 'boolean' || value === null || value === undefined
      ? String(value ?? '–')
      : typeof value === 'string'
        ? value
        : `(${Object.values(value).map(six).join(' ')})`;
export const told = (...values: readonly unknown[]): string => values.map(six).join(' ');

const LOOKED_AT = [0, 0.21, 0.5, 0.83, 1] as const;

/** What a section is, looked at in five places; each figure counts by where it stands, so that no two can change places. */
export function sectionFigures(section: Section): number[] {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const sums = [0, 0, 0, 0, 0, 0];
  LOOKED_AT.forEach((share, i) => {
    const x = section.fromMm + share * (section.toMm - section.fromMm);
    cut.opacity = 1;
    section.at(x, cut);
    [cut.y, cut.z, cut.semiY, cut.semiZ, cut.opacity, section.endOn?.(x) ?? 0].forEach((value, k) => {
      sums[k] = (sums[k] ?? 0) + (i + 1) * value;
    });
  });
  const { fromMm, toMm, softness, ballMm, turn, leastSemiMm, coreMm, root } = section;
  const roots = root === 'axis' ? 0 : root.flat().reduce((sum, value, i) => sum + (i + 1) * value, 0);
  return [...sums, fromMm, toMm, softness, ballMm, turn, leastSemiMm, coreMm, roots];
}

/** All sections of one owner, added up by their order. */
function sectionsOf(laid: LaidFly, owner: string): string {
  const own = laid.sections.filter((each) => each.owner === owner);
  const sums = own
    .map(sectionFigures)
    .reduce<number[]>((sum, figures, i) => figures.map((value, k) => (sum[k] ?? 0) + (1 + i / 7) * value), []);
  return told(own.length, ...sums);
}

/** A fly as it is laid out, a line for the whole and one for each thing on it. */
export function laidLines(laid: LaidFly): string[] {
  const { headMm, headSpaceMm, dryMg, castingMg, submergedMg, gravity, buoyancy, effectiveGapMm, tipping } = laid;
  const { ride, heelDeg, momentMgMm, lateralMgMm } = laid.tight;
  return [
    told(headMm, headSpaceMm, dryMg, castingMg, submergedMg, gravity, buoyancy, effectiveGapMm, tipping ?? '–'),
    told(ride, heelDeg, momentMgMm, lateralMgMm),
    ...laid.parts.map(({ file, extent, massMg, volumeMm3, submergedMg: under, centroid }) =>
      told(file.id, massMg, volumeMm3, under, centroid, extent, '|', sectionsOf(laid, file.id)),
    ),
    `thread ${told(laid.thread.bedMm, laid.thread.skinMm2, laid.thread.headMm ?? '–', laid.thread.lumps)} | ${sectionsOf(laid, 'thread')}`,
    `platform ${sectionsOf(laid, 'platform')}`,
  ];
}

/** Works something out once for a fly. */
function once<T>(of: (laid: LaidFly) => T): (laid: LaidFly) => T {
  const known = new WeakMap<LaidFly, { readonly of: T }>();
  return (laid) => {
    let it = known.get(laid);
    if (!it) known.set(laid, (it = { of: of(laid) }));
    return it.of;
  };
}

export const solvedOf = once((laid): SolvedFly => {
  const solved = solveLaid(laid);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return solved.value;
});
export const foundOn = once((laid) => findingsOf(solvedOf(laid)));
export const planOf = once((laid) => tyingPlan(laid, METRIC));

/** What is found on a fly, and which lines of its file a fix would write. */
export function foundLines(laid: LaidFly): string[] {
  const before = new Set(JSON.stringify(laid.file, null, 1).split('\n'));
  return foundOn(laid).map(({ code, severity, parts, figure, limit, atMm, fix, with: alike }) => {
    const writes = fix
      ? JSON.stringify(fix.file, null, 1)
          .split('\n')
          .filter((line) => !before.has(line))
          .map((line) => line.trim())
      : [];
    return told(severity, code, parts.join('+'), figure, limit, atMm, alike?.join('+') ?? '', ...writes);
  });
}

/** What is cut for each thing on a fly, and where it is held up against the hook. */
export const cutLines = (laid: LaidFly): string[] =>
  laid.parts.map((part) => told(part.file.id, cutLength(part, laid), pointsOf(part, laid)));

/** A fly of which each thing sits some way round the shank, and has more on one side. */
export function askewLines({ file }: LaidFly): string[] {
  const laid = layFly(file, NOMINAL_DRAWERS, new Map(file.parts.map(({ id }) => [id, { rollDeg: 20, split: 0.3 }])));
  return laid.ok ? laidLines(laid.value).map((line) => `askew ${line}`) : ['askew it does not lay out'];
}

/** Numbers as one, each counted by where it stands. */
export const weighed = (numbers: readonly number[]): number =>
  numbers.reduce((sum, value, i) => sum + (1 + (i % 13)) * value, numbers.length);

/** All numbers of a drawing. */
export const drawnFigure = (markup: string): number => weighed((markup.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number));

/** How a fly is tied, step by step, in figures. */
export function tiedLines(laid: LaidFly): string[] {
  const plan = planOf(laid);
  return [
    told(plan.threadMm, plan.travelMm, plan.moves.map(({ part, does }) => `${part.file.id}/${does}`).join(' ')),
    ...plan.steps.map((step) =>
      told(
        step.key,
        step.measure?.mm ?? '–',
        step.measure?.span ?? '–',
        step.thread ?? '–',
        step.asksG,
        step.turned,
        step.cutMm,
        step.tieInMm,
        step.buttMm,
        step.turns,
        step.pitchMm,
        step.direction,
        step.end,
        step.dryS,
        step.techniques.join('+'),
        step.drawn.join('+'),
        step.how.length,
        step.inHand.length,
        step.look.length,
      ),
    ),
  ];
}

export const laidOf = (file: unknown): LaidFly | null => {
  const read = readFlyValue(file);
  const laid = read.ok ? layFly(read.value) : read;
  return laid.ok ? laid.value : null;
};

/** What is not the same without it. */
export const otherThan = (usual: readonly string[], lines: readonly string[]): string[] =>
  lines.filter((line) => !usual.includes(line));

/** What flies are meant for, one after another. */
const INTENTS = [
  undefined,
  { ride: 'point-up', water: { kind: 'salt' } },
  { ride: 'point-down', sink: 'slow', manner: 'swing' },
  { sink: 'fast', depth: '1 m', current: '20 cm/s', manner: 'jig' },
  { trim: 'level', line: 'sinking', manner: 'strip', water: { kind: 'brackish', temperature: '15 C' } },
] as const;

/** A fly of some things that are tied, picked by a seed. @param most so many things at most */
export function mixedFly(seed: number, most = 6): unknown {
  const pick = (k: number, of: number): number => Math.floor(noise(seed, k, 0) * of);
  const kinds = Object.keys(PLATFORMS);
  const platform = PLATFORMS[kinds[pick(1, kinds.length)] ?? ''] ?? {};
  const parts = Array.from({ length: 3 + pick(2, most - 2) }, (_, i) => {
    const { part } = TIED[pick(10 + i, TIED.length)] as (typeof TIED)[number];
    return { ...part, id: `${String(part['id'])}${i === 0 ? '' : `-${String(i)}`}` };
  }).filter((part: Readonly<Record<string, unknown>>) => part['construction'] !== 'coat');
  const intent = INTENTS[seed % INTENTS.length];
  return {
    format: 'jobbet.fly',
    version: 1,
    name: `Mixed ${String(seed)}`,
    ...(intent ? { intent } : {}),
    platform,
    thread: { denier: seed % 2 === 0 ? 140 : 70, colour: 'black' },
    head: seed % 3 === 0 ? 'neat' : 'bold',
    finish: { coats: ['varnish'] },
    parts,
  };
}
