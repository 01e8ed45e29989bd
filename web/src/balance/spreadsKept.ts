import { z } from 'zod';

const KEY = 'jobbet.spreads';
const kept = z.record(z.string(), z.record(z.string(), z.number().min(0)));

function all(): z.infer<typeof kept> {
  try {
    return kept.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    return {};
  }
}

/** A tier's own standard deviations for a fly, by their keys; kept in this browser. */
export const keptSpreads = (fly: string): Readonly<Record<string, number>> => all()[fly] ?? {};

export function keepSpreads(fly: string, spreads: Readonly<Record<string, number>>): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...all(), [fly]: spreads }));
  } catch {
    // A full or closed store costs a convenience, nothing else.
  }
}
