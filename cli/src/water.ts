import { bad, type Fault, good, type Outcome } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import { layFly, solveFly } from '@jobbet/core/model';
import { BEAT_KIND, beatAt, type BeatFile } from '@jobbet/core/records';
import { parseQuantity } from '@jobbet/core/units';
import {
  askWater,
  ended,
  hangsOn,
  readAbove,
  readAsked,
  reportWater,
  type WaterReport,
  waterWords,
} from '@jobbet/core/water';
import { readOne, type RecordsAsked, recordsAsked, reportTogether } from './records.ts';
import { readFly } from '@jobbet/core/pattern';
import type { Terminal } from './terminal.ts';

const OPTIONS = {
  beat: 'FILE',
  level: 'METRES',
  line: 'LINE',
  manner: 'MANNER',
  leader: 'LEADER',
  cast: 'LENGTH',
  angle: 'DEGREES',
  mend: 'N',
  count: 'SECONDS',
  strip: 'PULL',
  lift: 'LIFT',
  float: 'NAME',
  'float-to-fly': 'LENGTH',
  dropper: 'FILE',
  'dropper-above': 'LENGTH',
  'rod-tip': 'HEIGHT',
  want: 'DEPTH',
  seconds: 'SECONDS',
} as const;

/** Options as they are written, those that were given. */
function textsOf(more: ReadonlyMap<string, string>): Outcome<Partial<Record<keyof typeof OPTIONS, string>>> {
  const empty = Object.entries(OPTIONS).filter(([name]) => more.get(name) === '');
  return empty.length > 0
    ? bad(...empty.map(([name, needs]): Fault => ({ path: name, code: 'syntax', message: `--${name} needs ${needs}` })))
    : good(
        Object.fromEntries(Object.keys(OPTIONS).flatMap((name) => (more.has(name) ? [[name, more.get(name)]] : []))),
      );
}

/** The beat at the level that is told. */
function beatOf(file: string | undefined, level: string | undefined, terminal: Terminal) {
  if (file === undefined)
    return bad({
      path: 'beat',
      code: 'syntax',
      message: 'say how deep and how fast the water is: --beat FILE, such as mill-run.beat.json',
    });
  const beat = readOne<BeatFile>(file, (text) => readDocumentText(BEAT_KIND, text), terminal);
  if (!beat.ok) return beat;
  const read = level === undefined ? null : parseQuantity('length', level);
  if (read && !read.ok) return bad({ path: 'level', code: read.code, message: read.message });
  return beatAt(beat.value, read && read.value);
}

/** A second fly on the leader; null where none is named. */
function dropperOf(
  { dropper, 'dropper-above': above }: Partial<Record<keyof typeof OPTIONS, string>>,
  drawers: RecordsAsked['drawers'],
  terminal: Terminal,
) {
  if (dropper === undefined) return good(null);
  const pattern = readOne(dropper, readFly, terminal);
  if (!pattern.ok) return pattern;
  const [laid, aboveMm] = [layFly(pattern.value, drawers), readAbove(above)];
  if (!laid.ok) return laid;
  return aboveMm.ok ? good({ laid: laid.value, aboveMm: aboveMm.value }) : aboveMm;
}

function told(
  { files, drawers, more }: RecordsAsked,
  terminal: Terminal,
): Outcome<WaterReport & { readonly name: string }> {
  const [fly = '', another] = files;
  if (another !== undefined) return bad({ path: another, code: 'syntax', message: 'one fly at a time' });
  const texts = textsOf(more);
  if (!texts.ok) return texts;
  const pattern = readOne(fly, readFly, terminal);
  const beat = beatOf(texts.value.beat, texts.value.level, terminal);
  const asked = pattern.ok ? readAsked(texts.value, pattern.value, drawers) : pattern;
  const faults = [pattern, beat, pattern.ok ? asked : good(null)].flatMap((each) => (each.ok ? [] : each.faults));
  if (!pattern.ok || !beat.ok || !asked.ok) return bad(...faults);
  const solved = solveFly(pattern.value, drawers);
  if (!solved.ok) return solved;
  const dropper = dropperOf(texts.value, drawers, terminal);
  if (!dropper.ok) return dropper;
  const question = { ...asked.value, laid: solved.value.laid, beat: beat.value, dropper: dropper.value };
  const answer = ended(askWater(question));
  if (!answer.ok) return answer;
  const hangs = ended(hangsOn(question));
  const report = reportWater(answer.value, hangs.ok ? hangs.value : null, waterWords(answer.value, question));
  return good({ name: pattern.value.name, ...report });
}

/** What a fly does in the water it is fished in. */
export function runWaterCommand(args: readonly string[], terminal: Terminal): number {
  const asked = recordsAsked('water', args, OPTIONS, terminal);
  return asked ? reportTogether(asked, told(asked, terminal), terminal) : 2;
}
