import { type Drawers, NOMINAL_DRAWERS } from '../../drawers/index.ts';
import type { FlyFile, Part, MeasureResult, PartExtent } from '../../pattern/index.ts';
import { measurePart } from '../parts/registry.ts';
import { threadWork, type ThreadWork } from '../parts/thread.ts';
import { tiedAskew, type Askew } from '../parts/askew.ts';
import type { BuiltPart } from '../parts/types.ts';
import { layPlatform } from '../platform/registry.ts';
import type { Section, Vec3 } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { tightKeel, type TightKeel } from '../balance/keel.ts';
import { sumWeights, weightCentre, type PointWeight } from '../balance/model.ts';
import { tippingWeight, type Tipping } from '../balance/tipping.ts';
import type { Water } from '../balance/water.ts';
import { effectiveGap } from './effectiveGap.ts';
import { buildParts } from './buildParts.ts';
import { intentFaults, waterOf } from './intent.ts';
import { measureParts } from './measureParts.ts';
import { totalOf, type Totals } from './totals.ts';
import { lengthFaults, massFaults, platformFaults } from './withinReason.ts';

/** A part that is measured, placed and weighed. Masses mg, volume mm³, lengths mm. */
export interface LaidPart {
  readonly index: number;
  readonly file: Part;
  readonly extent: PartExtent;
  readonly built: BuiltPart;
  readonly massMg: number;
  readonly volumeMm3: number;
  readonly submergedMg: number;
  readonly centroid: Vec3;
}

/** A fly laid out: every length solved, every part weighed, and the keel on a tight line. Quick enough to follow a hand. */
export interface LaidFly {
  readonly file: FlyFile;
  readonly platform: Platform;
  readonly water: Water;
  readonly parts: readonly LaidPart[];
  readonly thread: ThreadWork;
  readonly headMm: number;
  readonly headSpaceMm: number;
  readonly measures: MeasureResult;
  readonly sections: readonly Section[];
  readonly weights: readonly PointWeight[];
  readonly dryMg: number;
  readonly castingMg: number;
  readonly submergedMg: number;
  readonly gravity: Vec3;
  readonly buoyancy: Vec3;
  readonly submergedCentre: Vec3 | null;
  readonly tight: TightKeel;
  readonly tipping: Tipping | null;
  /** What is left of the gap over the point, mm; null without a hook. */
  readonly effectiveGapMm: number | null;
}

const EVEN: ReadonlyMap<string, Askew> = new Map();

/** Mass, volume and mass centroid of the platform alone. */
export const platformTotals = (platform: Platform): Totals => totalOf(platform.lumps);

function layPart(file: Part, index: number, extent: PartExtent, built: BuiltPart, inWater: Water): LaidPart {
  const sum = totalOf(built.lumps);
  const middle: Vec3 = [(extent.startMm + extent.endMm) / 2, 0, 0];
  return {
    index,
    file,
    extent,
    built,
    massMg: sum.massMg,
    volumeMm3: sum.volumeMm3,
    submergedMg: sum.massMg - inWater.density * sum.volumeMm3,
    centroid: sum.massMg > 0 ? sum.gravity : middle,
  };
}

function heaviestTipping(
  parts: readonly LaidPart[],
  tight: TightKeel,
  platform: Platform,
  inWater: Water,
): Tipping | null {
  const sided = parts.filter((part) => part.built.ball?.sided === true).sort((a, b) => b.massMg - a.massMg)[0];
  return sided?.built.ball
    ? tippingWeight(
        { id: sided.built.id, massMg: sided.massMg, submergedMg: sided.submergedMg, ...sided.built.ball },
        tight.momentMgMm,
        platform.towPoint[2],
        inWater,
      )
    : null;
}

/**
 * Lays a fly out: platform, relations, parts, weights, tight-line keel and tipping weight.
 * @param drawers tables of materials; the built-in nominal ones when left out
 * @param askew what is tied to one side, by the part's id; nothing when left out
 * @returns the laid fly, or every fault with its path in the file
 */
