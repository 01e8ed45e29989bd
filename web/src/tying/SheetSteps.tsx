import type { LaidFly } from '@jobbet/core';
import type { FigureCache } from '@jobbet/core/figure/cache';
import { asides, measureLine } from '@jobbet/core/sheet/write';
import type { Step } from '@jobbet/core/tying/step';
import type { Thread } from '@jobbet/core/tying/threadOf';
import { formatNumber } from '@jobbet/core/units/format';
import { saying } from '@jobbet/core/units/saying';
import { move } from '@dnd-kit/helpers';
import { DragDropProvider } from '@dnd-kit/react';
import { useSortable } from '@dnd-kit/react/sortable';
import { useStyle } from '../settings/settings.ts';
import { clock, usualStepTime, type TyingRecord } from './record.ts';
import { StageDrawing } from './StageDrawing.tsx';

const STAGE = { width: 190, height: 66 };

interface SheetStepsProps {
  readonly laid: LaidFly;
  readonly steps: readonly Step[];
  readonly thread: Thread;
  readonly tyings: readonly TyingRecord[];
  readonly figures: FigureCache;
  /** The parts in another order. @param moved the one that was dragged */
  readonly onOrder: (ids: readonly string[], moved: string) => void;
}

/** The step with which a part comes onto the fly: that one is dragged. */
const brings = (step: Step): string | null =>
  step.part !== null && (step.key === step.part || step.key === `${step.part}/catch`) ? step.part : null;

/** The steps of a fly, each with the fly at its stage; a part's step is dragged to another place in the order. */
export function SheetSteps({ laid, steps, thread, tyings, figures, onOrder }: SheetStepsProps) {
  const ids = laid.parts.map((part) => part.file.id);
  const row = (step: Step, i: number) => (
    <StepRow
      key={step.key}
      laid={laid}
      step={step}
      number={i + 1}
      index={ids.indexOf(brings(step) ?? '')}
      thread={thread}
      usualMs={usualStepTime(tyings, step.key)}
      figures={figures}
      onShift={(by) => {
        const part = brings(step);
        const to = ids.indexOf(part ?? '') + by;
        if (part === null || to < 0 || to >= ids.length) return;
        const others = ids.filter((id) => id !== part);
        onOrder([...others.slice(0, to), part, ...others.slice(to)], part);
      }}
    />
  );
  return (
    <DragDropProvider
      onDragEnd={(event) => {
        if (event.canceled) return;
        const moved = String(event.operation.source?.id ?? '');
        const order = move(ids, event);
        if (order.join() !== ids.join()) onOrder(order, moved);
      }}
    >
      <ol>{steps.map(row)}</ol>
    </DragDropProvider>
  );
}

interface RowProps {
  readonly laid: LaidFly;
  readonly step: Step;
  readonly number: number;
  /** Place of its part in the order; negative where it is none that is dragged. */
  readonly index: number;
  readonly thread: Thread;
  readonly usualMs: number | null;
  readonly figures: FigureCache;
  /** Its part so many places later in the order. */
  readonly onShift: (by: number) => void;
}

function StepRow(props: RowProps) {
  return props.index < 0 ? <StepLine {...props} /> : <DraggedStep {...props} />;
}

function DraggedStep(props: RowProps) {
  const { ref, handleRef, isDragging } = useSortable({ id: props.step.part ?? '', index: props.index });
  return <StepLine {...props} rowRef={ref} handleRef={handleRef} dragged={isDragging} />;
}

interface LineProps extends RowProps {
  readonly rowRef?: (element: Element | null) => void;
  readonly handleRef?: (element: Element | null) => void;
  readonly dragged?: boolean;
}

function StepLine({
  laid,
  step,
  number,
  thread,
  usualMs,
  figures,
  onShift,
  rowRef,
  handleRef,
  dragged = false,
}: LineProps) {
  const style = useStyle();
  const { length } = saying(style);
  const { shankMm } = laid.platform;
  const minor = [
    ...(step.turns !== null && step.pitchMm !== null && step.direction !== null
      ? [`${formatNumber(step.turns, 0, style)} turns, ${length(step.pitchMm)} a turn.`]
      : []),
    ...(step.buttAdvice === null ? [] : [`The butts would lie even run to ${step.buttAdvice}.`]),
    ...asides(step),
  ];
  const station = (mm: number): string => formatNumber((10 * mm) / shankMm, 1, style);
  const kgf = (grams: number): string => formatNumber(grams / 1000, 2, style);
  const facts = [
    ...(step.thread
      ? [
          `thread ${step.thread.state}`,
          Math.abs(step.thread.toMm - step.thread.fromMm) < 0.3
            ? `at station ${station(step.thread.toMm)}, ${length(step.thread.toMm)}`
            : `from ${station(step.thread.fromMm)} to ${station(step.thread.toMm)}, ${length(step.thread.toMm)}`,
        ]
      : []),
    ...(step.asksG === null ? [] : [`pull to ${kgf(step.asksG)} of ${kgf(thread.breaksG)} kgf`]),
    ...(step.end === null ? [] : [step.end === 'final' ? 'as it stays' : step.end]),
    ...(usualMs === null ? [] : [`usually ${clock(usualMs)}`]),
  ];
  return (
    <li
      ref={rowRef}
      className={`flex gap-4 border-t border-hair py-1.5 break-inside-avoid bg-sheet ${dragged ? 'opacity-60' : ''}`}
      data-step={step.key}
    >
      {handleRef ? (
        <button
          ref={handleRef}
          type="button"
          className="w-6 text-right text-row font-bold self-start cursor-grab touch-none"
          title="Drag it, or press [ or ], to tie it in earlier or later"
          onKeyDown={(event) => {
            if (event.key !== '[' && event.key !== ']') return;
            event.stopPropagation();
            onShift(event.key === '[' ? -1 : 1);
          }}
          aria-label={`Reorder ${step.part ?? ''}`}
        >
          {number}
        </button>
      ) : (
        <b className="w-6 text-right text-row">{number}</b>
      )}
      <StageDrawing laid={laid} step={step} figures={figures} {...STAGE} />
      <div className="flex-1 min-w-0 leading-snug">
        <b className="text-row font-semibold">{step.title}</b>{' '}
        <span className="italic text-measure">{measureLine(step, style)}</span>
        <p>{step.how.join(' ')}</p>
        <p className="text-ink2">{minor.join(' ')}</p>
      </div>
      <p className="w-44 text-right italic text-ink2 leading-snug">
        {facts.map((each) => (
          <span key={each} className="block">
            {each}
          </span>
        ))}
      </p>
    </li>
  );
}
