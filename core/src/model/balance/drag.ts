/** Acceleration of gravity, mm/s²: forces are divided by it, so that loads are in mg. */
export const G = 9806.65;

/** Below this Reynolds number the load is taken as nothing. */
export const LEAST_RE = 1e-3;

/** Drag coefficient of a cylinder across the flow. Source: Sucker and Brauer (1975), as in White, Viscous Fluid Flow. */
export const cylinderCd = (re: number): number =>
  1.18 + 6.8 / re ** 0.89 + 1.96 / re ** 0.5 - (0.0004 * re) / (1 + 3.64e-7 * re * re);

/** Drag coefficient of a sphere. Source: Clift and Gauvin (1970). */
export const sphereCd = (re: number): number => (24 / re) * (1 + 0.15 * re ** 0.687) + 0.42 / (1 + 42500 * re ** -1.16);

/** Skin friction of a body of Reynolds number Re on its length. Source: Blasius (1908) with the low-Re term of Imai (1957). */
export const skinCf = (re: number): number => (re < LEAST_RE ? 0 : 1.328 / Math.sqrt(re) + 4.12 / re);

/** Steps of the two curves of drag in an octave of Re, the first octave of them, and how many there are. */
export const CURVE_STEPS = 32;
const FIRST_OCTAVE = -10;
const OCTAVES = 34;

/** Octaves of Re above the beginning of the curves. */
export const octaveOf = (re: number): number => Math.log2(re) - FIRST_OCTAVE;

const curveOf = (curve: (re: number) => number): Float64Array =>
  Float64Array.from({ length: OCTAVES * CURVE_STEPS + 2 }, (_, i) => curve(2 ** (FIRST_OCTAVE + i / CURVE_STEPS)));

/** The curves at equal steps of log Re; read between them on a straight line they are within 0.02 %. */
export const cylinderCurve = curveOf(cylinderCd);
export const sphereCurve = curveOf(sphereCd);

/** The last step a curve is read from. */
export const LAST_STEP = cylinderCurve.length - 2;

/** Reads a curve at a Reynolds number, several times faster than the formula; 0 below the least. */
function read(curve: Float64Array, re: number): number {
  if (re < LEAST_RE) return 0;
  const at = octaveOf(re) * CURVE_STEPS;
  const i = Math.min(LAST_STEP, Math.floor(at));
  const low = curve[i] as number;
  const high = curve[i + 1] as number;
  return low + (at - i) * (high - low);
}

export const cylinderCdFast = (re: number): number => read(cylinderCurve, re);
export const sphereCdFast = (re: number): number => read(sphereCurve, re);
