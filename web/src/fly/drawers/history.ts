import type { DrawerItem, DrawerName } from '@jobbet/core/drawers';
import { mutate } from 'swr';
import { create } from 'zustand';
import { api, RequestError, type FlyChange, type StoredItem, type Watching } from '../../shared/api/client.ts';
import { working } from '../../shared/ui/work.ts';

/** One item before and after; null where it was not there, or is not there any more. */
interface Step {
  readonly drawer: DrawerName;
  id: string | null;
  readonly was: DrawerItem | null;
  readonly is: DrawerItem | null;
}
interface Entry {
  readonly words: string;
  readonly steps: readonly Step[];
  /** Changes of one cell by one series of readings are one entry. */
  readonly series?: string | undefined;
  /** What it did to the flies. */
  changes: readonly FlyChange[];
}

interface DrawerHistory {
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
  /** What the last change did to the flies; null until something is changed, and once it was read. */
  readonly told: { readonly words: string; readonly changes: readonly FlyChange[] } | null;
  readonly working: boolean;
}

const MOST = 200;

export const useDrawerHistory = create<DrawerHistory>()(() => ({ past: [], future: [], told: null, working: false }));
const { getState, setState } = useDrawerHistory;

let turn: Promise<unknown> = Promise.resolve();
/** One change after the other, so that each is made to the item as the one before left it. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const next = turn.then(work, work);
  turn = next.catch(() => undefined);
  return next;
}

const rowsNow = async (): Promise<readonly StoredItem[]> => {
  const rows = await mutate<StoredItem[]>('drawers', (known) => known, { revalidate: false });
  return rows ?? [];
};
const keepRows = (change: (rows: readonly StoredItem[]) => StoredItem[]): Promise<unknown> =>
  mutate<StoredItem[]>('drawers', (rows) => change(rows ?? []), { revalidate: false });

/** Brings one item on the server from `from` to `to`. */
async function bring(
  step: Step,
  from: DrawerItem | null,
  to: DrawerItem | null,
  watching: Watching,
): Promise<readonly FlyChange[]> {
  if (to === null) {
    const { changes } = await api.removeItem(step.id ?? '', watching);
    await keepRows((rows) => rows.filter((row) => row.id !== step.id));
    return changes;
  }
  if (from === null) {
    const { item, changes } = await api.addItem(step.drawer, to, watching);
    const old = step.id;
    step.id = item.id;
    // An item that comes back has another id; what is done before and after it is meant for that one.
    for (const entry of [...getState().past, ...getState().future])
      for (const each of entry.steps) if (old !== null && each.id === old) each.id = item.id;
    await keepRows((rows) => [...rows, item]);
    return changes;
  }
  const row = (await rowsNow()).find((each) => each.id === step.id);
  const { item, changes } = await api.changeItem(step.id ?? '', to, row?.revision ?? 1, watching);
  await keepRows((rows) => rows.map((each) => (each.id === item.id ? item : each)));
  return changes;
}

/** Does the steps of an entry, one way or back. @throws RequestError; what was changed elsewhere is fetched then */
async function walk(entry: Entry, back: boolean): Promise<void> {
  const changes: FlyChange[] = [];
  setState({ working: true });
  try {
    for (const step of back ? [...entry.steps].reverse() : entry.steps)
      changes.push(
        ...(await working('Solving the flies that use it', (watching) =>
          bring(step, back ? step.is : step.was, back ? step.was : step.is, watching),
        )),
      );
  } catch (error) {
    if (error instanceof RequestError && ['stale', 'no-item'].includes(error.code)) await mutate('drawers');
    throw error;
  } finally {
    setState({ working: false });
  }
  entry.changes = back ? [] : merged(changes);
  setState({ told: { words: back ? `Taken back: ${entry.words}` : entry.words, changes: merged(changes) } });
  if (changes.length > 0) void mutate('flies');
}

