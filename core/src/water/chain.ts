import { G } from '../model/index.ts';
import type { Dropper, Ends, Mend, Place } from './cast.ts';
import { Joints } from './joints.ts';
import { type Body, Loads, SIX } from './loads.ts';
import type { Segment } from './segments.ts';

/** Sliding friction of line on the bed. */
const LINE_FRICTION = 0.4;
/** A piece at the rod is wound in when it is shorter than this share of the one behind it. */
const WOUND_IN = 0.15;
/** So often it is asked which pieces are slack. */
const MOST_TRIES = 12;
/** Slower than this nothing slides, mm/s; and by so much more than its own mass a node is held on the bed. */
const SLIDES_MM_S = 0.5;
const HELD = 1e6;

/** A step is solved so often at most, until no node comes to lie further than this from where it was thought to, mm. */
const [MOST_PASSES, NEAR_MM] = [5, 10] as const;
/** A step in which a piece stretches by more, as a share, or a node goes further than that share of a piece, is halved, so often at most. */
const [MOST_STRETCH, MOST_MOVE, MOST_HALVINGS] = [1e-3, 0.6, 6] as const;

/** How it stood before a step. */
interface Kept {
  readonly at: Float64Array;
  readonly speed: Float64Array;
  readonly pull: Float64Array;
}

/**
 * Line, leader and fly as nodes joined by pieces that do not stretch. A step is implicit in the drag of every node, in the pull of every piece
 * and in the way it points, so that neither a stiff drag nor a wave along a tight line sets how long it may be; a piece that would be pushed is
 * slack. mm, mg, s; forces in mg·mm/s².
 */
export class Chain {
  /** Nodes from the rod (or the float) to the fly, three figures each. */
  readonly at: Float64Array;
  readonly speed: Float64Array;
  /** Pull in each piece, mg·mm/s². */
  readonly pull: Float64Array;
  nodes: number;
  readonly segments: Segment[];
  /** The largest stretch of a piece after the last step, as a share, and the furthest a node moved, as a share of the piece before it. */
  stretched = 0;
  moved = 0;
  /** How many steps it took so far. */
  steps = 0;
  /** Load of the fly on the bed, mg·mm/s². */
  bedLoad = 0;
  private readonly bed: number;
  private readonly fly: () => Body;
  private readonly float: Body | null;
  private readonly dropper: Dropper | null;
  /** Mass over the step and drag of each node, xx yy zz xy xz yz, and what pushes it. */
  private readonly inert: Float64Array;
  private readonly push: Float64Array;
  private readonly next: Float64Array;
  /** Where the step was thought to go, and the way of each piece there. */
  private readonly guess: Float64Array;
  private readonly way: Float64Array;
  private readonly ahead: Float64Array;
  private readonly joints: Joints;
  private readonly loads: Loads;
  private readonly drawn: Float64Array;
  private readonly before: readonly Kept[];
  private readonly sway = new Float64Array(3);
  private readonly own: [number, number, number] = [0, 0, 0];
  private readonly joint = { stiff: 0, wanted: 0, loose: false };
  private readonly slack: Uint8Array;
  private readonly onBed: Uint8Array;

  /**
   * @param places of all nodes at first @param fly as it is now, asked before each step @param float what the first node is; null where it is held
   * @param dropper a second fly on the leader
   */
  constructor(segments: Segment[], places: readonly Place[], { current, water, fly, float, dropper = null }: Ends) {
    this.segments = segments;
    this.nodes = places.length;
    const [three, count] = [3 * places.length, places.length];
    this.at = Float64Array.from(places.flat());
    this.speed = new Float64Array(three);
    this.pull = new Float64Array(count);
    this.bed = -current.stretch.depthMm;
    this.fly = fly;
    this.float = float;
    this.dropper = dropper;
    this.inert = new Float64Array(SIX * count);
    this.push = new Float64Array(three);
    this.next = new Float64Array(three);
    this.guess = new Float64Array(three);
    this.way = new Float64Array(three);
    this.ahead = new Float64Array(three);
    this.joints = new Joints(count);
    this.loads = new Loads(current, water);
    this.drawn = new Float64Array(count);
    this.before = Array.from({ length: MOST_HALVINGS + 1 }, () => ({
      at: new Float64Array(three),
      speed: new Float64Array(three),
      pull: new Float64Array(count),
    }));
    this.slack = new Uint8Array(count);
    this.onBed = new Uint8Array(count);
  }

