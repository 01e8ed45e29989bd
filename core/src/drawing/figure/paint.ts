import { mixTint } from '../../data/index.ts';
import type { Vec3 } from '../../model/index.ts';
import { paintEdge, paintLines } from './paintLines.ts';
import { HAIR_PX, paintMovingStrand, paintSolid } from './paintSolids.ts';
import type { Palette } from './palette.ts';
import type { Surface } from './surface.ts';
import type { PaintOptions } from './options.ts';
import { FIBRE_STRIDE, type FlyFigure, type PartFigure, type Solid } from './types.ts';
import { depthOf, type View } from './view.ts';

const LEAST_PX = 0.55;

/** Fibre density follows the scale: all beyond 8 px/mm, three quarters between 3 and 8, half below. */
const shareAt = (scale: number): number => (scale > 8 ? 1 : scale >= 3 ? 0.75 : 0.5);

type Side = 'far' | 'near' | 'all';

/** How a fibre is laid: as the thin blade it is, or by its middle alone, which is stroked. */
type Laid = 'blade' | 'middle';

/**
 * Steps through the fibres of a part, of which a share is laid. It is another than the golden turn they go round the hook by, or a share of
 * them would be one side of it.
 */
const LEFT_OUT = 0.754878;

/** Lays the path of a part's fibres of one tint that lie before or behind the axis. */
function layFibres(
  surface: Surface,
  fibres: Float32Array,
  view: View,
  side: Side,
  tint: number,
  share: number,
  laid: Laid = 'blade',
): void {
  const count = Math.floor(fibres.length / FIBRE_STRIDE);
  const { scale, across, up, toward } = view;
  const at = (row: Vec3, i: number): number =>
    row[0] * (fibres[i] as number) + row[1] * (fibres[i + 1] as number) + row[2] * (fibres[i + 2] as number);
  const x = (i: number): number => view.ox + scale * at(across, i);
  const y = (i: number): number => view.oy - scale * at(up, i);
  for (let f = 0; f < count; f++) {
    const i = f * FIBRE_STRIDE;
    if (fibres[i + 10] !== tint) continue;
    // A fibre is left out by its own number, so that the ones that stay are the same at every share.
    if (share < 1 && (f * LEFT_OUT) % 1 > share) continue;
    if (side !== 'all' && at(toward, i + 3) < 0 !== (side === 'far')) continue;
    const [ax, ay, bx, by, cx, cy] = [x(i), y(i), x(i + 3), y(i + 3), x(i + 6), y(i + 6)];
    if (laid === 'middle') {
      surface.move(ax, ay);
      surface.quad(bx, by, cx, cy);
      continue;
    }
    const half = Math.max(LEAST_PX, (fibres[i + 9] as number) * scale) / 2;
    const length = Math.hypot(bx - ax, by - ay) || 1;
    const [nx, ny] = [(-(by - ay) / length) * half, ((bx - ax) / length) * half];
    surface.move(ax + nx, ay + ny);
    surface.quad(bx + nx, by + ny, cx, cy);
    surface.quad(bx - nx, by - ny, ax - nx, ay - ny);
    surface.close();
  }
}

/** Across the rim round a picked part's fibres and what is left of it clear of them, px; so many of them have the envelope of all. */
const RIM = { outer: 14, inner: 8, share: 0.6 } as const;

/** The rim of the picked part, behind everything: along the envelope of its fibres where it has some and rests, else along its edge. */
function paintPick(surface: Surface, figure: FlyFigure, view: View, options: PaintOptions, moving: boolean): void {
  const { picked, sheet } = options;
  if (!picked || view.name === 'section') return;
  const part = figure.parts.find((each) => each.id === picked.id);
  if (!part || part.fibres.length === 0 || moving) {
    paintEdge(surface, view, options);
    return;
  }
  surface.begin();
  for (let tint = 0; tint < part.tints.length; tint++) layFibres(surface, part.fibres, view, 'all', tint, RIM.share);
  surface.stroke(picked.colour, RIM.outer);
  surface.stroke(sheet, RIM.inner);
}

