import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { faultLine } from '@jobbet/core/base';
import type { ListedFly } from '@jobbet/core/contract';
import { readDocumentText } from '@jobbet/core/document';
import { readFly } from '@jobbet/core/pattern';
import { BATCH_KIND, type BatchFile } from '@jobbet/core/records';
import { eq } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { facts } from '../db/rows.ts';
import { EXAMPLES } from '../flies/examples.ts';
import type { FlyStore } from '../flies/store.ts';
import type { RecordStore } from './store.ts';

/** A batch as the box has it: each fly by its id, with the pattern it was planned with. */
function pinned(batch: BatchFile, box: ReadonlyMap<string, ListedFly>): BatchFile {
  const carried = new Set<string>();
  return {
    ...batch,
    rows: batch.rows.map((row) => {
      const read = readFly(readFileSync(join(EXAMPLES, row.fly), 'utf8'));
      if (!read.ok) throw new Error(`${row.fly}: ${read.faults.map(faultLine).join('; ')}`);
      const listed = box.get(read.value.name);
      const fly = listed?.id ?? read.value.name;
      const first = !carried.has(fly);
      carried.add(fly);
      const revision = listed ? { revision: listed.revision } : {};
      return { ...row, fly, ...revision, ...(first ? { pattern: { ...read.value } } : {}) };
    }),
  };
}

/** Lays the boathouse's batches into a database that never had any. */
export async function seedBatchesOnce(ledger: Ledger, batches: RecordStore<'batch'>, flies: FlyStore): Promise<void> {
  const [seeded] = await ledger.db.select().from(facts).where(eq(facts.key, 'batches'));
  if (seeded || !existsSync(EXAMPLES)) return;
  const box = new Map((await flies.list()).map((fly) => [fly.name, fly]));
  const files = readdirSync(EXAMPLES)
    .filter((name) => name.endsWith(BATCH_KIND.extension))
    .sort();
  for (const file of files) {
    const read = readDocumentText(BATCH_KIND, readFileSync(join(EXAMPLES, file), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.faults.map(faultLine).join('; ')}`);
    await batches.create(pinned(read.value, box));
  }
  await ledger.write([ledger.db.insert(facts).values({ key: 'batches', value: new Date().toISOString() })]);
}
