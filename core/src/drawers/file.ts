import { z } from 'zod';
import { bad, good, type Fault, type Outcome } from '../base/index.ts';
import {
  DRAWERS,
  drawersIn,
  ITEM_SCHEMAS,
  kindOf,
  type DrawerItem,
  type DrawerItems,
  type DrawerName,
} from './items.ts';

/** An export of the drawers, version 2: what `--drawers FILE` and the app's import read. */
export const DRAWERS_FORMAT = 'jobbet.drawers';
/** Version 2 came with lots, and with yields of whatever is bought; one of version 1 has none of them and reads as it is. */
export const DRAWERS_VERSION = 2;

export const EMPTY_DRAWERS: DrawerItems = drawersIn([]);

/** An item with the place of what is wrong in it, in words; faults are by key, `shankMm: must be above 0`. */
export function readItem<D extends DrawerName>(drawer: D, value: unknown, path = ''): Outcome<DrawerItems[D][number]> {
  const read = ITEM_SCHEMAS[drawer].safeParse(value);
  if (read.success) return good(read.data as DrawerItems[D][number]);
  const faults = read.error.issues.map((issue): Fault => {
    const key = issue.path.join('.');
    const unknown = issue.code === 'unrecognized_keys' ? issue.keys.map((each) => `"${each}"`).join(', ') : null;
    return {
      path: [path, key].filter((each) => each !== '').join('.'),
      code: unknown === null ? 'type' : 'unknown-key',
      message: unknown === null ? plain(issue) : `unknown key ${unknown}`,
    };
  });
  return bad(...faults);
}

/** Zod's words as a tier would have them. */
function plain(issue: z.core.$ZodIssue): string {
  if (issue.code === 'invalid_type') return issue.input === undefined ? 'is missing' : `should be ${issue.expected}`;
  if (issue.code === 'too_small')
    return `must be ${issue.inclusive === false ? 'above' : 'at least'} ${String(issue.minimum)}`;
  if (issue.code === 'too_big') return `must be at most ${String(issue.maximum)}`;
  if (issue.code === 'invalid_value') return `is one of ${issue.values.map(String).join(', ')}`;
  if (issue.code === 'invalid_union') return 'is none of the kinds the drawer holds';
  return issue.message.replace(/^Invalid input: /, '');
}

const key = (drawer: DrawerName, item: DrawerItem): string => `${kindOf(drawer, item)}/${item.name.toLowerCase()}`;

/** Reads an export of the drawers; every fault names the drawer, the row and the key. */
export function readDrawers(value: unknown): Outcome<DrawerItems> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return bad({ path: '', code: 'type', message: 'an export of the drawers is an object' });
  const { format, version } = value as { format?: unknown; version?: unknown };
  if (format !== DRAWERS_FORMAT)
    return bad({
      path: 'format',
      code: 'choice',
      message: `is not "${DRAWERS_FORMAT}"; this is no export of the drawers`,
    });
  if (typeof version !== 'number' || version > DRAWERS_VERSION)
    return bad({
      path: 'version',
      code: 'version',
      message: `version ${String(version)} is newer than this Jobbet reads (${String(DRAWERS_VERSION)}); update Jobbet to open it`,
    });
  const faults: Fault[] = [];
  const out: { drawer: DrawerName; item: DrawerItem }[] = [];
  for (const drawer of DRAWERS) {
    const items = (value as Record<string, unknown>)[drawer] ?? [];
    if (!Array.isArray(items)) {
      faults.push({ path: drawer, code: 'type', message: 'is a list of items' });
      continue;
    }
    const seen = new Set<string>();
    items.forEach((each: unknown, i) => {
      const read = readItem(drawer, each, `${drawer}[${String(i)}]`);
      if (!read.ok) faults.push(...read.faults);
      else if (seen.has(key(drawer, read.value)))
        faults.push({
          path: `${drawer}[${String(i)}].name`,
          code: 'duplicate-id',
          message: `"${read.value.name}" is there twice`,
        });
      else {
        seen.add(key(drawer, read.value));
        out.push({ drawer, item: read.value });
      }
    });
  }
  return faults.length > 0 ? { ok: false, faults } : good(drawersIn(out));
}

/** The drawers as a file. */
export const writeDrawers = (items: DrawerItems): Record<string, unknown> => ({
  format: DRAWERS_FORMAT,
  version: DRAWERS_VERSION,
  ...items,
});
