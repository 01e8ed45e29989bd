import { planBatch, reportBatch } from '@jobbet/core/batch';
import { good } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import { BATCH_KIND, patternAt } from '@jobbet/core/records';
import { Flies, overRecords, recordsAsked } from './records.ts';
import type { Terminal } from './terminal.ts';

/** What a batch takes, costs and when it is tied, one object each. */
export function runBatch(args: readonly string[], terminal: Terminal): number {
  const asked = recordsAsked('batch', args, {}, terminal);
  if (!asked) return 2;
  const { drawers, folders } = asked;
  return overRecords(
    asked,
    (text, file) => {
      const batch = readDocumentText(BATCH_KIND, text);
      if (!batch.ok) return batch;
      const flies = new Flies(file, folders.flies, terminal);
      const plan = planBatch(batch.value, {
        drawers,
        flyOf: ({ fly }, i) => flies.of(fly, patternAt(batch.value, i), 'fly'),
      });
      return plan.ok ? good(reportBatch(plan.value, drawers)) : plan;
    },
    terminal,
  );
}
