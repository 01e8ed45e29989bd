/** The curve through four values at equal steps, between the second and the third (Catmull and Rom 1974). @param t 0 at b, 1 at c */
export const between = (a: number, b: number, c: number, d: number, t: number): number =>
  b + (t / 2) * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
