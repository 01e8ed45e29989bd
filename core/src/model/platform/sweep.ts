import { NOMINAL } from '../../data/index.ts';
import { sweepOf, type Curve } from './curve.ts';
import { section, setEllipse, type Section, type SolidLump, type Vec3 } from './section.ts';
import type { Limb } from './slices.ts';

/** The plane a hook's wire lies in: turned about the wire's own line, set aside to its y. Radians, mm. */
export interface BendPlane {
  readonly turn: number;
  readonly y: number;
}

export const UPRIGHT_PLANE: BendPlane = { turn: 0, y: 0 };

/** A point of the plane in space. */
export const inPlane = ({ turn, y }: BendPlane, x: number, z: number): Vec3 => [
  x,
  y - z * Math.sin(turn),
  z * Math.cos(turn),
];

/** A length of wire as a lump of matter: mass in mg, volume in mm³. @param density mg/mm³ */
export function wireLump(wireMm: number, lengthMm: number, centroid: Vec3, density: number = NOMINAL.steel): SolidLump {
  const volumeMm3 = (Math.PI / 4) * wireMm ** 2 * lengthMm;
  return { massMg: density * volumeMm3, volumeMm3, centroid };
}

/** A wire swept along a curve: its length and its middle by integration along the centre line. */
export function sweptLump(curve: Curve, wireMm: number, plane: BendPlane): { lump: SolidLump; lengthMm: number } {
  const {
    lengthMm,
    centroid: [x, z],
  } = sweepOf(curve);
  return { lump: wireLump(wireMm, lengthMm, inPlane(plane, x, z)), lengthMm };
}

/** A straight stretch of round wire or tube along x. */
export function pipe(
  radiusMm: number,
  fromMm: number,
  toMm: number,
  z: number,
  plane: BendPlane = UPRIGHT_PLANE,
): Section {
  const [, cy, cz] = inPlane(plane, 0, z);
  return section({
    owner: 'platform',
    fromMm,
    toMm,
    turn: plane.turn,
    at: (_x, out) => {
      setEllipse(out, cy, cz, radiusMm, radiusMm);
    },
  });
}

/** A limb of a bent wire as a section. */
export function limbSection({ fromMm, toMm, at }: Limb, plane: BendPlane): Section {
  return section({
    owner: 'platform',
    fromMm,
    toMm,
    turn: plane.turn,
    at: (x, out) => {
      const { z, semiY, semiZ } = at(x);
      const [, cy, cz] = inPlane(plane, x, z);
      setEllipse(out, cy, cz, semiY, semiZ);
    },
  });
}