  get flyNode(): number {
    return this.nodes - 1;
  }

  /** The node a second fly is tied in at; that of the fly where there is none. */
  get dropperNode(): number {
    return this.flyNode - (this.dropper?.piecesAbove ?? 0);
  }

  /** What is tied in at a node. */
  private bodyAt(i: number): Body | null {
    if (i === 0) return this.float;
    if (i === this.flyNode) return this.fly();
    return this.dropper && i === this.dropperNode ? this.dropper.body() : null;
  }

  /** What the line on both sides of a node does to what is tied in there, mg. */
  forceOn(node: number): Place {
    const on = (c: number): number =>
      ((this.pull[node] ?? 0) * (this.way[3 * node + c] as number) -
        (this.pull[node - 1] as number) * (this.way[3 * node - 3 + c] as number)) /
      G;
    return [on(0), on(1), on(2)];
  }

  /** Pull on the fly, mg. */
  get flyPullMg(): number {
    return (this.pull[this.nodes - 2] as number) / G;
  }

  /** The way of the last piece, from the fly toward the rod. */
  flyWay(): Place {
    const i = 3 * (this.nodes - 2);
    return [-(this.way[i] as number), -(this.way[i + 1] as number), -(this.way[i + 2] as number)];
  }

  /**
   * Goes on by some time, in as many steps as it takes: one in which a piece stretches, or a node goes too far, is taken again in two halves.
   * @param tip where the rod’s tip is after it; null where a float leads
   */
  advance(dt: number, tip: Place | null, mend: Mend | null = null, halvings = 0): void {
    const { at, speed, pull, before } = this;
    const own = before[halvings] as Kept;
    own.at.set(at);
    own.speed.set(speed);
    own.pull.set(pull);
    const from: Place = [at[0] as number, at[1] as number, at[2] as number];
    this.step(dt, tip, mend);
    this.steps++;
    // What is not a number is no small stretch either.
    if ((this.stretched < MOST_STRETCH && this.moved < MOST_MOVE) || halvings >= MOST_HALVINGS) return;
    at.set(own.at);
    speed.set(own.speed);
    pull.set(own.pull);
    const half: Place | null = tip && [(from[0] + tip[0]) / 2, (from[1] + tip[1]) / 2, (from[2] + tip[2]) / 2];
    this.advance(dt / 2, half, mend, halvings + 1);
    this.advance(dt / 2, tip, mend, halvings + 1);
  }

  private step(dt: number, tip: Place | null, mend: Mend | null = null): void {
    const { at, next, speed, guess, nodes } = this;
    this.onBed.fill(0);
    this.gatherAll(dt, mend);
    guess.fill(0);
    this.directions(at);
    this.solve(dt, tip);
    this.touch(dt);
    // Once more, from where that leads, and again where it leads elsewhere.
    for (let tries = 1; tries < MOST_PASSES; tries++) {
      guess.set(next);
      for (let k = 0; k < 3 * nodes; k++) this.ahead[k] = (at[k] as number) + dt * (next[k] as number);
      this.directions(this.ahead);
      this.solve(dt, tip);
      if (dt * this.missed() < NEAR_MM) break;
    }
    this.moved = 0;
    for (let i = 0; i < nodes; i++) {
      let far = 0;
      for (let k = 3 * i; k < 3 * i + 3; k++) {
        const by = dt * (next[k] as number);
        at[k] = (at[k] as number) + by;
        speed[k] = next[k] as number;
        far += by * by;
      }
      if (i > 0) this.moved = Math.max(this.moved, Math.sqrt(far) / (this.segments[i - 1] as Segment).lengthMm);
    }
    this.stretched = this.stretch();
  }

