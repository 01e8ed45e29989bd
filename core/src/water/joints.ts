import { SIX } from './loads.ts';

const NINE = 9;
/** Where a row and a column of a symmetric matrix stand among its six. */
const PLACE = [
  [0, 3, 4],
  [3, 1, 5],
  [4, 5, 2],
] as const;

type Vector = readonly [x: number, y: number, z: number];

/** Of a piece that holds: 1 over e·g, and its pull but for the node before it. */
interface Held {
  readonly q: number;
  readonly drawn: number;
}

/** A piece between two nodes, as a step meets it. */
export interface Joint {
  /** How stiffly its pull keeps it from turning aside, mg/s. */
  readonly stiff: number;
  /** At what speed it has to lengthen to be as long as it is, mm/s. */
  readonly wanted: number;
  /** Whether it is slack. */
  readonly loose: boolean;
}

/**
 * Solves a chain of nodes: each node’s speed in terms of the one before it, from the far end to the near one, then all of them from there. With
 * S a node’s matrix, e the way of its piece, k its stiffness aside and g = S⁻¹e, q = e·g, the speed is v = a + B·w of the one before, with
 * B = k·(S⁻¹ − g·gᵀ/q) + g·eᵀ/q, and the pull λ = λ₀ + l·w with l = k·g/q − (k + 1/q)·e.
 */
export class Joints {
  /** The matrix and the load of the node that is worked on. */
  private readonly s = new Float64Array(SIX);
  private readonly r = new Float64Array(3);
  /** Of each node: a and B; of the piece before it: λ₀ and l. */
  private readonly a: Float64Array;
  private readonly b: Float64Array;
  private readonly pull: Float64Array;
  private readonly l: Float64Array;
  private readonly inverse = new Float64Array(SIX);
  /** S⁻¹ on the load, and on the way; and k·(S⁻¹ − g·gᵀ/q). */
  private readonly f = new Float64Array(3);
  private readonly g = new Float64Array(3);
  private readonly h = new Float64Array(SIX);

  constructor(count: number) {
    this.a = new Float64Array(3 * count);
    this.b = new Float64Array(NINE * count);
    this.pull = new Float64Array(count);
    this.l = new Float64Array(3 * count);
  }

  /** Begins with the last node. */
  begin(inert: Float64Array, push: Float64Array, last: number): void {
    for (let c = 0; c < SIX; c++) this.s[c] = inert[SIX * last + c] as number;
    for (let c = 0; c < 3; c++) this.r[c] = push[3 * last + c] as number;
  }

  private invert(): void {
    const { s } = this;
    const [xx, yy, zz] = [s[0] as number, s[1] as number, s[2] as number];
    const [xy, xz, yz] = [s[3] as number, s[4] as number, s[5] as number];
    const [a, b, c] = [yy * zz - yz * yz, xz * yz - xy * zz, xy * yz - xz * yy];
    const one = 1 / (xx * a + xy * b + xz * c);
    const { inverse: m } = this;
    m[0] = a * one;
    m[1] = (xx * zz - xz * xz) * one;
    m[2] = (xx * yy - xy * xy) * one;
    m[3] = b * one;
    m[4] = c * one;
    m[5] = (xy * xz - xx * yz) * one;
  }

  /** Joins node i to the one before it by its piece. @param sway what the turn that was guessed is taken for already, on either node */
  join(i: number, way: Vector, joint: Joint, sway: Float64Array, inert: Float64Array, push: Float64Array): void {
    const { s, r } = this;
    this.turned(way, joint.stiff);
    this.invert();
    for (let c = 0; c < 3; c++) r[c] = (r[c] as number) + (sway[c] as number);
    this.applied(r, this.f);
    const held = joint.loose ? null : this.hold(i, way, joint);
    if (joint.loose) {
      this.a.set(this.f, 3 * i);
      this.b.fill(0, NINE * i, NINE * i + NINE);
    }
    for (let c = 0; c < SIX; c++) s[c] = inert[SIX * (i - 1) + c] as number;
    for (let c = 0; c < 3; c++) r[c] = push[3 * (i - 1) + c] as number;
    if (held) this.feel(i, way, joint, held, sway);
  }

  /** The node’s own share of what keeps its piece from turning: k·(I − e·eᵀ). */
  private turned([ex, ey, ez]: Vector, k: number): void {
    this.add(k * (1 - ex * ex), k * (1 - ey * ey), k * (1 - ez * ez), -k * ex * ey, -k * ex * ez, -k * ey * ez);
  }

  private add(xx: number, yy: number, zz: number, xy: number, xz: number, yz: number): void {
    const { s } = this;
    s[0] = xx + (s[0] as number);
    s[1] = yy + (s[1] as number);
    s[2] = zz + (s[2] as number);
    s[3] = xy + (s[3] as number);
    s[4] = xz + (s[4] as number);
    s[5] = yz + (s[5] as number);
  }

