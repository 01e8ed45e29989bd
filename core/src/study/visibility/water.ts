/** One figure for each of three bands of light that a fish sees by: 450, 550 and 620 nm. */
export type Bands = readonly [blue: number, green: number, red: number];

const each = (of: (band: number, i: number) => number): Bands => [of(450, 0), of(550, 1), of(620, 2)];

export const WATER_COLOURS = ['clear', 'peat', 'milky', 'green'] as const;
export type WaterColour = (typeof WATER_COLOURS)[number];

/** Absorption of pure water, 1/m. Source: Pope and Fry (1997). */
const PURE: Bands = [0.0092, 0.0565, 0.2755];
/** Fall of the absorption of dissolved humus with the wavelength, 1/nm. Source: Bricaud, Morel and Prieur (1981). */
const HUMUS_SLOPE = 0.014;
const HUMUS_AT_NM = 440;
/** How strongly green algae take up each band against the first. Judgement. */
const ALGAE: Bands = [1, 0.25, 0.3];

/** What colours a water: humus and algae as their absorption in the blue, 1/m, and scattering by what floats in it, 1/m. Judgement, for a river of that kind. */
interface Colouring {
  readonly humus: number;
  readonly algae: number;
  readonly scatter: number;
}
const COLOURINGS: Readonly<Record<WaterColour, Colouring>> = {
  clear: { humus: 0.15, algae: 0.05, scatter: 0.5 },
  peat: { humus: 6, algae: 0.1, scatter: 0.9 },
  milky: { humus: 0.3, algae: 0.05, scatter: 5 },
  green: { humus: 0.8, algae: 1.6, scatter: 2 },
};

/** How a water takes light, 1/m in each band: absorbed, lost to a beam, and lost to daylight coming down. */
export interface Attenuation {
  readonly absorbed: Bands;
  readonly beam: Bands;
  readonly down: Bands;
}

/** Kirk (1984): K_d = (1/μ)·√(a² + G·a·b), G = 0.425·μ − 0.19, μ the cosine of the refracted sun; taken for a sun that stands high. */
const SUN_COSINE = 0.86;
const KIRK_G = 0.425 * SUN_COSINE - 0.19;

/** Attenuation of a water: pure water, humus, algae and scattering added up; daylight by the rule of Kirk (1984). */
export function attenuationOf(colour: WaterColour): Attenuation {
  const { humus, algae, scatter } = COLOURINGS[colour];
  const absorbed = each(
    (nm, i) => (PURE[i] ?? 0) + humus * Math.exp(-HUMUS_SLOPE * (nm - HUMUS_AT_NM)) + algae * (ALGAE[i] ?? 0),
  );
  return {
    absorbed,
    beam: each((_, i) => (absorbed[i] ?? 0) + scatter),
    down: each((_, i) => {
      const a = absorbed[i] ?? 0;
      return Math.sqrt(a * a + KIRK_G * a * scatter) / SUN_COSINE;
    }),
  };
}

/** Daylight on the water under a clear sky by the height of the sun: degrees and lux. Rounded from common tables of natural light; −6° is the end of civil twilight. */
const DAYLIGHT: readonly (readonly [sunDeg: number, lux: number])[] = [
  [-6, 3.4],
  [-3, 40],
  [0, 400],
  [5, 4000],
  [15, 16_000],
  [30, 50_000],
  [60, 100_000],
];
export const SUN = { lowest: -6, highest: 60 } as const;

/** Light on the water, lux, even steps in its logarithm between the heights that are known. @param sunDeg held within −6 to 60 */
export function daylight(sunDeg: number): number {
  const sun = Math.min(SUN.highest, Math.max(SUN.lowest, sunDeg));
  const at = Math.max(
    1,
    DAYLIGHT.findIndex(([height]) => height >= sun),
  );
  const [low, high] = [DAYLIGHT[at - 1] ?? [SUN.lowest, 3.4], DAYLIGHT[at] ?? [SUN.highest, 100_000]];
  const t = (sun - low[0]) / (high[0] - low[0]);
  return Math.exp(Math.log(low[1]) * (1 - t) + Math.log(high[1]) * t);
}

/** What the height of the sun is called. */
export const sunWords = (sunDeg: number): string =>
  sunDeg >= 40 ? 'noon' : sunDeg >= 18 ? 'afternoon' : sunDeg >= 4 ? 'evening' : sunDeg >= -1 ? 'sunset' : 'dusk';
