import type { PhotoFound } from './find.ts';

/** What a photograph told, under the keys the command line promises. */
export interface PhotoReport {
  readonly mm_per_px: number;
  /** What set the scale. */
  readonly scaled_by: PhotoFound['scaledBy'];
  readonly landmarks_px: Readonly<Record<string, readonly [number, number]>>;
  readonly lengths_mm: Readonly<Record<string, number>>;
  /** One standard deviation, of lengths and landmarks. */
  readonly errors_mm: Readonly<Record<string, number>>;
  /** The gap that is left between point and dressing, and by plan; null where it is covered. */
  readonly gap_mm: number | null;
  readonly plan_gap_mm: number | null;
  /** How thick the body is, by station. */
  readonly depths_mm: Readonly<Record<string, number>>;
  /** How far hackles stand off the shank, by part. */
  readonly angles_deg: Readonly<Record<string, number>>;
  readonly area_mm2: number;
  readonly area_error_mm2: number;
  readonly confidence: number;
  readonly notes: readonly string[];
}

const round = (value: number): number => Math.round(value * 1e4) / 1e4;

/** What of a fly found in a photograph is printed. */
export function reportPhoto({ mmPerPx, landmarks, lengths, shape, ...found }: PhotoFound): PhotoReport {
  const marks = Object.entries(landmarks);
  const errors: [string, number][] = [
    ...lengths.map(({ measure, spreadMm }): [string, number] => [measure, round(spreadMm)]),
    ...marks.map(([name, { spread }]): [string, number] => [name, round(spread * mmPerPx)]),
  ];
  return {
    scaled_by: found.scaledBy,
    mm_per_px: Number(mmPerPx.toPrecision(6)),
    landmarks_px: Object.fromEntries(marks.map(([name, { at }]) => [name, [round(at[0]), round(at[1])] as const])),
    lengths_mm: Object.fromEntries(lengths.map(({ measure, mm }) => [measure, round(mm)])),
    errors_mm: Object.fromEntries(errors),
    gap_mm: shape.gap && round(shape.gap.mm),
    plan_gap_mm: shape.gap && round(shape.gap.planMm),
    depths_mm: Object.fromEntries(shape.depths.map(({ station, mm }) => [String(station), round(mm)])),
    angles_deg: Object.fromEntries(shape.angles.map(({ part, deg }) => [part, round(deg)])),
    area_mm2: round(found.areaMm2),
    area_error_mm2: round(found.areaSpreadMm2),
    confidence: round(found.confidence),
    notes: found.notes,
  };
}
