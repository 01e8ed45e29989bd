import { bad, faultLine, type Outcome, good } from '@jobbet/core/base';
import { readDocumentText, sizeFault } from '@jobbet/core/document';
import type { FlyFile } from '@jobbet/core/pattern';
import {
  type Reading,
  readSpecimenTable,
  SPECIMEN_KIND,
  type SpecimenFile,
  type SpecimenRow,
  writeSpecimenTable,
} from '@jobbet/core/records';
import { api, type StoredSpecimen } from '../../shared/api/client.ts';
import { cellsOf, csvText } from '../../shared/ui/csv.ts';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';

/** The fly whose finished ones are taken in, and those that lie there. */
export interface TakenFor {
  readonly fly: string;
  readonly pattern: FlyFile;
  readonly revision: number;
  /** The names of what is measured on it. */
  readonly measures: readonly string[];
  readonly there: readonly StoredSpecimen[];
}

type How = (record: SpecimenFile) => SpecimenFile;

/** What files come to: flies to be laid there, readings of those that are, and what did not read. */
export interface TakenIn {
  readonly fresh: readonly SpecimenFile[];
  readonly changes: readonly { readonly id: string; readonly how: How }[];
  readonly reasons: readonly string[];
}

const baseName = (file: string): string => (file.split('/').at(-1) ?? file).toLowerCase();
export const isPicture = ({ type }: File): boolean => type.startsWith('image/');

/** A record with the pictures that came beside it; a photograph whose picture did not is left out. */
async function withPictures(
  record: SpecimenFile,
  pictures: ReadonlyMap<string, File>,
): Promise<{ readonly record: SpecimenFile; readonly missing: readonly string[] }> {
  const { photos = [], ...rest } = record;
  const missing: string[] = [];
  const kept: NonNullable<SpecimenFile['photos']> = [];
  for (const photo of photos) {
    const picture = pictures.get(baseName(photo.file));
    if (picture) kept.push({ ...photo, file: (await api.keepPicture(picture)).file });
    else missing.push(photo.file);
  }
  return { record: kept.length === 0 ? rest : { ...rest, photos: kept }, missing };
}

const textOf = (reading: Reading): string => (typeof reading === 'string' ? reading : reading.value);

/** Readings as a table has them; one that stood there keeps what is known of it. */
const withKnown = (readings: readonly Reading[], before: readonly Reading[] = []): Reading[] =>
  readings.map((each) => before.find((known) => textOf(known) === textOf(each)) ?? each);

/** A fly as a table has it laid over what is known of it: what the table does not say stays. */
export function withRow(record: SpecimenFile, { lengths = {}, weight, weightWet, ...row }: SpecimenRow): SpecimenFile {
  const told = Object.entries(lengths).map(
    ([measure, readings]) => [measure, withKnown(readings, record.lengths?.[measure])] as const,
  );
  return {
    ...record,
    ...row,
    ...(weight ? { weight: withKnown(weight, record.weight) } : {}),
    ...(weightWet ? { weightWet: withKnown(weightWet, record.weightWet) } : {}),
    ...(told.length === 0 ? {} : { lengths: { ...record.lengths, ...Object.fromEntries(told) } }),
  };
}

function fromTable(
  text: string,
  { fly, pattern, revision, measures, there }: TakenFor,
): Outcome<Omit<TakenIn, 'reasons'>> {
  const read = readSpecimenTable(cellsOf(text), measures);
  if (!read.ok) return read;
  const known = (row: SpecimenRow) =>
    row.number === undefined ? undefined : there.find(({ record }) => record.number === row.number);
  return good({
    fresh: read.value
      .filter((row) => !known(row))
      .map((row) => withRow({ format: 'jobbet.specimen', version: 1, fly, revision, pattern: { ...pattern } }, row)),
    changes: read.value.flatMap((row) => {
      const at = known(row);
      return at ? [{ id: at.id, how: (now: SpecimenFile) => withRow(now, row) }] : [];
    }),
  });
}

/** Reads finished flies out of files: `.specimen.json`, the pictures they name beside them, or a CSV of readings. Nothing is kept by that but pictures. */
export async function takingIn(files: readonly File[], of: TakenFor): Promise<TakenIn> {
  const pictures = new Map(files.filter(isPicture).map((file) => [baseName(file.name), file]));
  const fresh: SpecimenFile[] = [];
  const changes: TakenIn['changes'][number][] = [];
  const reasons: string[] = [];
  for (const file of files.filter((each) => !isPicture(each))) {
    const large = sizeFault(file.size);
    const text = large ? '' : await file.text();
    const read = large
      ? bad(large)
      : /^\uFEFF?\s*\{/.test(text)
        ? readDocumentText(SPECIMEN_KIND, text)
        : fromTable(text, of);
    if (!read.ok) reasons.push(...read.faults.map((fault) => `${file.name}: ${faultLine(fault)}`));
    else if ('fresh' in read.value) {
      fresh.push(...read.value.fresh);
      changes.push(...read.value.changes);
    } else {
      const { record, missing } = await withPictures(read.value, pictures);
      fresh.push(record);
      reasons.push(
        ...missing.map((name) => `${file.name}: its picture ${name} is not beside it, choose both together`),
      );
    }
  }
  return { fresh, changes, reasons };
}

/** Saves a finished fly as a file that carries its pattern, its pictures beside it. */
export async function saveSpecimen(record: SpecimenFile, name: string): Promise<void> {
  const base = `${slug(name)}-${String(record.number ?? 1)}`;
  const photos = (record.photos ?? []).map((photo) => ({
    was: photo.file,
    photo: { ...photo, file: `${base}-${photo.view}.${photo.file.split('.').at(-1) ?? 'jpg'}` },
  }));
  for (const { was, photo } of photos) {
    const answer = await fetch(`/api/${was}`);
    if (!answer.ok) throw new Error(`Its picture ${photo.view} cannot be fetched.`);
    saveFile(photo.file, await answer.blob());
  }
  const { photos: _was, ...rest } = record;
  const file = photos.length === 0 ? rest : { ...rest, photos: photos.map(({ photo }) => photo) };
  saveFile(`${base}.specimen.json`, `${JSON.stringify({ ...file, fly: name }, null, 2)}\n`);
}

/** Saves the readings of all of them as a table. */
export const saveTable = (flies: readonly StoredSpecimen[], name: string): void =>
  saveFile(`${slug(name)}-finished.csv`, csvText(writeSpecimenTable(flies.map(({ record }) => record))), 'text/csv');
