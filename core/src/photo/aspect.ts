import { good, type Outcome } from '../base/index.ts';
import { boundsOf, type Ellipse, extentOf, type LaidFly, PLAN_UP } from '../model/index.ts';
import { partName } from '../tying/index.ts';
import { depthOf } from './blobs.ts';
import { broadest, planBreadths } from './breadths.ts';
import { circleAmong, LEAST_BINS, type Ring } from './circle.ts';
import { contourOf } from './contour.ts';
import type { Field, Picture } from './picture.ts';
import { cannot, type Seen, seenIn, toPicture } from './seen.ts';
import { crossings } from './silhouette.ts';

/** A fly seen from above, or from the ring. */
export type AspectView = 'top' | 'front';
type Px = readonly [number, number];

/** From above the ring's rear and the end of the shank; from the front the ring and the lowest of the bend. */
export interface AspectMarks {
  readonly eye: Px;
  readonly bend: Px;
  /** The middles of a pair of eyes. */
  readonly left?: Px | undefined;
  readonly right?: Px | undefined;
}

export interface AspectFound {
  readonly landmarks: AspectMarks;
  readonly contour: readonly Px[];
  readonly notes: readonly string[];
}

/** What lies left and right of the hook over a stretch of it, or all round it; left as one looks along the shank to the eye, or into the ring. */
export interface Sides {
  readonly words: string;
  readonly leftMm2: number;
  readonly rightMm2: number;
  /** How far it stands out at the most. */
  readonly leftMm: number;
  readonly rightMm: number;
}

export interface AspectTold {
  readonly sides: readonly Sides[];
  /** How far the tips reach behind the end of the shank on either side; null from the front. */
  readonly tips: { readonly leftMm: number; readonly rightMm: number } | null;
  /** How far out the middle of either eye is, and how far the pair is from square to the hook; null where they are not told. */
  readonly eyes: { readonly leftMm: number; readonly rightMm: number; readonly askewDeg: number } | null;
  /** How even it is all round, thinnest twelfth to fullest, of what stands off the ring; null from above. */
  readonly round: number | null;
}

/** A place of the picture as it lies on the hook: along it from the eye, and to its left, mm. */
function frameOf({ eye, bend }: AspectMarks, lengthMm: number): (px: number, py: number) => readonly [number, number] {
  const [dx, dy] = [bend[0] - eye[0], bend[1] - eye[1]];
  const px = Math.max(1e-6, Math.hypot(dx, dy));
  const [ax, ay] = [dx / px, dy / px];
  const perPx = lengthMm / px;
  return (x, y) => {
    const [u, v] = [x - eye[0], y - eye[1]];
    return [perPx * (u * ax + v * ay), perPx * (v * ax - u * ay)];
  };
}

/** From the ring down to the lowest of the hook, mm. */
const dropMm = ({ platform }: LaidFly): number =>
  Math.max(1, ...platform.wires.flatMap(({ points, diameterMm }) => points.map(([, , z]) => diameterMm / 2 - z)));

const lengthOf = (view: AspectView, laid: LaidFly): number => (view === 'top' ? laid.platform.shankMm : dropMm(laid));

const STEP_MM = 0.2;

/** Left and right of the hook between two places along it. */
function sidesBetween(ring: Ring, words: string, from: number, to: number): Sides {
  const across = ring.map(([s, t]) => [t, s] as const);
  let [leftMm2, rightMm2, leftMm, rightMm] = [0, 0, 0, 0];
  for (let s = from + STEP_MM / 2; s < to; s += STEP_MM) {
    const cuts = crossings(across, s);
    for (let k = 0; k + 1 < cuts.length; k += 2) {
      const [low, high] = [cuts[k] as number, cuts[k + 1] as number];
      leftMm2 += STEP_MM * Math.max(0, high - Math.max(0, low));
      rightMm2 += STEP_MM * Math.max(0, Math.min(0, high) - low);
      leftMm = Math.max(leftMm, high);
      rightMm = Math.max(rightMm, -low);
    }
  }
  return { words, leftMm2, rightMm2, leftMm, rightMm };
}

/** So near the middle a tip is of neither side, mm. */
const MIDDLE_MM = 0.4;

function tipsOf(ring: Ring, shankMm: number): NonNullable<AspectTold['tips']> {
  const furthest = (side: 1 | -1): number =>
    Math.max(0, ...ring.flatMap(([s, t]) => (side * t > MIDDLE_MM ? [s - shankMm] : [])));
  return { leftMm: furthest(1), rightMm: furthest(-1) };
}

interface Ball {
  readonly at: readonly [number, number];
  readonly r: number;
}

