import type { Group } from '@jobbet/core/log';

const STEPS = [0.5, 1, 2, 5, 10, 20, 50, 100];

/** Where the scale of takes an hour ends: the least round figure past most of what the lines reach; a line of few hours runs out of it. */
export function scaleMost(groups: readonly Group[]): number {
  const sure = groups.filter(({ hours }) => hours >= 2);
  const most = Math.max(0.4, ...(sure.length > 0 ? sure : groups).map(({ interval }) => interval[1]));
  return STEPS.find((step) => step >= most) ?? most;
}
