import { mixTint } from '../../data/index.ts';
import { FACES, type Vec3 } from '../../model/index.ts';
import type { Palette } from './palette.ts';
import { paintCoat, paintDisc, paintRibbon } from './paintFlat.ts';
import { barbPath, paintWire, wireOutline, wirePoints } from './paintWire.ts';
import type { Surface } from './surface.ts';
import type { BodyStation, Solid } from './types.ts';
import { screenX, screenY, type View } from './view.ts';

type Of<K extends Solid['kind']> = Extract<Solid, { kind: K }>;

const ballStops = (tint: string): [string, string, string, string] => [
  mixTint(tint, '#ffffff', 0.7),
  tint,
  mixTint(tint, '#000000', 0.5),
  mixTint(tint, '#000000', 0.72),
];

/** The stations of a body on screen, from the profile, the plan or the front. */
function edges(stations: readonly BodyStation[], view: View, at: number): [number, number][] {
  return stations.map(({ x, z, r }) => {
    const centre: Vec3 = [x, 0, z];
    return [screenX(view, centre), screenY(view, centre) - at * r * view.scale];
  });
}

function band(
  surface: Surface,
  solid: { stations: readonly BodyStation[] },
  view: View,
  top: number,
  bottom: number,
): void {
  surface.begin();
  edges(solid.stations, view, top).forEach(([x, y], i) => {
    if (i === 0) surface.move(x, y);
    else surface.line(x, y);
  });
  edges(solid.stations, view, bottom)
    .reverse()
    .forEach(([x, y]) => {
      surface.line(x, y);
    });
  surface.close();
}

function disc(surface: Surface, solid: { stations: readonly BodyStation[] }, view: View): void {
  const widest = solid.stations.reduce(
    (most, each) => (each.r > most.r ? each : most),
    solid.stations[0] ?? { x: 0, z: 0, r: 0 },
  );
  surface.begin();
  surface.circle(screenX(view, [widest.x, 0, widest.z]), screenY(view, [widest.x, 0, widest.z]), widest.r * view.scale);
}

/** Height and radius of a body at x, between its stations. */
function stationAt(stations: readonly BodyStation[], x: number): BodyStation {
  const next = stations.findIndex((each) => each.x >= x);
  const [a, b] = [stations[Math.max(0, next - 1)], stations[next === -1 ? stations.length - 1 : next]];
  if (!a || !b || a.x === b.x) return b ?? { x, z: 0, r: 0 };
  const t = (x - a.x) / (b.x - a.x);
  return { x, z: a.z + t * (b.z - a.z), r: a.r + t * (b.r - a.r) };
}

function slants(surface: Surface, stations: readonly BodyStation[], view: View, turns: number, counter: boolean): void {
  const [from, to] = [stations[0]?.x ?? 0, stations.at(-1)?.x ?? 0];
  const pitch = (to - from) / turns;
  const lean = counter ? -pitch / 2 : pitch / 2;
  surface.begin();
  for (let k = 0; k < turns - 0.25; k++) {
    const x = from + (k + 0.5) * pitch;
    const [low, high] = [
      stationAt(stations, Math.min(to, Math.max(from, x - lean / 2))),
      stationAt(stations, Math.min(to, Math.max(from, x + lean / 2))),
    ];
    surface.move(screenX(view, [low.x, 0, low.z]), screenY(view, [low.x, 0, low.z]) + low.r * view.scale);
    surface.line(screenX(view, [high.x, 0, high.z]), screenY(view, [high.x, 0, high.z]) - high.r * view.scale);
  }
}