/** Fills the fibres of one part that lie before or behind the axis, one path a tint. */
function paintFibres(
  surface: Surface,
  part: PartFigure,
  view: View,
  side: Side,
  colour: (tint: number) => string,
  alpha: number,
  share: number,
  moving: boolean,
): void {
  // What moves is as wide as a hair: a hair is stroked in a fraction of the time that a blade is filled in.
  const laid = moving ? 'middle' : 'blade';
  const seen = [view.ox, view.oy, view.scale, ...view.across, ...view.up, side, share, laid].join();
  for (let tint = 0; tint < part.tints.length; tint++) {
    surface.reuse(part.fibres, `${seen},${String(tint)}`, () => {
      layFibres(surface, part.fibres, view, side, tint, share, laid);
    });
    if (moving) surface.stroke(colour(tint), HAIR_PX, alpha);
    else surface.fill(colour(tint), alpha);
  }
}

const CAN_LIE_BEHIND: ReadonlySet<Solid['kind']> = new Set(['ball', 'disc', 'wire', 'ribbon', 'neck']);

const meanDepth = (solid: Solid, view: View): number => {
  if (solid.kind === 'ball' || solid.kind === 'neck' || solid.kind === 'disc') return depthOf(view, solid.centre);
  if (solid.kind === 'ribbon' || solid.kind === 'wire' || solid.kind === 'strand')
    return solid.points.reduce((sum, point) => sum + depthOf(view, point), 0) / solid.points.length;
  return 0;
};

/** Where a solid begins along x, mm. */
function frontOf(solid: Solid): number {
  switch (solid.kind) {
    case 'ball':
    case 'neck':
    case 'disc':
      return solid.centre[0];
    case 'coat':
      return solid.cuts[0]?.x ?? 0;
    case 'body':
    case 'rib':
      return solid.stations[0]?.x ?? 0;
    case 'tube':
      return 0;
    case 'wire':
    case 'ribbon':
    case 'strand':
      return solid.points.at(0)?.[0] ?? 0;
  }
}

const middles = new WeakMap<PartFigure, number>();

/** Middle of a part along x, for painting the front view from the rear forward; reckoned once a part. */
function meanX(part: PartFigure): number {
  let middle = middles.get(part);
  if (middle === undefined) middles.set(part, (middle = meanXOf(part)));
  return middle;
}

function meanXOf(part: PartFigure): number {
  let [sum, count] = [0, 0];
  for (let i = 0; i < part.fibres.length; i += FIBRE_STRIDE) {
    sum += part.fibres[i + 3] as number;
    count++;
  }
  for (const solid of part.solids) {
    const x = frontOf(solid);
    sum += x;
    count++;
  }
  return count === 0 ? 0 : sum / count;
}

/** One stroke of a painting: what it shows, by the identity of the thing and the way it is shown, and how it is put on. */
export interface PaintStep {
  readonly matter: object;
  readonly key: string;
  /** @param share of the fibres drawn, fewer while something moves */
  readonly paint: (surface: Surface, share: number) => void;
}

/** The steps of one view, and the makers of them for solids and fibres. */
class Steps {
  readonly list: PaintStep[] = [];
  private readonly view: View;
  private readonly palette: Palette;
  private readonly wire: string;
  private readonly ink: string;

  constructor(view: View, palette: Palette, wire: string, ink: string) {
    this.view = view;
    this.palette = palette;
    this.wire = wire;
    this.ink = ink;
  }

  solid(each: Solid): void {
    const { view, palette, wire } = this;
    this.list.push({
      matter: each,
      key: 'solid',
      paint: (surface, share) => {
        if (share < 1 && each.kind === 'strand') paintMovingStrand(surface, each, view, palette);
        else paintSolid(surface, each, view, palette, wire);
      },
    });
  }

  fibres(part: PartFigure, side: Side, alpha: number): void {
    if (part.fibres.length === 0) return;
    const { view, palette, ink } = this;
    const most = shareAt(view.scale);
    this.list.push({
      matter: part,
      key: side,
      paint: (surface, share) => {
        const colour = (tint: number): string => palette.tint(part.tints[tint] ?? ink);
        paintFibres(surface, part, view, side, colour, palette.plain ? 1 : alpha, Math.min(most, share), share < 1);
      },
    });
  }
}

