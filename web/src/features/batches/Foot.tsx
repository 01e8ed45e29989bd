import type { BatchReport } from '@jobbet/core/batch';
import { progressOf, type BatchFile } from '@jobbet/core/records';
import type { ReactNode } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { calendarDay } from '../../shared/ui/dates.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { durationWords, moneyWords, unsettled } from '../../fly/batches/words.ts';

const WAYS = { 'one-by-one': 'one fly at a time', 'by-steps': 'step by step, six at a time' } as const;
const BASES = {
  usual: 'by the usual times',
  measured: 'by your own times',
  given: 'by the times given',
} as const;

/** What the batch comes to, in one strip. */
export function Foot({ batch, report }: { readonly batch: BatchFile; readonly report: BatchReport }) {
  const style = useStyle();
  const { by } = progressOf(batch);
  const { time, cost } = report;
  const settle = unsettled(report);
  const other = time.way === 'one-by-one' ? 'by-steps' : 'one-by-one';
  return (
    <section
      aria-label="The batch in figures"
      className="shrink-0 flex border-t border-ink min-h-[62px] overflow-x-auto"
    >
      <Cell name="in the box, drying, to come">
        {by.kept} <span aria-hidden="true">·</span> {by.drying} <span aria-hidden="true">·</span>{' '}
        {by['to-come'] + by.vise}
        {by.spoilt > 0 && <Small> {by.spoilt} spoilt</Small>}
      </Cell>
      <Cell name={`a fly, ${BASES[time.basis]}`}>{durationWords(time.perFly_min)}</Cell>
      <Cell name={WAYS[time.way]}>
        {durationWords(time.hands_min)}
        {time.basis !== 'given' && <Small> {durationWords(time.byWay_min[other])} the other way</Small>}
      </Cell>
      <Cell name={time.evenings === 0 ? 'evenings' : time.evenings === 1 ? 'evening' : 'evenings'}>
        {time.evenings === 0 ? 'none named' : time.evenings}
        {time.evenings > 0 && <Small> {durationWords(time.waiting_min)} of waiting for coats</Small>}
      </Cell>
      <Cell name="cost a fly, of all">
        {cost.known === 0 ? 'not known' : `${moneyWords(cost.perFly, style)} · ${moneyWords(cost.total, style)}`}
        {cost.known > 0 && cost.known < 0.995 && <Small> for {Math.round(100 * cost.known)} % of what is taken</Small>}
      </Cell>
      {batch.date !== undefined && <Cell name="to be ready by">{calendarDay(batch.date)}</Cell>}
      <Cell name="to settle" last>
        {settle.length === 0 ? (
          'nothing'
        ) : (
          <span className="text-warn flex items-center gap-1.5">
            <SnagFlag /> {settle.join(', ')}
          </span>
        )}
      </Cell>
    </section>
  );
}

const Small = ({ children }: { readonly children: ReactNode }) => (
  <span className="text-body font-normal text-ink2 max-[1180px]:hidden">{children}</span>
);

function Cell({
  name,
  last = false,
  children,
}: {
  readonly name: string;
  readonly last?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <div className={`px-4 py-2 ${last ? 'ml-auto border-l' : 'border-r'} border-hair whitespace-nowrap`}>
      <p className="italic text-label text-ink2">{name}</p>
      <p className="text-verdict font-bold">{children}</p>
    </div>
  );
}
