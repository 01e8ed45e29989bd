import type { Cells } from './cells.ts';

/**
 * A projected silhouette, cell by cell, at one roll. All sums are over opacity-weighted breadth: `b` mm, `moment` mm² of the drawn
 * place across, `load` and `loadX` mm² the same where the force of limp parts acts, `ball` mm the part of b that balls cover.
 */
export interface Silhouette {
  readonly b: Float64Array;
  readonly moment: Float64Array;
  readonly load: Float64Array;
  readonly loadX: Float64Array;
  readonly ball: Float64Array;
  readonly ballMm: Float64Array;
}

/**
 * What of a silhouette is asked for; the columns of what is not are left as they are. `breadth` is b and what balls cover of it, `load` adds
 * where the load acts across, `all` where the breadth lies and where the load acts along.
 */
export type Wanted = 'breadth' | 'load' | 'all';

export interface ProjectionOptions {
  /** Speed at which soft sections narrow, mm/s; 0 leaves them as drawn. */
  readonly speedMmS?: number;
  /** Only what stands out beyond what it is wound on counts: a see-through wrap of no thickness is nothing. */
  readonly beyondCore?: boolean;
  /** Written over and returned, in the place of a new one; of as many cells as the table. */
  readonly into?: Silhouette;
  readonly wants?: Wanted;
}

/** What the ellipses of the table that is looked at show as intervals; `across` and `aft` are how far a load is off, times the opacity. And the ends of one cell in order. */
let low = new Float64Array(0);
let high = new Float64Array(0);
let shade = new Float64Array(0);
let uncovered = new Float64Array(0);
let across = new Float64Array(0);
let aft = new Float64Array(0);
let eventAt = new Float64Array(0);

function makeRoom(intervals: number): void {
  if (intervals <= low.length) return;
  const most = Math.max(1024, 2 * intervals);
  [low, high, shade, uncovered, across, aft] = Array.from({ length: 6 }, () => new Float64Array(most)) as [
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
  ];
  eventAt = new Float64Array(2 * most);
}

/** What is kept of a table from one projection to the next. */
interface Kept {
  /** Two ends of an interval for each ellipse, by cells: i where that of ellipse i begins, ~i where it ends. They lie as at the last roll or speed: hardly one has to move. */
  readonly ends: Int32Array;
  /** By cell, 1 where something in it passes its load on, and 1 where there is a ball. */
  readonly limp: Uint8Array;
  readonly balls: Uint8Array;
  /** The softnesses there are, and which of them each ellipse has. */
  readonly softnesses: readonly number[];
  readonly softnessOf: Int32Array;
  /** Of each ellipse 1/(1 − o), by which what lies under it shows again where it ends. */
  readonly uncovers: Float64Array;
}

function keptOf({ cells, first, softness, ballMm, opacity }: Cells): Kept {
  const ends = new Int32Array(2 * (first[cells] as number));
  const limp = new Uint8Array(cells);
  const balls = new Uint8Array(cells);
  const softnesses = [...new Set(softness)];
  for (let c = 0; c < cells; c++)
    for (let i = first[c] as number; i < (first[c + 1] as number); i++) {
      ends[2 * i] = i;
      ends[2 * i + 1] = ~i;
      if ((softness[i] as number) > 0) limp[c] = 1;
      if ((ballMm[i] as number) > 0) balls[c] = 1;
    }
  return {
    ends,
    limp,
    balls,
    softnesses,
    softnessOf: Int32Array.from(softness, (each) => softnesses.indexOf(each)),
    uncovers: opacity.map((o) => 1 / (1 - o)),
  };
}

const keptTables = new WeakMap<Cells, Kept>();

function keptFor(table: Cells): Kept {
  let kept = keptTables.get(table);
  if (!kept) keptTables.set(table, (kept = keptOf(table)));
  return kept;
}

/** Puts ends in their order along the line; where two lie together by their numbers, so that the order never tells what it was before. */
function sortEnds(ends: Int32Array, from: number, count: number): void {
  for (let i = 0; i < count; i++) {
    const end = ends[from + i] as number;
    const at = (end >= 0 ? low[end] : high[~end]) as number;
    let j = i - 1;
    for (; j >= 0; j--) {
      const before = eventAt[j] as number;
      if (before < at || (before === at && (ends[from + j] as number) > end)) break;
      eventAt[j + 1] = before;
      ends[from + j + 1] = ends[from + j] as number;
    }
    eventAt[j + 1] = at;
    ends[from + j + 1] = end;
  }
}