/**
 * How a fly is painted in one view: far fibres, then wire and bodies, then near fibres, then what stands nearest.
 * In the dark theme the ramp of the materials is lightened, never inverted.
 */
export function paintSteps(figure: FlyFigure, view: View, options: PaintOptions): readonly PaintStep[] {
  const plain = options.mode === 'silhouette';
  const lifted = (tint: string): string => (options.dark ? mixTint(tint, '#dbe6e4', 0.26) : tint);
  const palette: Palette = { ink: options.ink, sheet: options.sheet, plain, tint: plain ? () => options.ink : lifted };
  if (options.mode === 'lines') {
    const paint = (surface: Surface): void => {
      paintLines(surface, figure, view, palette, options);
    };
    return [{ matter: figure, key: 'lines', paint }];
  }
  const steps = new Steps(view, palette, figure.platform.tints[0] ?? options.ink, options.ink);
  steps.list.push({
    matter: options.sections ?? figure,
    key: 'pick',
    paint: (surface, share) => {
      paintPick(surface, figure, view, options, share < 1);
    },
  });
  if (view.name === 'section') frontSteps(figure, steps);
  else sideSteps(figure, view, steps);
  return steps.list;
}

/** Paints a fly on a surface in one view. */
export function paintFly(surface: Surface, figure: FlyFigure, view: View, options: PaintOptions): void {
  for (const step of paintSteps(figure, view, options)) step.paint(surface, options.share ?? 1);
}

function sideSteps(figure: FlyFigure, view: View, steps: Steps): void {
  const front = (each: Solid): boolean =>
    (each.kind === 'ball' && meanDepth(each, view) > 0.6 * each.r) ||
    (each.kind === 'disc' && meanDepth(each, view) > 0) ||
    (each.kind === 'coat' && view.name === 'profile');
  const back = (each: Solid): boolean => CAN_LIE_BEHIND.has(each.kind) && meanDepth(each, view) < -0.15;
  const all = [...figure.parts].sort((a, b) => a.layer - b.layer).flatMap((part) => part.solids);
  const strands = all.filter((each) => each.kind === 'strand');
  const solids = all.filter((each) => each.kind !== 'strand');
  for (const each of figure.platform.solids) if (back(each)) steps.solid(each);
  for (const part of figure.parts) steps.fibres(part, 'far', 0.85);
  for (const each of strands) if (meanDepth(each, view) < 0) steps.solid(each);
  for (const each of figure.platform.solids) if (!back(each)) steps.solid(each);
  for (const each of solids) if (back(each)) steps.solid(each);
  for (const each of solids) if (!back(each) && !front(each)) steps.solid(each);
  for (const part of figure.parts) steps.fibres(part, 'near', 0.95);
  for (const each of strands) if (meanDepth(each, view) >= 0) steps.solid(each);
  for (const each of solids) if (front(each)) steps.solid(each);
}

function frontSteps(figure: FlyFigure, steps: Steps): void {
  const solid = (each: Solid): void => {
    steps.solid(each);
  };
  const rearFirst = [...figure.parts].sort((a, b) => meanX(b) - meanX(a));
  const hook = figure.platform.solids.filter((each) => !(each.kind === 'wire' && each.run === 'ring'));
  const behind = rearFirst.filter((part) => part.solids.every((each) => each.kind === 'strand') || meanX(part) > 10);
  for (const part of behind) {
    part.solids.forEach(solid);
    steps.fibres(part, 'all', 0.5);
  }
  hook.forEach(solid);
  for (const part of rearFirst.filter((each) => !behind.includes(each))) {
    steps.fibres(part, 'all', 0.6);
    [...part.solids].sort((a, b) => Number(b.kind === 'neck') - Number(a.kind === 'neck')).forEach(solid);
  }
  for (const each of figure.platform.solids) if (each.kind === 'wire' && each.run === 'ring') steps.solid(each);
}
