import { TUBE, TUBE_MATERIALS } from '../../data/index.ts';
import type { PlatformFile } from '../../pattern/index.ts';
import { bad, good, type Fault, type Outcome, suggestion } from '../../base/index.ts';
import { buildHook } from './hook.ts';
import { lengthAbove } from './measured.ts';
import { pipe } from './sweep.ts';
import { trailing, trailOf, type Trailing } from './trailing.ts';
import type { Platform } from './types.ts';

type TubeFile = Extract<PlatformFile, { kind: 'tube' }>;

function materialOf(word: string): Outcome<(typeof TUBE_MATERIALS)[number]> {
  const plain = word.trim().toLowerCase();
  const found = TUBE_MATERIALS.find((each) => each.name === plain || each.also.includes(plain));
  const names = TUBE_MATERIALS.map((each) => each.name);
  if (found) return good(found);
  const message = `"${word}" is no tube the tables know${suggestion(word, names) || `; one of ${names.join(', ')}`}`;
  return bad({ path: 'platform.material', code: 'material', message });
}

interface TubeSize {
  readonly lengthMm: number;
  readonly outsideMm: number;
  readonly insideMm: number;
  readonly hookGapMm: number;
}

function sizeOf(file: TubeFile): Outcome<TubeSize> {
  const faults: Fault[] = [];
  const read = (key: 'length' | 'outside' | 'inside' | 'hookGap'): number | null =>
    lengthAbove(file[key], `platform.${key}`, faults);
  const lengthMm = read('length') ?? 0;
  const outsideMm = read('outside') ?? TUBE.outsideMm;
  const insideMm = read('inside') ?? Math.min(TUBE.insideMm, 0.6 * outsideMm);
  const hookGapMm = read('hookGap') ?? TUBE.hookGapMm;
  if (insideMm >= outsideMm)
    faults.push({
      path: 'platform.inside',
      code: 'range',
      message: 'the bore is as wide as the tube; one of them is wrong',
    });
  return faults.length > 0 ? bad(...faults) : good({ lengthMm, outsideMm, insideMm, hookGapMm });
}

/** A tube: tied on round its bore, which floods; the leader runs through it and pulls at its front face. */
export function tube(file: TubeFile): Outcome<Platform> {
  const [size, material] = [sizeOf(file), materialOf(file.material ?? TUBE.material)];
  const hook = file.hook === undefined ? null : buildHook(file.hook, 'platform.hook');
  const faults = [size, material, hook].flatMap((read) => (read && !read.ok ? read.faults : []));
  if (!size.ok || !material.ok || (hook && !hook.ok)) return bad(...faults);
  const { lengthMm, outsideMm, insideMm, hookGapMm } = size.value;
  const ride = file.hook?.ride ?? 'point-down';
  const behind: Trailing | null = hook ? trailing(hook.value, lengthMm + hookGapMm, ride) : null;
  const trails = trailOf(behind);
  const volumeMm3 = (Math.PI / 4) * (outsideMm ** 2 - insideMm ** 2) * lengthMm;
  const rear = behind?.rearMm ?? lengthMm;
  return good({
    kind: 'tube',
    shankMm: lengthMm,
    gapMm: hook?.value.size.gapMm ?? null,
    wireMm: hook?.value.size.wireMm ?? null,
    hookMm: rear,
    landmarksMm: {
      eye: 0,
      mid: lengthMm / 2,
      point: behind?.pointMm ?? null,
      barb: behind?.barbMm ?? null,
      bend: lengthMm,
      rear,
    },
    towPoint: [0, 0, 0],
    lumps: [
      { massMg: material.value.density * volumeMm3, volumeMm3, centroid: [lengthMm / 2, 0, 0] },
      ...(behind?.lumps ?? []),
    ],
    sections: [pipe(outsideMm / 2, 0, lengthMm, 0), ...trails.flatMap((each) => each.sections)],
    skinMm2: Math.PI * outsideMm * lengthMm + (hook?.value.skinMm2 ?? 0),
    surfaceMm: outsideMm / 2,
    windMm: outsideMm,
    headMm: (wires) => outsideMm * (1 + HEAD_OF_TUBE * wires),
    leverMm: behind?.bendMm ?? lengthMm,
    pointUp: ride === 'point-up',
    alongWire: (mm) => ({ x: lengthMm + mm, z: 0, slope: 0 }),
    axisZ: () => 0,
    wires: trails.flatMap((each) => each.wires),
    trails,
    tube: { lengthMm, outsideMm, insideMm, tint: material.value.tint },
    notes: [],
    nominal: { shank: false, gap: hook?.value.size.nominal.gap ?? false, wire: hook?.value.size.nominal.wire ?? false },
  });
}

/** A tube is thicker than any wire: each wire of a head's name adds so much of the tube to it; a neat one, of three, is a third thicker. */
const HEAD_OF_TUBE = 0.11;
