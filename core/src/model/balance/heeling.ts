import { blankSilhouette, project } from '../geometry/silhouette.ts';
import { CURVE_STEPS, cylinderCurve, G, LAST_STEP, octaveOf, sphereCurve } from './drag.ts';
import { toRad, type BalanceModel } from './model.ts';

/** Heels a curve over the full turn is given at, degrees: −175, −170 … 180. */
export const CURVE_DEG: readonly number[] = Array.from({ length: 72 }, (_, i) => -175 + 5 * i);

/**
 * What a flow across the shank does at one roll, brought to a list of breadths with their levers about the tow axis, so that it can be
 * asked at many speeds. Moments in mg·mm, told without the sign of the flow.
 */
export class HeelingLoads {
  /** log₂ of each breadth, mm: those across balls come after those across the rest. */
  private readonly octaves: Float64Array;
  /** Breadth times length times lever, mm³. */
  private readonly levers: Float64Array;
  private readonly cylinders: number;
  private readonly count: number;
  private readonly model: BalanceModel;

  /** @param theta roll, radians @param into a silhouette to cut it in, of as many cells as the model */
  constructor(model: BalanceModel, theta: number, into = blankSilhouette(model.table.cells)) {
    this.model = model;
    const { table } = model;
    const { b, ball, ballMm, load } = project(table, 'side', theta, { into, wants: 'load' });
    const tow = model.tow[1] * Math.sin(theta) + model.tow[2] * Math.cos(theta);
    this.octaves = new Float64Array(2 * table.cells);
    this.levers = new Float64Array(2 * table.cells);
    let count = 0;
    const add = (c: number, size: number, breadth: number): void => {
      if (breadth <= 1e-12) return;
      this.octaves[count] = Math.log2(size);
      this.levers[count++] = breadth * (table.dx[c] as number) * ((load[c] as number) / (b[c] as number) - tow);
    };
    for (let c = 0; c < table.cells; c++) add(c, b[c] as number, (b[c] as number) - (ball[c] as number));
    this.cylinders = count;
    for (let c = 0; c < table.cells; c++) add(c, ballMm[c] as number, ball[c] as number);
    this.count = count;
  }

  /** Area moment about the tow axis, mm³, and the same with every lever counted as positive. */
  get areaMoment(): { readonly moment: number; readonly size: number } {
    let moment = 0;
    let size = 0;
    for (let i = 0; i < this.count; i++) {
      moment += this.levers[i] as number;
      size += Math.abs(this.levers[i] as number);
    }
    return { moment, size };
  }

  /** @param speed mm/s */
  at(speed: number): number {
    const out = new Float64Array(1);
    this.atOctaves(speed, out);
    return out[0] as number;
  }

  /**
   * Moments at speeds an octave apart: one look at each breadth serves all of them.
   * @param first the slowest, mm/s @param out gets them
   */
  atOctaves(first: number, out: Float64Array): void {
    const { density, viscosity } = this.model.water;
    out.fill(0);
    if (first <= 0) return;
    const flow = octaveOf(first / viscosity);
    for (let i = 0; i < this.count; i++) {
      const curve = i < this.cylinders ? cylinderCurve : sphereCurve;
      const at = Math.max(0, ((this.octaves[i] as number) + flow) * CURVE_STEPS);
      const whole = Math.floor(at);
      const share = at - whole;
      const lever = this.levers[i] as number;
      for (let k = 0, next = whole; k < out.length; k++, next += CURVE_STEPS) {
        const j = Math.min(LAST_STEP, next);
        const low = curve[j] as number;
        const high = curve[j + 1] as number;
        out[k] = (out[k] as number) + lever * (low + share * (high - low));
      }
    }
    for (let k = 0, speed = first; k < out.length; k++, speed *= 2)
      out[k] = (out[k] as number) * ((density * speed * speed) / (2 * G));
  }
}

/** What a side current does to a fly over the full turn; the silhouettes are cut once and serve every speed. */
export class SideFlow {
  private readonly loads: readonly HeelingLoads[];

  constructor(model: BalanceModel) {
    const shape = blankSilhouette(model.table.cells);
    this.loads = CURVE_DEG.map((deg) => new HeelingLoads(model, toRad(deg), shape));
  }

  /** Torque about the shank at each heel of the curve, mg·mm, positive toward +θ. @param flow 1 along +η, −1 against it */
  torque(speedMmS: number, flow: 1 | -1): readonly number[] {
    return this.loads.map((each) => -flow * each.at(speedMmS) + 0);
  }
}
