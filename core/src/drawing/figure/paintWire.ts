import { mixTint } from '../../data/index.ts';
import type { Vec3 } from '../../model/index.ts';
import type { Palette } from './palette.ts';
import type { Surface } from './surface.ts';
import type { Solid } from './types.ts';
import { screenX, screenY, type View } from './view.ts';

type Wire = Extract<Solid, { kind: 'wire' }>;

interface ScreenPoint {
  readonly x: number;
  readonly y: number;
  readonly half: number;
}

/** The wire on screen with its half breadth, tapering over the spear. A ring is tilted a little in the profile so that it reads as one. */
export function wirePoints(solid: Wire, view: View): ScreenPoint[] {
  const tilt = solid.run === 'ring' && view.name === 'profile' ? 0.3 : 0;
  const points = solid.points.map((p) => ({
    x: screenX(view, p),
    y: screenY(view, p) - tilt * p[1] * view.scale,
    mm: p,
  }));
  let left = 0;
  const fromEnd = [...points]
    .reverse()
    .map((point, i, all) => {
      const before = all[i - 1];
      if (before)
        left += Math.hypot(point.mm[0] - before.mm[0], point.mm[1] - before.mm[1], point.mm[2] - before.mm[2]);
      return left;
    })
    .reverse();
  const half = (solid.diameterMm / 2) * view.scale;
  const out = points.map(({ x, y }, i): ScreenPoint => ({
    x,
    y,
    half: solid.spearMm > 0 ? half * Math.min(1, (fromEnd[i] ?? 0) / solid.spearMm) : half,
  }));
  const last = out.at(-1);
  const previous = out.at(-2);
  const leg = fromEnd.at(-2) ?? 0;
  if (solid.spearMm > 0 && last && previous && leg > solid.spearMm) {
    const t = 1 - solid.spearMm / leg;
    out.splice(-1, 0, { x: previous.x + t * (last.x - previous.x), y: previous.y + t * (last.y - previous.y), half });
  }
  return bevelled(out);
}

const SHARP = Math.cos((35 * Math.PI) / 180);

/** Cuts sharp corners at half the wire's breadth, so that its width stays true on both legs. */
function bevelled(points: readonly ScreenPoint[]): ScreenPoint[] {
  return points.flatMap((point, i) => {
    const [a, b] = [points[i - 1], points[i + 1]];
    if (!a || !b) return [point];
    const [la, lb] = [Math.hypot(point.x - a.x, point.y - a.y), Math.hypot(b.x - point.x, b.y - point.y)];
    if (la === 0 || lb === 0) return [point];
    const cos = ((point.x - a.x) * (b.x - point.x) + (point.y - a.y) * (b.y - point.y)) / (la * lb);
    if (cos > SHARP) return [point];
    const toward = (other: ScreenPoint, length: number): ScreenPoint => {
      const t = Math.min(0.5, point.half / length);
      return { x: point.x + t * (other.x - point.x), y: point.y + t * (other.y - point.y), half: point.half };
    };
    return [toward(a, la), toward(b, lb)];
  });
}

/** Lays the path of a wire at its true breadth. */
export function wireOutline(surface: Surface, points: readonly ScreenPoint[]): void {
  const normal = points.map((point, i) => {
    const [a, b] = [points[Math.max(0, i - 1)] ?? point, points[Math.min(points.length - 1, i + 1)] ?? point];
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    return { x: (-(b.y - a.y) / length) * point.half, y: ((b.x - a.x) / length) * point.half };
  });
  surface.begin();
  points.forEach((point, i) => {
    const m = normal[i] ?? { x: 0, y: 0 };
    if (i === 0) surface.move(point.x + m.x, point.y + m.y);
    else surface.line(point.x + m.x, point.y + m.y);
  });
  [...points].reverse().forEach((point, i) => {
    const m = normal[points.length - 1 - i] ?? { x: 0, y: 0 };
    surface.line(point.x - m.x, point.y - m.y);
  });
  surface.close();
}

/** How far out the tip of a barb stands, in breadths of its wire: as it was cut, and pressed down. */
const STANDS = { cut: 1.15, pinched: 0.66 };

/** The barb, cut on the inside of the point leg. */
export function barbPath(surface: Surface, solid: Wire, view: View): boolean {
  const [bend, point] = [solid.points.at(-2), solid.points.at(-1)];
  if (!bend || !point || solid.barb === null || view.name === 'section') return false;
  const length = Math.hypot(point[0] - bend[0], point[1] - bend[1], point[2] - bend[2]);
  const on = (back: number, lift: number): Vec3 => {
    const t = back / length;
    const inward = Math.hypot(point[1], point[2]) || 1;
    return [point[0] + t * (bend[0] - point[0]), point[1] * (1 - lift / inward), point[2] * (1 - lift / inward)];
  };
  const d = solid.diameterMm;
  const { mm, pinched } = solid.barb;
  const corners = [
    on(mm - 1.1 * d, 0.3 * d),
    on(mm + 1.5 * d, (pinched ? STANDS.pinched : STANDS.cut) * d),
    on(mm + 0.9 * d, 0.3 * d),
  ];
  surface.begin();
  corners.forEach((corner, i) => {
    if (i === 0) surface.move(screenX(view, corner), screenY(view, corner));
    else surface.line(screenX(view, corner), screenY(view, corner));
  });
  surface.close();
  return true;
}

/** A wire with one highlight above its middle. */
export function paintWire(surface: Surface, solid: Wire, view: View, palette: Palette, tint: string): void {
  const points = wirePoints(solid, view);
  const colour = palette.tint(tint);
  wireOutline(surface, points);
  surface.fill(colour);
  if (barbPath(surface, solid, view)) surface.fill(colour);
  if (palette.plain) return;
  const half = (solid.diameterMm / 2) * view.scale;
  if (half < 1) return;
  surface.begin();
  points.forEach((point, i) => {
    const y = point.y - point.half * 0.38;
    if (i === 0) surface.move(point.x, y);
    else surface.line(point.x, y);
  });
  surface.stroke(mixTint(colour, '#ffffff', 0.62), Math.max(0.7, half * 0.28), 0.85);
}
