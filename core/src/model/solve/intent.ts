import { SALINITY, USUAL_TEMPERATURE, water, type Water } from '../balance/water.ts';
import type { Intent } from '../../pattern/index.ts';
import { bad, good, type Fault, type Outcome } from '../../base/index.ts';
import { parseQuantity } from '../../units/index.ts';

/** The water an intent means: its salinity, else its kind; fresh at 10 °C where it says nothing. */
export function waterOf(intent: Intent | undefined): Outcome<Water> {
  const given = intent?.water;
  const faults: Fault[] = [];
  const read = (
    kind: 'temperature' | 'salinity',
    text: string | undefined,
    usual: number,
    low: number,
    high: number,
  ): number => {
    if (text === undefined) return usual;
    const value = parseQuantity(kind, text);
    const path = `intent.water.${kind}`;
    if (!value.ok) faults.push({ path, code: value.code, message: value.message });
    else if (value.value < low || value.value > high)
      faults.push({
        path,
        code: 'range',
        message: `"${text}" is out of the range of the water tables, ${String(low)} to ${String(high)}`,
      });
    else return value.value;
    return usual;
  };
  const temperature = read('temperature', given?.temperature, USUAL_TEMPERATURE, 0, 30);
  const salinity = read('salinity', given?.salinity, SALINITY[given?.kind ?? 'fresh'], 0, 42);
  return faults.length > 0 ? bad(...faults) : good(water(temperature, salinity));
}

/** Faults of the quantities an intent wishes for; a wish is checked, never used as a result. */
export const intentFaults = (intent: Intent | undefined): Fault[] =>
  (
    [
      ['depth', 'length', intent?.depth],
      ['current', 'speed', intent?.current],
    ] as const
  ).flatMap(([key, kind, text]) => {
    const read = text === undefined ? null : parseQuantity(kind, text);
    return read && !read.ok ? [{ path: `intent.${key}`, code: read.code, message: read.message }] : [];
  });
