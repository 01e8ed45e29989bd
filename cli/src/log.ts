import { join } from 'node:path';
import { bad, type Fault, good, type Outcome, suggestion } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import type { Drawers } from '@jobbet/core/drawers';
import {
  BY,
  type By,
  byDay,
  depthFished,
  type FishedAs,
  fishedOf,
  type LogReport,
  reportLog,
  runOn,
  traitsOf,
  within,
} from '@jobbet/core/log';
import { layFly, type LaidFly } from '@jobbet/core/model';
import { BEAT_KIND, DATE_KIND, OUTING_KIND, type OutingFile } from '@jobbet/core/records';
import { Flies, readOne, type RecordsAsked, recordsAsked, reportTogether } from './records.ts';
import type { Terminal } from './terminal.ts';

const OPTIONS = { by: BY.join('|'), versions: 'FLY', within: 'BY:GROUP' } as const;

function byOf(text: string | undefined, path: string): Outcome<By> {
  const by = BY.find((each) => each === (text ?? 'fly'));
  return by === undefined
    ? bad({
        path,
        code: 'unknown-name',
        message: `"${text ?? ''}" is nothing to count by${suggestion(text ?? '', [...BY])}: ${BY.join(', ')}`,
      })
    : good(by);
}

/** What was fished on all outings, each fly with what it is. Flies are told once, however often they were fished. */
function fishedIn(
  outings: readonly { readonly file: string; readonly outing: OutingFile }[],
  { drawers, folders }: RecordsAsked,
  by: By,
  terminal: Terminal,
): Outcome<FishedAs[]> {
  const faults: Fault[] = [];
  const all: FishedAs[] = [];
  const known = new Map<string, LaidFly | null>();
  const beats = readIn(folders.beats, BEAT_KIND.extension, (text) => readDocumentText(BEAT_KIND, text), terminal);
  const dates = readIn(folders.dates, DATE_KIND.extension, (text) => readDocumentText(DATE_KIND, text), terminal);
  outings.forEach(({ file, outing }, index) => {
    const fished = fishedOf(outing, index);
    if (!fished.ok) {
      faults.push(...fished.faults.map((fault) => ({ ...fault, path: `${file}: ${fault.path}` })));
      return;
    }
    const flies = new Flies(file, folders.flies, terminal);
    for (const each of fished.value) {
      const key = JSON.stringify([each.fly, each.rod.pattern]);
      if (!known.has(key)) known.set(key, laidFrom(flies, each, drawers));
      const laid = known.get(key) ?? null;
      const beat = beats.find(({ name }) => name.toLowerCase() === each.beat.toLowerCase());
      all.push({
        ...each,
        traits: laid && traitsOf(laid),
        run: runOn(dates, each.date),
        depthMm: laid && beat && by === 'depth' ? depthFished(laid, each, beat, drawers) : null,
      });
    }
  });
  return faults.length > 0 ? bad(...faults) : good(all);
}

/** A fly by its pattern; null where that is not to be had, or does not lay out. */
function laidFrom(flies: Flies, { fly, rod }: Pick<FishedAs, 'fly' | 'rod'>, drawers: Drawers): LaidFly | null {
  const pattern = flies.of(fly, rod.pattern, 'fly');
  const laid = pattern.ok ? layFly(pattern.value, drawers) : pattern;
  return laid.ok ? laid.value : null;
}

/** The records of a kind in a folder that read: beats, by which it is told how deep flies were fished; dates, by which runs are. */
function readIn<T>(
  folder: string | null,
  extension: string,
  read: (text: string) => Outcome<T>,
  terminal: Terminal,
): readonly T[] {
  if (folder === null) return [];
  return terminal
    .list(folder)
    .filter((file) => file.endsWith(extension))
    .flatMap((file) => {
      const one = readOne(join(folder, file), read, terminal);
      return one.ok ? [one.value] : [];
    });
}

function told(asked: RecordsAsked, terminal: Terminal): Outcome<LogReport> {
  const { files, more } = asked;
  const by = byOf(more.get('by'), 'by');
  const [inBy, inGroup] = (more.get('within') ?? '').split(/:(.*)/);
  const inside = more.has('within') ? byOf(inBy, 'within') : null;
  const read = files.map((file) => ({
    file,
    outing: readOne(file, (text) => readDocumentText(OUTING_KIND, text), terminal),
  }));
  const faults = [by, ...(inside ? [inside] : []), ...read.map(({ outing }) => outing)].flatMap((each) =>
    each.ok ? [] : each.faults,
  );
  if (!by.ok || faults.length > 0) return bad(...faults);
  const outings = read
    .flatMap(({ file, outing }) => (outing.ok ? [{ file, outing: outing.value }] : []))
    .sort((one, other) => byDay(one.outing, other.outing));
  const fished = fishedIn(outings, asked, by.value, terminal);
  if (!fished.ok) return fished;
  const some = inside?.ok === true ? within(fished.value, inside.value, inGroup ?? '') : good(fished.value);
  return some.ok ? good(reportLog(some.value, by.value, more.get('versions') ?? null)) : some;
}

/** What outings tell: takes by the hour in groups, what differs, what would tell more; the versions of a fly. */
export function runLogCommand(args: readonly string[], terminal: Terminal): number {
  const asked = recordsAsked('outing', args, OPTIONS, terminal);
  return asked ? reportTogether(asked, told(asked, terminal), terminal) : 2;
}
