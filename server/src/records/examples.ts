import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { faultLine } from '@jobbet/core/base';
import type { ListedFly } from '@jobbet/core/contract';
import { readDocumentText } from '@jobbet/core/document';
import { readFly } from '@jobbet/core/pattern';
import { BATCH_KIND, type BatchFile, SPECIMEN_KIND, type SpecimenFile } from '@jobbet/core/records';
import { keptPicture } from '@jobbet/pictures';
import { eq } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { facts } from '../db/rows.ts';
import { EXAMPLES } from '../flies/examples.ts';
import type { FlyStore } from '../flies/store.ts';
import type { PictureShelf } from '../pictures/shelf.ts';
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

/** The files of a kind among the examples, in their order. */
const examplesOf = (extension: string): string[] =>
  readdirSync(EXAMPLES)
    .filter((name) => name.endsWith(extension))
    .sort();

/** Lays the boathouse's batches into a database that never had any. */
export async function seedBatchesOnce(ledger: Ledger, batches: RecordStore<'batch'>, flies: FlyStore): Promise<void> {
  const [seeded] = await ledger.db.select().from(facts).where(eq(facts.key, 'batches'));
  if (seeded || !existsSync(EXAMPLES)) return;
  const box = new Map((await flies.list()).map((fly) => [fly.name, fly]));
  for (const file of examplesOf(BATCH_KIND.extension)) {
    const read = readDocumentText(BATCH_KIND, readFileSync(join(EXAMPLES, file), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.faults.map(faultLine).join('; ')}`);
    await batches.create(pinned(read.value, box));
  }
  await ledger.write([ledger.db.insert(facts).values({ key: 'batches', value: new Date().toISOString() })]);
}

/** A finished fly with its photographs laid on the shelf, and named as they lie there. */
async function withPictures(specimen: SpecimenFile, pictures: PictureShelf): Promise<SpecimenFile> {
  if (!specimen.photos) return specimen;
  const photos = await Promise.all(
    specimen.photos.map(async (photo) => {
      const kept = await keptPicture(readFileSync(join(EXAMPLES, photo.file)));
      if (!kept.ok) throw new Error(`${photo.file}: ${kept.faults.map(faultLine).join('; ')}`);
      return { ...photo, file: `pictures/${await pictures.keep(kept.value.bytes, kept.value.extension)}` };
    }),
  );
  return { ...specimen, photos };
}

/** Lays the finished flies of the boathouse into a database that never had any, each with the pattern it was tied by. */
export async function seedSpecimensOnce(
  ledger: Ledger,
  specimens: RecordStore<'specimen'>,
  flies: FlyStore,
  pictures: PictureShelf,
): Promise<void> {
  const [seeded] = await ledger.db.select().from(facts).where(eq(facts.key, 'specimens'));
  if (seeded || !existsSync(EXAMPLES)) return;
  const box = new Map((await flies.list()).map((fly) => [fly.name, fly]));
  for (const file of examplesOf(SPECIMEN_KIND.extension)) {
    const read = readDocumentText(SPECIMEN_KIND, readFileSync(join(EXAMPLES, file), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.faults.map(faultLine).join('; ')}`);
    const fly = readFly(readFileSync(join(EXAMPLES, read.value.fly), 'utf8'));
    if (!fly.ok) throw new Error(`${read.value.fly}: ${fly.faults.map(faultLine).join('; ')}`);
    const listed = box.get(fly.value.name);
    await specimens.create({
      ...(await withPictures(read.value, pictures)),
      fly: listed?.id ?? fly.value.name,
      ...(listed ? { revision: listed.revision } : {}),
      pattern: { ...fly.value },
    });
  }
  await ledger.write([ledger.db.insert(facts).values({ key: 'specimens', value: new Date().toISOString() })]);
}