/** The two balls of a pair of eyes as they are planned in this view: the near side’s and the far side’s. */
function ballsOf(laid: LaidFly, view: AspectView): readonly [Ball, Ball] | null {
  const part = laid.parts.find(({ built, file }) => built.ball?.sided === true && file.construction === 'ball');
  if (!part) return null;
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const balls = laid.sections
    .filter(({ owner }) => owner === part.file.id)
    .flatMap((section): Ball[] => {
      const x = (section.fromMm + section.toMm) / 2;
      section.at(x, cut);
      const [y] = extentOf(section, cut, PLAN_UP);
      const r = Math.max(cut.semiY, cut.semiZ);
      return r > 0.4 ? [{ at: view === 'top' ? [x, y] : [-cut.z, y], r }] : [];
    })
    .sort((one, other) => other.at[1] - one.at[1]);
  const [first, last] = [balls[0], balls.at(-1)];
  return first && last && first.at[1] > 0.5 && last.at[1] < -0.5 ? [first, last] : null;
}

/** How far off its plan, in shares of its radius, an eye's edge is looked for, and over how much of its outer half, radians. */
const EDGE = { least: 0.5, most: 1.9, aside: 1.3 } as const;
/** Edges are taken one a direction. */
const TURNS = 36;

/** The middle of an eye by the outer half of its edge. @param side 1 left, −1 right */
function eyeAt(ring: Ring, { at: [s, t], r }: Ball, side: 1 | -1): readonly [number, number] | null {
  const by = new Map<number, readonly [number, number]>();
  for (const [ps, pt] of ring) {
    const [ds, dt] = [ps - s, side * (pt - t)];
    const far = Math.hypot(ds, dt);
    const turn = Math.atan2(ds, dt);
    if (far < EDGE.least * r || far > EDGE.most * r || Math.abs(turn) > EDGE.aside) continue;
    const bin = Math.round((turn * TURNS) / (2 * Math.PI));
    const known = by.get(bin);
    if (!known || Math.hypot(known[0] - s, known[1] - t) < far) by.set(bin, [ps, pt]);
  }
  if (by.size < LEAST_BINS) return null;
  const circle = circleAmong([...by.values()]);
  return circle && circle.offMm < 0.12 * circle.r && Math.abs(circle.r / r - 1) < 0.35 ? [circle.x, circle.z] : null;
}

/** The middles of both eyes, by circles through what of their edges stands clear; null where either is not told. */
function eyesIn(
  ring: Ring,
  laid: LaidFly,
  view: AspectView,
): readonly [left: readonly [number, number], right: readonly [number, number]] | null {
  const balls = ballsOf(laid, view);
  const [left, right] = balls ? [eyeAt(ring, balls[0], 1), eyeAt(ring, balls[1], -1)] : [];
  return left && right ? [left, right] : null;
}

function eyesTold(
  [ls, lt]: readonly [number, number],
  [rs, rt]: readonly [number, number],
): NonNullable<AspectTold['eyes']> {
  // Above: the left one ahead of the right; from the front: the left one higher.
  return { leftMm: lt, rightMm: -rt, askewDeg: (Math.atan2(rs - ls, lt - rt) * 180) / Math.PI };
}

const SECTORS = 12;

/** The thinnest twelfth of what stands off the ring to the fullest, the one with the hook in it left out. */
function roundness(ring: Ring): number {
  const far = Array.from({ length: SECTORS }, () => 0);
  for (const [s, t] of ring) {
    const sector = Math.floor(((Math.atan2(t, s) / (2 * Math.PI) + 1 + 0.5 / SECTORS) % 1) * SECTORS);
    far[sector] = Math.max(far[sector] ?? 0, Math.hypot(s, t));
  }
  // The first is straight down, where the hook is.
  const others = far.slice(1);
  return Math.max(...others) > 0 ? Math.min(...others) / Math.max(...others) : 0;
}

/** What the outline of a fly from above or from the front tells, by its landmarks. */
export function aspectBy(view: AspectView, contour: readonly Px[], marks: AspectMarks, laid: LaidFly): AspectTold {
  const place = frameOf(marks, lengthOf(view, laid));
  const ring = contour.map(([x, y]) => place(x, y));
  const along = ring.map(([s]) => s);
  const [front, rear] = [Math.min(...along), Math.max(...along)];
  const { left, right } = marks;
  const eyes = left && right ? eyesTold(place(...left), place(...right)) : null;
  if (view === 'front')
    return { sides: [sidesBetween(ring, 'all of it', front, rear)], tips: null, eyes, round: roundness(ring) };
  const { shankMm } = laid.platform;
  return {
    sides: [
      sidesBetween(ring, 'over the hook', Math.max(front, 0), shankMm),
      sidesBetween(ring, 'behind the bend', shankMm, rear),
      ...broadest(laid).map(({ part, fromMm, toMm }) => sidesBetween(ring, partName(part), fromMm, toMm)),
    ],
    tips: tipsOf(ring, shankMm),
    eyes,
    round: null,
  };
}

