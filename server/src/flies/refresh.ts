import { faultLine, MODEL, type Outcome } from '@jobbet/core/base';
import { changedFigures, flyChangeSchema, summarySchema, type FlyChange, type FlySummary } from '@jobbet/core/contract';
import { z } from 'zod';
import { eq, isNull, or } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import { facts } from '../db/rows.ts';
import type { Ledger } from '../db/ledger.ts';
import { atRevision } from '../db/revisions.ts';
import type { DrawerSnapshot, Figures } from '../solving/tasks.ts';
import type { Solvers } from '../solving/solvers.ts';
import { flies } from './rows.ts';
import { brokenSummary, parsed } from './shelf.ts';

const AT_ONCE = 8;

/**
 * Computes what lists show of flies anew when the model has changed since it was kept, and wherever it is missing. A fly that no longer
 * solves is kept as broken, with why. What another model moved is kept until someone has seen it.
 * @returns how many flies were gone over
 */
export async function refreshSummaries(
  ledger: Ledger,
  solvers: Solvers,
  drawers: DrawerSnapshot | null,
): Promise<number> {
  const { db } = ledger;
  const [kept] = await db.select().from(facts).where(eq(facts.key, 'model'));
  const isOld = kept?.value !== String(MODEL);
  const all = await db
    .select({
      id: flies.id,
      name: flies.name,
      revision: flies.revision,
      file: flies.file,
      summary: flies.summary,
      deletedAt: flies.deletedAt,
    })
    .from(flies)
    .where(isOld ? undefined : or(isNull(flies.listed), isNull(flies.summary)));
  const moved: FlyChange[] = [];
  for (let at = 0; at < all.length; at += AT_ONCE) {
    const some = all.slice(at, at + AT_ONCE);
    const files = some.map(({ file }) => parsed(file));
    const answers = await solvers.ask('figures', { files }, drawers, { rank: 'own' });
    const [first, ...rest] = some.flatMap(({ id, name, revision, summary, deletedAt }, i): BatchItem<'sqlite'>[] => {
      const solved: Outcome<Figures> | undefined = answers[i];
      if (!solved) return [];
      const [fault] = solved.ok ? [] : solved.faults;
      const before = isOld && deletedAt === null ? summaryIn(summary) : null;
      if (before && solved.ok && changedFigures(before, solved.value.summary).length > 0)
        moved.push({ flyId: id, name, before, after: solved.value.summary });
      const next = solved.ok
        ? { summary: JSON.stringify(solved.value.summary), listed: JSON.stringify(solved.value.listed) }
        : { summary: brokenSummary(fault ? faultLine(fault) : 'it has faults') };
      return [
        db
          .update(flies)
          .set(next)
          .where(atRevision(flies, id, revision)),
      ];
    });
    if (first) await ledger.write([first, ...rest], true);
  }
  if (isOld)
    await ledger.write([
      fact(ledger, 'model', String(MODEL)),
      ...(moved.length > 0 ? [fact(ledger, MOVED, JSON.stringify(moved))] : []),
    ]);
  return all.length;
}

const MOVED = 'moved';

/** Keeps a fact in place of the one before. */
const fact = ({ db }: Ledger, key: string, value: string): BatchItem<'sqlite'> =>
  db.insert(facts).values({ key, value }).onConflictDoUpdate({ target: facts.key, set: { value } });

/** A summary as it was kept; null for one that does not read. */
function summaryIn(text: string | null): FlySummary | null {
  try {
    return summarySchema.parse(JSON.parse(text ?? 'null'));
  } catch {
    return null;
  }
}

/** The flies whose figures or order another model moved, until that was seen. */
export async function movedByModel({ db }: Ledger): Promise<FlyChange[]> {
  const [kept] = await db.select().from(facts).where(eq(facts.key, MOVED));
  const read = z.array(flyChangeSchema).safeParse(kept ? JSON.parse(kept.value) : []);
  return read.success ? read.data : [];
}

/** It was seen. */
export const seenMoved = async (ledger: Ledger): Promise<void> => {
  await ledger.write([ledger.db.delete(facts).where(eq(facts.key, MOVED))]);
};
