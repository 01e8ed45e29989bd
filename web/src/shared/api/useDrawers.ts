import { drawersIn, type DrawerItems, drawersOf, type Drawers } from '@jobbet/core/drawers';
import useSWR from 'swr';
import { api, type StoredItem } from './client.ts';

/** The drawers as the server has them, and the tables flies are solved with. */
export interface OpenDrawers {
  readonly rows: readonly StoredItem[];
  readonly items: DrawerItems;
  readonly tables: Drawers;
}

const opened = new WeakMap<readonly StoredItem[], OpenDrawers>();

/** One and the same for the same rows, so that what depends on it is not made anew. */
export function openDrawers(rows: readonly StoredItem[]): OpenDrawers {
  const known = opened.get(rows);
  if (known) return known;
  const items = drawersIn(rows);
  const made = { rows, items, tables: drawersOf(items) };
  opened.set(rows, made);
  return made;
}

/** Under which key the drawers are remembered in this window. */
export const DRAWERS = 'drawers';

/** The drawers; undefined until they are fetched, with why where they cannot be. */
export function useDrawers(): { readonly drawers: OpenDrawers | undefined; readonly error: unknown } {
  const { data, error } = useSWR<StoredItem[], unknown>(DRAWERS, api.drawers);
  return { drawers: data && openDrawers(data), error };
}
