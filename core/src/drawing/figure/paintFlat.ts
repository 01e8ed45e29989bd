import { mixTint } from '../../data/index.ts';
import type { Vec3 } from '../../model/index.ts';
import type { Palette } from './palette.ts';
import type { Surface } from './surface.ts';
import type { Solid } from './types.ts';
import { depthOf, screenX, screenY, type View } from './view.ts';

type Of<K extends Solid['kind']> = Extract<Solid, { kind: K }>;

/** Directions of a ribbon's width and thickness across the shank, as (y, z). */
const ribbonAxes = (
  solid: Of<'ribbon'>,
): readonly [wide: readonly [number, number], thick: readonly [number, number]] =>
  solid.upright
    ? [
        [1, 0],
        [0, 1],
      ]
    : [
        [0, 1],
        [1, 0],
      ];

/** Where a ribbon is widest, the last such place if there are more, and how wide it is there. */
function widest({ points, widths, widthMm }: Of<'ribbon'>): readonly [Vec3, number] {
  const breadthMm = widths.length === 0 ? widthMm : Math.max(...widths);
  const at = widths.length === 0 ? points.length - 1 : widths.lastIndexOf(breadthMm);
  return [points[at] ?? [0, 0, 0], breadthMm];
}

export function paintRibbon(surface: Surface, solid: Of<'ribbon'>, view: View, palette: Palette): void {
  const tint = palette.tint(solid.tint);
  const [wide, thick] = ribbonAxes(solid);
  surface.begin();
  if (view.name === 'section') {
    const [place, breadthMm] = widest(solid);
    const corner = (w: number, t: number): Vec3 => [
      place[0],
      place[1] + (wide[0] * w * breadthMm + thick[0] * t * solid.thickMm) / 2,
      place[2] + (wide[1] * w * breadthMm + thick[1] * t * solid.thickMm) / 2,
    ];
    [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)].forEach((p, i) => {
      if (i === 0) surface.move(screenX(view, p), screenY(view, p));
      else surface.line(screenX(view, p), screenY(view, p));
    });
    surface.close();
    surface.fill(tint);
    return;
  }
  const [, uy, uz] = view.up;
  const half = (i: number): number => {
    const width = solid.widths[i] ?? solid.widthMm;
    return Math.max(
      0.5,
      (Math.hypot(width * (wide[0] * uy + wide[1] * uz), solid.thickMm * (thick[0] * uy + thick[1] * uz)) *
        view.scale) /
        2,
    );
  };
  const count = solid.points.length;
  const at = (i: number): Vec3 => solid.points[i] ?? [0, 0, 0];
  for (let i = 0; i < count; i++) {
    if (i === 0) surface.move(screenX(view, at(i)), screenY(view, at(i)) - half(i));
    else surface.line(screenX(view, at(i)), screenY(view, at(i)) - half(i));
  }
  for (let i = count - 1; i >= 0; i--) surface.line(screenX(view, at(i)), screenY(view, at(i)) + half(i));
  surface.close();
  surface.fill(tint);
  if (palette.plain || solid.gloss === 0) return;
  // One flat piece on another of its own colour is told by its edge.
  surface.stroke(mixTint(tint, '#ffffff', 0.35), Math.max(0.6, 0.05 * view.scale));
  surface.begin();
  solid.points.forEach((p, i) => {
    const y = screenY(view, p) - half(i) * 0.4;
    if (i === 0) surface.move(screenX(view, p), y);
    else surface.line(screenX(view, p), y);
  });
  surface.stroke('#ffffff', Math.max(0.8, half(0) * 0.3), 0.6 * solid.gloss);
}

const ROUND = 24;

