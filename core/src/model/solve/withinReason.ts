import type { FlyFile, MeasureResult, PartExtent } from '../../pattern/index.ts';
import type { Vec3 } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import { type Fault, MOST_MM, tooLong } from '../../base/index.ts';

/** Nothing on a fly weighs more, mg: one kilogram. */
const MOST_MG = 1_000_000;

/** A place may lie a metre beyond either end of what is a metre long. */
const FARTHEST_MM = 2 * MOST_MM;

const within =
  (most: number) =>
  (mm: number | null | undefined): boolean =>
    mm === null || mm === undefined || Math.abs(mm) <= most;
const [isLength, isPlace] = [within(MOST_MM), within(FARTHEST_MM)];

/** The first of a part's measures that no fly has: one that was written, else what those written come to. */
function extentFault(extent: PartExtent, path: string): Fault[] {
  for (const [key, { mm, low, high, roundMm }] of Object.entries(extent.readings)) {
    const far = [mm, low, high, roundMm].find((each) => !(key in extent.lengths ? isLength : isPlace)(each));
    if (far !== undefined) return [tooLong(`${path}.${key}`, far)];
  }
  const { startMm, endMm, tipMm, lengthMm, buttsToMm, bandMm, bindingsMm } = extent;
  const far =
    [lengthMm, ...(bandMm ?? [])].find((each) => !isLength(each)) ??
    [startMm, endMm, tipMm, buttsToMm, ...bindingsMm].find((each) => !isPlace(each));
  return far === undefined || far === null ? [] : [tooLong(path, far)];
}

/** Faults of lengths over one metre, and of such as are no number at all, each with the place it was written. */
export function lengthFaults(file: FlyFile, measures: MeasureResult): Fault[] {
  return [
    ...(isLength(measures.headSpaceMm) ? [] : [tooLong('platform.headSpace', measures.headSpaceMm)]),
    ...file.parts.flatMap((part, i) => {
      const extent = measures.extents.get(part.id.toLowerCase());
      return extent ? extentFault(extent, `parts[${String(i)}]`) : [];
    }),
  ];
}

/** The fault of a platform whose measures come to more than a metre, or to no number. */
export function platformFaults({ kind, shankMm, hookMm, landmarksMm, sections, lumps }: Platform): Fault[] {
  const all = [shankMm, hookMm, ...Object.values(landmarksMm), ...sections.flatMap((each) => [each.fromMm, each.toMm])];
  const mm = all.find((each) => !isPlace(each));
  if (mm !== undefined && mm !== null) return [tooLong('platform', mm)];
  const mg = lumps.reduce((sum, each) => sum + each.massMg, 0);
  return mg <= MOST_MG ? [] : [tooHeavy('platform', `the ${kind}`, mg)];
}

function tooHeavy(path: string, what: string, mg: number): Fault {
  const weight = mg < 1e9 ? `${(mg / 1e6).toFixed(1)} kg` : 'more than can be weighed';
  return { path, code: 'range', message: `${what} comes to ${weight}; nothing on a fly is over 1 kg` };
}

/** What is looked at of a part that was laid out. */
interface Weighed {
  readonly file: { readonly id: string };
  readonly index: number;
  readonly massMg: number;
  readonly volumeMm3: number;
  readonly centroid: Vec3;
}

/** Faults of parts that weigh over a kilogram or come to no number, and of a fly that does. */
export function massFaults(parts: readonly Weighed[], dryMg: number): Fault[] {
  const faults = parts.flatMap(({ file, index, massMg, volumeMm3, centroid }) =>
    [massMg, volumeMm3, ...centroid].every(Number.isFinite) && massMg <= MOST_MG
      ? []
      : [tooHeavy(`parts[${String(index)}]`, `the ${file.id}`, massMg)],
  );
  return faults.length > 0 || dryMg <= MOST_MG ? faults : [tooHeavy('', 'the fly', dryMg)];
}
