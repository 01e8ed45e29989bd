import { HOLDS, type Hold, type Pin } from '@jobbet/core/study';
import { z } from 'zod';
import { kept } from '../../shared/kept/kept.ts';

/** A run as it was left: its sizes as written, what its weights hold, and what is pinned. */
export interface KeptRun {
  readonly sizes: string;
  readonly hold: Hold;
  readonly pins: readonly Pin[];
}

const pin = z.object({ size: z.string(), part: z.string().nullable(), key: z.string(), value: z.string() });
const run = z.object({ sizes: z.string(), hold: z.enum(HOLDS).catch('shape'), pins: z.array(pin).catch([]) });
/** Runs were once kept as their sizes alone. */
const read = z.record(z.string(), z.union([run, z.string().transform((sizes) => run.parse({ sizes }))]));
const runs = kept<Record<string, KeptRun>>('jobbet.runs', read, {});

/** The run last looked at of a fly; kept in this browser. */
export const keptRun = (id: string): KeptRun | null => runs.read()[id] ?? null;

export const keepRun = (id: string, own: KeptRun): void => {
  runs.write({ ...runs.read(), [id]: own });
};
