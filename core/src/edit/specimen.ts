import { nominalHook, sizeSteps, solidNamed } from '../data/index.ts';
import type { HookItem, WeightItem } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { layFly } from '../model/index.ts';
import { newFly } from './newFly.ts';

/** What a packet's hooks measure by its size alone, mm; null for a size outside the series. */
export function nominalMeasures({ size, longX = 0, heavyX = 0 }: HookItem): {
  readonly shankMm: number;
  readonly gapMm: number;
  readonly wireMm: number;
} | null {
  const steps = sizeSteps(size);
  return steps === null ? null : nominalHook(steps, longX, heavyX);
}

/** mm of wire that `massMg` of a wire is of. */
export const WIRE_PIECE_MM = 100;

/**
 * What one piece weighs if it is the full solid its measures say, mg: of wire 100 mm. Bought eyes are often drilled or flattened and weigh less.
 * @returns null where its measures make no piece
 */
export function computedMass(item: WeightItem): number | null {
  if (item.form === 'wire') {
    const solid = solidNamed(item.material);
    return solid && (Math.PI / 4) * item.diameterMm ** 2 * WIRE_PIECE_MM * solid.density;
  }
  const mm = (value: number | undefined): string | undefined =>
    value === undefined ? undefined : `${String(value)} mm`;
  const part = {
    id: 'piece',
    role: 'eyes',
    construction: 'ball',
    shape: item.form,
    material: item.material,
    diameter: mm(item.diameterMm),
    at: item.form === 'cone' ? 'against eye' : 'station 3',
    ...(item.form === 'bead' || item.form === 'cone' ? { side: 'axis' } : {}),
    ...(item.boreMm === undefined ? {} : { bore: mm(item.boreMm) }),
    ...(item.form === 'cone' && item.frontMm !== undefined ? { front: mm(item.frontMm) } : {}),
    ...(item.form === 'cone' && item.lengthMm !== undefined ? { length: mm(item.lengthMm) } : {}),
  };
  const file = { ...newFly('piece', ROD), parts: [part] } as unknown as FlyFile;
  const laid = layFly(file);
  return laid.ok ? (laid.value.parts[0]?.massMg ?? null) : null;
}
/** Long and open enough to hold any eye, and thin enough for any bore. */
const ROD: FlyFile['platform'] = { kind: 'single', shank: '200 mm', gap: '60 mm', wire: '0.3 mm' };
