import { z } from 'zod';
import { MG_PER, MM_PER, MM_S_PER } from './scales.ts';

/** How figures are written for one person: units of length, mass, speed and temperature, and the decimal sign. */
export const styleSchema = z.object({
  length: z.enum(['mm', 'in']),
  mass: z.enum(['g', 'gr']),
  speed: z.enum(['cm/s', 'ft/s']),
  temperature: z.enum(['C', 'F']),
  decimal: z.enum(['.', ',']),
});
export type Style = Readonly<z.infer<typeof styleSchema>>;

export const METRIC: Style = { length: 'mm', mass: 'g', speed: 'cm/s', temperature: 'C', decimal: '.' };

export interface Written {
  readonly figure: string;
  readonly unit: string;
}

const clean = (figure: string): string => (/^-0([.,]0*)?$/.test(figure) ? figure.slice(1) : figure);
const fixed = (value: number, digits: number, style: Style): string =>
  clean(value.toFixed(digits)).replace('.', style.decimal);

function inchFraction(inches: number): string {
  const steps = Math.abs(inches) < 0.5 ? 64 : 32;
  let top = Math.round(Math.abs(inches) * steps);
  let bottom = steps;
  while (top > 0 && top % 2 === 0 && bottom > 1) [top, bottom] = [top / 2, bottom / 2];
  const whole = Math.floor(top / bottom);
  const rest = top - whole * bottom;
  const sign = inches < 0 && top > 0 ? '−' : '';
  if (rest === 0) return `${sign}${String(whole)}`;
  return `${sign}${whole > 0 ? `${String(whole)} ` : ''}${String(rest)}/${String(bottom)}`;
}

/** Decimals of a length in mm: no more than a rule or caliper shows of it. */
function lengthDigits(mm: number): number {
  const size = Math.abs(mm);
  if (size >= 99.95) return 0;
  return size < 1.995 && size >= 0.005 ? 2 : 1;
}

/**
 * A length for reading: 0.1 mm (0.01 mm below 2 mm, whole from 100 mm on), or inches to 1/32 (1/64 below half an inch).
 * @param mm length in mm
 */
export function formatLength(mm: number, style: Style = METRIC): Written {
  if (style.length === 'in') return { figure: inchFraction(mm / MM_PER.in), unit: 'in' };
  return { figure: fixed(mm, lengthDigits(mm), style), unit: 'mm' };
}

/** A mass for reading: 0.01 g (milligrams below 0.02 g), or 0.1 grain. @param mg mass in mg */
export function formatMass(mg: number, style: Style = METRIC): Written {
  if (style.mass === 'gr') return { figure: fixed(mg / MG_PER.gr, 1, style), unit: 'grains' };
  if (Math.abs(mg) < 20) return { figure: fixed(mg, 1, style), unit: 'mg' };
  return { figure: fixed(mg / 1000, 2, style), unit: 'g' };
}

/** A speed for reading: 1 cm/s or 0.1 ft/s. @param mmPerS speed in mm/s */
export function formatSpeed(mmPerS: number, style: Style = METRIC): Written {
  if (style.speed === 'ft/s') return { figure: fixed(mmPerS / MM_S_PER['ft/s'], 2, style), unit: 'ft/s' };
  return { figure: fixed(mmPerS / 10, mmPerS !== 0 && Math.abs(mmPerS) < 20 ? 1 : 0, style), unit: 'cm/s' };
}

/** A temperature for reading, whole degrees. @param celsius temperature in °C */
export function formatTemperature(celsius: number, style: Style = METRIC): Written {
  return style.temperature === 'F'
    ? { figure: fixed(celsius * 1.8 + 32, 0, style), unit: '°F' }
    : { figure: fixed(celsius, 0, style), unit: '°C' };
}

/** A plain figure with so many decimals: a ratio, a station. */
export const formatNumber = (value: number, digits: number, style: Style = METRIC): string =>
  fixed(value, digits, style);

/** Degrees of heel or trim, whole. */
export const formatAngle = (deg: number, style: Style = METRIC): string => fixed(deg, 0, style);

/** A depth of water or a length of line for reading: 0.1 m (whole metres where it is whole), or 0.1 ft. @param mm in mm @param digits decimals of metres */
export function formatDepth(mm: number, style: Style = METRIC, digits = Math.round(mm) % 1000 === 0 ? 0 : 1): Written {
  if (style.length === 'in') return { figure: fixed(mm / MM_PER.ft, 1, style), unit: 'ft' };
  return { figure: fixed(mm / MM_PER.m, digits, style), unit: 'm' };
}

/** A moment for reading: gram-force millimetres. @param mgMm in mg·mm */
export const formatMoment = (mgMm: number, style: Style = METRIC): Written => ({
  figure: fixed(mgMm / 1000, Math.abs(mgMm) < 100 ? 3 : 2, style),
  unit: 'gf·mm',
});
