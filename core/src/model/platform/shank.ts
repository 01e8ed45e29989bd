import { LOOPS, SHANK } from '../../data/index.ts';
import type { PlatformFile } from '../../pattern/index.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { ringAt } from './eye.ts';
import { buildHook } from './hook.ts';
import { lengthAbove } from './measured.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from './section.ts';
import { pipe, wireLump } from './sweep.ts';
import { trailing, trailOf } from './trailing.ts';
import type { Platform, Trail, WireRun } from './types.ts';

type ShankFile = Extract<PlatformFile, { kind: 'shank' }>;

/** Round the end of a loop, from its lower strand to its upper one. */
const FOLD = Array.from({ length: 13 }, (_, i) => (-Math.PI / 2) * (1 - i / 6));

/** The loop between the rear eye and the hook: two strands, one above the other. */
function loopBetween(
  of: keyof typeof LOOPS,
  fromMm: number,
  toMm: number,
): { lump: SolidLump; sections: Section[]; wires: WireRun[] } {
  const { strandMm, strands, density } = LOOPS[of];
  const z = strandMm / 2;
  return {
    lump: wireLump(strandMm, strands * (toMm - fromMm), [(fromMm + toMm) / 2, 0, 0], density),
    sections: [1, -1].map((side) =>
      section({
        owner: 'platform',
        fromMm,
        toMm,
        at: (_x, out) => {
          setEllipse(out, 0, side * z, strandMm / 2, strandMm / 2);
        },
      }),
    ),
    wires: [
      {
        kind: 'braid',
        points: [
          [fromMm, 0, -z],
          ...FOLD.map((turn): Vec3 => [toMm + z * Math.cos(turn), 0, z * Math.sin(turn)]),
          [fromMm, 0, z],
        ],
        diameterMm: strandMm,
        spearMm: 0,
        barb: null,
      },
    ],
  };
}

/** A straight wire with an eye at each end; the rear one carries a trailing hook on a loop. */
// oxlint-disable-next-line max-lines-per-function -- one literal: the platform, key by key
export function shank(file: ShankFile): Outcome<Platform> {
  const faults: Fault[] = [];
  const lengthMm = lengthAbove(file.length, 'platform.length', faults) ?? 0;
  const wireMm = lengthAbove(file.wire, 'platform.wire', faults) ?? SHANK.wireMm;
  const loopMm = lengthAbove(file.loop, 'platform.loop', faults) ?? SHANK.loopMm;
  const hook = file.hook === undefined ? null : buildHook(file.hook, 'platform.hook');
  if (faults.length > 0 || (hook && !hook.ok)) return bad(...faults, ...(hook && !hook.ok ? hook.faults : []));
  const ride = file.hook?.ride ?? 'point-up';
  const behind = hook ? trailing(hook.value, lengthMm + loopMm, ride) : null;
  const [front, back] = [ringAt(wireMm, [-1, 0]), ringAt(wireMm, [1, 0], [lengthMm, 0])];
  const loop = hook ? loopBetween(file.loopOf ?? 'braid', back.centre[0], hook.value.eye[0] + lengthMm + loopMm) : null;
  const trails: Trail[] = [...(loop ? [{ of: 'loop' as const, ...loop }] : []), ...trailOf(behind)];
  const rear = behind?.rearMm ?? back.rearMm;
  const body: WireRun = {
    kind: 'shank',
    points: [
      [0, 0, 0],
      [lengthMm, 0, 0],
    ],
    diameterMm: wireMm,
    spearMm: 0,
    barb: null,
  };
  return good({
    kind: 'shank',
    shankMm: lengthMm,
    gapMm: hook?.value.size.gapMm ?? null,
    wireMm: hook?.value.size.wireMm ?? null,
    hookMm: rear - front.frontMm,
    landmarksMm: {
      eye: 0,
      mid: lengthMm / 2,
      point: behind?.pointMm ?? null,
      barb: behind?.barbMm ?? null,
      bend: lengthMm,
      rear,
    },
    towPoint: front.centre,
    lumps: [
      wireLump(wireMm, lengthMm, [lengthMm / 2, 0, 0]),
      front.lump,
      back.lump,
      ...(loop ? [loop.lump] : []),
      ...(behind?.lumps ?? []),
    ],
    sections: [
      pipe(wireMm / 2, 0, lengthMm, 0),
      ...front.sections,
      ...back.sections,
      ...trails.flatMap((each) => each.sections),
    ],
    skinMm2: Math.PI * wireMm * (lengthMm + front.lengthMm + back.lengthMm) + (hook?.value.skinMm2 ?? 0),
    surfaceMm: wireMm / 2,
    windMm: wireMm,
    headMm: (wires) => wires * wireMm,
    leverMm: behind?.bendMm ?? lengthMm,
    pointUp: ride === 'point-up' && behind !== null,
    alongWire: (mm) => ({ x: lengthMm + mm, z: 0, slope: 0 }),
    axisZ: () => 0,
    wires: [body, front.wire, back.wire, ...trails.flatMap((each) => each.wires)],
    trails,
    tube: null,
    notes: [],
    nominal: { shank: false, gap: hook?.value.size.nominal.gap ?? false, wire: hook?.value.size.nominal.wire ?? false },
  });
}
