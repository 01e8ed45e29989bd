import type { z } from 'zod';
import { BATCH_KIND } from './batch.ts';
import { keptOf, progressOf, type Progress } from './progress.ts';

/** Every kind of record there is. A new one is a schema, an entry here, and a summary. */
export const KIND_OF = { batch: BATCH_KIND } as const;
export type RecordKind = keyof typeof KIND_OF;
export type RecordOf<K extends RecordKind> = z.infer<(typeof KIND_OF)[K]['schema']>;
export const RECORD_KINDS = Object.keys(KIND_OF) as [RecordKind, ...RecordKind[]];

/** What a list shows of a record: how far it is, and how many of which fly it put in the box. */
export interface RecordSummary extends Progress {
  readonly kept: Readonly<Record<string, number>>;
}
export const summaryOf = <K extends RecordKind>(_kind: K, record: RecordOf<K>): RecordSummary => ({
  ...progressOf(record),
  kept: keptOf(record),
});
