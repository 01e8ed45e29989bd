import { platformWords } from '../../../contract/index.ts';
import type { LaidFly, LaidPart } from '../../../model/index.ts';

/** A length to be held against the hook: from where it is tied in or bound to where it ends, mm along the shank. */
export interface GaugeBar {
  readonly name: string;
  readonly fromMm: number;
  readonly toMm: number;
  /** What is written beside it: the free length, the fibre, the bare shank. */
  readonly lengthMm: number;
  /** Whether its far end is a place on the finished fly; fibres are laid along the shank to be measured. */
  readonly place: boolean;
}

/** A place something is tied in at, begins or ends at. */
export interface GaugeTick {
  readonly names: readonly string[];
  readonly mm: number;
}

/** What one hook's strip of a gauge card shows; all in mm, x aft of the eye, z away from the point. */
export interface GaugeStrip {
  readonly platform: string;
  readonly shankMm: number;
  readonly gapMm: number | null;
  readonly nominal: boolean;
  readonly ticks: readonly GaugeTick[];
  readonly bars: readonly GaugeBar[];
  readonly wires: readonly {
    readonly points: readonly (readonly [x: number, z: number])[];
    readonly diameterMm: number;
  }[];
  readonly tube: { readonly lengthMm: number; readonly outsideMm: number } | null;
  readonly frontMm: number;
  readonly rearMm: number;
  readonly topMm: number;
  readonly bottomMm: number;
}

/** Ticks nearer than this are one. */
const ONE_TICK_MM = 0.25;
const LEAST_BAR_MM = 0.05;

function ticksOfPart({ file, extent, built }: LaidPart): GaugeTick[] {
  const tick = (name: string, mm: number): GaugeTick => ({ names: [name], mm });
  if (built.ball) return [tick(file.id, extent.readings['at']?.mm ?? extent.startMm)];
  if (file.construction === 'coat') return [];
  if ('from' in file && file.from !== undefined)
    return [tick(`${file.id} front`, extent.startMm), tick(`${file.id} rear`, extent.endMm)];
  return extent.bindingsMm.length > 0
    ? extent.bindingsMm.map((mm) => tick(file.id, mm))
    : [tick(file.id, extent.readings['at']?.mm ?? extent.startMm)];
}

function ticksOf(laid: LaidFly): GaugeTick[] {
  const { point, bend } = laid.platform.landmarksMm;
  const landmarks: GaugeTick[] = [
    { names: ['eye'], mm: 0 },
    { names: ['bend'], mm: bend },
    ...(point === null ? [] : [{ names: ['point'], mm: point }]),
  ];
  const ticks: GaugeTick[] = [];
  for (const { names, mm } of [...landmarks, ...laid.parts.flatMap(ticksOfPart)]) {
    const at = ticks.findIndex((each) => Math.abs(each.mm - mm) < ONE_TICK_MM);
    const same = ticks[at];
    if (same) ticks[at] = { ...same, names: [...new Set([...same.names, ...names])] };
    else ticks.push({ names, mm });
  }
  return ticks.sort((a, b) => a.mm - b.mm);
}

function barOf({ file, extent }: LaidPart): GaugeBar[] {
  const { tipMm, endMm, lengthMm } = extent;
  if (tipMm === null || lengthMm < LEAST_BAR_MM) return [];
  // What stands off the shank is measured by laying it along the hook.
  const laidAlong = file.construction === 'hackle' || file.role === 'throat' || file.role === 'legs';
  const fibre = file.construction === 'hackle' ? `${file.id} fibre` : file.id;
  return [{ name: fibre, fromMm: endMm, toMm: laidAlong ? endMm + lengthMm : tipMm, lengthMm, place: !laidAlong }];
}

/** Bars that begin and end alike are one. */
function merged(bars: readonly GaugeBar[]): GaugeBar[] {
  const out: GaugeBar[] = [];
  const near = (a: number, b: number): boolean => Math.abs(a - b) < ONE_TICK_MM;
  for (const bar of bars) {
    const at = out.findIndex(
      (each) => each.place === bar.place && near(each.fromMm, bar.fromMm) && near(each.toMm, bar.toMm),
    );
    const same = out[at];
    if (same) out[at] = { ...same, name: `${same.name}, ${bar.name}` };
    else out.push(bar);
  }
  return out;
}

/** The platform in a few words, and the hook behind it where it has one. */
function wordsWithHook(platform: LaidFly['file']['platform']): string {
  const behind = platform.kind === 'tube' || platform.kind === 'shank' ? platform.hook : undefined;
  return behind ? `${platformWords(platform)}, ${platformWords(behind)} behind` : platformWords(platform);
}

/** What a fly on one hook shows on a gauge card. */
export function gaugeStrip(laid: LaidFly): GaugeStrip {
  const { platform, headMm, headSpaceMm } = laid;
  const head: GaugeBar[] =
    headSpaceMm < LEAST_BAR_MM
      ? []
      : [{ name: 'head space', fromMm: headMm - headSpaceMm, toMm: headMm, lengthMm: headSpaceMm, place: true }];
  const wires = platform.wires.map(({ points, diameterMm }) => ({
    points: points.map(([x, , z]) => [x, z] as const),
    diameterMm,
  }));
  const reach = wires.flatMap(({ points, diameterMm }) => points.map(([x, z]) => ({ x, z, r: diameterMm / 2 })));
  const tube = platform.tube && { lengthMm: platform.tube.lengthMm, outsideMm: platform.tube.outsideMm };
  const half = (tube?.outsideMm ?? 0) / 2;
  const bars = merged([...head, ...laid.parts.flatMap(barOf)]);
  return {
    platform: wordsWithHook(laid.file.platform),
    shankMm: platform.shankMm,
    gapMm: platform.gapMm,
    nominal: platform.nominal.shank,
    ticks: ticksOf(laid),
    bars,
    wires,
    tube,
    frontMm: Math.min(0, ...reach.map(({ x, r }) => x - r)),
    rearMm: Math.max(platform.landmarksMm.rear, ...bars.map((bar) => bar.toMm)),
    topMm: Math.max(half, ...reach.map(({ z, r }) => z + r)),
    bottomMm: Math.min(-half, ...reach.map(({ z, r }) => z - r)),
  };
}
