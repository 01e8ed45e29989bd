import type { CellTable } from '../../core/src/model/geometry/cells.ts';

const MOST = 256;

/**
 * The silhouette of a fly at some rolls as plain loops over flat arrays would have it, opacities, load and balls left out: what this machine
 * needs for the arithmetic alone. The solve is told as a multiple of it, so that it can be compared from one machine to the next.
 * @returns the areas added up, so that nothing is left out as unused
 */
export function bareSilhouettes(table: CellTable, rolls: number): number {
  const low = new Float64Array(MOST);
  const high = new Float64Array(MOST);
  const { cells, first, y, z, semiY, semiZ, dx } = table;
  let area = 0;
  for (let roll = 0; roll < rolls; roll++) {
    const theta = (roll / rolls) * Math.PI;
    const [sin, cos] = [Math.sin(theta), Math.cos(theta)];
    for (let c = 0; c < cells; c++) {
      let n = 0;
      for (let i = first[c] as number; i < (first[c + 1] as number); i++) {
        const [across, up] = [(semiY[i] as number) * sin, (semiZ[i] as number) * cos];
        const half = Math.sqrt(across * across + up * up);
        const middle = (y[i] as number) * sin + (z[i] as number) * cos;
        let at = n++;
        while (at > 0 && (low[at - 1] as number) > middle - half) {
          low[at] = low[at - 1] as number;
          high[at] = high[at - 1] as number;
          at--;
        }
        low[at] = middle - half;
        high[at] = middle + half;
      }
      let [breadth, reached] = [0, -Infinity];
      for (let k = 0; k < n; k++) {
        const from = Math.max(reached, low[k] as number);
        if ((high[k] as number) > from) breadth += (high[k] as number) - from;
        reached = Math.max(reached, high[k] as number);
      }
      area += breadth * (dx[c] as number);
    }
  }
  return area;
}
