import { section, type Section, type SolidLump, type Vec3 } from './section.ts';
import type { HookBuild } from './hook.ts';
import type { Trail, WireRun } from './types.ts';

/** How a hook behind a tube or shank is held. */
export type TrailingRide = 'point-down' | 'point-up' | 'free';

/** A hook in its place behind the body: what of it is weighed, met by water and drawn. mm */
export interface Trailing {
  readonly lumps: readonly SolidLump[];
  readonly sections: readonly Section[];
  readonly wires: readonly WireRun[];
  readonly pointMm: number;
  readonly barbMm: number;
  readonly bendMm: number;
  readonly rearMm: number;
}

/** A hook behind as what hangs there; nothing where there is none. */
export const trailOf = (behind: Trailing | null): readonly Trail[] =>
  behind ? [{ of: 'hook', sections: behind.sections, wires: behind.wires }] : [];

/** All of a hook's weight at its eye: hanging free it brings no roll moment. */
function atEye(hook: HookBuild, eye: Vec3): SolidLump {
  const sum = (of: (lump: SolidLump) => number): number => hook.lumps.reduce((total, lump) => total + of(lump), 0);
  return { massMg: sum((lump) => lump.massMg), volumeMm3: sum((lump) => lump.volumeMm3), centroid: eye };
}

/** Sets a hook behind a body, its own x = 0 at `atMm`; held point-up its z and turn are negated. */
export function trailing(hook: HookBuild, atMm: number, ride: TrailingRide): Trailing {
  const up = ride === 'point-up' ? -1 : 1;
  const moved = ([x, y, z]: Vec3): Vec3 => [x + atMm, y, up * z];
  const lumps =
    ride === 'free'
      ? [atEye(hook, [hook.eye[0] + atMm, 0, 0])]
      : hook.lumps.map((lump) => ({ ...lump, centroid: moved(lump.centroid) }));
  return {
    lumps,
    sections: hook.sections.map((each) =>
      section({
        ...each,
        fromMm: each.fromMm + atMm,
        toMm: each.toMm + atMm,
        turn: up * each.turn,
        at: (x, out) => {
          each.at(x - atMm, out);
          out.z *= up;
        },
      }),
    ),
    wires: hook.wires.map((wire) => ({ ...wire, points: wire.points.map(moved) })),
    pointMm: hook.pointMm + atMm,
    barbMm: hook.barbMm + atMm,
    bendMm: hook.size.shankMm + atMm,
    rearMm: hook.rearMm + atMm,
  };
}
