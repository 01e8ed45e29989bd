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

export interface ProjectionOptions {
  /** Speed at which soft sections narrow, mm/s; 0 leaves them as drawn. */
  readonly speedMmS?: number;
  /** Only what stands out beyond what it is wound on counts: a see-through wrap of no thickness is nothing. */
  readonly beyondCore?: boolean;
  /** Written over and returned, in the place of a new one; of as many cells as the table. */
  readonly into?: Silhouette;
}

/** The intervals of the cell that is being summed, and their ends in order. */
let low = new Float64Array(0);
let high = new Float64Array(0);
let shade = new Float64Array(0);
let across = new Float64Array(0);
let aft = new Float64Array(0);
let ballOf = new Float64Array(0);
let eventAt = new Float64Array(0);

function makeRoom(intervals: number): void {
  if (intervals <= low.length) return;
  const most = Math.max(256, 2 * intervals);
  [low, high, shade, across, aft, ballOf] = Array.from({ length: 6 }, () => new Float64Array(most)) as [
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
    Float64Array<ArrayBuffer>,
  ];
  eventAt = new Float64Array(2 * most);
}

/** For each ellipse of a table two ends of intervals, by cells: k where the cell's interval k begins, ~k where it ends. */
function endsOf({ cells, first }: Cells): Int32Array {
  const ends = new Int32Array(2 * (first[cells] as number));
  for (let c = 0; c < cells; c++)
    for (let i = first[c] as number, k = 0; i < (first[c + 1] as number); i++, k++) {
      ends[2 * i] = k;
      ends[2 * i + 1] = ~k;
    }
  return ends;
}

/** The ends as they lay when a table was last projected: from one roll or speed to the next hardly one has to move. */
const lastOrders = new WeakMap<Cells, Int32Array>();

function orderFor(table: Cells): Int32Array {
  let order = lastOrders.get(table);
  if (!order) lastOrders.set(table, (order = endsOf(table)));
  return order;
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

/** The narrowing at one speed, remembered by softness: a fly holds few. */
function narrowingOf(speedMmS: number): (softness: number) => number {
  const known = new Map<number, number>();
  return (softness) => {
    let share = known.get(softness);
    if (share === undefined) known.set(softness, (share = narrowing(softness, speedMmS)));
    return share;
  };
}

/** A silhouette to be written over: for who reads it at once and asks for the next, which saves making six columns each time. */
export const blankSilhouette = (cells: number): Silhouette => ({
  b: new Float64Array(cells),
  moment: new Float64Array(cells),
  load: new Float64Array(cells),
  loadX: new Float64Array(cells),
  ball: new Float64Array(cells),
  ballMm: new Float64Array(cells),
});

/**
 * Projects a fly at roll θ: `side` on ζ (up; what a side current meets), `plan` on η (across; what sinking water meets).
 * Where intervals overlap the opacity is 1 − Π(1 − o) over those covering that very point.
 * @param theta roll in radians, in the sense of the model's two formulas
 */
export function project(
  table: Cells,
  view: 'side' | 'plan',
  theta: number,
  options: ProjectionOptions = {},
): Silhouette {
  const out = options.into ?? blankSilhouette(table.cells);
  const speed = options.speedMmS ?? 0;
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)];
  // ζ = y·sinθ + z·cosθ, η = y·cosθ − z·sinθ: one pair of weights serves both views.
  const side = view === 'side';
  const wy = side ? sin : cos;
  const wz = side ? cos : -sin;
  const { beyondCore: beyond = false } = options;
  const thin = speed > 0 ? narrowingOf(speed) : null;
  const { first, y, z, semiY, semiZ, turn, opacity, softness, ballMm, leastSemi, coreSemi, shiftX, shiftY, shiftZ } =
    table;
  const ends = orderFor(table);
  for (let c = 0; c < table.cells; c++) {
    let n = 0;
    const [from, to] = [first[c] as number, first[c + 1] as number];
    makeRoom(to - from);
    for (let i = from; i < to; i++) {
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
      const soft = softness[i] as number;
      if (thin !== null && soft > 0) half = Math.max(half * thin(soft), Math.min(half, leastSemi[i] as number));
      const centre = (y[i] as number) * wy + (z[i] as number) * wz;
      low[n] = centre - half;
      high[n] = centre + half;
      shade[n] = (opacity[i] as number) * (beyond ? Math.max(0, 1 - (coreSemi[i] as number) / half) : 1);
      across[n] = (shiftY[i] as number) * wy + (shiftZ[i] as number) * wz;
      aft[n] = shiftX[i] as number;
      ballOf[n] = ballMm[i] as number;
      n++;
    }
    if (n === 0) leaveEmpty(out, c);
    else if (n === 1) sumOne(out, c);
    else sumMany(out, c, n, ends, 2 * from);
  }
  return out;
}