export function layFly(
  file: FlyFile,
  drawers: Drawers = NOMINAL_DRAWERS,
  askew: ReadonlyMap<string, Askew> = EVEN,
): Outcome<LaidFly> {
  const [platformRead, waterRead] = [layPlatform(file.platform, drawers.hooks), waterOf(file.intent)];
  const early = [
    ...(platformRead.ok ? [] : platformRead.faults),
    ...(waterRead.ok ? [] : waterRead.faults),
    ...intentFaults(file.intent),
  ];
  if (!platformRead.ok || !waterRead.ok) return bad(...early);
  const platform = platformRead.value;
  const absurd = platformFaults(platform);
  if (absurd.length > 0) return bad(...early, ...absurd);
  const reads = file.parts.map((part, i) => measurePart(part, `parts[${String(i)}]`, { platform, drawers }));
  const syntax = reads.flatMap((read) => (read.ok ? [] : read.faults));
  const unread = new Set(file.parts.filter((_, i) => reads[i]?.ok === false).map((part) => part.id.toLowerCase()));
  const readable = reads.flatMap((read) => (read.ok ? [read.value] : []));
  const measured = measureParts(file, platform, readable, unread);
  if (!measured.ok) return bad(...early, ...syntax, ...measured.faults);
  const told = [...early, ...syntax, ...measured.value.faults];
  const faults = told.length > 0 ? told : lengthFaults(file, measured.value);
  if (faults.length > 0) return bad(...faults);
  const thread = threadWork(file, platform, measured.value.headSpaceMm);
  const built = buildParts({ file, platform, drawers, measures: measured.value, thread });
  if (!built.ok) return built;
  const tied = new Map(
    [...built.value].map(([index, part]): [number, BuiltPart] => {
      const how = askew.get(part.id);
      return [index, how ? tiedAskew(part, how, platform.axisZ) : part];
    }),
  );
  const laid = assemble(file, platform, waterRead.value, measured.value, thread, tied);
  const heavy = massFaults(laid.parts, laid.dryMg);
  return heavy.length > 0 ? bad(...heavy) : good(laid);
}

function assemble(
  file: FlyFile,
  platform: Platform,
  inWater: Water,
  measures: MeasureResult,
  thread: ThreadWork,
  built: ReadonlyMap<number, BuiltPart>,
): LaidFly {
  const parts = file.parts.flatMap((part, index) => {
    const [extent, made] = [measures.extents.get(part.id.toLowerCase()), built.get(index)];
    return extent && made ? [layPart(part, index, extent, made, inWater)] : [];
  });
  const lumps = [...platform.lumps, ...thread.lumps, ...parts.flatMap((part) => part.built.lumps)];
  const weights = lumps.map((lump): PointWeight => ({
    submergedMg: lump.massMg - inWater.density * lump.volumeMm3,
    at: lump.centroid,
  }));
  const sums = sumWeights(weights);
  const all = totalOf(lumps);
  const tight = tightKeel({ weights, tow: platform.towPoint, pointUp: platform.pointUp });
  return {
    file,
    platform,
    water: inWater,
    parts,
    thread,
    measures,
    headMm: measures.headMm,
    headSpaceMm: measures.headSpaceMm,
    weights,
    sections: [...platform.sections, ...thread.sections, ...parts.flatMap((part) => part.built.sections)],
    dryMg: all.massMg,
    submergedMg: sums.total,
    castingMg:
      all.massMg + (file.measured?.waterFactor ?? 1) * parts.reduce((sum, part) => sum + part.built.waterMg, 0),
    gravity: all.gravity,
    buoyancy: all.buoyancy,
    submergedCentre: weightCentre(sums),
    tight,
    tipping: heaviestTipping(parts, tight, platform, inWater),
    effectiveGapMm: effectiveGap(
      platform,
      parts.map(({ extent, built: each }) => ({ startMm: extent.startMm, endMm: extent.endMm, built: each })),
      thread.bedMm,
    ),
  };
}
