import { bad, faultLine, type Outcome } from '@jobbet/core/base';
import { readDocumentText, sizeFault } from '@jobbet/core/document';
import {
  BATCH_KIND,
  patternAt,
  readBatchTable,
  type BatchFile,
  type BatchRow,
  type TableRow,
} from '@jobbet/core/records';
import type { ListedFly } from '../../shared/api/client.ts';
import { cellsOf } from '../../shared/ui/csv.ts';
import { slug } from '../../shared/ui/saveFile.ts';
import { newBatch, type PlannedFly, rowOf } from '../../fly/batches/planning.ts';

/** A fly of the box as it is now, by its id. */
export type FlyById = (id: string) => Promise<PlannedFly>;

/** What came of one file: the batch, or why it is none. */
export interface TakenIn {
  readonly name: string;
  readonly batch: BatchFile | null;
  readonly reasons: readonly string[];
}

/** The fly of the box that a file calls by its id, its name, or the name of its pattern file. */
function flyCalled(called: string, box: readonly ListedFly[]): ListedFly | undefined {
  const plain = called.trim().toLowerCase();
  const file = plain.replace(/^.*\//, '').replace(/\.fly\.json$/, '');
  return box.find((fly) => fly.id === called || fly.name.toLowerCase() === plain || slug(fly.name) === file);
}

interface Box {
  readonly flies: readonly ListedFly[];
  readonly flyOf: FlyById;
}

/** Rows with the flies of the box in them. @param places what each row is called where its fly is not there */
async function ofTheBox(
  rows: readonly (TableRow & Partial<BatchRow>)[],
  { flies, flyOf }: Box,
  places: (row: number) => string,
): Promise<Outcome<BatchRow[]>> {
  const found = rows.map(({ fly }) => flyCalled(fly, flies));
  const missing = rows.flatMap(({ fly }, i) =>
    found[i]
      ? []
      : [{ path: places(i), code: 'unknown-name' as const, message: `there is no fly "${fly}" in the box` }],
  );
  if (missing.length > 0) return { ok: false, faults: missing };
  const planned = await Promise.all(
    rows.map(async ({ fly: _called, revision: _was, pattern: _old, count, on = '', ...more }, i) => ({
      ...rowOf(await flyOf(found[i]?.id ?? ''), count, on),
      ...more,
    })),
  );
  return { ok: true, value: planned };
}

async function fromTable(name: string, text: string, box: Box): Promise<Outcome<BatchFile>> {
  const rows = readBatchTable(cellsOf(text));
  const planned = rows.ok ? await ofTheBox(rows.value, box, (i) => `row ${String(i + 1)}`) : rows;
  return planned.ok ? { ok: true, value: newBatch(name, '', planned.value) } : planned;
}

/** A batch file keeps the patterns it carries; a row that carries none takes its fly from the box. */
async function fromFile(text: string, box: Box): Promise<Outcome<BatchFile>> {
  const read = readDocumentText(BATCH_KIND, text);
  if (!read.ok || read.value.rows.every((_, i) => patternAt(read.value, i))) return read;
  const bare = read.value.rows.flatMap((row, i) => (patternAt(read.value, i) ? [] : [{ row, i }]));
  const planned = await ofTheBox(
    bare.map(({ row }) => row),
    box,
    (k) => `rows[${String(bare[k]?.i ?? 0)}].fly`,
  );
  if (!planned.ok) return planned;
  const rows = read.value.rows.map((row, i) => {
    const at = bare.findIndex((each) => each.i === i);
    return planned.value[at] ?? row;
  });
  return { ok: true, value: { ...read.value, rows } };
}

/** Reads batches out of files: `.batch.json`, or a CSV of rows. Nothing is kept by that. */
export async function takingIn(files: readonly File[], box: Box): Promise<TakenIn[]> {
  return Promise.all(
    files.map(async (file): Promise<TakenIn> => {
      const large = sizeFault(file.size);
      const text = large ? '' : await file.text();
      const name = file.name.replace(/\.[^.]*$/, '');
      const read = large
        ? bad(large)
        : /^\uFEFF?\s*\{/.test(text)
          ? await fromFile(text, box)
          : await fromTable(name, text, box);
      return read.ok
        ? { name: file.name, batch: read.value, reasons: [] }
        : { name: file.name, batch: null, reasons: read.faults.map(faultLine) };
    }),
  );
}
