import { faultLine, MODEL, type Outcome } from '@jobbet/core/base';
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
 * solves is kept as broken, with why.
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
    .select({ id: flies.id, revision: flies.revision, file: flies.file })
    .from(flies)
    .where(isOld ? undefined : or(isNull(flies.listed), isNull(flies.summary)));
  for (let at = 0; at < all.length; at += AT_ONCE) {
    const some = all.slice(at, at + AT_ONCE);
    const files = some.map(({ file }) => parsed(file));
    const answers = await solvers.ask('figures', { files }, drawers, { rank: 'own' });
    const [first, ...rest] = some.flatMap(({ id, revision }, i): BatchItem<'sqlite'>[] => {
      const solved: Outcome<Figures> | undefined = answers[i];
      if (!solved) return [];
      const [fault] = solved.ok ? [] : solved.faults;
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
  const value = String(MODEL);
  if (isOld)
    await ledger.write([
      db.insert(facts).values({ key: 'model', value }).onConflictDoUpdate({ target: facts.key, set: { value } }),
    ]);
  return all.length;
}
