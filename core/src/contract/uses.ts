import { named, type DrawerItem, type DrawerName, type MaterialItem } from '../drawers/index.ts';
import type { Listed } from './stored.ts';

const isNamed = (item: DrawerItem, word: string | null): boolean => word !== null && named([item], word) !== null;

/**
 * Whether an item of a drawer may bear on a fly: it names the packet or piece, is of the thread's denier, or has a part made in the
 * way the material is, whose words may be taken for it. Schools, rules and limits move no figure of a fly, only what is to be settled.
 */
export function mayUse({ packet, denier, materials, made }: Listed, drawer: DrawerName, item: DrawerItem): boolean {
  if (drawer === 'hooks') return isNamed(item, packet);
  if (drawer === 'threads') return 'denier' in item && denier === item.denier;
  if (drawer === 'weights') return materials.some((word) => isNamed(item, word));
  if (drawer === 'materials') return made.includes((item as MaterialItem).construction);
  return false;
}

/** Whether a fly names an item: its school, its packet, its material or piece by name, or a thread of its denier. */
export function namesItem(listed: Listed, drawer: DrawerName, item: DrawerItem): boolean {
  if (drawer === 'schools') return isNamed(item, listed.school);
  if (drawer === 'materials') return listed.materials.includes(item.name.trim().toLowerCase());
  return mayUse(listed, drawer, item);
}
