import { NOMINAL } from '../../data/index.ts';
import type { HookFile } from '../../pattern/index.ts';
import type { Vec2 } from './curve.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from './section.ts';
import { wireLump } from './sweep.ts';
import type { WireRun } from './types.ts';

/** Unit direction of the eye in the x-z plane: straight ahead, or 30° up or down. */
export function eyeDirection(eye: HookFile['eye']): Vec2 {
  const tilt = (NOMINAL.eyeTiltDeg * Math.PI) / 180;
  if (eye === 'up' || eye === 'looped-up') return [-Math.cos(tilt), Math.sin(tilt)];
  if (eye === 'down' || eye === 'looped-down') return [-Math.cos(tilt), -Math.sin(tilt)];
  return [-1, 0];
}

export interface Ring {
  readonly lump: SolidLump;
  readonly sections: readonly Section[];
  readonly wire: WireRun;
  readonly lengthMm: number;
  /** Its middle, where a leader or a loop pulls. */
  readonly centre: Vec3;
  /** Its foremost reach, by the outer edge of the wire. */
  readonly frontMm: number;
  readonly rearMm: number;
}

const UPRIGHT = 1e-6;

/** Root of what is not below zero. */
const root = (value: number): number => Math.sqrt(Math.max(0, value));

/** Slices of a ring that leans from its beginning at `from` along `direction`; `s` runs along that line. */
function leaningSlices(wireMm: number, radius: number, [dx, dz]: Vec2, from: Vec2): Section[] {
  const [inner, outer] = [radius - wireMm / 2, radius + wireMm / 2];
  const made = (
    a: number,
    b: number,
    at: (s: number, u: number, out: Parameters<Section['at']>[1]) => void,
  ): Section => {
    const [one, other] = [from[0] + a * dx, from[0] + b * dx];
    return section({
      owner: 'platform',
      fromMm: Math.min(one, other),
      toMm: Math.max(one, other),
      at: (x, out) => {
        const s = (x - from[0]) / dx;
        at(s, Math.abs(s - radius), out);
      },
    });
  };
  const limb = (side: 1 | -1): Section =>
    made(radius - inner, radius + inner, (s, u, out) => {
      const [low, high] = [root(inner ** 2 - u ** 2), root(outer ** 2 - u ** 2)];
      setEllipse(out, (side * (low + high)) / 2, from[1] + s * dz, (high - low) / 2, wireMm / 2);
    });
  const crown = (a: number, b: number): Section =>
    made(a, b, (s, u, out) => {
      setEllipse(
        out,
        0,
        from[1] + s * dz,
        root(outer ** 2 - u ** 2),
        root((wireMm / 2) ** 2 - Math.max(0, u - radius) ** 2),
      );
    });
  return [limb(1), limb(-1), crown(radius - outer, radius - inner), crown(radius + inner, radius + outer)];
}

/** A ring that stands upright across the shank: seen from any side it covers its whole breadth. */
function uprightSlice(wireMm: number, radius: number, centre: Vec3): Section {
  return section({
    owner: 'platform',
    fromMm: centre[0] - wireMm / 2,
    toMm: centre[0] + wireMm / 2,
    at: (x, out) => {
      const r = radius + root((wireMm / 2) ** 2 - (x - centre[0]) ** 2);
      setEllipse(out, 0, centre[2], r, r);
    },
  });
}

/** A ring of wire: centre-line radius 1.3 wires, through `from`, in the plane of y and `direction`. */
export function ringAt(wireMm: number, direction: Vec2, from: Vec2 = [0, 0]): Ring {
  const radius = NOMINAL.ringRadiusWires * wireMm;
  const [dx, dz] = direction;
  const centre: Vec3 = [from[0] + dx * radius, 0, from[1] + dz * radius];
  const lengthMm = 2 * Math.PI * radius;
  const points = Array.from({ length: 33 }, (_, i): Vec3 => {
    const a = (2 * Math.PI * i) / 32;
    const s = radius - radius * Math.cos(a);
    return [from[0] + s * dx, radius * Math.sin(a), from[1] + s * dz];
  });
  const upright = Math.abs(dx) < UPRIGHT;
  const reach = Math.abs(dx) * radius + wireMm / 2;
  return {
    lump: wireLump(wireMm, lengthMm, centre),
    lengthMm,
    centre,
    frontMm: centre[0] - reach,
    rearMm: centre[0] + reach,
    sections: upright ? [uprightSlice(wireMm, radius, centre)] : leaningSlices(wireMm, radius, direction, from),
    wire: { kind: 'ring', points, diameterMm: wireMm, spearMm: 0, barb: null },
  };
}

/** The second wire of a looped eye: at z = −d from 0 to 0.3 shank, its area falling linearly to nothing. */
export function eyeLoop(shankMm: number, wireMm: number): { lump: SolidLump; section: Section; wire: WireRun } {
  const toMm = NOMINAL.loopOfShank * shankMm;
  return {
    lump: wireLump(wireMm, toMm / 2, [toMm / 3, 0, -wireMm]),
    section: section({
      owner: 'platform',
      fromMm: 0,
      toMm,
      at: (x, out) => {
        const r = (wireMm / 2) * root(1 - x / toMm);
        setEllipse(out, 0, -wireMm, r, r);
      },
    }),
    wire: {
      kind: 'loop',
      points: [
        [0, 0, -wireMm],
        [toMm, 0, -wireMm],
      ],
      diameterMm: wireMm,
      spearMm: toMm,
      barb: null,
    },
  };
}
