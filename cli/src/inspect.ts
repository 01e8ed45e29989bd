import { bad, good, type Fault, type Outcome } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import { inspectFlies, reportInspected } from '@jobbet/core/inspect';
import { type FlyFile, readFly } from '@jobbet/core/pattern';
import { SPECIMEN_KIND, type SpecimenFile } from '@jobbet/core/records';
import { PHOTO_OPTIONS, type PhotoAsked, photoAsked, photoTold } from './photo.ts';
import { readOne, type RecordsAsked, recordsAsked, reportTogether } from './records.ts';
import type { Terminal } from './terminal.ts';

/** What is asked for, read: the pattern, the finished flies of it, and the photograph. */
interface Read {
  readonly file: FlyFile;
  readonly specimens: readonly SpecimenFile[];
  readonly names: readonly string[];
  readonly photo: PhotoAsked | null;
}

function readAll({ files, more }: RecordsAsked, terminal: Terminal): Outcome<Read> {
  const photo = photoAsked(more);
  if (!photo.ok) return photo;
  const [fly = '', ...names] = files;
  if (names.length === 0 && photo.value === null)
    return bad({ path: '', code: 'syntax', message: 'name the pattern file, then the specimens of it' });
  const pattern = readOne(fly, readFly, terminal);
  const read = names.map((file) => readOne(file, (text) => readDocumentText(SPECIMEN_KIND, text), terminal));
  const faults = [pattern, ...read].flatMap((each) => (each.ok ? [] : each.faults));
  if (faults.length > 0 || !pattern.ok) return bad(...faults);
  const specimens = read.flatMap((each): SpecimenFile[] => (each.ok ? [each.value] : []));
  return good({ file: pattern.value, specimens, names, photo: photo.value });
}

/** Finished flies against their pattern: what each came out as, how the hand drifts, what they teach; and what a photograph tells. */
export async function runInspect(args: readonly string[], terminal: Terminal): Promise<number> {
  const asked = recordsAsked('inspect', args, PHOTO_OPTIONS, terminal);
  if (!asked) return 2;
  const inspect = async (): Promise<Outcome<unknown>> => {
    const read = readAll(asked, terminal);
    if (!read.ok) return read;
    const { file, specimens, names, photo } = read.value;
    const inspected = inspectFlies(file, specimens, asked.drawers);
    if (!inspected.ok) return bad(...byFile(inspected.faults, names));
    const report = reportInspected(inspected.value);
    if (!photo) return good(report);
    const told = await photoTold(photo, inspected.value.plan.laid, terminal);
    return told.ok ? good({ ...report, photo: told.value }) : told;
  };
  return reportTogether(asked, await inspect(), terminal);
}

/** Faults that name a specimen by its place among those that were given. */
const byFile = (faults: readonly Fault[], files: readonly string[]): readonly Fault[] =>
  faults.map((fault) => {
    const [, at, path] = /^(\d+)\.(.*)$/.exec(fault.path) ?? [];
    return at === undefined ? fault : { ...fault, path: `${files[Number(at)] ?? at}: ${path ?? ''}` };
  });
