/** Where the two laws of friction are first asked which is less. */
const SLENDER_FROM = 1.5;
const STEPS_PER_OCTAVE = 32;
const OCTAVES = 24;

/**
 * Friction along a round line thinner than the water it drags along, without dimension: τ·a/(μU), a its radius.
 * @param s √(νx/U)/a: the thickness of the boundary layer at x from the leading end, in radii
 * Source: Seban and Bond (1951) with Kelly (1954) while the layer is thin; Glauert and Lighthill (1955) beyond it.
 */
export function frictionAlong(s: number): number {
  const near = 0.332 / s + 0.69;
  return s < SLENDER_FROM ? near : Math.min(near, 2 / (Math.log(4 * s * s) - 0.5772));
}

/** ∫ friction·s ds from nought, at s = SLENDER_FROM · 2^(i / STEPS_PER_OCTAVE). */
const sums = new Float64Array(OCTAVES * STEPS_PER_OCTAVE + 1);
const nearSum = (s: number): number => 0.332 * s + 0.345 * s * s;
sums[0] = nearSum(SLENDER_FROM);
for (let i = 1; i < sums.length; i++) {
  // In ln s the integrand is friction·s²; each step by Simpson's rule.
  const [from, mid, to] = [i - 1, i - 0.5, i].map((each) => {
    const s = SLENDER_FROM * 2 ** (each / STEPS_PER_OCTAVE);
    return frictionAlong(s) * s * s;
  }) as [number, number, number];
  sums[i] = (sums[i - 1] as number) + (Math.LN2 / STEPS_PER_OCTAVE / 6) * (from + 4 * mid + to);
}

/** ∫ friction·s ds from nought to s, read from a table that is straight in its logarithm; within 0.01 %. */
function frictionSum(s: number): number {
  if (s <= SLENDER_FROM) return nearSum(s);
  const at = Math.min(OCTAVES - 1e-9, Math.log2(s / SLENDER_FROM)) * STEPS_PER_OCTAVE;
  const i = Math.floor(at);
  const [low, high] = [sums[i] as number, sums[i + 1] as number];
  return low * (high / low) ** (at - i);
}

/** Water as a flow knows it: density mg/mm³, kinematic viscosity mm²/s. */
interface Flowing {
  readonly density: number;
  readonly viscosity: number;
}

/**
 * Friction on a round line drawn along itself, in mg·mm/s² (divide by g for mg).
 * @param lengthMm from its leading end @param speedMmS along it
 */
export function dragAlong(lengthMm: number, diameterMm: number, speedMmS: number, water: Flowing): number {
  if (speedMmS <= 0 || lengthMm <= 0 || diameterMm <= 0) return 0;
  const radius = diameterMm / 2;
  const end = Math.sqrt((water.viscosity * lengthMm) / speedMmS) / radius;
  return 4 * Math.PI * water.density * (radius * speedMmS) ** 2 * frictionSum(end);
}
