import type { Ellipse, Section, Vec3 } from '../platform/section.ts';

/** Directions across the shank that a section is seen along: up in the profile, toward the tier in the plan. */
export const PROFILE_UP: Vec3 = [0, 0, 1];
export const PLAN_UP: Vec3 = [0, 1, 0];

/** Middle and half breadth of a cut along a direction across the shank, mm. */
export function extentOf(
  section: Pick<Section, 'turn'>,
  cut: Ellipse,
  [, uy, uz]: Vec3,
): readonly [middle: number, half: number] {
  const [cos, sin] = [Math.cos(section.turn), Math.sin(section.turn)];
  const half = Math.hypot(cut.semiY * (cos * uy + sin * uz), cut.semiZ * (cos * uz - sin * uy));
  return [cut.y * uy + cut.z * uz, half];
}

/**
 * The edge of a section as it is seen, as points [x, across] in mm: out along one edge, back along the other.
 * @param up unit vector across the shank that "across" is measured along; any roll of the fly is one such
 */
export function outlineOf(section: Section, up: Vec3, steps = 28): [number, number][] {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const upper: [number, number][] = [];
  const lower: [number, number][] = [];
  for (let i = 0; i <= steps; i++) {
    // Steps gather at both ends, where outlines of balls and heads turn quickly.
    const x = section.fromMm + ((1 - Math.cos((Math.PI * i) / steps)) / 2) * (section.toMm - section.fromMm);
    section.at(x, cut);
    const [middle, half] = extentOf(section, cut, up);
    upper.push([x, middle + half]);
    lower.push([x, middle - half]);
  }
  return [...upper, ...lower.reverse()];
}
