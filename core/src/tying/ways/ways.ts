import type { FlyFile } from '../../pattern/index.ts';
import type { LaidFly } from '../../model/index.ts';
import { finishWays } from './finish.ts';
import { handlingWays } from './handling.ts';
import { hackleWays } from './hackle.ts';
import { taperWays } from './taper.ts';
import { throatWays } from './throat.ts';
import type { Way, WaysOf } from './types.ts';

const KINDS: readonly WaysOf[] = [taperWays, handlingWays, hackleWays, throatWays, finishWays];

/** The things about which tiers differ that this fly has, as it is tied now. */
export const waysOf = (laid: LaidFly): Way[] => KINDS.flatMap((kind) => kind(laid));

/** A fly tied in another way. A key or value that is none of its ways leaves it as it is. */
export function withWay(laid: LaidFly, key: string, value: string): FlyFile {
  const way = waysOf(laid).find((each) => each.key === key);
  if (value === way?.now || value === 'own' || way?.options.every((option) => option.value !== value) !== false)
    return laid.file;
  return way.take(value);
}
