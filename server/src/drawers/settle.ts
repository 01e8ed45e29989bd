import type { Fault } from '@jobbet/core/base';
import {
  changedFigures,
  summarySchema,
  type FlyChange,
  type FlySummary,
  type Listed,
  mayUse,
  namesItem,
} from '@jobbet/core/contract';
import type { DrawerItem, DrawerName } from '@jobbet/core/drawers';
import { inArray } from 'drizzle-orm';
import { atRevision } from '../db/revisions.ts';
import type { BatchItem } from 'drizzle-orm/batch';
import type { Database } from '../db/ledger.ts';
import { ApiError } from '../errors.ts';
import { flies } from '../flies/rows.ts';
import { parsed, type Shelf } from '../flies/shelf.ts';
import type { DrawerSnapshot } from '../solving/tasks.ts';
import type { Solvers } from '../solving/solvers.ts';

/** Who waits for long work: told how far it is, 0 to 1, and able to stop it. */
export interface Watched {
  readonly onShare?: (share: number) => void;
  readonly signal?: AbortSignal;
}

interface Ground {
  readonly db: Database;
  readonly shelf: Shelf;
  readonly solvers: Solvers;
  readonly before: DrawerSnapshot;
  readonly after: DrawerSnapshot;
}

interface Held {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly file: unknown;
  readonly summary: FlySummary | null;
}

const AT_ONCE = 8;
const ROWS_AT_ONCE = 500;

/** Whether an item may bear on a fly: on its figures, or on what is to be settled of it. Rules and limits are asked of every fly. */
const bearsOn = (listed: Listed, drawer: DrawerName, item: DrawerItem): boolean =>
  drawer === 'rules' || drawer === 'limits' || mayUse(listed, drawer, item) || namesItem(listed, drawer, item);

/** Flies of the box that may use one of some items; those that do not read stand in nobody's way. */
async function users(
  { db, shelf }: Ground,
  touched: readonly { readonly drawer: DrawerName; readonly item: DrawerItem }[],
): Promise<Held[]> {
  if (touched.length === 0) return [];
  const ids = (await shelf.all()).flatMap(({ fly: { id, listed, deletedAt } }) =>
    listed && deletedAt === null && touched.some(({ drawer, item }) => bearsOn(listed, drawer, item)) ? [id] : [],
  );
  const held: Held[] = [];
  for (let at = 0; at < ids.length; at += ROWS_AT_ONCE) {
    const rows = await db
      .select({ id: flies.id, name: flies.name, revision: flies.revision, file: flies.file, summary: flies.summary })
      .from(flies)
      .where(inArray(flies.id, ids.slice(at, at + ROWS_AT_ONCE)));
    for (const { file, summary, ...row } of rows) {
      const figures = summarySchema.safeParse(parsed(summary));
      held.push({ ...row, file: parsed(file), summary: figures.success ? figures.data : null });
    }
  }
  return held;
}

/**
 * Solves the flies that some items bear on with the drawers to come.
 * @returns what to write with the change, and the flies whose figures or checks it moves
 * @throws ApiError `breaks-fly` where one would no longer lay out that does now, `stopped`
 */
export async function movedFlies(
  ground: Ground,
  touched: readonly { readonly drawer: DrawerName; readonly item: DrawerItem }[],
  { onShare, signal }: Watched = {},
): Promise<{ readonly changes: FlyChange[]; readonly updates: BatchItem<'sqlite'>[] }> {
  const held = await users(ground, touched);
  const changes: FlyChange[] = [];
  const updates: BatchItem<'sqlite'>[] = [];
  for (let at = 0; at < held.length; at += AT_ONCE) {
    if (signal?.aborted === true) throw new ApiError('stopped');
    const some = held.slice(at, at + AT_ONCE);
    const files = some.map((each) => each.file);
    const answers = await ground.solvers.ask('figures', { files }, ground.after, { rank: 'own', signal });
    for (const [i, fly] of some.entries()) {
      const solved = answers[i];
      if (solved?.ok !== true) {
        await refuseBroken(ground, fly, solved?.faults ?? []);
        continue;
      }
      const { summary } = solved.value;
      if (JSON.stringify(summary) === JSON.stringify(fly.summary)) continue;
      updates.push(
        ground.db
          .update(flies)
          .set({ summary: JSON.stringify(summary) })
          .where(atRevision(flies, fly.id, fly.revision)),
      );
      if (fly.summary && changedFigures(fly.summary, summary).length > 0)
        changes.push({ flyId: fly.id, name: fly.name, before: fly.summary, after: summary });
    }
    onShare?.((at + some.length) / held.length);
  }
  return { changes, updates };
}

/** A fly that did not lay out before stands in nobody's way. @throws ApiError `breaks-fly` for one that did */
async function refuseBroken(
  { solvers, before }: Ground,
  { name, file }: Held,
  faults: readonly Fault[],
): Promise<void> {
  const [now] = await solvers.ask('figures', { files: [file] }, before, { rank: 'own' });
  if (now?.ok !== true) return;
  const [fault] = faults;
  const why = fault ? `${fault.path}: ${fault.message}` : 'it has faults';
  throw new ApiError('breaks-fly', `With this ${name} would no longer lay out: ${why}. Change that fly first.`, {
    faults,
  });
}