function paintBody(surface: Surface, solid: Of<'body'>, view: View, palette: Palette): void {
  const tint = palette.tint(solid.tint);
  if (view.name === 'section') {
    disc(surface, solid, view);
    surface.fill(tint);
    if (!palette.plain) surface.stroke(mixTint(tint, '#000000', 0.4), 0.8);
    return;
  }
  band(surface, solid, view, 1, -1);
  surface.fill(tint);
  if (palette.plain) return;
  band(surface, solid, view, -0.35, -1);
  surface.fill('#000000', 0.22);
  if (solid.turns > 0) {
    slants(surface, solid.stations, view, Math.min(solid.turns, 60), solid.counter);
    surface.stroke('#000000', Math.max(0.5, 0.06 * view.scale), solid.head ? 0.2 : 0.32);
  }
  band(surface, solid, view, 0.72, 0.36);
  surface.fill('#ffffff', 0.1 + 0.34 * solid.gloss);
}

function paintRib(surface: Surface, solid: Of<'rib'>, view: View, palette: Palette): void {
  if (view.name === 'section') return;
  const tint = palette.tint(solid.tint);
  const px = Math.max(1, solid.breadthMm * view.scale);
  slants(surface, solid.stations, view, solid.turns, solid.counter);
  if (palette.plain) {
    surface.stroke(tint, px);
    return;
  }
  surface.stroke(mixTint(tint, '#000000', 0.55), px * 1.35);
  surface.stroke(mixTint(tint, '#ffffff', 0.35), px * 0.72);
}

function paintBall(surface: Surface, solid: Of<'ball'>, view: View, palette: Palette): void {
  const tint = palette.tint(solid.tint);
  const [x, y, r] = [screenX(view, solid.centre), screenY(view, solid.centre), solid.r * view.scale];
  if (palette.plain) {
    surface.begin();
    surface.circle(x, y, r);
    surface.fill(tint);
    return;
  }
  const looks = solid.face ? dot(solid.face.out, view.toward) : 0;
  if (solid.face?.kind === 'flat' && Math.abs(looks) <= SQUARELY) {
    cutBall(surface, solid, view);
    surface.fill(tint);
    surface.stroke(mixTint(tint, '#000000', 0.4), 0.8);
    // What light is left on the round of it.
    for (const [share, alpha] of [
      [0.6, 0.12],
      [0.35, 0.18],
    ] as const) {
      surface.begin();
      surface.circle(x - 0.12 * r, y - 0.28 * r, share * r);
      surface.fill('#ffffff', alpha);
    }
  } else surface.ball(x, y, r, ballStops(tint));
  if (solid.face && Math.abs(looks) > SQUARELY) paintFace(surface, x, y, r, solid.face.kind, tint);
  if (solid.boreMm > 0 && view.name === 'section') {
    surface.begin();
    surface.circle(x, y, (solid.boreMm / 2) * view.scale);
    surface.fill(mixTint(tint, '#000000', 0.7));
  }
}

const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** The outer face of an eye as one looks at it: a ring where the pupil goes, a flat, or a hole. */
function paintFace(
  surface: Surface,
  x: number,
  y: number,
  r: number,
  kind: 'ring' | 'flat' | 'drilled',
  tint: string,
): void {
  surface.begin();
  surface.circle(x, y, r * (kind === 'ring' ? 0.5 : kind === 'flat' ? FACES.flatWide : FACES.drilledWide));
  if (kind === 'flat') surface.fill(mixTint(tint, '#ffffff', 0.25), 0.8);
  if (kind === 'drilled') surface.fill(mixTint(tint, '#000000', 0.7), 0.85);
  surface.stroke(mixTint(tint, '#000000', 0.55), Math.max(0.6, r * 0.06), 0.8);
}

const ROUND_STEPS = 48;

/** The path of a ball whose outer face is cut flat, seen along that face. */
function cutBall(surface: Surface, solid: Of<'ball'>, view: View): void {
  const out = solid.face?.out ?? [0, 0, 0];
  const [u, v] = [dot(out, view.across), dot(out, view.up)];
  const length = Math.hypot(u, v) || 1;
  const [x, y, r] = [screenX(view, solid.centre), screenY(view, solid.centre), solid.r * view.scale];
  const flat = Math.sqrt(1 - FACES.flatWide ** 2);
  surface.begin();
  for (let k = 0; k <= ROUND_STEPS; k++) {
    const angle = (2 * Math.PI * k) / ROUND_STEPS;
    const [a, b] = [Math.cos(angle), Math.sin(angle)];
    const over = Math.max(0, (a * u + b * v) / length - flat);
    const [px, py] = [x + r * (a - (over * u) / length), y - r * (b - (over * v) / length)];
    if (k === 0) surface.move(px, py);
    else surface.line(px, py);
  }
  surface.close();
}

