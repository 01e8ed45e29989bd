import type { Fault } from '@jobbet/core/base';
import { HOLDS, pinFault, type Pin } from '@jobbet/core/study';
import { lazy, Suspense, useRef } from 'react';
import { useNavigate } from 'react-router';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { useSaver } from '../../fly/frame/FlyOnBench.tsx';
import { useBench } from '../../fly/store.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { SIZES } from './commands.ts';
import { GaugeCard } from './GaugeCard.tsx';
import { RunBar } from './RunBar.tsx';
import { RunTable } from './RunTable.tsx';
import { useColumns } from './useColumns.ts';
import { useKeepSize } from './useKeepSize.ts';
import { useTieBatch } from './useTieBatch.ts';
import { useRunAsked } from './useRunAsked.ts';

/** The chart and its library come only where a run is looked at. */
const RunChart = lazy(async () => ({ default: (await import('./RunChart.tsx')).RunChart }));

/** One fly across sizes and platforms, drawn at one scale over a table of what it comes to on each. */
export function SizesView({ gauge = false }: { readonly gauge?: boolean }) {
  const navigate = useNavigate();
  const saver = useSaver();
  const id = useBench((state) => state.id);
  const own = useBench((state) => state.calm);
  const { file } = own;
  const run = useRunAsked(id, file);
  const { columns, done, reckoned } = useColumns(run);
  const drawers = useBench((state) => state.drawers);
  /** What does not stand on a size is told where it was written, and not pinned. */
  const pin = (one: Pin): Fault | null => {
    const { answer } = columns.find(({ size }) => size.text === one.size) ?? {};
    const fault = pinFault(answer?.ok ? answer.file : file, one, drawers);
    if (!fault) run.pin(one);
    return fault;
  };
  const keep = useKeepSize();
  const tie = useTieBatch(
    id,
    useBench((state) => state.revision),
    file,
  );
  const field = useRef<HTMLInputElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const [table, card] = [`/fly/${id}/sizes`, `/fly/${id}/sizes/gauge`];
  useTable('sizes', SIZES, {
    write: () => field.current?.focus(),
    hold: () => run.setHold(HOLDS[(HOLDS.indexOf(run.hold) + 1) % HOLDS.length] ?? 'shape'),
    card: gauge ? null : () => void navigate(card),
    table: gauge ? () => void navigate(table) : null,
    tie: done ? () => tie(run, columns) : null,
  });
  return (
    <BoardFrame saver={saver}>
      <RunBar
        run={run}
        field={field}
        table={table}
        card={card}
        onTie={done ? () => tie(run, columns) : null}
        told={done ? '' : `${String(reckoned)} of ${String(columns.length)}`}
      />
      <main ref={frame} tabIndex={0} className="flex-1 min-h-0 overflow-auto" data-done={done}>
        {gauge ? (
          <GaugeCard name={file.name} columns={columns} />
        ) : (
          <RunTable
            own={own}
            columns={columns}
            width={width}
            hold={run.hold}
            pins={run.pins}
            onPin={pin}
            onKeep={(column) => keep(column, file, id)}
          />
        )}
        {done && !gauge && columns.length > 1 && (
          <Suspense>
            <RunChart columns={columns} />
          </Suspense>
        )}
      </main>
    </BoardFrame>
  );
}

/** The same run as a gauge card. */
export const GaugeView = () => <SizesView gauge />;
