import { bad, good, type Outcome } from '../base/index.ts';
import { checkFly, reportChecks, type Checked } from '../checks/index.ts';
import { platformWords } from '../contract/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { type LaidFly, layFly, settleFly, type SolvedFly } from '../model/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import type { BatchRow } from '../records/index.ts';
import { readSizes, runOne } from '../study/index.ts';
import { type TyingPlan, tyingPlan } from '../tying/index.ts';
import { METRIC } from '../units/index.ts';
import { type Shade, shaded, shadeWords } from './shade.ts';

/** What one row ties: a real pattern file, solved and checked like any other, beside the fly it came from. */
export interface RowFly {
  /** In words: the fly, what it is on, its shade. */
  readonly name: string;
  /** What it is tied on, in words. */
  readonly on: string;
  readonly solved: SolvedFly;
  readonly checked: Checked;
  /** How it is tied. */
  readonly tying: TyingPlan;
  /** The fly it came from, as it is. */
  readonly from: SolvedFly;
  /** What is to be known before tying: what the checks say, and what ride, sink and weight came to that they were not. */
  readonly warnings: readonly string[];
}

/** A weight or a sink that differs by less than this share is the same to a hand. */
const SAME_SHARE = 0.1;

/** What of a fly moved by its size and shade, in words. */
function movedWords(from: SolvedFly, to: SolvedFly): string[] {
  const words: string[] = [];
  const ride = (fly: SolvedFly): string => fly.balance.tight.ride.replaceAll('-', ' ');
  if (ride(from) !== ride(to)) words.push(`rides ${ride(to)}; ${from.laid.file.name} rides ${ride(from)}`);
  const [was, is] = [from.balance.sink?.terminal ?? 0, to.balance.sink?.terminal ?? 0];
  const cm = (mmS: number): string => (mmS / 10).toFixed(0);
  if (is === 0 && was > 0) words.push('floats; the fly it came from sinks');
  else if (Math.abs(is - was) > SAME_SHARE * Math.max(is, was))
    words.push(`sinks at ${cm(is)} cm/s, not ${cm(was)} cm/s`);
  return words;
}

/** What is found of one fly and not of another, notes left out. */
export const newTo = (from: Checked, to: Checked): Checked['findings'] =>
  to.findings.filter(({ code, severity }) => severity !== 'note' && !from.findings.some((each) => each.code === code));

/** Whether a shade is of other colours alone. */
const isColour = (shade: Shade | undefined): boolean =>
  Object.values(shade ?? {}).every(
    (by) => by !== null && typeof by === 'object' && Object.keys(by).every((key) => key === 'colour'),
  );

/** A fly in other colours balances as it did: nothing of it is solved anew. @returns null where something else is otherwise */
const solvedAs = (from: SolvedFly, laid: LaidFly, shade: Shade | undefined): SolvedFly | null =>
  laid === from.laid ? from : isColour(shade) && laid.dryMg === from.laid.dryMg ? { ...from, laid } : null;

/** A fly as it is, which rows tie in sizes and shades of: solved and checked once for all of them. */
export interface OwnFly {
  readonly solved: SolvedFly;
  readonly checked: Checked;
}

/** @returns the fly as it is, or its faults under `fly` */
export function ownFly(file: FlyFile, drawers: Drawers): Outcome<OwnFly> {
  const laid = layFly(file, drawers);
  if (!laid.ok)
    return bad(...laid.faults.map((fault) => ({ ...fault, path: `fly${fault.path && `: ${fault.path}`}` })));
  const solved = settleFly(laid.value);
  return good({ solved, checked: checkFly(solved, { drawers }) });
}

/**
 * The fly of a row: its shade first, then its size, so that what a size holds (ride, sink) is held with the weight the shade ties.
 * @returns the fly, or faults by their place in the row: `shade.wing.colour`, `on`
 */
export function rowFly(row: BatchRow, { solved: from, checked: before }: OwnFly, drawers: Drawers): Outcome<RowFly> {
  const laid = row.shade === undefined ? good(from.laid) : shaded(from.laid, row.shade, drawers);
  if (!laid.ok) return laid;
  let solved = row.on === undefined ? solvedAs(from, laid.value, row.shade) : null;
  const notes: string[] = [];
  if (row.on !== undefined) {
    const sizes = readSizes(row.on);
    if (!sizes.ok) return bad(...sizes.faults.map((fault) => ({ ...fault, path: 'on' })));
    const [size, another] = sizes.value;
    if (!size || another)
      return bad({
        path: 'on',
        code: 'syntax',
        message: `"${row.on}" is more than one size; give each a row of its own`,
      });
    const run = runOne(laid.value, size, row.hold ?? 'shape', drawers);
    if (!run.ok) return bad(...run.faults.map((fault) => ({ ...fault, path: 'on' })));
    solved = run.value.solved;
    notes.push(...run.value.notes.filter((note) => !note.startsWith('as ')));
  }
  solved ??= settleFly(laid.value);
  const checked = solved === from ? before : checkFly(solved, { drawers });
  const shade = row.shade === undefined ? '' : shadeWords(row.shade);
  const on = platformWords(solved.laid.file.platform);
  return good({
    name: [from.laid.file.name, on, ...(shade === '' ? [] : [shade])].join(', '),
    on,
    solved,
    checked,
    tying: tyingPlan(solved.laid, METRIC, drawers.threads),
    from,
    warnings: [
      ...reportChecks(checked)
        .filter(({ severity }) => severity === 'stop')
        .map(({ message }) => message),
      ...newTo(before, checked)
        .filter(({ severity }) => severity !== 'stop')
        .map(({ message }) => message),
      ...movedWords(from, solved),
      ...notes,
    ],
  });
}
