import { named } from '@jobbet/core/drawers/find';
import { mayUse, partsNaming } from '@jobbet/core/solve/uses';
import type { DrawerItem, DrawerName } from '@jobbet/core/drawers/items';
import type { StoredFly } from '../api/client.ts';

/** Whether a fly names an item: its school, its packet, its material or piece by name, or a thread of its denier. */
function names({ file }: StoredFly, drawer: DrawerName, item: DrawerItem): boolean {
  if (drawer === 'schools') return file.school !== undefined && named([item], file.school) !== null;
  return drawer === 'materials' ? partsNaming(file, item).length > 0 : mayUse(file, drawer, item);
}

/** How many flies name an item. */
export const countFlies = (flies: readonly StoredFly[], drawer: DrawerName, item: DrawerItem): number =>
  flies.filter((fly) => names(fly, drawer, item)).length;