/** Breadth of soft sections in a flow, as a share of their breadth at rest (Vogel: drag grows more slowly than v² for what bends): (1 + (V/100 mm/s)²)^(−0.4σ). */
export const narrowing = (softness: number, speedMmS: number): number =>
  (1 + (speedMmS / 100) ** 2) ** (-0.4 * softness);

/** A silhouette to be written over: for who reads it at once and asks for the next, which saves making six columns each time. */
export const blankSilhouette = (cells: number): Silhouette => ({
  b: new Float64Array(cells),
  moment: new Float64Array(cells),
  load: new Float64Array(cells),
  loadX: new Float64Array(cells),
  ball: new Float64Array(cells),
  ballMm: new Float64Array(cells),
});

/** From the side, or from straight above or below. */
export type View = 'side' | 'plan';

/** Writes the intervals a table's ellipses show, its own columns read into variables: this is half of a solve. */
function look(table: Cells, kept: Kept, view: View, theta: number, options: ProjectionOptions): void {
  const { speedMmS: speed = 0, beyondCore = false, wants = 'all' } = options;
  const { y, z, semiY, semiZ, turn, opacity, softness, leastSemi, coreSemi, shiftX, shiftY, shiftZ } = table;
  const { softnessOf, uncovers } = kept;
  const side = view === 'side';
  // ζ = y·sinθ + z·cosθ, η = y·cosθ − z·sinθ: one pair of weights serves both views.
  const wy = side ? Math.sin(theta) : Math.cos(theta);
  const wz = side ? Math.cos(theta) : -Math.sin(theta);
  const thin = speed > 0 ? kept.softnesses.map((each) => narrowing(each, speed)) : null;
  makeRoom(y.length);
  for (let i = 0; i < y.length; i++) {
    let uy = wy;
    let uz = wz;
    if (turn[i] !== 0) {
      const a = theta + (turn[i] as number);
      uy = side ? Math.sin(a) : Math.cos(a);
      uz = side ? Math.cos(a) : -Math.sin(a);
    }
    const sy = (semiY[i] as number) * uy;
    const sz = (semiZ[i] as number) * uz;
    let half = Math.sqrt(sy * sy + sz * sz);
    if (thin !== null && (softness[i] as number) > 0) {
      const narrowed = half * (thin[softnessOf[i] as number] as number);
      half = Math.max(narrowed, Math.min(half, leastSemi[i] as number));
    }
    const centre = (y[i] as number) * wy + (z[i] as number) * wz;
    low[i] = centre - half;
    high[i] = centre + half;
    let o = opacity[i] as number;
    let uncover = uncovers[i] as number;
    if (beyondCore && (coreSemi[i] as number) > 0) {
      o *= Math.max(0, 1 - (coreSemi[i] as number) / half);
      uncover = 1 / (1 - o);
    }
    shade[i] = o;
    uncovered[i] = uncover;
    if (wants === 'breadth') continue;
    across[i] = o * ((shiftY[i] as number) * wy + (shiftZ[i] as number) * wz);
    aft[i] = o * (shiftX[i] as number);
  }
}

/**
 * Projects a fly at roll θ: `side` on ζ (up; what a side current meets), `plan` on η (across; what sinking water meets).
 * Where intervals overlap the opacity is 1 − Π(1 − o) over those covering that very point.
 * @param theta roll in radians, in the sense of the model's two formulas
 */
export function project(table: Cells, view: View, theta: number, options: ProjectionOptions = {}): Silhouette {
  const { into = blankSilhouette(table.cells), wants = 'all' } = options;
  const kept = keptFor(table);
  look(table, kept, view, theta, options);
  for (let c = 0; c < table.cells; c++) sumCell(into, table, c, kept, wants);
  return into;
}

const OPAQUE = 1 - 1e-9;

/** The widest of the balls from one ellipse to before another that covers a place. */
function widestBall(ballMm: Float64Array, from: number, to: number, mid: number): number {
  let widest = 0;
  for (let i = from; i < to; i++) {
    const ball = ballMm[i] as number;
    if (ball > widest && mid >= (low[i] as number) && mid <= (high[i] as number)) widest = ball;
  }
  return widest;
}

