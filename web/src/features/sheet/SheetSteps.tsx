import type { LaidFly } from '@jobbet/core/model';
import type { FigureCache } from '@jobbet/core/drawing';
import { partName, saidOnce, type Step, type Thread } from '@jobbet/core/tying';
import { useMemo } from 'react';
import { useSortable } from '@dnd-kit/react/sortable';
import type { TyingRecord } from '@jobbet/core/contract';
import { usualStepTime } from '@jobbet/core/tying';
import { OrderDrag } from '../../shared/ui/OrderDrag.tsx';
import { shiftedBy } from '../../shared/ui/order.ts';
import { StepLine, type StepLineProps } from './StepLine.tsx';

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
  step.part !== null && (step.key === step.part || [`${step.part}/catch`, `${step.part}/on`].includes(step.key))
    ? step.part
    : null;

/** The steps of a fly, each with the fly at its stage; a part's step is dragged to another place in the order. */
export function SheetSteps({ laid, steps, thread, tyings, figures, onOrder }: SheetStepsProps) {
  const ids = laid.parts.map((part) => part.file.id);
  const minded = useMemo(() => saidOnce(steps), [steps]);
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
      minded={minded[i] ?? []}
      onShift={(by) => {
        const part = brings(step);
        const shifted = part === null ? null : shiftedBy(ids, part, by);
        if (part !== null && shifted) onOrder(shifted, part);
      }}
    />
  );
  return (
    <OrderDrag ids={ids} nameOf={partName} onDrop={(drop) => onOrder(drop.ids, drop.moved)}>
      <ol>{steps.map(row)}</ol>
    </OrderDrag>
  );
}

interface RowProps extends StepLineProps {
  /** Place of its part in the order; negative where it is none that is dragged. */
  readonly index: number;
}

function StepRow({ index, ...line }: RowProps) {
  return index < 0 ? <StepLine {...line} /> : <DraggedStep index={index} {...line} />;
}

function DraggedStep({ index, ...line }: RowProps) {
  const { ref, handleRef, isDragging } = useSortable({ id: line.step.part ?? '', index });
  return <StepLine {...line} rowRef={ref} handleRef={handleRef} dragged={isDragging} />;
}
