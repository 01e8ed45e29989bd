import { MODEL, solveFly } from '@jobbet/core';
import { summarise } from '@jobbet/core/exchange/summary';
import type { Drawers } from '@jobbet/core/drawers/tables';
import { eq } from 'drizzle-orm';
import type { Database } from './db/open.ts';
import { facts, flies } from './db/schema.ts';

/**
 * Computes the figures the Box lists anew when the model has changed since they were kept. A fly that no longer solves keeps its old ones.
 * @returns how many flies were gone over
 */
export async function refreshSummaries(db: Database, drawers: Drawers): Promise<number> {
  const [kept] = await db.select().from(facts).where(eq(facts.key, 'model'));
  if (kept?.value === String(MODEL)) return 0;
  const all = await db.select().from(flies);
  for (const { id, file } of all) {
    const solved = solveFly(file, drawers);
    if (solved.ok)
      await db
        .update(flies)
        .set({ summary: summarise(solved.value) })
        .where(eq(flies.id, id));
  }
  const value = String(MODEL);
  await db.insert(facts).values({ key: 'model', value }).onConflictDoUpdate({ target: facts.key, set: { value } });
  return all.length;
}
