import { between } from '../../numeric/index.ts';
import { project } from '../geometry/silhouette.ts';
import { G } from './drag.ts';
import { toRad, type BalanceModel } from './model.ts';

/** A fall from rest: how fast and how deep after so many seconds. Speeds mm/s, depths mm. */
export interface Fall {
  readonly timesS: readonly number[];
  readonly speedsMmS: readonly number[];
  readonly depthsMm: readonly number[];
}

/** What moves with a fly: its own mass with the water it keeps, and the water it pushes aside. mg. Added mass of a cylinder across the flow and of a sphere. */
export function effectiveMass(
  model: BalanceModel,
  castingMg: number,
  ballsMm3: number,
  restDeg: number,
  noseDownDeg: number,
): number {
  const { table, water } = model;
  const shape = project(table, 'plan', toRad(restDeg), { wants: 'breadth' });
  let cylinders = 0;
  for (let c = 0; c < table.cells; c++)
    cylinders += (Math.PI / 4) * (shape.b[c] as number) ** 2 * (table.dx[c] as number);
  const phi = toRad(noseDownDeg);
  return castingMg + water.density * (cylinders * Math.cos(phi) ** 2 + 0.5 * ballsMm3 * Math.sin(phi) ** 2);
}

const NODES = 12;
/** The slowest speed of the table, as a share of the fastest. */
const SLOWEST = 0.005;

/**
 * A drag read from a table of log drag over log speed, so that a fall asks for it often at little cost; within 0.3 %.
 * @param mostMmS the fastest speed it is asked at
 */
function tabulated(drag: (speed: number) => number, mostMmS: number): (speed: number) => number {
  const first = Math.log(SLOWEST * mostMmS);
  const step = -Math.log(SLOWEST) / (NODES - 1);
  const logs = Array.from({ length: NODES }, (_, i) => Math.log(drag(Math.exp(first + i * step))));
  /** Past either end it goes on as it bends there. */
  const logAt = (i: number): number => {
    const inward = i < 0 ? 1 : i >= NODES ? -1 : 0;
    const [a = 0, b = 0, c = 0] = [logs[i + inward], logs[i + 2 * inward], logs[i + 3 * inward]];
    return inward === 0 ? a : 3 * a - 3 * b + c;
  };
  return (speed) => {
    if (speed <= 0) return 0;
    const at = (Math.log(speed) - first) / step;
    const i = Math.min(NODES - 2, Math.max(0, Math.floor(at)));
    const log = between(logAt(i - 1), logAt(i), logAt(i + 1), logAt(i + 2), at - i);
    return Number.isFinite(log) ? Math.exp(log) : drag(speed);
  };
}

const STEPS_PER_TIME = 20;
/** So near its terminal speed it goes on at the speed it has. */
const SETTLED = 1e-4;

/**
 * Falls from rest through m·dv/dt = W·g − drag(v)·g, by the classical Runge-Kutta rule, until it is so deep.
 * @param weightMg submerged @param massMg effective @param drag mg at mm/s
 * @returns null where it floats
 */
export function fallFromRest(
  weightMg: number,
  massMg: number,
  drag: (speed: number) => number,
  terminalMmS: number,
  depthMm: number,
): Fall | null {
  if (weightMg <= 0 || massMg <= 0 || terminalMmS <= 0) return null;
  const table = tabulated(drag, 1.2 * terminalMmS);
  const gain = (v: number): number => ((weightMg - table(Math.max(0, v))) * G) / massMg;
  // A step is a small share of the time in which it would gain its terminal speed, and of the whole fall.
  const step = Math.min((massMg * terminalMmS) / (weightMg * G), depthMm / terminalMmS) / STEPS_PER_TIME;
  const [times, speeds, depths] = [[0], [0], [0]];
  let [t, v, depth] = [0, 0, 0];
  const pass = (seconds: number, speed: number): void => {
    depth += (seconds * (v + speed)) / 2;
    t += seconds;
    v = speed;
    times.push(t);
    speeds.push(v);
    depths.push(depth);
  };
  while (depth < depthMm && Math.abs(v - terminalMmS) > SETTLED * terminalMmS) {
    const a = gain(v);
    const b = gain(v + (step / 2) * a);
    const c = gain(v + (step / 2) * b);
    const d = gain(v + step * c);
    pass(step, v + (step / 6) * (a + 2 * b + 2 * c + d));
  }
  if (depth < depthMm) pass((depthMm - depth) / v, v);
  return { timesS: times, speedsMmS: speeds, depthsMm: depths };
}

/** When a fall comes to a depth, s; null where it does not within it. */
export function timeTo(fall: Fall | null, depthMm: number): number | null {
  if (!fall) return null;
  const at = fall.depthsMm.findIndex((depth) => depth >= depthMm);
  const [before, after] = [fall.depthsMm[at - 1], fall.depthsMm[at]];
  const [from, to] = [fall.timesS[at - 1], fall.timesS[at]];
  if (at <= 0 || before === undefined || after === undefined || from === undefined || to === undefined) return null;
  return from + ((depthMm - before) / (after - before)) * (to - from);
}
