import { namesItem } from '@jobbet/core/contract';
import type { DrawerItem, DrawerName } from '@jobbet/core/drawers';
import type { ListedFly } from '../../shared/api/client.ts';

/** How many flies name an item of a drawer. Flies are gone through once for each way of naming something, however many items there are. */
export function countsOf(flies: readonly ListedFly[], drawer: DrawerName): (item: DrawerItem) => number {
  const known = new Map<DrawerItem, number>();
  const groups = new Map<string, { readonly of: ListedFly; count: number }>();
  for (const fly of flies) {
    if (!fly.listed) continue;
    const { packet, denier, school, materials } = fly.listed;
    const named = {
      hooks: packet,
      weights: materials,
      materials,
      threads: denier,
      lines: 0,
      leaders: 0,
      floats: 0,
      schools: school,
      rules: 0,
      limits: 0,
    };
    const key = JSON.stringify(named[drawer]);
    const group = groups.get(key);
    if (group) group.count++;
    else groups.set(key, { of: fly, count: 1 });
  }
  return (item) => {
    let count = known.get(item);
    if (count === undefined) {
      count = 0;
      for (const { of, count: n } of groups.values()) if (of.listed && namesItem(of.listed, drawer, item)) count += n;
      known.set(item, count);
    }
    return count;
  };
}
