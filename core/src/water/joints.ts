const SIX = 6;
const NINE = 9;

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
    const [xx, yy, zz, xy, xz, yz] = this.s as unknown as [number, number, number, number, number, number];
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
  join(
    i: number,
    ex: number,
    ey: number,
    ez: number,
    { stiff: k, wanted, loose }: Joint,
    sway: Float64Array,
    inert: Float64Array,
    push: Float64Array,
  ): void {
    const { s, r, a, b, l, inverse: m } = this;
    // The node’s own share of what keeps the piece from turning: k·(I − e·eᵀ).
    s[0] = (s[0] as number) + k * (1 - ex * ex);
    s[1] = (s[1] as number) + k * (1 - ey * ey);
    s[2] = (s[2] as number) + k * (1 - ez * ez);
    s[3] = (s[3] as number) - k * ex * ey;
    s[4] = (s[4] as number) - k * ex * ez;
    s[5] = (s[5] as number) - k * ey * ez;
    this.invert();
    const [ixx, iyy, izz] = [m[0] as number, m[1] as number, m[2] as number];
    const [ixy, ixz, iyz] = [m[3] as number, m[4] as number, m[5] as number];
    const [rx, ry, rz] = [
      (r[0] as number) + (sway[0] as number),
      (r[1] as number) + (sway[1] as number),
      (r[2] as number) + (sway[2] as number),
    ];
    const [fx, fy, fz] = [
      ixx * rx + ixy * ry + ixz * rz,
      ixy * rx + iyy * ry + iyz * rz,
      ixz * rx + iyz * ry + izz * rz,
    ];
    const before = SIX * (i - 1);
    const back = 3 * (i - 1);
    const [v, w] = [3 * i, NINE * i];
    for (let c = 0; c < SIX; c++) s[c] = inert[before + c] as number;
    for (let c = 0; c < 3; c++) r[c] = push[back + c] as number;
    if (loose) {
      a[v] = fx;
      a[v + 1] = fy;
      a[v + 2] = fz;
      b.fill(0, w, w + NINE);
      return;
    }
    const [gx, gy, gz] = [
      ixx * ex + ixy * ey + ixz * ez,
      ixy * ex + iyy * ey + iyz * ez,
      ixz * ex + iyz * ey + izz * ez,
    ];
    const q = 1 / (ex * gx + ey * gy + ez * gz);
    const drawn = (gx * rx + gy * ry + gz * rz - wanted) * q;
    const [ax, ay, az] = [fx - gx * drawn, fy - gy * drawn, fz - gz * drawn];
    a[v] = ax;
    a[v + 1] = ay;
    a[v + 2] = az;
    // k·(S⁻¹ − g·gᵀ/q), symmetric.
    const [hxx, hyy, hzz] = [k * (ixx - gx * gx * q), k * (iyy - gy * gy * q), k * (izz - gz * gz * q)];
    const [hxy, hxz, hyz] = [k * (ixy - gx * gy * q), k * (ixz - gx * gz * q), k * (iyz - gy * gz * q)];
    b[w] = hxx + gx * ex * q;
    b[w + 1] = hxy + gx * ey * q;
    b[w + 2] = hxz + gx * ez * q;
    b[w + 3] = hxy + gy * ex * q;
    b[w + 4] = hyy + gy * ey * q;
    b[w + 5] = hyz + gy * ez * q;
    b[w + 6] = hxz + gz * ex * q;
    b[w + 7] = hyz + gz * ey * q;
    b[w + 8] = hzz + gz * ez * q;
    const [kq, all] = [k * q, k + q];
    this.pull[i] = drawn;
    l[v] = kq * gx - all * ex;
    l[v + 1] = kq * gy - all * ey;
    l[v + 2] = kq * gz - all * ez;
    // What the node before it feels of all that hangs on it.
    s[0] = (s[0] as number) + k - k * hxx - 2 * kq * gx * ex + all * ex * ex;
    s[1] = (s[1] as number) + k - k * hyy - 2 * kq * gy * ey + all * ey * ey;
    s[2] = (s[2] as number) + k - k * hzz - 2 * kq * gz * ez + all * ez * ez;
    s[3] = (s[3] as number) - k * hxy - kq * (gx * ey + ex * gy) + all * ex * ey;
    s[4] = (s[4] as number) - k * hxz - kq * (gx * ez + ex * gz) + all * ex * ez;
    s[5] = (s[5] as number) - k * hyz - kq * (gy * ez + ey * gz) + all * ey * ez;
    r[0] = (r[0] as number) + k * (ax - wanted * ex) + drawn * ex - (sway[0] as number);
    r[1] = (r[1] as number) + k * (ay - wanted * ey) + drawn * ey - (sway[1] as number);
    r[2] = (r[2] as number) + k * (az - wanted * ez) + drawn * ez - (sway[2] as number);
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
