import type { FlyFile } from '@jobbet/core/pattern';
import { HOOK_SIZES } from '@jobbet/core/data';
import { HOLDS, type Hold, type Pin } from '@jobbet/core/study';
import { z } from 'zod';
import { kept } from '../../shared/kept/kept.ts';

/** The run a fly begins with: two sizes up and down, and its neighbours among the platforms. */
export function usualSizes({ platform }: FlyFile): string {
  const body = platform.kind === 'tube' || platform.kind === 'shank';
  const size = (body ? platform.hook?.size : platform.size) ?? '6';
  const at = HOOK_SIZES.findIndex((each) => each === size);
  const near = at < 0 ? [size] : HOOK_SIZES.slice(Math.max(0, at - 2), at + 3).toReversed();
  if (body) return [...near, 'single:6'].join(', ');
  const others = [platform.kind === 'double' ? `single:${size}` : `double:${size}`, 'tube:28mm'];
  return [...near, ...others].join(', ');
}

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
