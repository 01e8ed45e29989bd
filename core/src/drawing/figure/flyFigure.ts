import type { PlatformFile } from '../../pattern/index.ts';
import { type PartForm, windingRank, type LaidFly } from '../../model/index.ts';
import { featherFibres, spunFibres, tubingFibres } from './bladeFibres.ts';
import { bundleFibres, hackleFibres, isFuzzy, stripFibres, woundFibres } from './fibres.ts';
import { draftedLines } from './drafted.ts';
import { seedOf } from '../../numeric/index.ts';
import type { FibreSet } from './sheaf.ts';
import { isStrands, solidsOf } from './solids.ts';
import type { FlyFigure, PartFigure, Solid } from './types.ts';
import { smoothed } from './smoothed.ts';

const HOOK_TINTS: Readonly<Record<string, string>> = {
  bronze: '#4a3d30',
  japanned: '#23282a',
  nickel: '#8d969a',
  stainless: '#8d969a',
  tin: '#9aa3a6',
};
function fibresOf(form: PartForm, seed: number): FibreSet | null {
  switch (form.kind) {
    case 'bundle':
      if (form.manner === 'tubing') return tubingFibres(form, seed);
      return isStrands(form) ? null : bundleFibres(form, seed);
    case 'feather':
      return featherFibres(form, seed);
    case 'spun':
      return spunFibres(form, seed);
    case 'strip':
      return stripFibres(form, seed);
    case 'hackle':
      return hackleFibres(form, seed);
    case 'wound':
      return isFuzzy(form.manner) ? woundFibres({ ...form, manner: form.manner }, seed) : null;
    case 'ball':
    case 'thread':
    case 'sheet':
    case 'coat':
    case 'support':
      return null;
  }
}

/** The primitives of one part; two clumps of a part (near and far) share its tints. */
export function partFigure(id: string, layer: number, forms: readonly PartForm[]): PartFigure {
  const seed = (i: number): number => seedOf(`${id}/${String(i)}`);
  const sets = forms.map((form, i) => fibresOf(form, seed(i))).filter((set): set is FibreSet => set !== null);
  const fibres = new Float32Array(sets.reduce((sum, set) => sum + set.fibres.length, 0));
  let at = 0;
  for (const set of sets) {
    fibres.set(set.fibres, at);
    at += set.fibres.length;
  }
  return {
    id,
    layer,
    solids: forms.flatMap((form, i) => solidsOf(form, seed(i))),
    fibres,
    drafted: forms.flatMap(draftedLines),
    tints: sets[0]?.tints ?? [],
    broadest: Math.max(0, ...sets.map((set) => set.broadest)),
  };
}

/** The finish of the hook, or of the one behind a tube or shank. */
function finishOf(platform: PlatformFile): string | undefined {
  return platform.kind === 'tube' || platform.kind === 'shank' ? platform.hook?.finish : platform.finish;
}

/** Makes the figure of one part; a cache may answer with one it has. */
export type FigureOf = (id: string, layer: number, forms: readonly PartForm[]) => PartFigure;

const THREAD_LAYER = 0;
const HEAD_LAYER = 20;

/** Turns a laid fly into seeded primitives in mm. Parts come in tying order; the platform and its thread come first. */
export function flyFigure(laid: LaidFly, figureOf: FigureOf = partFigure): FlyFigure {
  const wires = laid.platform.wires.map((wire): Solid => ({
    kind: 'wire',
    run: wire.kind,
    points: smoothed(wire.points),
    diameterMm: wire.diameterMm,
    spearMm: wire.spearMm,
    barb: wire.barb,
  }));
  const { tube } = laid.platform;
  const platform: PartFigure = {
    id: 'platform',
    layer: 0,
    solids: tube ? [...wires, { kind: 'tube', ...tube }] : wires,
    fibres: new Float32Array(0),
    drafted: [],
    tints: [HOOK_TINTS[finishOf(laid.file.platform) ?? 'japanned'] ?? '#23282a'],
    broadest: 0,
  };
  const threadForms = (head: boolean): PartForm[] =>
    laid.thread.forms.filter((form) => form.kind === 'thread' && form.head === head);
  const parts = laid.parts.map((part) => figureOf(part.built.id, windingRank(part.file), part.built.forms));
  const thread = figureOf('thread', THREAD_LAYER, threadForms(false));
  return { platform, parts: [thread, ...parts, figureOf('head', HEAD_LAYER, threadForms(true))] };
}
