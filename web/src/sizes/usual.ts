import type { FlyFile } from '@jobbet/core';
import { HOOK_SIZES } from '@jobbet/core/data/hooks';

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

const KEY = 'jobbet.runs';

/** The sizes last looked at, fly by fly; kept in this browser. */
export function keptSizes(id: string): string | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string>;
    return kept[id] ?? null;
  } catch {
    return null;
  }
}

export function keepSizes(id: string, sizes: string): void {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string>;
    localStorage.setItem(KEY, JSON.stringify({ ...kept, [id]: sizes }));
  } catch {
    // A full or closed store costs a convenience, nothing else.
  }
}