/** A flat or moulded eye: its rim, its face, and a pupil; edge-on it is as thick as it is. */
export function paintDisc(surface: Surface, solid: Of<'disc'>, view: View, palette: Palette): void {
  const tint = palette.tint(solid.tint);
  const ring = (share: number, high: number): Vec3[] =>
    Array.from({ length: ROUND }, (_, i): Vec3 => {
      const a = (2 * Math.PI * i) / ROUND;
      const { centre, r, out, highMm } = solid;
      return [
        centre[0] + share * r * Math.cos(a),
        centre[1] + out * high * highMm,
        centre[2] + share * r * Math.sin(a),
      ];
    });
  const lay = (points: readonly Vec3[]): void => {
    surface.begin();
    points.forEach((p, i) => {
      if (i === 0) surface.move(screenX(view, p), screenY(view, p));
      else surface.line(screenX(view, p), screenY(view, p));
    });
    surface.close();
  };
  for (const [share, high] of solid.domed
    ? ([
        [1, 0],
        [0.8, 0.6],
        [0.4, 1],
      ] as const)
    : ([
        [1, 0],
        [1, 1],
      ] as const)) {
    lay(ring(share, high));
    surface.fill(tint);
    surface.stroke(tint, Math.max(0.8, 0.15 * view.scale));
  }
  if (palette.plain || depthOf(view, [0, solid.out, 0]) < 0.3) return;
  lay(ring(1, 0));
  surface.stroke(mixTint(tint, '#000000', 0.45), 0.8);
  lay(ring(0.5, 1));
  surface.fill('#14181a');
  lay(ring(0.14, 1).map(([x, y, z]): Vec3 => [x - 0.2 * solid.r, y, z + 0.25 * solid.r]));
  surface.fill('#ffffff', solid.domed ? 0.9 : 0.6);
}

type Cut = Of<'coat'>['cuts'][number];

/** Cuts of several sections follow one another; a step back along x begins the next. */
function runsOf(cuts: readonly Cut[]): Cut[][] {
  const runs: Cut[][] = [];
  for (const cut of cuts) {
    const run = runs.at(-1);
    if (run && cut.x >= (run.at(-1)?.x ?? Infinity)) run.push(cut);
    else runs.push([cut]);
  }
  return runs;
}

/** A clear skin: its outline grown by its thickness, a veil and one bright stripe. */
export function paintCoat(surface: Surface, solid: Of<'coat'>, view: View, palette: Palette): void {
  if (view.name === 'section') {
    paintCoatAcross(surface, solid, view, palette);
    return;
  }
  const [, uy, uz] = view.up;
  const x = (cut: Cut): number => screenX(view, [cut.x, 0, 0]);
  const at = (share: number, cut: Cut): number => {
    const half = Math.hypot(cut.semiY * uy, cut.semiZ * uz) + solid.thickMm;
    return view.oy - view.scale * (cut.y * uy + cut.z * uz + share * half);
  };
  for (const run of runsOf(solid.cuts)) {
    const strip = (top: number, bottom: number): void => {
      surface.begin();
      run.forEach((cut, i) => {
        if (i === 0) surface.move(x(cut), at(top, cut));
        else surface.line(x(cut), at(top, cut));
      });
      [...run].reverse().forEach((cut) => {
        surface.line(x(cut), at(bottom, cut));
      });
      surface.close();
    };
    strip(1, -1);
    if (palette.plain) {
      surface.fill(palette.ink);
      continue;
    }
    surface.fill(palette.tint(solid.tint), 0.1 + 0.12 * solid.gloss);
    surface.stroke(palette.tint(solid.tint), Math.max(0.5, solid.thickMm * view.scale * 0.6), 0.35);
    strip(0.68, 0.42);
    surface.fill('#ffffff', 0.5 * solid.gloss);
  }
}

function paintCoatAcross(surface: Surface, solid: Of<'coat'>, view: View, palette: Palette): void {
  const widest = [...solid.cuts].sort((a, b) => b.semiY * b.semiZ - a.semiY * a.semiZ)[0];
  if (!widest) return;
  const p: Vec3 = [widest.x, widest.y, widest.z];
  surface.begin();
  surface.circle(
    screenX(view, p),
    screenY(view, p),
    (Math.max(widest.semiY, widest.semiZ) + solid.thickMm) * view.scale,
  );
  if (palette.plain) surface.fill(palette.ink);
  else surface.stroke(palette.tint(solid.tint), Math.max(0.8, solid.thickMm * view.scale), 0.5);
}
