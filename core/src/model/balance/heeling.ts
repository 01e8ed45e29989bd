import { project, type Silhouette } from '../geometry/silhouette.ts';
import { cellLoad, toRad, type BalanceModel } from './model.ts';

/** Heels a curve over the full turn is given at, degrees: −175, −170 … 180. */
export const CURVE_DEG: readonly number[] = Array.from({ length: 72 }, (_, i) => -175 + 5 * i);

/** Lever of each cell's load about the tow axis at roll θ: ζ − ζ_p, mm. @param theta radians */
export function armsOf(model: BalanceModel, shape: Silhouette, theta: number): Float64Array {
  const tow = model.tow[1] * Math.sin(theta) + model.tow[2] * Math.cos(theta);
  return Float64Array.from(shape.b, (b, c) => (b > 0 ? (shape.load[c] as number) / b - tow : 0));
}

/** Moment of a flow's load about the tow axis, without its sign, mg·mm. */
export function loadMoment(model: BalanceModel, shape: Silhouette, arms: Float64Array, speedMmS: number): number {
  const { table, water } = model;
  let moment = 0;
  for (let c = 0; c < table.cells; c++) {
    if ((shape.b[c] as number) > 0)
      moment += cellLoad(shape, c, speedMmS, water) * (table.dx[c] as number) * (arms[c] as number);
  }
  return moment;
}

/** What a side current does to a fly over the full turn; the silhouettes are cut once and serve every speed. */
export class SideFlow {
  private readonly model: BalanceModel;
  private readonly cuts: readonly { readonly shape: Silhouette; readonly arms: Float64Array }[];

  constructor(model: BalanceModel) {
    this.model = model;
    this.cuts = CURVE_DEG.map((deg) => {
      const shape = project(model.table, 'side', toRad(deg));
      return { shape, arms: armsOf(model, shape, toRad(deg)) };
    });
  }

  /** Torque about the shank at each heel of the curve, mg·mm, positive toward +θ. @param flow 1 along +η, −1 against it */
  torque(speedMmS: number, flow: 1 | -1): readonly number[] {
    return this.cuts.map(({ shape, arms }) => -flow * loadMoment(this.model, shape, arms, speedMmS) + 0);
  }
}
