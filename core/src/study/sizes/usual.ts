import { HOOK_SIZES } from '../../data/index.ts';
import type { FlyFile } from '../../pattern/index.ts';

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
