import { f32 } from './arrays.ts';
import { type Ellipse, extentOf, type LaidFly, PROFILE_UP } from '../model/index.ts';
import type { LengthFound } from './lengths.ts';
import type { Colours } from './picture.ts';
import { type Pose, toPixel } from './pose.ts';

/** From where to where its end is looked for, times the plan's own length; and so much of the strip is either of the two at least. */
const [FROM, LOOKED, LEAST] = [0.3, 2.4, 0.1] as const;
/** Of the bare hook's thickness, so much either side of its middle is surely thread, and surely what follows it. */
const STRIP = 0.6;
/** Steps of the strip, mm, and rows over its height. */
const STEP_MM = 0.05;
const ROWS = 5;
/** Two colours nearer than this are not told apart: a distance in Oklab; and so many times the spread within either. */
const [APART, TIMES] = [0.07, 2.5] as const;
/** An edge is where it is to so many pixels. */
const EDGE_PX = 0.6;
/** A length more uncertain than this share of it is not told. */
const WORST = 0.08;

/** What a head is of, and what it is wound on. */
const THREAD: ReadonlySet<string> = new Set(['platform', 'thread', 'head']);

type Colour = readonly [l: number, a: number, b: number];

const between = ([l, a, b]: Colour, [m, c, d]: Colour): number => Math.hypot(l - m, a - c, b - d);

/** The colour at a place of the picture; null beyond its border. */
function colourAt({ width, height, lightness, a, b }: Colours, [x, y]: readonly [number, number]): Colour | null {
  const [column, row] = [Math.round(x), Math.round(y)];
  if (column < 0 || row < 0 || column >= width || row >= height) return null;
  const i = row * width + column;
  return [f32(lightness, i), f32(a, i), f32(b, i)];
}

function meanOf(colours: readonly Colour[]): Colour {
  const sum = (k: 0 | 1 | 2): number => colours.reduce((all, each) => all + each[k], 0) / colours.length;
  return [sum(0), sum(1), sum(2)];
}

/** Colours along the shank, each the mean of a column that is no higher than the hook is thick. */
function stripOf(colours: Colours, pose: Pose, { platform, headMm }: LaidFly): Colour[] {
  const half = (STRIP * platform.windMm) / 2;
  const strip: Colour[] = [];
  for (let x = FROM * headMm + STEP_MM / 2; x < LOOKED * headMm; x += STEP_MM) {
    const column = Array.from({ length: ROWS }, (_, i) =>
      colourAt(colours, toPixel(pose, x, platform.axisZ(x) + half * ((2 * i) / (ROWS - 1) - 1))),
    ).filter((each) => each !== null);
    if (column.length < ROWS) break;
    strip.push(meanOf(column));
  }
  return strip;
}

const spreadOf = (colours: readonly Colour[], mean: Colour): number =>
  Math.sqrt(colours.reduce((sum, each) => sum + between(each, mean) ** 2, 0) / colours.length);

/** Where a strip falls into two colours with the least spread in either; null where it does not. */
function splitOf(strip: readonly Colour[]): number | null {
  const least = Math.max(3, Math.round(LEAST * strip.length));
  let best: { readonly at: number; readonly off: number; readonly clear: boolean } | null = null;
  for (let at = least; at <= strip.length - least; at++) {
    const [one, other] = [strip.slice(0, at), strip.slice(at)];
    const [a, b] = [meanOf(one), meanOf(other)];
    const [sa, sb] = [spreadOf(one, a), spreadOf(other, b)];
    const off = at * sa ** 2 + (strip.length - at) * sb ** 2;
    if (best && best.off <= off) continue;
    const far = between(a, b);
    best = { at, off, clear: far > APART && far > TIMES * Math.max(sa, sb) };
  }
  return best?.clear === true ? best.at : null;
}

/** Steps between the ring and the end of a planned head at which it is looked at whether anything lies over it. */
const LOOKS = 12;

/** Whether the plan's own head stands bare, and is followed by something else: where eyes or hair lie over it, its end is not seen. */
function endsInSight({ sections, headMm, platform }: LaidFly): boolean {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const covers = (x: number): boolean =>
    sections.some((section) => {
      if (THREAD.has(section.owner) || x < section.fromMm || x > section.toMm) return false;
      section.at(x, cut);
      const [middle, half] = extentOf(section, cut, PROFILE_UP);
      return half > 0 && Math.abs(middle - platform.axisZ(x)) < half;
    });
  const bare = Array.from({ length: LOOKS }, (_, i) => !covers((headMm * (i + 0.5)) / LOOKS));
  return bare.every(Boolean) && covers(headMm * 1.15);
}

/**
 * How long the wound head is: from the ring's rear to where its colour ends along the shank. An outline does not tell that.
 * @param pose how the fly lies in the smaller picture @param share how far off the scale is, as a share
 * @returns null where head and dressing are of one colour, or the end is not told surely
 */
export function headIn(
  colours: Colours,
  pose: Pose,
  laid: LaidFly,
  { scale, share, eyeMm }: { readonly scale: number; readonly share: number; readonly eyeMm: number },
): LengthFound | null {
  if (laid.headMm <= 0 || laid.thread.headMm === null || !endsInSight(laid)) return null;
  const at = splitOf(stripOf(colours, pose, laid));
  if (at === null) return null;
  const mm = scale * (FROM * laid.headMm + at * STEP_MM);
  const spreadMm = Math.hypot(EDGE_PX / pose.scale, STEP_MM / 2, share * mm, eyeMm);
  return spreadMm <= WORST * mm ? { measure: 'head', mm, spreadMm } : null;
}
