import { bad, good, type Fault, type Outcome } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import { inspectFlies, reportInspected } from '@jobbet/core/inspect';
import { readFly } from '@jobbet/core/pattern';
import { SPECIMEN_KIND, type SpecimenFile } from '@jobbet/core/records';
import { recordsAsked, reportTogether } from './records.ts';
import { reasonOf } from './sources.ts';
import type { Terminal } from './terminal.ts';

/** Faults of one file of several, by its name. */
const of = (file: string, faults: readonly Fault[]): readonly Fault[] =>
  faults.map((fault) => ({ ...fault, path: fault.path === '' ? file : `${file}: ${fault.path}` }));

/** Reads one file of several; what is wrong with it names it. */
function readOne<T>(file: string, read: (text: string) => Outcome<T>, terminal: Terminal): Outcome<T> {
  try {
    const made = read(terminal.read(file));
    return made.ok ? made : bad(...of(file, made.faults));
  } catch (error) {
    return bad({ path: file, code: 'unknown-name', message: reasonOf(error) });
  }
}

/** Finished flies against their pattern: what each came out as, how the hand drifts, what they teach. */
export function runInspect(args: readonly string[], terminal: Terminal): number {
  const asked = recordsAsked('inspect', args, {}, terminal);
  if (!asked) return 2;
  const { files, drawers } = asked;
  return reportTogether(
    asked,
    (): Outcome<unknown> => {
      const [fly = '', ...named] = files;
      if (named.length === 0)
        return bad({ path: '', code: 'syntax', message: 'name the pattern file, then the specimens of it' });
      const pattern = readOne(fly, readFly, terminal);
      const read = named.map((file) => readOne(file, (text) => readDocumentText(SPECIMEN_KIND, text), terminal));
      const faults = [pattern, ...read].flatMap((each) => (each.ok ? [] : each.faults));
      if (faults.length > 0 || !pattern.ok) return bad(...faults);
      const specimens = read.flatMap((each): SpecimenFile[] => (each.ok ? [each.value] : []));
      const inspected = inspectFlies(pattern.value, specimens, drawers);
      return inspected.ok ? good(reportInspected(inspected.value)) : bad(...byFile(inspected.faults, named));
    },
    terminal,
  );
}

/** Faults that name a specimen by its place among those that were given. */
const byFile = (faults: readonly Fault[], files: readonly string[]): readonly Fault[] =>
  faults.map((fault) => {
    const [, at, path] = /^(\d+)\.(.*)$/.exec(fault.path) ?? [];
    return at === undefined ? fault : { ...fault, path: `${files[Number(at)] ?? at}: ${path ?? ''}` };
  });
