import { good, type Outcome } from '../../base/index.ts';
import { buildHook, type AnyHook } from './hook.ts';
import type { Platform } from './types.ts';

/** A fly tied on the shank of a hook: single, double or jig. */
export function onHook(file: AnyHook): Outcome<Platform> {
  const read = buildHook(file);
  if (!read.ok) return read;
  const hook = read.value;
  const { shankMm, gapMm, wireMm, nominal } = hook.size;
  return good({
    kind: file.kind,
    shankMm,
    gapMm,
    wireMm,
    hookMm: hook.rearMm - hook.frontMm,
    nominal,
    notes: [],
    landmarksMm: { eye: 0, mid: shankMm / 2, point: hook.pointMm, barb: hook.barbMm, bend: shankMm, rear: hook.rearMm },
    towPoint: hook.eye,
    lumps: hook.lumps,
    sections: hook.sections,
    skinMm2: hook.skinMm2,
    surfaceMm: wireMm / 2,
    // A band round two wires side by side has the length 2d + πd.
    windMm: file.kind === 'double' ? (wireMm * (2 + Math.PI)) / Math.PI : wireMm,
    headMm: (wires) => wires * wireMm,
    leverMm: shankMm,
    pointUp: false,
    alongWire: hook.alongWire,
    axisZ: hook.axisZ,
    wires: hook.wires,
    trails: [],
    tube: null,
  });
}
