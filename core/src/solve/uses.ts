import { named } from '../drawers/find.ts';
import { kindOf, type DrawerItem, type DrawerName, type MaterialItem } from '../drawers/items.ts';
import type { FlyFile } from '../file/schema.ts';

const same = (a: string | undefined, b: string): boolean => a !== undefined && a.toLowerCase() === b.toLowerCase();

/** The hook a fly is tied on, or the one behind its tube or shank. */
function packetOf({ platform }: FlyFile): string | undefined {
  return platform.kind === 'tube' || platform.kind === 'shank' ? platform.hook?.packet : platform.packet;
}

/**
 * Whether an item of a drawer may bear on a fly: it names the packet or piece, is of the thread's denier, or has a part made in the
 * way the material is, whose words may be taken for it.
 */
export function mayUse(file: FlyFile, drawer: DrawerName, item: DrawerItem): boolean {
  if (drawer === 'hooks') {
    const packet = packetOf(file);
    return packet !== undefined && named([item], packet) !== null;
  }
  // Judgements move no figure of a fly.
  if (drawer === 'schools' || drawer === 'rules' || drawer === 'limits') return false;
  if (drawer === 'threads') return 'denier' in item && file.thread?.denier === item.denier;
  if (drawer === 'weights')
    return file.parts.some((part) => part.material !== undefined && named([item], part.material) !== null);
  const kind = kindOf('materials', item) as MaterialItem['construction'];
  return file.parts.some((part) => part.construction === kind);
}

/** Ids of the parts that name a material or piece by its very name. */
export const partsNaming = (file: FlyFile, item: DrawerItem): string[] =>
  file.parts.filter((part) => same(part.material, item.name)).map((part) => part.id);
