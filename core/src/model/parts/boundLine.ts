import { parsePosition, type PositionRelation, type PartExtent } from '../../pattern/index.ts';
import type { Vec3 } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import { freeLine, pointAlong } from './common.ts';
import type { FreeLine } from './forms.ts';

/**
 * The centre line of a strip or feather: along the shank from its first binding to its last, then free and straight. Lengths in mm,
 * `mm` along it counted from the first binding.
 */
export interface BoundLine {
  readonly line: FreeLine;
  readonly frontMm: number;
  /** x of the last binding. */
  readonly rearMm: number;
  readonly boundMm: number;
  readonly totalMm: number;
  readonly tipX: number;
  readonly bindings: readonly Vec3[];
  readonly onShank: (x: number) => Vec3;
  readonly centreAt: (x: number) => Vec3;
  /** mm along the line at x. */
  readonly alongAt: (x: number) => number;
  /** The point so many mm along it. */
  readonly pointAt: (mm: number) => Vec3;
}

/** Nine points along what is bound, for the drawing; none where nothing is. */
export const boundPoints = ({ boundMm, pointAt }: BoundLine): Vec3[] =>
  boundMm > 0 ? Array.from({ length: 9 }, (_, i) => pointAt((boundMm * i) / 8)) : [];

export interface Lying {
  readonly platform: Platform;
  readonly side: { readonly y: number; readonly z: number };
  readonly extent: PartExtent;
  /** Distance from the axis to the centre line where it is bound. */
  readonly standMm: (x: number) => number;
  readonly angle: number;
}

export function boundLine({ platform, side, extent, standMm, angle }: Lying): BoundLine {
  const frontMm = extent.bindingsMm[0] ?? extent.endMm;
  const { endMm } = extent;
  const boundMm = endMm - frontMm;
  const onShank = (x: number): Vec3 => [x, side.y * standMm(x), platform.axisZ(x) + side.z * standMm(x)];
  const line = freeLine(platform, side, endMm, extent.roundMm, standMm(endMm), angle, extent.lengthMm);
  const alongX = Math.max(1e-6, line.along[0]);
  return {
    line,
    frontMm,
    rearMm: endMm,
    boundMm,
    totalMm: boundMm + extent.lengthMm,
    tipX: line.root[0] + line.along[0] * extent.lengthMm,
    bindings: extent.bindingsMm.map(onShank),
    onShank,
    centreAt: (x) => (x <= endMm ? onShank(x) : pointAlong(line, (x - line.root[0]) / alongX)),
    alongAt: (x) => (x <= endMm ? x - frontMm : boundMm + (x - line.root[0]) / alongX),
    pointAt: (mm) => (mm <= boundMm ? onShank(frontMm + mm) : pointAlong(line, mm - boundMm)),
  };
}

/** A part that a rib binds down is bound where the rib begins and where it ends. */
export const bindingsOfRib = (rib: string | undefined): readonly PositionRelation[] =>
  rib === undefined
    ? []
    : [`${rib}.front`, `${rib}.rear`].flatMap((text) => {
        const read = parsePosition(text);
        return read.ok ? [read.relation] : [];
      });

const ON_LINE: Vec3 = [0, 0, 0];

/**
 * Volume and centroid of something laid along a line, mm³ and mm: `sectionMm2` of matter at each place, summed in slices.
 * @param asideMm how far the matter lies from the line there
 */
export function massAlong(
  line: BoundLine,
  sectionMm2: (mm: number) => number,
  asideMm: (mm: number) => Vec3 = () => ON_LINE,
): { readonly volumeMm3: number; readonly centroid: Vec3 } {
  const slices = 48;
  const dx = line.totalMm / slices;
  let volume = 0;
  const moment = [0, 0, 0];
  for (let i = 0; i < slices; i++) {
    const mm = (i + 0.5) * dx;
    const slice = sectionMm2(mm) * dx;
    const [at, aside] = [line.pointAt(mm), asideMm(mm)];
    volume += slice;
    for (let axis = 0; axis < 3; axis++)
      moment[axis] = (moment[axis] ?? 0) + slice * ((at[axis] ?? 0) + (aside[axis] ?? 0));
  }
  const [x = 0, y = 0, z = 0] = moment.map((sum) => (volume > 0 ? sum / volume : 0));
  return { volumeMm3: volume, centroid: [x, y, z] };
}
