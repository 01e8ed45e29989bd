import { outlineOf, type Ellipse, type Section, type Vec3 } from '../../model/index.ts';
import type { PaintOptions } from './options.ts';
import { outlineSolid } from './paintSolids.ts';
import type { Palette } from './palette.ts';
import type { Surface } from './surface.ts';
import type { DraftLine, FlyFigure } from './types.ts';
import { screenX, screenY, type View } from './view.ts';

const HIDDEN = [4, 2.5];
const COVERS = 0.5;

function trace(surface: Surface, section: Section, view: View): void {
  surface.begin();
  outlineOf(section, view.up).forEach(([x, v], i) => {
    const sx = view.ox + view.scale * view.across[0] * x;
    const sy = view.oy - view.scale * v;
    if (i === 0) surface.move(sx, sy);
    else surface.line(sx, sy);
  });
  surface.close();
}

const middleCut = (section: Section): Ellipse => {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  section.at((section.fromMm + section.toMm) / 2, cut);
  return cut;
};

/** Sections on the axis that lie wholly inside a thicker one which is not see-through: weight wire under a body. */
function hiddenSections(sections: readonly Section[]): ReadonlySet<Section> {
  const round = sections.flatMap((section) => {
    const cut = middleCut(section);
    return section.owner !== 'platform' && cut.y === 0 && cut.semiY === cut.semiZ ? [{ section, cut }] : [];
  });
  const hides = (over: (typeof round)[number], under: (typeof round)[number]): boolean =>
    over.cut.opacity >= COVERS &&
    over.cut.semiZ > under.cut.semiZ &&
    over.section.fromMm <= under.section.fromMm &&
    over.section.toMm >= under.section.toMm;
  return new Set(round.filter((under) => round.some((over) => hides(over, under))).map(({ section }) => section));
}

function draft(surface: Surface, line: DraftLine, view: View, ink: string): void {
  const [first, middle, last] = line.points;
  if (!first) return;
  surface.begin();
  surface.move(screenX(view, first), screenY(view, first));
  if (line.manner === 'fibre' && middle && last) {
    surface.quad(screenX(view, middle), screenY(view, middle), screenX(view, last), screenY(view, last));
    surface.stroke(ink, 0.7, 0.8);
    return;
  }
  for (const point of line.points.slice(1)) surface.line(screenX(view, point), screenY(view, point));
  surface.stroke(ink, 0.7, 0.9, [9, 3]);
}

/** The fly as a draughtsman has it: true circles, outlines, centre fibres dashed, one slant per turn, what is covered dashed. */
export function paintLines(
  surface: Surface,
  figure: FlyFigure,
  view: View,
  palette: Palette,
  options: PaintOptions,
): void {
  for (const solid of figure.platform.solids) outlineSolid(surface, solid, view, palette, false);
  if (view.name === 'section') {
    frontLines(surface, view, palette, options);
    return;
  }
  const sections = options.sections ?? [];
  const hidden = hiddenSections(sections);
  const veiled = new Set(
    figure.parts.filter((part) => part.drafted.some((line) => line.manner === 'fibre')).map((part) => part.id),
  );
  for (const section of sections) {
    if (section.owner === 'platform' || section.owner === 'thread') continue;
    trace(surface, section, view);
    if (options.picked?.id === section.owner) surface.stroke(options.picked.colour, 6, 0.75);
    if (veiled.has(section.owner)) surface.stroke(palette.ink, 0.7, 0.5, HIDDEN);
    else if (hidden.has(section)) surface.stroke(palette.ink, 0.8, 0.6, HIDDEN);
    else surface.stroke(palette.ink, 1.1);
  }
  const covered = new Set([...hidden].map((section) => section.owner));
  for (const part of figure.parts) {
    for (const solid of part.solids) outlineSolid(surface, solid, view, palette, covered.has(part.id));
    for (const line of part.drafted) draft(surface, line, view, palette.ink);
  }
}

/** Front view in lines: the largest cut of each section, as an ellipse. */
function frontLines(surface: Surface, view: View, palette: Palette, options: PaintOptions): void {
  for (const section of options.sections ?? []) {
    if (section.owner === 'thread') continue;
    const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
    let best = { ...cut };
    for (let i = 0; i <= 8; i++) {
      section.at(section.fromMm + (i / 8) * (section.toMm - section.fromMm), cut);
      if (cut.semiY * cut.semiZ > best.semiY * best.semiZ) best = { ...cut };
    }
    const [cos, sin] = [Math.cos(section.turn), Math.sin(section.turn)];
    surface.begin();
    for (let k = 0; k <= 36; k++) {
      const a = (Math.PI * 2 * k) / 36;
      const [y, z] = [best.semiY * Math.cos(a), best.semiZ * Math.sin(a)];
      const point: Vec3 = [0, best.y + y * cos - z * sin, best.z + y * sin + z * cos];
      if (k === 0) surface.move(screenX(view, point), screenY(view, point));
      else surface.line(screenX(view, point), screenY(view, point));
    }
    if (options.picked?.id === section.owner) surface.stroke(options.picked.colour, 6, 0.75);
    const platform = section.owner === 'platform';
    surface.stroke(palette.ink, platform ? 0.8 : 1.1, platform ? 0.5 : 1);
  }
}

/** The edge of the picked part, drawn broad behind everything. */
export function paintEdge(surface: Surface, view: View, options: PaintOptions): void {
  if (!options.picked || view.name === 'section') return;
  for (const section of options.sections ?? []) {
    if (section.owner !== options.picked.id) continue;
    trace(surface, section, view);
    surface.stroke(options.picked.colour, 6, 0.75);
  }
}
