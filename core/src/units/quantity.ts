import { readNumber } from './number.ts';
import { suggestion } from '../base/index.ts';
import { MG_PER, MM_PER, MM_S_PER } from './scales.ts';

export type QuantityKind = 'length' | 'mass' | 'angle' | 'speed' | 'temperature' | 'salinity' | 'time';

interface UnitSpec {
  readonly names: readonly string[];
  readonly scale: number;
  readonly offset?: number;
}

/** Units people write, with the factor to the unit the model works in: mm, mg, degrees, mm/s, °C, g/kg, s. */
const UNITS: Readonly<Record<QuantityKind, readonly UnitSpec[]>> = {
  length: [
    { names: ['mm'], scale: MM_PER.mm },
    { names: ['cm'], scale: MM_PER.cm },
    { names: ['m'], scale: MM_PER.m },
    { names: ['in', '"', '″', 'inch'], scale: MM_PER.in },
    { names: ['ft'], scale: MM_PER.ft },
  ],
  mass: [
    { names: ['mg'], scale: MG_PER.mg },
    { names: ['g'], scale: MG_PER.g },
    { names: ['gr', 'grain', 'grains'], scale: MG_PER.gr },
  ],
  angle: [{ names: ['deg', '°'], scale: 1 }],
  speed: [
    { names: ['mm/s'], scale: MM_S_PER['mm/s'] },
    { names: ['cm/s'], scale: MM_S_PER['cm/s'] },
    { names: ['m/s'], scale: MM_S_PER['m/s'] },
    { names: ['ft/s'], scale: MM_S_PER['ft/s'] },
    // Lines are sold by it.
    { names: ['in/s', 'ips'], scale: MM_PER.in },
  ],
  temperature: [
    { names: ['C', '°C'], scale: 1 },
    { names: ['F', '°F'], scale: 5 / 9, offset: -160 / 9 },
  ],
  salinity: [{ names: ['g/kg'], scale: 1 }],
  time: [
    { names: ['s'], scale: 1 },
    { names: ['min'], scale: 60 },
  ],
};

const ASKED_BACK: Readonly<Record<string, string>> = {
  gm: '"gm" may be gram or grain; write g or gr',
  gauge: '"gauge" is not a length; .025 in and 0.25 mm differ sixfold in mass: write one of them',
};

export type QuantityRead =
  | { readonly ok: true; readonly value: number; readonly text: string }
  | { readonly ok: false; readonly code: 'syntax' | 'no-unit' | 'ambiguous'; readonly message: string };

/**
 * Reads a number with its unit, as people write it.
 * @returns value in mm, mg, degrees, mm/s, °C, g/kg or s, with the exact text kept; or what is wrong with it.
 * @example parseQuantity('length', '5/32"') // { ok: true, value: 3.96875, text: '5/32"' }
 */
export function parseQuantity(kind: QuantityKind, text: string): QuantityRead {
  const trimmed = text.trim();
  const minus = trimmed.startsWith('-') || trimmed.startsWith('−');
  const begin = minus ? 1 : 0;
  const number = readNumber(trimmed, begin);
  if (!number) return { ok: false, code: 'syntax', message: `"${text}" does not begin with a number` };
  if (number.ask !== undefined) return { ok: false, code: 'ambiguous', message: number.ask };
  const unit = trimmed.slice(number.end).trim();
  const names = UNITS[kind].flatMap((spec) => spec.names);
  if (unit === '')
    return { ok: false, code: 'no-unit', message: `"${text}" has no unit; write ${trimmed} ${names[0] ?? ''}` };
  const asked = ASKED_BACK[unit.toLowerCase()];
  if (asked !== undefined) return { ok: false, code: 'ambiguous', message: asked };
  const spec = UNITS[kind].find((each) => each.names.some((name) => name.toLowerCase() === unit.toLowerCase()));
  if (!spec)
    return {
      ok: false,
      code: 'syntax',
      message: `"${unit}" is not a unit of ${kind}${suggestion(unit, names) || `; use ${names.join(', ')}`}`,
    };
  const value = (minus ? -number.value : number.value) * spec.scale + (spec.offset ?? 0);
  return { ok: true, value, text: trimmed };
}

/** Millimetres in one of an absolute length unit, or null when `name` is none of those a relation takes. */
export function mmPerUnit(name: string): number | null {
  const short = UNITS.length.find((spec) => spec.names.includes(name.toLowerCase()));
  return short && !['m', 'ft'].includes(short.names[0] ?? '') ? short.scale : null;
}

/** Why a unit word is asked back rather than guessed, or null. */
export const askedBack = (word: string): string | null => ASKED_BACK[word.toLowerCase()] ?? null;