/** A fly that several steps moved is told once, from before the first to after the last. */
function merged(changes: readonly FlyChange[]): FlyChange[] {
  const byFly = new Map<string, FlyChange>();
  for (const each of changes) {
    const known = byFly.get(each.flyId);
    byFly.set(each.flyId, known ? { ...each, before: known.before } : each);
  }
  return [...byFly.values()];
}

function done(entry: Entry): void {
  const { past } = getState();
  const last = past.at(-1);
  const [before, now] = [last?.steps[0], entry.steps[0]];
  const goesOn =
    entry.series !== undefined && last?.series === entry.series && before !== undefined && now !== undefined;
  const next = goesOn
    ? { ...entry, steps: [{ ...now, was: before.was }], changes: merged([...last.changes, ...entry.changes]) }
    : entry;
  setState({ told: { words: next.words, changes: next.changes } });
  setState({ past: [...(goesOn ? past.slice(0, -1) : past), next].slice(-MOST), future: [] });
}

/** Changes an item. @param change is given the item as it is by then @throws RequestError when the server refuses it */
export function changeItem(
  row: StoredItem,
  change: (item: DrawerItem) => DrawerItem,
  words: string,
  series?: string,
): Promise<void> {
  return inTurn(async () => {
    const now = (await rowsNow()).find((each) => each.id === row.id) ?? row;
    const is = change(now.item);
    if (JSON.stringify(is) === JSON.stringify(now.item)) return;
    const entry: Entry = { words, steps: [{ drawer: row.drawer, id: row.id, was: now.item, is }], series, changes: [] };
    await walk(entry, false);
    done(entry);
  });
}

/** @returns the id it got */
export function addItem(drawer: DrawerName, item: DrawerItem): Promise<string> {
  return inTurn(async () => {
    const step: Step = { drawer, id: null, was: null, is: item };
    const entry: Entry = { words: `${item.name} is in the drawer.`, steps: [step], changes: [] };
    await walk(entry, false);
    done(entry);
    return step.id ?? '';
  });
}

export function removeItem(row: StoredItem): Promise<void> {
  return inTurn(async () => {
    const entry: Entry = {
      words: `${row.item.name} is out of the drawer.`,
      steps: [{ drawer: row.drawer, id: row.id, was: row.item, is: null }],
      changes: [],
    };
    await walk(entry, false);
    done(entry);
  });
}

/** Lays many items in at once, all or none; one step to take back. */
export function layIn(drawer: DrawerName, items: readonly DrawerItem[]): Promise<void> {
  return inTurn(async () => {
    const before = new Map((await rowsNow()).map((row) => [row.id, row]));
    setState({ working: true });
    try {
      const { added, replaced, changes } = await working('Solving the flies that use them', (watching) =>
        api.layIn({ [drawer]: items }, watching),
      );
      const after = (await mutate<StoredItem[]>('drawers')) ?? (await api.drawers());
      const steps = after
        .filter((row) => before.get(row.id)?.revision !== row.revision)
        .map((row): Step => ({ drawer: row.drawer, id: row.id, was: before.get(row.id)?.item ?? null, is: row.item }));
      const words = `${String(added)} imported${replaced > 0 ? `, ${String(replaced)} replaced` : ''}.`;
      setState({ told: { words, changes } });
      if (steps.length > 0) done({ words, steps, changes });
      if (changes.length > 0) void mutate('flies');
    } finally {
      setState({ working: false });
    }
  });
}

/** Takes the last change back. @returns whether there was one @throws RequestError */
export function undoDrawers(): Promise<boolean> {
  return inTurn(async () => {
    const { past, future } = getState();
    const entry = past.at(-1);
    if (!entry) return false;
    await walk(entry, true);
    setState({ past: past.slice(0, -1), future: [entry, ...future] });
    return true;
  });
}

/** @returns whether there was something to do again @throws RequestError */
export function redoDrawers(): Promise<boolean> {
  return inTurn(async () => {
    const { past, future } = getState();
    const [entry, ...rest] = future;
    if (!entry) return false;
    await walk(entry, false);
    setState({ past: [...past, entry], future: rest });
    return true;
  });
}
