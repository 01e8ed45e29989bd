import { Joints } from '../src/water/joints.ts';

const SIX = 6;
/** A figure between −1 and 1, the same for a number. */
const some = (i: number): number => Math.sin(12.9898 * i + 4.1) * Math.cos(78.233 * i);

/** Solves a dense system by Gauss with pivots. */
function solved(matrix: number[][], right: number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0]);
  const n = rows.length;
  for (let i = 0; i < n; i++) {
    const pivot = rows.slice(i).reduce((best, row) => (Math.abs(row[i] ?? 0) > Math.abs(best[i] ?? 0) ? row : best));
    rows.splice(rows.indexOf(pivot), 1);
    rows.splice(i, 0, pivot);
    for (let k = 0; k < n; k++) {
      const row = rows[k] ?? [];
      if (k === i) continue;
      const by = (row[i] ?? 0) / (pivot[i] ?? 1);
      for (let c = i; c <= n; c++) row[c] = (row[c] ?? 0) - by * (pivot[c] ?? 0);
    }
  }
  return rows.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1));
}

/** A chain of nodes with whatever masses, ways and stiffnesses. */
function chainOf(nodes: number, seed: number, loose: number | null) {
  const inert = new Float64Array(SIX * nodes);
  const push = Float64Array.from({ length: 3 * nodes }, (_, i) => 10 * some(seed + i));
  for (let i = 0; i < nodes; i++)
    inert.set([3, 4, 5, some(seed + 7 * i), some(seed + 7 * i + 1), some(seed + 7 * i + 2)], SIX * i);
  const ways = Array.from({ length: nodes - 1 }, (_, i) => {
    const way = [some(seed + 31 * i), some(seed + 31 * i + 5), some(seed + 31 * i + 9)];
    const long = Math.hypot(...way);
    return way.map((each) => each / long);
  });
  const joints = ways.map((_, i) => ({
    stiff: i === loose ? 0 : 2 + 5 * Math.abs(some(seed + i)),
    wanted: some(seed + 3 * i),
    loose: i === loose,
  }));
  const sways = ways.map((_, i) =>
    Float64Array.from(
      [some(seed + i + 50), some(seed + i + 60), some(seed + i + 70)].map((each) => (i === loose ? 0 : each)),
    ),
  );
  return { inert, push, ways, joints, sways };
}

describe('a chain solved from its far end', () => {
  test.each([
    [1, null],
    [2, null],
    [3, 1],
  ])('is what a dense solution has, first node held (seed %d, slack %s)', (seed, loose) => {
    const nodes = 5;
    const { inert, push, ways, joints, sways } = chainOf(nodes, seed, loose);
    const held = [0.3, -0.2, 0.5];
    // Unknown: speeds of nodes 1 to 4, and the pulls.
    const size = 3 * (nodes - 1) + (nodes - 1);
    const matrix = Array.from({ length: size }, () => Array.from({ length: size }, () => 0));
    const right = Array.from({ length: size }, () => 0);
    const add = (row: number, column: number, by: number): void => {
      const at = matrix[row];
      if (at) at[column] = (at[column] ?? 0) + by;
    };
    const v = (i: number, c: number): number => 3 * (i - 1) + c;
    for (let i = 1; i < nodes; i++) {
      const [xx = 0, yy = 0, zz = 0, xy = 0, xz = 0, yz = 0] = inert.subarray(SIX * i, SIX * i + SIX);
      const own = [
        [xx, xy, xz],
        [xy, yy, yz],
        [xz, yz, zz],
      ];
      for (let a = 0; a < 3; a++) {
        for (let b = 0; b < 3; b++) add(v(i, a), v(i, b), own[a]?.[b] ?? 0);
        right[v(i, a)] = (right[v(i, a)] ?? 0) + (push[3 * i + a] ?? 0);
      }
    }
    joints.forEach(({ stiff, wanted, loose: slack }, s) => {
      const e = ways[s] ?? [];
      const t = 3 * (nodes - 1) + s;
      if (slack) {
        add(t, t, 1);
        return;
      }
      right[t] = wanted;
      for (let a = 0; a < 3; a++) {
        add(v(s + 1, a), t, e[a] ?? 0);
        add(t, v(s + 1, a), e[a] ?? 0);
        right[v(s + 1, a)] = (right[v(s + 1, a)] ?? 0) + (sways[s]?.[a] ?? 0);
        if (s > 0) {
          add(v(s, a), t, -(e[a] ?? 0));
          add(t, v(s, a), -(e[a] ?? 0));
          right[v(s, a)] = (right[v(s, a)] ?? 0) - (sways[s]?.[a] ?? 0);
        } else right[t] = (right[t] ?? 0) + (e[a] ?? 0) * (held[a] ?? 0);
        for (let b = 0; b < 3; b++) {
          const k = stiff * ((a === b ? 1 : 0) - (e[a] ?? 0) * (e[b] ?? 0));
          add(v(s + 1, a), v(s + 1, b), k);
          if (s > 0) {
            add(v(s + 1, a), v(s, b), -k);
            add(v(s, a), v(s, b), k);
            add(v(s, a), v(s + 1, b), -k);
          } else right[v(1, a)] = (right[v(1, a)] ?? 0) + k * (held[b] ?? 0);
        }
      }
    });
    const is = solved(matrix, right);
    const chain = new Joints(nodes);
    const speed = new Float64Array(3 * nodes);
    speed.set(held);
    chain.begin(inert, push, nodes - 1);
    for (let i = nodes - 1; i > 0; i--) {
      const [x = 0, y = 0, z = 0] = ways[i - 1] ?? [];
      const joint = joints[i - 1];
      if (joint) chain.join(i, [x, y, z], joint, sways[i - 1] ?? new Float64Array(3), inert, push);
    }
    for (let i = 1; i < nodes; i++) {
      const pull = chain.follow(i, speed, joints[i - 1]?.loose === true);
      expect(pull).toBeCloseTo(is[3 * (nodes - 1) + i - 1] ?? Number.NaN, 9);
      for (let c = 0; c < 3; c++) expect(speed[3 * i + c]).toBeCloseTo(is[v(i, c)] ?? Number.NaN, 9);
    }
  });
});