/** How squarely a face must look at the viewer to be seen as one. */
const SQUARELY = 0.75;

function paintNeck(surface: Surface, solid: Of<'neck'>, view: View, palette: Palette): void {
  const tint = palette.tint(solid.tint);
  const end = (side: 1 | -1): Vec3 => [
    solid.centre[0] + side * solid.half[0],
    solid.centre[1] + side * solid.half[1],
    solid.centre[2] + side * solid.half[2],
  ];
  const [ax, ay, bx, by] = [
    screenX(view, end(-1)),
    screenY(view, end(-1)),
    screenX(view, end(1)),
    screenY(view, end(1)),
  ];
  const thick = solid.r * view.scale;
  const seen = Math.hypot(bx - ax, by - ay);
  const [nx, ny] = seen === 0 ? [0, thick] : [(-(by - ay) / seen) * thick, ((bx - ax) / seen) * thick];
  surface.begin();
  if (seen < thick) surface.circle((ax + bx) / 2, (ay + by) / 2, thick);
  else {
    surface.move(ax + nx, ay + ny);
    surface.line(bx + nx, by + ny);
    surface.line(bx - nx, by - ny);
    surface.line(ax - nx, ay - ny);
    surface.close();
  }
  surface.fill(tint);
  if (palette.plain || view.name !== 'plan' || Math.abs(view.toward[2]) < SQUARELY) return;
  // Crossing thread turns that hold the eyes.
  const [x, y] = [screenX(view, solid.centre), screenY(view, solid.centre)];
  surface.begin();
  surface.move(x - thick * 1.4, y - thick * 1.4);
  surface.line(x + thick * 1.4, y + thick * 1.4);
  surface.move(x - thick * 1.4, y + thick * 1.4);
  surface.line(x + thick * 1.4, y - thick * 1.4);
  surface.stroke(mixTint(tint, '#000000', 0.5), Math.max(1, thick * 0.5), 0.8);
}

const LEAST_STRAND_PX = 0.9;

/** A pale base line, and on film a bright line over it, broken where the film turns. */
function layStrand(surface: Surface, { points: [root, bend, tip] }: Of<'strand'>, view: View): void {
  surface.begin();
  surface.move(screenX(view, root), screenY(view, root));
  surface.quad(screenX(view, bend), screenY(view, bend), screenX(view, tip), screenY(view, tip));
}

/** Across what is as fine as a hair while it moves, px: no wider line is stroked as fast. */
export const HAIR_PX = 1;
const FINE_PX = 3;

/** A strand while it moves: without its glint, and as a hair where it is a fine one. */
export function paintMovingStrand(surface: Surface, solid: Of<'strand'>, view: View, palette: Palette): void {
  layStrand(surface, solid, view);
  const px = solid.breadthMm * view.scale;
  surface.stroke(palette.tint(solid.tint), px < FINE_PX ? HAIR_PX : px);
}

function paintStrand(surface: Surface, solid: Of<'strand'>, view: View, palette: Palette): void {
  layStrand(surface, solid, view);
  const px = Math.max(LEAST_STRAND_PX, solid.breadthMm * view.scale);
  surface.stroke(palette.tint(solid.tint), px, palette.plain || solid.glint === null ? 1 : 0.8);
  if (palette.plain) return;
  if (solid.glint !== null) surface.stroke(palette.tint(solid.glint), px * 0.7, 0.95, [11, 6, 4, 8]);
  else surface.stroke(mixTint(palette.tint(solid.tint), '#ffffff', 0.4), px * 0.22, 0.7);
}