  /** The inverse on a vector. */
  private applied(v: ArrayLike<number>, into: Float64Array): void {
    const { inverse: m } = this;
    const [x, y, z] = [v[0] as number, v[1] as number, v[2] as number];
    into[0] = (m[0] as number) * x + (m[3] as number) * y + (m[4] as number) * z;
    into[1] = (m[3] as number) * x + (m[1] as number) * y + (m[5] as number) * z;
    into[2] = (m[4] as number) * x + (m[5] as number) * y + (m[2] as number) * z;
  }

  /** Puts down a, B, λ₀ and l of a piece that holds. */
  private hold(i: number, way: Vector, { stiff: k, wanted }: Joint): Held {
    const { a, b, l, f, g, h } = this;
    const [ex, ey, ez] = way;
    this.applied(way, g);
    const [gx, gy, gz] = [g[0] as number, g[1] as number, g[2] as number];
    const [fx, fy, fz] = [f[0] as number, f[1] as number, f[2] as number];
    const { inverse: m } = this;
    const [ixx, iyy, izz] = [m[0] as number, m[1] as number, m[2] as number];
    const [ixy, ixz, iyz] = [m[3] as number, m[4] as number, m[5] as number];
    const q = 1 / (ex * gx + ey * gy + ez * gz);
    const drawn = (ex * fx + ey * fy + ez * fz - wanted) * q;
    const [v, w] = [3 * i, NINE * i];
    a[v] = fx - gx * drawn;
    a[v + 1] = fy - gy * drawn;
    a[v + 2] = fz - gz * drawn;
    // k·(S⁻¹ − g·gᵀ/q), symmetric.
    h[0] = k * (ixx - gx * gx * q);
    h[1] = k * (iyy - gy * gy * q);
    h[2] = k * (izz - gz * gz * q);
    h[3] = k * (ixy - gx * gy * q);
    h[4] = k * (ixz - gx * gz * q);
    h[5] = k * (iyz - gy * gz * q);
    for (let row = 0; row < 3; row++) {
      const [one, two, three] = PLACE[row] as Vector;
      const by = (g[row] as number) * q;
      const at = w + 3 * row;
      b[at] = (h[one] as number) + by * ex;
      b[at + 1] = (h[two] as number) + by * ey;
      b[at + 2] = (h[three] as number) + by * ez;
    }
    this.pull[i] = drawn;
    for (let c = 0; c < 3; c++) l[v + c] = k * q * (g[c] as number) - (k + q) * (way[c] as number);
    return { q, drawn };
  }

  /** What the node before it feels of all that hangs on it. */
  private feel(
    i: number,
    [ex, ey, ez]: Vector,
    { stiff: k, wanted }: Joint,
    { q, drawn }: Held,
    sway: Float64Array,
  ): void {
    const { a, r, g, h } = this;
    const [gx, gy, gz] = [g[0] as number, g[1] as number, g[2] as number];
    const [hxx, hyy, hzz] = [h[0] as number, h[1] as number, h[2] as number];
    const [hxy, hxz, hyz] = [h[3] as number, h[4] as number, h[5] as number];
    const [kq, all] = [k * q, k + q];
    this.add(
      k - k * hxx - 2 * kq * gx * ex + all * ex * ex,
      k - k * hyy - 2 * kq * gy * ey + all * ey * ey,
      k - k * hzz - 2 * kq * gz * ez + all * ez * ez,
      -k * hxy - kq * (gx * ey + ex * gy) + all * ex * ey,
      -k * hxz - kq * (gx * ez + ex * gz) + all * ex * ez,
      -k * hyz - kq * (gy * ez + ey * gz) + all * ey * ez,
    );
    const way = [ex, ey, ez] as const;
    for (let c = 0; c < 3; c++) {
      const e = way[c] as number;
      r[c] = (r[c] as number) + k * ((a[3 * i + c] as number) - wanted * e) + drawn * e - (sway[c] as number);
    }
  }

  /** The speed of the first node, where nothing holds it. */
  lead(speed: Float64Array): void {
    const { r, inverse: m } = this;
    this.invert();
    const [x, y, z] = [r[0] as number, r[1] as number, r[2] as number];
    speed[0] = (m[0] as number) * x + (m[3] as number) * y + (m[4] as number) * z;
    speed[1] = (m[3] as number) * x + (m[1] as number) * y + (m[5] as number) * z;
    speed[2] = (m[4] as number) * x + (m[5] as number) * y + (m[2] as number) * z;
  }

  /** The speed of node i by the one before it. @returns the pull of the piece between them */
  follow(i: number, speed: Float64Array, loose: boolean): number {
    const { a, b, l } = this;
    const [v, w] = [3 * i, NINE * i];
    const [x, y, z] = [speed[v - 3] as number, speed[v - 2] as number, speed[v - 1] as number];
    for (let c = 0; c < 3; c++) {
      const at = w + 3 * c;
      speed[v + c] =
        (a[v + c] as number) + (b[at] as number) * x + (b[at + 1] as number) * y + (b[at + 2] as number) * z;
    }
    return loose
      ? 0
      : (this.pull[i] as number) + (l[v] as number) * x + (l[v + 1] as number) * y + (l[v + 2] as number) * z;
  }
}
