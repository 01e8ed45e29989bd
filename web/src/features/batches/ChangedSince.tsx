import { diffFlies, differenceWords } from '@jobbet/core/edit';
import { readFlyValue } from '@jobbet/core/pattern';
import { type BatchFile, patternAt } from '@jobbet/core/records';
import { useState } from 'react';
import { useFlies } from '../../shared/api/listed.ts';
import { doing, type Change } from '../../fly/batches/kept.ts';
import { plannedFly, type PlannedFly } from '../../fly/batches/planning.ts';

interface ChangedSinceProps {
  readonly batch: BatchFile;
  /** The row, from 1. */
  readonly at: number;
  readonly onChange: Change;
}

/** Rows of one fly at one revision, planned with the fly as it is now. */
function withFlyNow(batch: BatchFile, at: number, { id, revision, file }: PlannedFly): BatchFile {
  const old = batch.rows[at - 1];
  let carried = false;
  return {
    ...batch,
    rows: batch.rows.map((row) => {
      if (row.fly !== old?.fly || row.revision !== old.revision) return row;
      const { pattern: _pattern, ...rest } = row;
      const first = !carried;
      carried = true;
      return { ...rest, fly: id, revision, ...(first ? { pattern: { ...file } } : {}) };
    }),
  };
}

/** A fly that was changed or put in the trash after it was planned: the row keeps what it was planned with, and says what is otherwise now. */
export function ChangedSince({ batch, at, onChange }: ChangedSinceProps) {
  const { flies } = useFlies();
  const [now, setNow] = useState<{ readonly fly: PlannedFly; readonly words: readonly string[] } | null>(null);
  const row = batch.rows[at - 1];
  // Only rows that were planned in the box know which fly of it they are of.
  if (!row || typeof row.revision !== 'number' || !flies) return null;
  const listed = flies.find(({ id }) => id === row.fly);
  if (!listed) return <p className="text-label text-warn">No longer in the box; tied as it was planned.</p>;
  if (listed.revision === row.revision) return null;
  const look = async (): Promise<void> => {
    const fly = await plannedFly(row.fly);
    const planned = readFlyValue(patternAt(batch, at - 1) ?? null);
    const words = planned.ok
      ? diffFlies(planned.value, fly.file).map(differenceWords)
      : ['what was planned does not read'];
    setNow({ fly, words: words.length === 0 ? ['nothing that is tied'] : words });
  };
  return (
    <p className="text-label text-ink2">
      {now === null ? (
        <button type="button" className="underline text-left" onClick={() => doing(look())}>
          Changed since it was planned: what?
        </button>
      ) : (
        <>
          Otherwise now: {now.words.join('; ')}.{' '}
          <button
            type="button"
            className="underline"
            onClick={() => {
              onChange(`${now.fly.file.name} as it is now`, (file) => withFlyNow(file, at, now.fly));
              setNow(null);
            }}
          >
            Plan it so
          </button>
        </>
      )}
    </p>
  );
}