  /** By how much the speed of a node is other than it was guessed, at the most, mm/s. */
  private missed(): number {
    let most = 0;
    for (let k = 0; k < 3 * this.nodes; k++)
      most = Math.max(most, Math.abs((this.next[k] as number) - (this.guess[k] as number)));
    return most;
  }

  /** Winds line in at the rod, or lets it out where it is negative, mm. */
  wind(byMm: number): void {
    const [first, second] = this.segments;
    if (!first || !second) return;
    first.lengthMm -= byMm;
    if (first.lengthMm > WOUND_IN * second.lengthMm || this.nodes < 4) {
      first.lengthMm = Math.max(1, first.lengthMm);
      return;
    }
    second.lengthMm += first.lengthMm;
    this.segments.shift();
    this.nodes--;
    for (const each of [this.at, this.speed]) each.copyWithin(3, 6);
    this.pull.copyWithin(0, 1);
    this.slack.copyWithin(0, 1);
    this.way.copyWithin(0, 3);
  }

  /** Kinetic and potential energy, mg·mm²/s², for what moves in still water; added water left out. */
  energy(): number {
    let sum = 0;
    const mass = (i: number): { readonly dry: number; readonly sunk: number } => {
      let [dry, sunk] = [0, 0];
      for (const each of [this.segments[i - 1], this.segments[i]])
        if (each) {
          dry += (each.lengthMm / 2) * each.dryMgMm;
          sunk += (each.lengthMm / 2) * each.sunkMgMm;
        }
      const body = this.bodyAt(i);
      return body ? { dry: dry + body.massMg, sunk: sunk + body.sunkMg } : { dry, sunk };
    };
    for (let i = 1; i < this.nodes; i++) {
      const { dry, sunk } = mass(i);
      const k = 3 * i;
      const [x, y, z] = [this.speed[k] as number, this.speed[k + 1] as number, this.speed[k + 2] as number];
      sum += (dry * (x * x + y * y + z * z)) / 2 + sunk * G * (this.at[k + 2] as number);
    }
    return sum;
  }

  /** Mass, drag and load of every node. */
  private gatherAll(dt: number, mend: Mend | null): void {
    this.directions(this.at);
    const { loads, segments, way, nodes } = this;
    for (let i = 0; i < nodes; i++) {
      loads.begin(i, this.at, this.speed);
      for (let s = Math.max(0, i - 1); s <= i && s < nodes - 1; s++) loads.piece(segments[s] as Segment, way, s, dt);
      const body = this.bodyAt(i);
      if (body) loads.body(body, dt);
      if (mend && i <= mend.segments) loads.led(mend.speedAt(i / mend.segments));
      loads.end(dt, this.inert, this.push);
    }
  }

  /** The way of every piece, from the rod on, at some places. */
  private directions(places: Float64Array): void {
    for (let s = 0; s + 1 < this.nodes; s++) {
      const k = 3 * s;
      const dx = (places[k + 3] as number) - (places[k] as number);
      const dy = (places[k + 4] as number) - (places[k + 1] as number);
      const dz = (places[k + 5] as number) - (places[k + 2] as number);
      const long = Math.max(1e-9, Math.sqrt(dx * dx + dy * dy + dz * dz));
      this.way[k] = dx / long;
      this.way[k + 1] = dy / long;
      this.way[k + 2] = dz / long;
    }
  }