const tubeStations = ({ lengthMm, outsideMm }: Of<'tube'>): BodyStation[] =>
  [0, lengthMm].map((x) => ({ x, z: 0, r: outsideMm / 2 }));

/** A tube from outside; from the front its bore is seen. */
function paintTube(surface: Surface, solid: Of<'tube'>, view: View, palette: Palette): void {
  const stations = tubeStations(solid);
  paintBody(
    surface,
    { kind: 'body', stations, tint: solid.tint, gloss: 0.55, turns: 0, counter: false, head: false },
    view,
    palette,
  );
  if (view.name !== 'section') return;
  surface.begin();
  surface.circle(screenX(view, [0, 0, 0]), screenY(view, [0, 0, 0]), (solid.insideMm / 2) * view.scale);
  surface.fill(palette.plain ? palette.sheet : mixTint(palette.tint(solid.tint), '#000000', 0.7));
}

/** A tube in lines: its outer edge, and the bore as a hidden line. */
function outlineTube(surface: Surface, solid: Of<'tube'>, view: View, palette: Palette): void {
  const edge = (r: number): void => {
    if (view.name === 'section') {
      surface.begin();
      surface.circle(screenX(view, [0, 0, 0]), screenY(view, [0, 0, 0]), r * view.scale);
    } else band(surface, { stations: [0, solid.lengthMm].map((x) => ({ x, z: 0, r })) }, view, 1, -1);
  };
  edge(solid.outsideMm / 2);
  surface.fill(palette.sheet);
  surface.stroke(palette.ink, 1.1);
  edge(solid.insideMm / 2);
  surface.stroke(palette.ink, 0.8, 0.7, view.name === 'section' ? [] : [4, 2.5]);
}

/** Paints one solid of a part. @param wireTint colour of the platform's wire */
export function paintSolid(surface: Surface, solid: Solid, view: View, palette: Palette, wireTint: string): void {
  switch (solid.kind) {
    case 'wire':
      paintWire(surface, solid, view, palette, wireTint);
      break;
    case 'body':
      paintBody(surface, solid, view, palette);
      break;
    case 'rib':
      paintRib(surface, solid, view, palette);
      break;
    case 'ball':
      paintBall(surface, solid, view, palette);
      break;
    case 'neck':
      paintNeck(surface, solid, view, palette);
      break;
    case 'ribbon':
      paintRibbon(surface, solid, view, palette);
      break;
    case 'strand':
      paintStrand(surface, solid, view, palette);
      break;
    case 'tube':
      paintTube(surface, solid, view, palette);
      break;
    case 'disc':
      paintDisc(surface, solid, view, palette);
      break;
    case 'coat':
      paintCoat(surface, solid, view, palette);
      break;
  }
}

/** The edge of a wire or ball and the turns of wound work, for the lines mode. @param covered true for what lies under other work */
export function outlineSolid(surface: Surface, solid: Solid, view: View, palette: Palette, covered: boolean): void {
  if (solid.kind === 'wire') {
    wireOutline(surface, wirePoints(solid, view));
    surface.fill(palette.sheet);
    surface.stroke(palette.ink, 1.1);
    if (barbPath(surface, solid, view)) surface.stroke(palette.ink, 1);
  }
  if (solid.kind === 'ball') {
    surface.begin();
    surface.circle(screenX(view, solid.centre), screenY(view, solid.centre), solid.r * view.scale);
    surface.fill(palette.sheet, 0.7);
    surface.stroke(palette.ink, 1.1);
  }
  if (solid.kind === 'tube') outlineTube(surface, solid, view, palette);
  if (view.name === 'section') return;
  if (solid.kind === 'rib') {
    slants(surface, solid.stations, view, solid.turns, solid.counter);
    surface.stroke(palette.ink, 0.9);
  }
  if (solid.kind === 'body' && solid.turns > 0) {
    slants(surface, solid.stations, view, Math.min(40, solid.turns), solid.counter);
    if (covered) surface.stroke(palette.ink, 0.5, 0.4, [2, 2]);
    else surface.stroke(palette.ink, 0.5, 0.6);
  }
}
