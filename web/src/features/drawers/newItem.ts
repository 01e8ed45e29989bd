import {
  kindOf,
  type DrawerItem,
  type DrawerItems,
  type DrawerName,
  NOMINAL_MATERIALS,
  NOMINAL_SCHOOLS,
  NOMINAL_THREADS,
} from '@jobbet/core/drawers';
import { NOMINAL_LIMITS } from '@jobbet/core/checks';

/** What is counted, weighed or measured of one packet says nothing of another. */
const OF_ONE_PACKET = new Set([
  'also',
  'note',
  'count',
  'discontinued',
  'stock',
  'mix',
  ...['shank', 'gap', 'wire'].flatMap((key) => [`${key}Mm`, `${key}N`, `${key}SdMm`]),
  'massMg',
  'massN',
  'massSdMg',
]);

const FIRST: { readonly [D in DrawerName]: DrawerItems[D][number] | undefined } = {
  hooks: { name: 'packet', form: 'single', size: '6' },
  weights: { name: 'eyes', form: 'dumbbell', material: 'brass', diameterMm: 4 },
  materials: NOMINAL_MATERIALS[0],
  threads: NOMINAL_THREADS[0],
  lines: { name: 'line', form: 'floating' },
  leaders: { name: 'leader', pieces: '2.7 m of 0.25 mm nylon' },
  floats: { name: 'float', bearsMg: 5000 },
  schools: NOMINAL_SCHOOLS[0],
  rules: { name: 'a water' },
  limits: NOMINAL_LIMITS[0],
};

/** A new item of a drawer, made like one that is there, under a name that is free. */
export function newItem(
  drawer: DrawerName,
  like: DrawerItem | undefined,
  all: readonly DrawerItem[],
): DrawerItem | null {
  const from = like ?? FIRST[drawer];
  if (!from) return null;
  const kept = Object.fromEntries(Object.entries(from).filter(([key]) => !OF_ONE_PACKET.has(key)));
  const item = { ...kept, name: from.name } as unknown as DrawerItem;
  const taken = new Set(
    all.filter((each) => kindOf(drawer, each) === kindOf(drawer, item)).map((each) => each.name.toLowerCase()),
  );
  let name = all.length === 0 ? item.name : `${item.name}, another`;
  for (let n = 2; taken.has(name.toLowerCase()); n++) name = `${item.name}, another ${String(n)}`;
  return { ...item, name };
}
