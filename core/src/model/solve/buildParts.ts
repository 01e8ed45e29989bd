import type { Drawers } from '../../drawers/index.ts';
import type { Part, FlyFile, MeasureResult } from '../../pattern/index.ts';
import { HEAD_RANK, LAST_BY_RANK } from '../parts/common.ts';
import { buildPart, windingRank } from '../parts/registry.ts';
import type { ThreadWork } from '../parts/thread.ts';
import type { BuiltPart, Ground } from '../parts/types.ts';
import type { Section } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { lastKept, NOTHING, radiusOver, type Layer } from './layers.ts';

const SAMPLES = 16;

/** The thread head lies over all but what is glued on it, which is finished later than any part of the list. */
const headLayer = ({ headMm, forms }: ThreadWork): Layer[] =>
  headMm === null
    ? []
    : forms
        .filter((form) => form.kind === 'thread' && form.head)
        .map((form) => ({
          index: Number.POSITIVE_INFINITY,
          rank: Number.POSITIVE_INFINITY,
          fromMm: headMm[0],
          toMm: headMm[1],
          outer: form.kind === 'thread' ? form.radiusMm : () => 0,
          under: NOTHING,
        }));

const isGlued = (part: Part): boolean => part.construction === 'ball' && part.shape === 'disc';

/** The work that lies under a part: by rank where both are wound, by tying order otherwise. A disc lies on all that is finished. */
function layersUnder(
  layers: readonly Layer[],
  head: readonly Layer[],
  part: Part,
  index: number,
  rank: number,
): Layer[] {
  if (isGlued(part)) return [...layers, ...head];
  return layers.filter((layer) =>
    rank < HEAD_RANK - 1 && layer.rank <= LAST_BY_RANK && layer.rank !== rank ? layer.rank < rank : layer.index < index,
  );
}

/** What every part of a fly is built on. */
export interface Bench {
  readonly file: FlyFile;
  readonly platform: Platform;
  readonly drawers: Drawers;
  readonly measures: MeasureResult;
  readonly thread: ThreadWork;
}

function groundFor(bench: Bench, under: readonly Layer[], part: Part, done: ReadonlyMap<string, BuiltPart>): Ground {
  const { platform, drawers, thread, file } = bench;
  const base = (part.construction === 'wrap' ? platform.windMm / 2 : platform.surfaceMm) + thread.bedMm;
  const radiusUnder = radiusOver(under, base);
  const meanDiameterUnder = (fromMm: number, toMm: number): number => {
    if (under.length === 0) return 2 * base;
    let sum = 0;
    for (let i = 0; i < SAMPLES; i++) sum += 2 * radiusUnder(fromMm + ((i + 0.5) / SAMPLES) * (toMm - fromMm));
    return sum / SAMPLES;
  };
  const sectionsOf = (id: string): readonly Section[] =>
    id.toLowerCase() === 'head' && thread.headMm !== null
      ? thread.sections.filter((each) => each.owner === 'head')
      : (done.get(id.toLowerCase())?.sections ?? []);
  const goesOnAs = file.parts.find((each) => sameId(each.continues, part.id))?.id ?? null;
  return { platform, drawers, bedMm: thread.bedMm, radiusUnder, meanDiameterUnder, sectionsOf, goesOnAs };
}

const sameId = (a: string | undefined, b: string): boolean => a?.toLowerCase() === b.toLowerCase();

/** A part whose piece goes on from another is of that one's material where it names none itself. */
function asPiece(part: Part, file: FlyFile): Part {
  if (part.material !== undefined || part.continues === undefined) return part;
  const source = file.parts.find((each) => sameId(part.continues, each.id));
  return source?.material === undefined ? part : { ...part, material: source.material };
}

/** Builds parts from the shank outward: wound work by rank, the rest in tying order. @returns built parts by their index in the file */
export function buildParts(bench: Bench): Outcome<Map<number, BuiltPart>> {
  const { file, measures } = bench;
  const order = file.parts
    .map((part, index) => ({ part, index, rank: windingRank(part) }))
    .sort((a, b) => a.rank - b.rank || a.index - b.index);
  const head = headLayer(bench.thread);
  const layers: Layer[] = [];
  const done = new Map<string, BuiltPart>();
  const builtParts = new Map<number, BuiltPart>();
  const faults: Fault[] = [];
  for (const { part, index, rank } of order) {
    const extent = measures.extents.get(part.id.toLowerCase());
    if (!extent) continue;
    const under = layersUnder(layers, head, part, index, rank);
    const ground = groundFor(bench, under, part, done);
    const built = buildPart(asPiece(part, file), extent, ground, `parts[${String(index)}]`);
    if (!built.ok) {
      faults.push(...built.faults);
      continue;
    }
    const whole = withPieceNotes(built.value, part, ground);
    builtParts.set(index, whole);
    done.set(part.id.toLowerCase(), whole);
    const { outer } = built.value;
    if (outer) {
      // A ball is as thick as it is, whatever lies under it.
      const holds = part.construction === 'ball' ? NOTHING : new Set(under);
      layers.push({ index, rank, fromMm: extent.startMm, toMm: extent.endMm, outer: lastKept(outer), under: holds });
    }
  }
  return faults.length > 0 ? bad(...faults) : good(builtParts);
}

/** One piece with two jobs is told at both ends. */
function withPieceNotes(built: BuiltPart, part: Part, ground: Ground): BuiltPart {
  const told = [
    ...(part.continues === undefined ? [] : [`goes on from ${part.continues}: one piece, cut and stocked once`]),
    ...(ground.goesOnAs === null ? [] : [`goes on as ${ground.goesOnAs}: one piece, cut and stocked once`]),
  ];
  return told.length === 0 ? built : { ...built, notes: [...built.notes, ...told] };
}
