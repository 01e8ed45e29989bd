import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { faultLine } from '@jobbet/core/base';
import type { ListedFly } from '@jobbet/core/contract';
import { type DocumentKind, readDocumentText } from '@jobbet/core/document';
import { readFly } from '@jobbet/core/pattern';
import {
  BATCH_KIND,
  type BatchFile,
  BEAT_KIND,
  DATE_KIND,
  DRILL_KIND,
  OUTING_KIND,
  SPECIMEN_KIND,
  type SpecimenFile,
} from '@jobbet/core/records';
import { keptPicture } from '@jobbet/pictures';
import { eq } from 'drizzle-orm';
import type { z } from 'zod';
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

/** The examples of a kind, each read. @throws where one does not read */
const readExamples = <S extends z.ZodType>(kind: DocumentKind<S>): z.infer<S>[] =>
  examplesOf(kind.extension).map((file) => {
    const read = readDocumentText(kind, readFileSync(join(EXAMPLES, file), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.faults.map(faultLine).join('; ')}`);
    return read.value;
  });

/** Does something to a database that never had it done, and remembers that. */
async function once(ledger: Ledger, what: string, work: () => Promise<void>): Promise<void> {
  const [done] = await ledger.db.select().from(facts).where(eq(facts.key, what));
  if (done || !existsSync(EXAMPLES)) return;
  await work();
  await ledger.write([ledger.db.insert(facts).values({ key: what, value: new Date().toISOString() })]);
}

/** Lays the boathouse's beats into a database that never had any. */
export const seedBeatsOnce = (ledger: Ledger, beats: RecordStore<'beat'>): Promise<void> =>
  once(ledger, 'beats', async () => {
    for (const beat of readExamples(BEAT_KIND)) await beats.create(beat);
  });

/** Lays the boathouse's dates into a database that never had any. */
export const seedDatesOnce = (ledger: Ledger, dates: RecordStore<'date'>): Promise<void> =>
  once(ledger, 'dates', async () => {
    for (const date of readExamples(DATE_KIND)) await dates.create(date);
  });

/** Lays made-up rounds of the drill into a database that never had any. */
export const seedDrillsOnce = (ledger: Ledger, drills: RecordStore<'drill'>): Promise<void> =>
  once(ledger, 'drills', async () => {
    for (const drill of readExamples(DRILL_KIND)) await drills.create(drill);
  });

/** Lays a made-up season into a database that never had any outing, each fly by its id. */
export const seedOutingsOnce = (ledger: Ledger, outings: RecordStore<'outing'>, flies: FlyStore): Promise<void> =>
  once(ledger, 'outings', async () => {
    const box = new Map((await flies.list()).map((fly) => [fly.name, fly.id]));
    for (const outing of readExamples(OUTING_KIND))
      await outings.create({
        ...outing,
        rods: outing.rods.map((rod) => ({
          ...rod,
          ...(rod.fly === undefined ? {} : { fly: box.get(rod.fly) ?? rod.fly }),
        })),
      });
  });

/** Lays the boathouse's batches into a database that never had any. */
export const seedBatchesOnce = (ledger: Ledger, batches: RecordStore<'batch'>, flies: FlyStore): Promise<void> =>
  once(ledger, 'batches', async () => {
    const box = new Map((await flies.list()).map((fly) => [fly.name, fly]));
    for (const batch of readExamples(BATCH_KIND)) await batches.create(pinned(batch, box));
  });

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
export const seedSpecimensOnce = (
  ledger: Ledger,
  specimens: RecordStore<'specimen'>,
  flies: FlyStore,
  pictures: PictureShelf,
): Promise<void> =>
  once(ledger, 'specimens', async () => {
    const box = new Map((await flies.list()).map((fly) => [fly.name, fly]));
    for (const specimen of readExamples(SPECIMEN_KIND)) {
      const fly = readFly(readFileSync(join(EXAMPLES, specimen.fly), 'utf8'));
      if (!fly.ok) throw new Error(`${specimen.fly}: ${fly.faults.map(faultLine).join('; ')}`);
      const listed = box.get(fly.value.name);
      await specimens.create({
        ...(await withPictures(specimen, pictures)),
        fly: listed?.id ?? fly.value.name,
        ...(listed ? { revision: listed.revision } : {}),
        pattern: { ...fly.value },
      });
    }
  });