/** Adds up one cell: walks from interval end to interval end, keeping what covers the stretch between. */
// oxlint-disable-next-line max-lines-per-function -- the innermost loop of a solve: its running sums stay in local variables
function sumCell(out: Silhouette, { first, ballMm }: Cells, c: number, kept: Kept, wants: Wanted): void {
  const from = first[c] as number;
  const to = first[c + 1] as number;
  const n = to - from;
  const base = 2 * from;
  const { ends } = kept;
  const limp = wants !== 'breadth' && kept.limp[c] === 1;
  const anyBalls = kept.balls[c] === 1;
  sortEnds(ends, base, 2 * n);
  let b = 0,
    moment = 0,
    load = 0,
    loadX = 0,
    ball = 0,
    widest = 0;
  let count = 0,
    opaque = 0,
    balls = 0,
    clear = 1,
    sum = 0,
    shift = 0,
    shiftX = 0;
  for (let e = 0; e + 1 < 2 * n; e++) {
    const event = ends[base + e] as number;
    const at = eventAt[e] as number;
    if (event >= 0) {
      const o = shade[event] as number;
      count++;
      if (o >= OPAQUE) opaque++;
      else clear *= 1 - o;
      if (limp) {
        sum += o;
        shift += across[event] as number;
        shiftX += aft[event] as number;
      }
      if (anyBalls && (ballMm[event] as number) > 0) balls++;
    } else if (--count === 0) {
      // What sums of differences leave behind goes where nothing covers the place.
      opaque = 0;
      balls = 0;
      clear = 1;
      sum = 0;
      shift = 0;
      shiftX = 0;
      continue;
    } else {
      const k = ~event;
      const o = shade[k] as number;
      if (o >= OPAQUE) opaque--;
      else clear *= uncovered[k] as number;
      if (limp) {
        sum -= o;
        shift -= across[k] as number;
        shiftX -= aft[k] as number;
      }
      if (anyBalls && (ballMm[k] as number) > 0) balls--;
    }
    const width = (eventAt[e + 1] as number) - at;
    if (width <= 0) continue;
    const covered = opaque > 0 ? width : (1 - clear) * width;
    const mid = at + width / 2;
    b += covered;
    moment += covered * mid;
    if (limp) {
      const share = sum > 0 ? covered / sum : 0;
      load += share * shift;
      loadX += share * shiftX;
    }
    if (balls > 0) {
      ball += covered;
      widest = Math.max(widest, widestBall(ballMm, from, to, mid));
    }
  }
  out.b[c] = b;
  out.ball[c] = ball;
  out.ballMm[c] = widest;
  if (wants === 'breadth') return;
  out.load[c] = moment + load;
  if (wants === 'load') return;
  out.moment[c] = moment;
  out.loadX[c] = loadX;
}

/** Area of a silhouette, mm², its centre along x and across, mm, and where its load acts. Null centres for an empty one. */
export interface SilhouetteSum {
  readonly areaMm2: number;
  readonly x: number;
  readonly across: number;
  readonly loadX: number;
  readonly load: number;
  readonly spreadX: number;
}

export function sumSilhouette(table: Cells, shape: Silhouette): SilhouetteSum | null {
  let area = 0,
    sx = 0,
    sxx = 0,
    sa = 0,
    lx = 0,
    la = 0;
  for (let c = 0; c < table.cells; c++) {
    const dx = table.dx[c] as number;
    const x = table.x[c] as number;
    const strip = (shape.b[c] as number) * dx;
    area += strip;
    sx += strip * x;
    sxx += strip * x * x;
    sa += (shape.moment[c] as number) * dx;
    la += (shape.load[c] as number) * dx;
    lx += (shape.loadX[c] as number) * dx;
  }
  if (area <= 0) return null;
  const x = sx / area;
  return {
    areaMm2: area,
    x,
    across: sa / area,
    loadX: x + lx / area,
    load: la / area,
    spreadX: Math.sqrt(Math.max(0, sxx / area - x * x)),
  };
}

/** Opacity-weighted area of a silhouette, mm². */
export function silhouetteArea(table: Cells, { b }: Silhouette): number {
  let area = 0;
  for (let c = 0; c < table.cells; c++) area += (b[c] as number) * (table.dx[c] as number);
  return area;
}

const knownSums = new WeakMap<Cells, Map<string, SilhouetteSum | null>>();

/** The same half a turn on: upside down. */
const turnedOver = ({ across, load, ...sum }: SilhouetteSum): SilhouetteSum => ({
  ...sum,
  across: 0 - across,
  load: 0 - load,
});

/** What a table's silhouette as drawn adds up to at a roll, radians; remembered, since its trim, its figures and their whys ask for the same ones. */
export function silhouetteAt(table: Cells, view: View, theta: number): SilhouetteSum | null {
  if (theta >= Math.PI) {
    const upright = silhouetteAt(table, view, theta - Math.PI);
    return upright && turnedOver(upright);
  }
  let known = knownSums.get(table);
  if (!known) knownSums.set(table, (known = new Map<string, SilhouetteSum | null>()));
  const key = `${view} ${String(theta)}`;
  let sum = known.get(key);
  if (sum === undefined) known.set(key, (sum = sumSilhouette(table, project(table, view, theta))));
  return sum;
}
