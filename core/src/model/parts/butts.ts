import type { PartExtent } from '../../pattern/index.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from '../platform/section.ts';
import { lump } from './common.ts';
import { clumpOpacity } from './fibres.ts';
import type { FreeLine, PartForm } from './forms.ts';
import type { Ground } from './types.ts';

/** What is bound forward of a tie-in: its solid section, half breadth and the diameter of its fibres. mm, mg/mm³ */
export interface Butts {
  readonly semiMm: number;
  readonly side: { readonly y: number; readonly z: number };
  readonly solidMm2: number;
  readonly density: number;
  readonly fibreMm: number;
}

const PATH_POINTS = 7;

/** Butts bound along the shank between the tie-in and where they are trimmed; null where they are trimmed at the tie-in. */
export function boundButts(
  id: string,
  butts: Butts,
  extent: PartExtent,
  ground: Ground,
): { readonly lump: SolidLump; readonly section: Section; readonly path: readonly Vec3[] } | null {
  // Butts that go on as another part are weighed and drawn as that one.
  if (extent.buttsToMm === null || ground.goesOnAs !== null) return null;
  const tieInMm = extent.bindingsMm[0] ?? extent.endMm;
  const [fromMm, toMm] = [Math.min(extent.buttsToMm, tieInMm), Math.max(extent.buttsToMm, tieInMm)];
  if (toMm - fromMm < 1e-6) return null;
  const { semiMm, side, solidMm2, density, fibreMm } = butts;
  const stand = (x: number): number => ground.radiusUnder(x) + semiMm;
  const centreAt = (x: number): Vec3 => [x, side.y * stand(x), ground.platform.axisZ(x) + side.z * stand(x)];
  const volume = solidMm2 * (toMm - fromMm);
  // Under their thread the fibres lie side by side.
  const opacity = clumpOpacity(solidMm2, fibreMm, 1, { semiY: semiMm, semiZ: semiMm });
  return {
    lump: lump(volume * density, volume, centreAt((fromMm + toMm) / 2)),
    section: section({
      owner: id,
      fromMm,
      toMm,
      softness: 0,
      leastSemiMm: semiMm,
      at: (x, out) => {
        const [, y, z] = centreAt(x);
        setEllipse(out, y, z, semiMm, semiMm, opacity);
      },
    }),
    path: Array.from({ length: PATH_POINTS }, (_, i) => centreAt(fromMm + ((toMm - fromMm) * i) / (PATH_POINTS - 1))),
  };
}

/** How what holds a part up at its tie-in is drawn; nothing for no support. */
export const supportForms = (
  support: 'none' | 'turn-under' | 'dam' | 'loop' | 'underlay' | undefined,
  { root, along, out }: FreeLine,
  widthMm: number,
): PartForm[] =>
  support === undefined || support === 'none' ? [] : [{ kind: 'support', manner: support, root, along, out, widthMm }];
