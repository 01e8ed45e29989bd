/** The water a fly is in: density in mg/mm³ (the figure of g/cm³), kinematic viscosity in mm²/s. */
export interface Water {
  readonly temperatureC: number;
  readonly salinityGKg: number;
  readonly density: number;
  readonly viscosity: number;
}

/** Density of water in kg/m³. @param t °C, 0-30 @param s g/kg. Source: UNESCO EOS-80 at one atmosphere. */
export function waterDensity(t: number, s: number): number {
  const pure =
    999.842594 +
    6.793952e-2 * t -
    9.09529e-3 * t ** 2 +
    1.001685e-4 * t ** 3 -
    1.120083e-6 * t ** 4 +
    6.536332e-9 * t ** 5;
  return (
    pure +
    (0.824493 - 4.0899e-3 * t + 7.6438e-5 * t ** 2 - 8.2467e-7 * t ** 3 + 5.3875e-9 * t ** 4) * s +
    (-5.72466e-3 + 1.0227e-4 * t - 1.6546e-6 * t ** 2) * s ** 1.5 +
    4.8314e-4 * s ** 2
  );
}

/** Dynamic viscosity of water in mPa·s. @param t °C @param s g/kg. Source: Sharqawy, Lienhard and Zubair (2010). */
export function waterViscosity(t: number, s: number): number {
  const share = s / 1000;
  const pure = 4.2844e-5 + 1 / (0.157 * (t + 64.993) ** 2 - 91.296);
  const a = 1.541 + 0.01998 * t - 9.52e-5 * t ** 2;
  const b = 7.974 - 0.07561 * t + 4.724e-4 * t ** 2;
  return 1000 * pure * (1 + a * share + b * share ** 2);
}

export const SALINITY = { fresh: 0, brackish: 15, salt: 35 } as const;
export const USUAL_TEMPERATURE = 10;

/** Water at a temperature in °C and a salinity in g/kg. */
export function water(temperatureC: number = USUAL_TEMPERATURE, salinityGKg: number = SALINITY.fresh): Water {
  const density = waterDensity(temperatureC, salinityGKg) / 1000;
  return { temperatureC, salinityGKg, density, viscosity: waterViscosity(temperatureC, salinityGKg) / density };
}
