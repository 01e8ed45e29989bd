import { G, type Water } from '../model/index.ts';
import type { Current } from './current.ts';
import { acrossPerMm, alongPerMm, type LinePiece } from './line.ts';

/** Figures of a symmetric matrix: xx yy zz xy xz yz. */
export const SIX = 6;

/** A node that has a body: a fly, or a float. */
export interface Body {
  /** What has to be moved with it: its own mass, and the water that moves with it, mg. */
  readonly massMg: number;
  readonly sunkMg: number;
  readonly dryMg: number;
  /** Over so many mm above the surface its buoyancy is gone. */
  readonly fadesMm: number;
  /** Drag in mg·mm/s² a mm/s, at a relative speed. */
  readonly dragPerSpeed: (speedMmS: number) => number;
  /** How far its lowest part lies under it, mm. */
  readonly reachMm: number;
  /** Sliding friction on the bed, of the load on it. */
  readonly friction: number;
}

/** Buoyancy of line fades so far over the surface, mm. */
const SURFACE_MM = 2;
/** Line in the air comes to rest in about so long: it would swing there with nothing to hold it back. */
const STILLED_S = 0.1;
/** Drag across goes with speed to about this power: so steep it is taken about the speed a node has, or it would swing to and fro about its answer. */
const SLOPE = 1.8;
/** A line that is mended follows the rod so many times sooner than the water. */
const LED = 8;

/** Mass over the step and drag of one node after the other, as a matrix, and what pushes it. */
export class Loads {
  private readonly current: Current;
  private readonly water: Water;
  private readonly matrix = new Float64Array(SIX);
  private readonly pushed = new Float64Array(3);
  private node = 0;
  private high = 0;
  /** Share of the node that is under water, the flow there, its speed, and the flow past it. */
  private wet = 1;
  private flow = 0;
  private vx = 0;
  private vy = 0;
  private vz = 0;
  private ux = 0;
  private uy = 0;
  private uz = 0;
  private weight = 0;
  private yields = 0;

  constructor(current: Current, water: Water) {
    this.current = current;
    this.water = water;
  }

  /** Begins with a node where it is, at the speed it has. */
  begin(node: number, at: Float64Array, speed: Float64Array): void {
    const k = 3 * node;
    this.node = node;
    this.matrix.fill(0);
    this.pushed.fill(0);
    this.high = at[k + 2] as number;
    this.wet = this.high <= 0 ? 1 : Math.max(0, 1 - this.high / SURFACE_MM);
    this.flow = this.current.at(this.high, at[k + 1] as number);
    [this.vx, this.vy, this.vz] = [speed[k] as number, speed[k + 1] as number, speed[k + 2] as number];
    [this.ux, this.uy, this.uz] = [this.flow - this.vx, -this.vy, -this.vz];
    [this.weight, this.yields] = [0, 0];
  }

  /** Half of a piece beside it. */
  piece(piece: LinePiece, way: Float64Array, s: number, dt: number): void {
    const { matrix: m, pushed: p, water, wet, flow, vx, vy, vz, ux, uy, uz } = this;
    const [tx, ty, tz] = [way[3 * s] as number, way[3 * s + 1] as number, way[3 * s + 2] as number];
    const half = piece.lengthMm / 2;
    const along = ux * tx + uy * ty + uz * tz;
    const across = Math.sqrt(Math.max(0, ux * ux + uy * uy + uz * uz - along * along));
    const kn = wet * half * acrossPerMm(piece.diameterMm, across, water);
    const kt = wet * half * alongPerMm(piece.diameterMm, Math.abs(along), water);
    const own = (half * piece.dryMgMm) / dt;
    const added = (wet * half * water.density * (Math.PI / 4) * piece.diameterMm ** 2) / dt;
    const dv = vx * tx + vy * ty + vz * tz;
    // Drag acts across the piece, and friction along it; across it is taken with its slope.
    const stiff = SLOPE * kn;
    const stilled = ((1 - wet) * half * piece.dryMgMm) / STILLED_S;
    const [all, less] = [own + added + stiff + stilled, kt - stiff - added];
    m[0] = (m[0] as number) + all + less * tx * tx;
    m[1] = (m[1] as number) + all + less * ty * ty;
    m[2] = (m[2] as number) + all + less * tz * tz;
    m[3] = (m[3] as number) + less * tx * ty;
    m[4] = (m[4] as number) + less * tx * tz;
    m[5] = (m[5] as number) + less * ty * tz;
    // Drag works on the flow, not on the mass; what its slope says too much of the speed it has is taken off again.
    const off = (1 - SLOPE) * kn;
    const slid = (kt - stiff) * flow * tx - off * along - added * dv;
    p[0] = (p[0] as number) + (own + added) * vx + stiff * flow + off * ux + slid * tx;
    p[1] = (p[1] as number) + (own + added) * vy + off * uy + slid * ty;
    p[2] = (p[2] as number) + (own + added) * vz + off * uz + slid * tz;
    this.weight += half * (wet * piece.sunkMgMm + (1 - wet) * piece.dryMgMm);
    if (this.high > 0 && this.high < SURFACE_MM) this.yields += (half * (piece.dryMgMm - piece.sunkMgMm)) / SURFACE_MM;
  }

  /** A fly or a float that it is. */
  body(body: Body, dt: number): void {
    const { high, flow, vx, vy, vz, ux, uy, uz } = this;
    const sunk = high <= 0 ? 1 : Math.max(0, 1 - high / body.fadesMm);
    const own = sunk * body.dragPerSpeed(Math.sqrt(ux * ux + uy * uy + uz * uz));
    const off = (1 - SLOPE) * own;
    const mass = body.massMg / dt;
    this.level(mass + SLOPE * own, mass + SLOPE * own, mass * vx + SLOPE * own * flow + off * ux, mass * vy + off * uy);
    this.pushed[2] = (this.pushed[2] as number) + mass * vz + off * uz;
    this.weight += sunk * body.sunkMg + (1 - sunk) * body.dryMg;
    if (high > 0 && high < body.fadesMm) this.yields += (body.dryMg - body.sunkMg) / body.fadesMm;
  }

  /** Line that is mended: the rod lays it over, and it goes where it is led as far as its length lets it. @param upstream mm/s */
  led(upstream: number): void {
    const { matrix: m } = this;
    const led = LED * ((m[0] as number) + (m[1] as number) + (m[2] as number));
    this.level(led, 0, -led * upstream, 0);
  }

  private level(level: number, upright: number, px: number, py: number): void {
    const { matrix: m, pushed: p } = this;
    m[0] = (m[0] as number) + level;
    m[1] = (m[1] as number) + level;
    m[2] = (m[2] as number) + upright;
    p[0] = (p[0] as number) + px;
    p[1] = (p[1] as number) + py;
  }

  /** Puts down what came of it. */
  end(dt: number, inert: Float64Array, push: Float64Array): void {
    const { matrix: m, pushed: p } = this;
    p[2] = (p[2] as number) - this.weight * G;
    // What it loses in buoyancy as it rises in this step.
    m[2] = (m[2] as number) + dt * this.yields * G;
    inert.set(m, SIX * this.node);
    push.set(p, 3 * this.node);
  }
}
