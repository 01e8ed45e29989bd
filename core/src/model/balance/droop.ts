import { project } from '../geometry/silhouette.ts';
import { firstFall } from '../../numeric/index.ts';
import { cellLoad, sumWeights, toDeg, toRad, type BalanceModel } from './model.ts';

/** Steps of a quarter turn that a balance is looked for in, before it is closed in on. */
const STEPS = 36;

/**
 * Angle at which a fly hangs behind the tow point when it is pulled at a speed: cosα·Σ w(x − x_p) = ∫ load(U·sinα)·(x − x_p) dx.
 * Positive where the tail hangs down, negative where it is lifted; soft parts narrow at the pull.
 * @param restDeg the tight rest it is pulled at @param pullMmS mm/s
 * @returns degrees in (−90, 90]; 90 where nothing lifts it
 */
export function droopAt(model: BalanceModel, restDeg: number, pullMmS: number): number {
  const sums = sumWeights(model.weights);
  const hang = sums.wx - model.tow[0] * sums.total;
  if (hang === 0) return 0;
  if (pullMmS <= 0) return Math.sign(hang) * 90;
  const { table, water } = model;
  const shape = project(table, 'plan', toRad(restDeg), { speedMmS: pullMmS });
  const lift = (alpha: number): number => {
    let moment = 0;
    for (let c = 0; c < table.cells; c++) {
      const b = shape.b[c] as number;
      if (b <= 0) continue;
      const arm = (table.x[c] as number) + (shape.loadX[c] as number) / b - model.tow[0];
      moment += cellLoad(shape, c, pullMmS * Math.sin(alpha), water) * (table.dx[c] as number) * arm;
    }
    return moment;
  };
  const excess = (alpha: number): number => Math.cos(alpha) * Math.abs(hang) - lift(alpha);
  return Math.sign(hang) * toDeg(firstFall(excess, Math.PI / 2, STEPS));
}
