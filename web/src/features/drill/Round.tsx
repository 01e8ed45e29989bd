import { pulledIn, shareOff, tallyOf } from '@jobbet/core/drill';
import type { DrillFile, DrillOf } from '@jobbet/core/records';
import { useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { isRight } from './task.ts';
import { offWords, percent } from './words.ts';

const [HIGH, MOST] = [86, 0.3] as const;
/** px that an answer takes across at most, and a letter of what was asked. */
const [WIDEST, LETTER] = [86, 6] as const;

/** What was asked, as far as it has room. */
function cutTo(px: number, asked: string): string {
  const most = Math.floor(px / LETTER);
  return asked.length > most ? `${asked.slice(0, most - 1)}…` : asked;
}

/** The round so far, each answer against what was asked. */
export function Round({ of, round }: { readonly of: DrillOf; readonly round: DrillFile | null }) {
  const frame = useRef<HTMLElement>(null);
  const { width } = useSize(frame);
  const style = useStyle();
  const pulls = of === 'length' || of === 'butts';
  const offs = round && pulls ? pulledIn([round]).map((each) => ({ off: shareOff(each), asked: each.item.asked })) : [];
  const { bias, sd } = tallyOf(offs.map(({ off }) => off));
  const step = Math.min(WIDEST, Math.max(20, (width - WIDEST) / Math.max(1, offs.length)));
  const x = (i: number): number => WIDEST / 2 + i * step;
  const y = (off: number): number => HIGH / 2 - 6 - (Math.max(-MOST, Math.min(MOST, off)) / MOST) * (HIGH / 2 - 14);
  const items = round?.items ?? [];
  return (
    <section ref={frame} aria-label="This round" className="border-t border-rule shrink-0 px-4 py-1.5 min-h-[118px]">
      <h2>
        <b>This round</b>{' '}
        <i className="text-label text-ink2" data-testid="round">
          {items.length === 0
            ? 'nothing yet; three minutes, to be left at any time'
            : `${String(items.length)} ${items.length === 1 ? 'answer' : 'answers'}${offs.length > 1 ? `; ${offWords(bias, style).toLowerCase()} in the mean, spread ${percent(sd ?? 0, style)}` : ''}`}
        </i>
      </h2>
      {offs.length > 0 && (
        <svg width={Math.max(0, width - 32)} height={HIGH} aria-hidden="true">
          <path d={`M0 ${y(0).toFixed(1)}H${String(width)}`} stroke="var(--measure)" strokeDasharray="9 3 2 3" />
          {offs.map(({ off, asked }, i) => (
            <g key={`${asked} ${String(i)}`}>
              <path d={`M${x(i).toFixed(1)} ${y(0).toFixed(1)}V${y(off).toFixed(1)}`} stroke="var(--ink2)" />
              <circle
                cx={x(i)}
                cy={y(off)}
                r={5}
                fill={i === offs.length - 1 ? 'var(--pick)' : 'var(--ink)'}
                stroke="var(--ink)"
              />
              {offs.length <= 12 && (
                <text x={x(i)} y={HIGH - 4} textAnchor="middle" className="text-label italic" fill="var(--ink2)">
                  {cutTo(step, asked)}
                </text>
              )}
            </g>
          ))}
        </svg>
      )}
      {!pulls && items.length > 0 && (
        <p className="flex flex-wrap gap-1.5 py-2" aria-hidden="true">
          {items.map((item, i) => {
            const right =
              of === 'equal' ? Math.sign(Number(item.truth)) === Math.sign(Number(item.given)) : isRight(item);
            return (
              <span
                key={`${item.asked} ${String(i)}`}
                className={`w-3.5 h-3.5 rounded-full border-2 border-ink ${right ? 'bg-ink' : 'bg-sheet'}`}
              />
            );
          })}
        </p>
      )}
    </section>
  );
}
