import type { BatchFile } from './batch.ts';

/** The pattern file a row was planned with: its own, or that of an earlier row of the same fly at the same revision, so that it is carried once. */
export function patternAt({ rows }: BatchFile, index: number): Readonly<Record<string, unknown>> | undefined {
  const row = rows[index];
  return (
    row?.pattern ??
    rows
      .slice(0, index)
      .find((each) => each.pattern !== undefined && each.fly === row?.fly && each.revision === row.revision)?.pattern
  );
}