const OPAQUE = 1 - 1e-9;

function widestBall(n: number, mid: number): number {
  let widest = 0;
  for (let k = 0; k < n; k++)
    if ((ballOf[k] as number) > widest && mid >= (low[k] as number) && mid <= (high[k] as number))
      widest = ballOf[k] as number;
  return widest;
}

function leaveEmpty(out: Silhouette, c: number): void {
  out.b[c] = out.moment[c] = out.load[c] = out.loadX[c] = out.ball[c] = out.ballMm[c] = 0;
}

/** What a single interval shows. */
function sumOne(out: Silhouette, c: number): void {
  const [from, to] = [low[0] as number, high[0] as number];
  const covered = (to - from) * (shade[0] as number);
  const mid = from + (to - from) / 2;
  out.b[c] = covered;
  out.moment[c] = covered * mid;
  out.load[c] = covered * (mid + (across[0] as number));
  out.loadX[c] = covered * (aft[0] as number);
  const ball = ballOf[0] as number;
  out.ball[c] = ball > 0 ? covered : 0;
  out.ballMm[c] = ball;
}

/** Adds up one cell: walks from interval end to interval end, keeping what covers the stretch between. @param ends the cell's, from `base` on, in any order */
// oxlint-disable-next-line max-lines-per-function -- the innermost loop of a solve: its running sums stay in local variables
function sumMany(out: Silhouette, c: number, n: number, ends: Int32Array, base: number): void {
  sortEnds(ends, base, 2 * n);
  let b = 0,
    moment = 0,
    load = 0,
    loadX = 0,
    ball = 0,
    ballMm = 0;
  let count = 0,
    opaque = 0,
    balls = 0,
    clear = 1,
    sum = 0,
    shift = 0,
    shiftX = 0;
  for (let e = 0; e + 1 < 2 * n; e++) {
    const event = ends[base + e] as number;
    const from = eventAt[e] as number;
    if (event >= 0) {
      const o = shade[event] as number;
      count++;
      if (o >= OPAQUE) opaque++;
      else clear *= 1 - o;
      sum += o;
      shift += o * (across[event] as number);
      shiftX += o * (aft[event] as number);
      if ((ballOf[event] as number) > 0) balls++;
    } else if (--count === 0) {
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
      else clear /= 1 - o;
      sum -= o;
      shift -= o * (across[k] as number);
      shiftX -= o * (aft[k] as number);
      if ((ballOf[k] as number) > 0) balls--;
    }
    const width = (eventAt[e + 1] as number) - from;
    if (width <= 0) continue;
    const covered = opaque > 0 ? width : (1 - clear) * width;
    const mid = from + width / 2;
    const share = covered / sum;
    b += covered;
    moment += covered * mid;
    load += covered * mid + share * shift;
    loadX += share * shiftX;
    if (balls > 0) {
      ball += covered;
      ballMm = Math.max(ballMm, widestBall(n, mid));
    }
  }
  out.b[c] = b;
  out.moment[c] = moment;
  out.load[c] = load;
  out.loadX[c] = loadX;
  out.ball[c] = ball;
  out.ballMm[c] = ballMm;
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
