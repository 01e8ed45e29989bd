import { bad, good } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import { reportDrills } from '@jobbet/core/drill';
import { DRILL_KIND } from '@jobbet/core/records';
import { readOne, recordsAsked, reportTogether } from './records.ts';
import type { Terminal } from './terminal.ts';

/** How far off an eye is: bias and spread by relation, size, platform and direction, of all rounds together. */
export function runDrill(args: readonly string[], terminal: Terminal): number {
  const asked = recordsAsked('drill', args, {}, terminal);
  if (!asked) return 2;
  const read = asked.files.map((file) => readOne(file, (text) => readDocumentText(DRILL_KIND, text), terminal));
  const faults = read.flatMap((each) => (each.ok ? [] : each.faults));
  const files = read.flatMap((each) => (each.ok ? [each.value] : []));
  return reportTogether(asked, faults.length > 0 ? bad(...faults) : good(reportDrills(files)), terminal);
}