/** The middle of what is covered, and the way it lies longest. */
function lieOf({ width, height, at }: Field): { readonly middle: Px; readonly way: Px } {
  let [n, sx, sy, xx, xy, yy] = [0, 0, 0, 0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if ((at[y * width + x] as number) < 0.5) continue;
      n++;
      sx += x;
      sy += y;
      xx += x * x;
      xy += x * y;
      yy += y * y;
    }
  const [mx, my] = [sx / n, sy / n];
  const turn = Math.atan2(2 * (xy / n - mx * my), xx / n - mx * mx - (yy / n - my * my)) / 2;
  return { middle: [mx, my], way: [Math.cos(turn), Math.sin(turn)] };
}

const SHARES = Array.from({ length: 24 }, (_, i) => (i + 0.5) / 24);

/** Breadths as shares of the broadest, so that two of another scale are held against each other. */
function unlike(one: readonly number[], other: readonly number[]): number {
  const [a, b] = [Math.max(...one), Math.max(...other)];
  return one.reduce((sum, each, i) => sum + (each / a - (other[i] ?? 0) / b) ** 2, 0);
}

/** Where ring and bend lie from above: along the way the fly lies longest, its front where its breadths are the plan’s. */
function marksAbove(contour: readonly Px[], { middle, way }: ReturnType<typeof lieOf>, laid: LaidFly): AspectMarks {
  const plan = planBreadths(laid, SHARES);
  const laidOut = (ux: number, uy: number) => {
    const ring = contour.map(([x, y]) => {
      const [u, v] = [x - middle[0], y - middle[1]];
      return [u * ux + v * uy, v * ux - u * uy] as const;
    });
    const along = ring.map(([s]) => s);
    const [front, rear] = [Math.min(...along), Math.max(...along)];
    const across = ring.map(([s, t]) => [t, s] as const);
    const cutAt = (s: number): readonly [number, number] => {
      const cuts = crossings(across, s);
      return [cuts[0] ?? 0, cuts.at(-1) ?? 0];
    };
    const breadths = SHARES.map((share) => {
      const [low, high] = cutAt(front + share * (rear - front));
      return high - low;
    });
    return { ux, uy, front, rear, cutAt, off: unlike(breadths, plan.breadths) };
  };
  const [one, other] = [laidOut(way[0], way[1]), laidOut(-way[0], -way[1])];
  const best = one.off <= other.off ? one : other;
  const pxPerMm = (best.rear - best.front) / (plan.rear - plan.front);
  const at = (mm: number): Px => {
    const s = best.front + (mm - plan.front) * pxPerMm;
    // Over the hook its dressing lies about it: the middle of what is seen.
    const [low, high] = best.cutAt(s);
    const t = (low + high) / 2;
    return [middle[0] + s * best.ux - t * best.uy, middle[1] + s * best.uy + t * best.ux];
  };
  return { eye: at(0), bend: at(laid.platform.shankMm) };
}

/** How far aside of straight down a hook may hang in a picture, degrees, and how finely that is looked for. */
const [ASIDE_DEG, ASIDE_STEP] = [40, 1];
const RAYS = 180;

/** How far an outline reaches from a place in so many directions, the first along x. */
function raysOf(contour: readonly Px[], [mx, my]: Px): Float64Array {
  const far = new Float64Array(RAYS);
  for (const [x, y] of contour) {
    const ray = Math.floor(((Math.atan2(y - my, x - mx) / (2 * Math.PI) + 1) % 1) * RAYS);
    far[ray] = Math.max(far[ray] as number, Math.hypot(x - mx, y - my));
  }
  return far;
}

/** The way down along which a fly is most alike on either side, radians. */
function evenWay(contour: readonly Px[], middle: Px): number {
  const far = raysOf(contour, middle);
  const at = (rad: number): number => far[Math.floor(((rad / (2 * Math.PI) + 2) % 1) * RAYS)] as number;
  let best = { off: Infinity, way: Math.PI / 2 };
  for (let deg = -ASIDE_DEG; deg <= ASIDE_DEG; deg += ASIDE_STEP) {
    const way = Math.PI / 2 + (deg * Math.PI) / 180;
    let off = 0;
    for (let k = 1; k < RAYS / 2; k++) {
      const by = (k * 2 * Math.PI) / RAYS;
      off += Math.abs(at(way + by) - at(way - by));
    }
    if (off < best.off - 1e-9) best = { off, way };
  }
  return best.way;
}

