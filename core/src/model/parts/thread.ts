import { COATS, HEAD_WIRES, THREAD, tintOf } from '../../data/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from '../platform/section.ts';
import type { Platform } from '../platform/types.ts';
import { lump } from './common.ts';
import type { PartForm } from './forms.ts';

/** What the file's thread, head and coats add. Nothing given: nothing counted. */
export interface ThreadWork {
  readonly bedMm: number;
  readonly lumps: readonly SolidLump[];
  readonly sections: readonly Section[];
  readonly skinMm2: number;
  readonly forms: readonly PartForm[];
  readonly headMm: readonly [number, number] | null;
}

const NONE: ThreadWork = { bedMm: 0, lumps: [], sections: [], skinMm2: 0, forms: [], headMm: null };
const SLICES = 40;

/** Volume between a core and an outline, mm³, and the outline's skin where it stands out, mm², along the slope of its ends. */
function shellOf(radius: (x: number) => number, core: number, fromMm: number, lengthMm: number) {
  const dx = lengthMm / SLICES;
  let [volume, skin] = [0, 0];
  for (let i = 0; i < SLICES; i++) {
    const x = fromMm + (i + 0.5) * dx;
    const r = radius(x);
    if (r <= core) continue;
    volume += Math.PI * (r ** 2 - core ** 2) * dx;
    skin += 2 * Math.PI * r * Math.hypot(dx, radius(x + dx / 2) - radius(x - dx / 2));
  }
  return { volume, skin };
}

/** The wound head: an ellipsoid over half the head space, in its middle, as many wires across as its name says, less what it is wound on. */
function headWork(
  file: FlyFile,
  platform: Platform,
  headSpaceMm: number,
  tint: string,
): Pick<ThreadWork, 'lumps' | 'sections' | 'skinMm2' | 'forms' | 'headMm'> | null {
  if (file.head === undefined || headSpaceMm <= 0) return null;
  const { axisZ } = platform;
  const half = headSpaceMm / 4;
  const centre = headSpaceMm / 2;
  const tall = platform.headMm(HEAD_WIRES[file.head]) / 2;
  const core = platform.windMm / 2 + THREAD.bedMm;
  const radius = (x: number): number => tall * Math.sqrt(Math.max(0, 1 - ((x - centre) / half) ** 2));
  const { volume, skin } = shellOf(radius, core, centre - half, 2 * half);
  const middle: Vec3 = [centre, 0, axisZ(centre)];
  // A coat part over the head says what the finish would; it is weighed there.
  const coated = file.parts.some((part) => part.construction === 'coat' && part.over.toLowerCase() === 'head');
  const coats = coated ? [] : (file.finish?.coats ?? []).map((name) => COATS[name]);
  const lumps = [
    lump(volume * THREAD.solid * THREAD.density, volume * THREAD.solid, middle),
    ...coats.map((coat) => lump(skin * coat.thicknessMm * coat.density, skin * coat.thicknessMm, middle)),
  ];
  if (volume === 0) return null;
  const ends = half * Math.sqrt(1 - (core / tall) ** 2);
  const [fromMm, toMm] = [centre - ends, centre + ends];
  return {
    lumps,
    skinMm2: skin,
    headMm: [fromMm, toMm],
    sections: [
      section({
        owner: 'head',
        fromMm,
        toMm,
        at: (x, out) => {
          const r = radius(x);
          setEllipse(out, 0, axisZ(x), r, r);
        },
      }),
    ],
    forms: [{ kind: 'thread', fromMm, toMm, radiusMm: radius, axisZ, head: true, tint }],
  };
}

/** Mean height of the shank's axis, mm. */
function meanHeight({ axisZ, shankMm }: Platform): number {
  let sum = 0;
  for (let i = 0; i < SLICES; i++) sum += axisZ(((i + 0.5) / SLICES) * shankMm);
  return sum / SLICES;
}

/** One double layer of thread from eye to bend, the head, and the coats over it. */
export function threadWork(file: FlyFile, platform: Platform, headSpaceMm: number): ThreadWork {
  if (!file.thread) return NONE;
  const { axisZ, shankMm } = platform;
  const bare = platform.windMm / 2;
  const radius = bare + THREAD.bedMm;
  const volume = Math.PI * (radius ** 2 - bare ** 2) * platform.shankMm * THREAD.solid;
  const tint = tintOf(file.thread.colour, '#2b2e2f');
  const head = headWork(file, platform, headSpaceMm, tint);
  return {
    bedMm: THREAD.bedMm,
    headMm: head?.headMm ?? null,
    skinMm2: head?.skinMm2 ?? 0,
    lumps: [lump(volume * THREAD.density, volume, [shankMm / 2, 0, meanHeight(platform)]), ...(head?.lumps ?? [])],
    sections: [
      section({
        owner: 'thread',
        fromMm: 0,
        toMm: platform.shankMm,
        at: (x, out) => {
          setEllipse(out, 0, axisZ(x), radius, radius);
        },
      }),
      ...(head?.sections ?? []),
    ],
    forms: [
      { kind: 'thread', fromMm: 0, toMm: platform.shankMm, radiusMm: () => radius, axisZ, head: false, tint },
      ...(head?.forms ?? []),
    ],
  };
}
