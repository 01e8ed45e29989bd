import { z } from 'zod';
import { kept } from '../../shared/kept/kept.ts';

const spreads = kept('jobbet.spreads', z.record(z.string(), z.record(z.string(), z.number().min(0))), {});

/** A tier's own standard deviations for a fly, by their keys; kept in this browser. */
export const keptSpreads = (fly: string): Readonly<Record<string, number>> => spreads.read()[fly] ?? {};

export const keepSpreads = (fly: string, own: Readonly<Record<string, number>>): void => {
  spreads.write({ ...spreads.read(), [fly]: own });
};