  /** The speed of every node and the pull of every piece: one that would have to push is let go, one that would grow longer holds again. */
  private solve(dt: number, tip: Place | null): void {
    const { slack, joints, next, at } = this;
    // What was slack is likely to be so still; what is wrong with that shows at once.
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      this.eliminate(dt);
      if (this.float !== null) joints.lead(next);
      else if (tip) for (let k = 0; k < 3; k++) next[k] = ((tip[k] as number) - (at[k] as number)) / dt;
      let changed = false;
      for (let i = 1; i < this.nodes; i++) {
        const loose = slack[i - 1] === 1;
        const t = joints.follow(i, next, loose);
        this.drawn[i - 1] = Math.max(0, t);
        if (loose ? this.growsBy(i, dt) > 0 : t < 0) {
          slack[i - 1] = loose ? 0 : 1;
          changed = true;
        }
      }
      if (!changed) break;
    }
    this.pull.set(this.drawn);
  }

  /** By how much faster a piece that is slack would grow than it may, mm/s. */
  private growsBy(i: number, dt: number): number {
    const { at, next, way } = this;
    const k = 3 * i;
    let grows = -(this.segments[i - 1] as Segment).lengthMm / dt;
    for (let c = 0; c < 3; c++)
      grows +=
        (way[k - 3 + c] as number) *
        (((at[k + c] as number) - (at[k - 3 + c] as number)) / dt +
          (next[k + c] as number) -
          (next[k - 3 + c] as number));
    return grows;
  }

  /** From the fly to the rod, each node's speed in terms of the one before it. */
  private eliminate(dt: number): void {
    const { at, way, guess, slack, pull, joints, inert, push } = this;
    joints.begin(inert, push, this.flyNode);
    for (let i = this.flyNode; i > 0; i--) {
      const k = 3 * (i - 1);
      const piece = this.segments[i - 1] as Segment;
      const { own, joint } = this;
      for (let c = 0; c < 3; c++) own[c] = way[k + c] as number;
      let [along, turns] = [0, 0];
      for (let c = 0; c < 3; c++) {
        const e = way[k + c] as number;
        along += e * ((at[k + 3 + c] as number) - (at[k + c] as number));
        turns += e * ((guess[k + 3 + c] as number) - (guess[k + c] as number));
      }
      const stiff = slack[i - 1] === 1 ? 0 : (dt * (pull[i - 1] as number)) / piece.lengthMm;
      for (let c = 0; c < 3; c++)
        this.sway[c] =
          stiff * ((guess[k + 3 + c] as number) - (guess[k + c] as number) - turns * (way[k + c] as number));
      joint.stiff = stiff;
      joint.wanted = (piece.lengthMm - along) / dt;
      joint.loose = slack[i - 1] === 1;
      joints.join(i, own, joint, this.sway, inert, push);
    }
  }

  /** Nodes that would go into the bed are held on it, and rub along it. */
  private touch(dt: number): void {
    const { at, next, inert, push } = this;
    this.bedLoad = 0;
    for (let i = 1; i < this.nodes; i++) {
      const k = 3 * i;
      const body = this.bodyAt(i);
      const floor = this.bed + (body?.reachMm ?? 0);
      const z = at[k + 2] as number;
      if (z + dt * (next[k + 2] as number) >= floor) continue;
      const rises = (floor - z) / dt;
      const m = SIX * i;
      const load = (rises - (next[k + 2] as number)) * (inert[m + 2] as number);
      if (i === this.flyNode) this.bedLoad = load;
      // What rubs stops what slides, and never turns it back.
      const rubs =
        ((body?.friction ?? LINE_FRICTION) * load) /
        Math.max(SLIDES_MM_S, Math.hypot(next[k] as number, next[k + 1] as number));
      inert[m] = (inert[m] as number) + rubs;
      inert[m + 1] = (inert[m + 1] as number) + rubs;
      const held = HELD * (inert[m + 2] as number);
      inert[m + 2] = held;
      push[k + 2] = held * rises;
      this.onBed[i] = 1;
    }
  }

  /** Whether what is at a node lies on the bed. */
  touchesAt(node: number): boolean {
    return this.onBed[node] === 1;
  }

  private stretch(): number {
    let worst = 0;
    for (let s = 0; s + 1 < this.nodes; s++) {
      const k = 3 * s;
      const long = Math.hypot(
        (this.at[k + 3] as number) - (this.at[k] as number),
        (this.at[k + 4] as number) - (this.at[k + 1] as number),
        (this.at[k + 5] as number) - (this.at[k + 2] as number),
      );
      worst = Math.max(worst, long / (this.segments[s] as Segment).lengthMm - 1);
    }
    return worst;
  }
}
