import { mayUse, partsNaming } from '@jobbet/core/solve/uses';
import type { DrawerItem, DrawerName } from '@jobbet/core/drawers/items';
import type { StoredFly } from '../api/client.ts';

/** How many flies name an item: its packet, its material or piece by name, or a thread of its denier. */
export const countFlies = (flies: readonly StoredFly[], drawer: DrawerName, item: DrawerItem): number =>
  flies.filter(({ file }) => (drawer === 'materials' ? partsNaming(file, item).length > 0 : mayUse(file, drawer, item)))
    .length;