/** Where the ring and the lowest of the bend are from the front: on the line along which it is most alike on either side, as the plan has them. */
function marksAhead(contour: readonly Px[], { middle }: ReturnType<typeof lieOf>, laid: LaidFly): AspectMarks {
  const way = evenWay(contour, middle);
  const [ux, uy] = [Math.cos(way), Math.sin(way)];
  const along = contour.map(([x, y]) => (x - middle[0]) * ux + (y - middle[1]) * uy);
  const { top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const [high, low] = [Math.min(...along), Math.max(...along)];
  const pxPerMm = (low - high) / (top - bottom);
  const at = (mm: number): Px => {
    const s = high + (top + mm) * pxPerMm;
    return [middle[0] + s * ux, middle[1] + s * uy];
  };
  return { eye: at(0), bend: at(dropMm(laid)) };
}

/** Strands and bunches of them that are thinner than this share of an eye’s radius lie about eyes and are no part of them; by half of it they are worn off. */
const STRAND = 0.8;

/** What of a cover is thicker than strands: worn off by their half breadth, and as much laid on again. */
function withoutStrands({ width, height, at }: Field, px: number): Field {
  const depth = depthOf((i) => (at[i] as number) >= 0.5, width, height);
  const away = depthOf((i) => (depth[i] as number) <= px, width, height);
  return { width, height, at: Float32Array.from(at, (_, i) => ((away[i] as number) <= px ? 1 : 0)) };
}

/** The middles of both eyes in the picture: by the outline, else by what is left of it without strands. */
export function eyesSeen(
  whole: Field,
  outline: readonly Px[],
  marks: AspectMarks,
  laid: LaidFly,
  view: AspectView,
): readonly [Px, Px] | null {
  const balls = ballsOf(laid, view);
  if (!balls) return null;
  const lengthMm = lengthOf(view, laid);
  const place = frameOf(marks, lengthMm);
  const pxPerMm = Math.hypot(marks.bend[0] - marks.eye[0], marks.bend[1] - marks.eye[1]) / lengthMm;
  const found =
    eyesIn(
      outline.map(([x, y]) => place(x, y)),
      laid,
      view,
    ) ??
    eyesIn(
      contourOf(withoutStrands(whole, (STRAND / 2) * balls[0].r * pxPerMm)).map(([x, y]) => place(x, y)),
      laid,
      view,
    );
  if (!found) return null;
  const [ax, ay] = [(marks.bend[0] - marks.eye[0]) / lengthMm, (marks.bend[1] - marks.eye[1]) / lengthMm];
  // The way back from the hook to the picture.
  const back = ([s, t]: readonly [number, number]): Px => [
    marks.eye[0] + s * ax - t * ay,
    marks.eye[1] + s * ay + t * ax,
  ];
  return [back(found[0]), back(found[1])];
}

/** Finds a fly in a picture from above or from the front. @returns its outline and where to begin with its landmarks; or why none is seen */
export function findAspect(picture: Picture, laid: LaidFly, view: AspectView): Outcome<AspectFound> {
  const seen = seenIn(picture);
  if (!seen.ok) return seen;
  const { cover, box, shrunk, held }: Seen = seen.value;
  const outline = contourOf(cover.whole);
  if (outline.length < 12) return cannot('too little of a fly is seen: photograph it larger');
  const lie = lieOf(cover.whole);
  const lies = view === 'top' ? marksAbove(outline, lie, laid) : marksAhead(outline, lie, laid);
  const whole = ([x, y]: Px): Px => toPicture([x + box.left, y + box.top], shrunk);
  const eyes = eyesSeen(cover.whole, outline, lies, laid, view);
  return good({
    landmarks: {
      eye: whole(lies.eye),
      bend: whole(lies.bend),
      ...(eyes ? { left: whole(eyes[0]), right: whole(eyes[1]) } : {}),
    },
    contour: outline.map(whole),
    notes: [
      view === 'top'
        ? 'see that eye and bend lie on the hook: what is left and right goes by them'
        : 'see that the two marks lie on the ring and on the lowest of the bend: what is left and right goes by them',
      ...(eyes || !ballsOf(laid, view) ? [] : ['the eyes are not told from what lies about them']),
      ...(held ? ['something holds the fly: it is taken for a part of it'] : []),
    ],
  });
}
