import { attenuationOf, daylight, type Bands, type WaterColour } from './water.ts';

/** Where a fly hangs and from where it is looked at. Depth and distance in m, sun in degrees. */
export interface Sight {
  readonly water: WaterColour;
  readonly depthM: number;
  readonly distanceM: number;
  readonly sunDeg: number;
}

/** From its side or head-on on a level, or from below against the surface. */
export type Looking = 'level' | 'up';

/** What reaches the eye: the light behind the fly by bands (relative), its sum in lux, and the share of the fly's contrast that is left. */
export interface Seen {
  readonly light: Bands;
  readonly lux: number;
  readonly left: Bands;
  /** The contrast of an opaque spot, 0 to 1: its bands weighted with the light they come in. */
  readonly contrast: number;
  /** The least contrast that is seen in this light. */
  readonly threshold: number;
  /** Distance at which an opaque spot of any size is lost in the water, m. */
  readonly lostAtM: number;
}

/** Share of the light that comes level under water, of what comes down. Judgement. */
const LEVEL_SHARE = 0.2;
/** Least contrast in good light. Duntley (1963) for people; fish in tests lie near it. Below `DIM_LUX` it grows with the root of what is missing. Judgement. */
const LEAST_CONTRAST = 0.02;
const DIM_LUX = 10;
/** Looking up, the light behind the fly is stronger by what the water between takes of it; but some contrast is always lost. */
const LEAST_OF_BEAM = 0.05;
const FURTHEST_M = 30;
const LUX_PER_BAND = 1 / 3;

const pick = (of: (i: number) => number): Bands => [of(0), of(1), of(2)];
const sum = ([a, b, c]: Bands): number => a + b + c;

/**
 * How much contrast is lost per metre of sight, 1/m. Beer-Lambert along the line of sight, and what the light behind gains along it:
 * C(r) = C(0)·exp(−(c − K·cosθ)·r). Source: Duntley (1963).
 */
const lossOf = (beam: number, down: number, looking: Looking): number =>
  looking === 'up' ? Math.max(LEAST_OF_BEAM * beam, beam - down) : beam;

function contrastAt(light: Bands, loss: Bands, distanceM: number): { left: Bands; contrast: number } {
  const left = pick((i) => Math.exp(-(loss[i] ?? 0) * distanceM));
  const whole = sum(light);
  return { left, contrast: whole <= 0 ? 0 : sum(pick((i) => (light[i] ?? 0) * (left[i] ?? 0))) / whole };
}

/** The least contrast that is seen in so much light. @param lux at the eye */
export const thresholdIn = (lux: number): number =>
  Math.min(1, LEAST_CONTRAST * Math.sqrt(1 + DIM_LUX / Math.max(1e-6, lux)));

/** What reaches the eye of an opaque fly against the light. */
export function seen({ water, depthM, distanceM, sunDeg }: Sight, looking: Looking): Seen {
  const { beam, down } = attenuationOf(water);
  const surface = daylight(sunDeg);
  const lightAt = (metres: number): Bands => {
    const eyeM = looking === 'up' ? depthM + metres : depthM;
    return pick(
      (i) => surface * LUX_PER_BAND * (looking === 'up' ? 1 : LEVEL_SHARE) * Math.exp(-(down[i] ?? 0) * eyeM),
    );
  };
  const loss = pick((i) => lossOf(beam[i] ?? 0, down[i] ?? 0, looking));
  const light = lightAt(distanceM);
  const lost = (metres: number): boolean => {
    const there = lightAt(metres);
    return contrastAt(there, loss, metres).contrast < thresholdIn(sum(there));
  };
  let [near, far] = [0, FURTHEST_M];
  if (!lost(far)) near = far;
  else
    for (let i = 0; i < 30; i++) {
      const mid = (near + far) / 2;
      if (lost(mid)) far = mid;
      else near = mid;
    }
  return {
    light,
    lux: sum(light),
    ...contrastAt(light, loss, distanceM),
    threshold: thresholdIn(sum(light)),
    lostAtM: near,
  };
}

/** The finest a fish's eye tells apart, degrees: a tenth to a quarter in trout and their kin. Judgement within that. */
const FINEST_DEG = 0.15;

/** What lies closer together than this runs into one, mm at a distance in m. */
export const finestMm = (distanceM: number): number => 1000 * distanceM * Math.tan((FINEST_DEG * Math.PI) / 180);

/** How bright so much light is shown on a screen, 0 to 1: even in its logarithm, from moonless water to noon at the surface. */
const shownAs = (lux: number): number => Math.min(1, Math.max(0.04, (Math.log10(Math.max(1e-9, lux)) + 2) / 7));

/** Colours of the water behind the fly and of the fly's opaque spots, as red, green and blue of a screen, 0 to 255. */
export function coloursOf({ light, left, lux }: Seen): {
  readonly water: readonly number[];
  readonly fly: readonly number[];
} {
  const most = Math.max(...light, 1e-12);
  const bright = shownAs(lux);
  const channel = (share: number): number => Math.round(255 * bright * Math.max(0, share) ** (1 / 2.2));
  const shares = [2, 1, 0].map((i) => (light[i] ?? 0) / most);
  return {
    water: shares.map(channel),
    fly: shares.map((share, k) => channel(share * (1 - (left[2 - k] ?? 0)))),
  };
}
