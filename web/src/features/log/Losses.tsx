import { fishedOf, hoursWords, lossesOf } from '@jobbet/core/log';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo } from 'react';
import type { StoredOuting } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { LOST_WORDS } from './words.ts';

/** What was lost in all outings, by fly. */
export const useLosses = (outings: readonly StoredOuting[], files: Readonly<Record<string, FlyFile>>) =>
  useMemo(
    () =>
      lossesOf(
        outings.flatMap(({ record }, i) => {
          const read = fishedOf(record, i);
          return read.ok ? read.value : [];
        }),
      ).filter(({ fly }) => files[fly] !== undefined),
    [outings, files],
  );

/** What was lost, what ended it, how many are to be in the box; and a batch of them. */
export function Losses({
  losses,
  files,
  onBatch,
}: {
  readonly losses: ReturnType<typeof useLosses>;
  readonly files: Readonly<Record<string, FlyFile>>;
  readonly onBatch: () => void;
}) {
  const style = useStyle();
  if (losses.length === 0) return null;
  return (
    <section aria-label="What was lost" className="mt-3">
      <h3 className="font-bold border-b border-hair">What was lost</h3>
      <ul>
        {losses.map(({ fly, lost, hours, how, atLeast, where }) => (
          <li key={fly} className="border-b border-hair py-0.5">
            <b>{files[fly]?.name}</b> {lost} in {hoursWords(hours, style)}
            <p className="text-label text-ink2">
              {how.map(([each, times]) => `${LOST_WORDS[each]} ${String(times)}`).join(', ')}; {atLeast} in the box{' '}
              {atLeast === 1 ? 'is' : 'are'} enough nine times in ten
              {where && where.atLeast > atLeast && (
                <>
                  ; {where.atLeast} on {where.beat}
                  {where.manner !== null && `, ${where.manner}`}: {where.lost} in {where.outings}{' '}
                  {where.outings === 1 ? 'outing' : 'outings'}
                </>
              )}
            </p>
          </li>
        ))}
      </ul>
      <button type="button" className="sheet-button mt-1" onClick={onBatch}>
        Plan a batch of them <span className="plain-key">B</span>
      </button>
    </section>
  );
}
