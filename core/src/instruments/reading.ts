import { bad, good, type Outcome } from '../base/index.ts';
import { parseQuantity } from '../units/index.ts';

export type ReadingKind = 'length' | 'mass';

/** One reading of an instrument: mm or mg, and whether it had settled. */
export interface Reading {
  readonly kind: ReadingKind;
  readonly value: number;
  readonly settled: boolean;
}

const FIGURE = /([+\-−]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*([a-z"]+)\s*[~?]?$/i;
const UNSETTLED = /(^|[\s,;])(US|unstable|[~?])(?=$|[\s,;])/i;
const UNITS: Readonly<Record<string, readonly [name: string, kind: ReadingKind]>> = {
  mm: ['mm', 'length'],
  in: ['in', 'length'],
  inch: ['in', 'length'],
  '"': ['in', 'length'],
  mg: ['mg', 'mass'],
  g: ['g', 'mass'],
  gr: ['gr', 'mass'],
  gn: ['gr', 'mass'],
};
/** More than anything on a fly bench. */
const MOST: Readonly<Record<ReadingKind, number>> = { length: 1000, mass: 1e6 };

/**
 * Reads one line as calipers and scales send it: perhaps a word of state, a sign, a number and its unit. Spaces between sign, number and unit
 * and leading noughts are usual. `US`, `~` or `?` marks a reading that has not settled.
 * @example readLine('ST, +   0.562 g') // { kind: 'mass', value: 562, settled: true }
 */
export function readLine(line: string): Outcome<Reading> {
  const fault = (message: string): Outcome<Reading> => bad({ path: '', code: 'syntax', message });
  const text = line.trim();
  const figure = FIGURE.exec(text);
  if (!figure) return fault(`"${text}" is no reading: it ends in no number with a unit`);
  const unit = UNITS[(figure[3] ?? '').toLowerCase()];
  if (!unit) return fault(`"${text}" is in no unit known here: mm, in, g, mg or gr`);
  const [name, kind] = unit;
  const digits = (figure[2] ?? '').replace(',', '.');
  const quantity = parseQuantity(kind, `${digits.replace(/^\./, '0.')} ${name}`);
  if (!quantity.ok) return fault(`"${text}": ${quantity.message}`);
  if (quantity.value > MOST[kind]) return fault(`"${text}" is more than a fly bench holds`);
  const value = figure[1] === '-' || figure[1] === '−' ? -quantity.value : quantity.value;
  return good({ kind, value: Math.round(value * 1e6) / 1e6, settled: !UNSETTLED.test(text) });
}

/** Cuts what comes over a line into whole lines; what is left of the last one waits for the rest. */
export class LineSplitter {
  private rest = '';

  /** @returns the lines that are whole now, empty ones left out */
  take(chunk: string): string[] {
    const lines = (this.rest + chunk).split(/\r\n|\r|\n/);
    this.rest = (lines.pop() ?? '').slice(-LONGEST);
    return lines.filter((line) => line.trim() !== '');
  }
}
const LONGEST = 200;
