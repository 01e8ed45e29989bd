import type { LaidFly } from '@jobbet/core/model';
import type { FigureCache } from '@jobbet/core/drawing';
import { atPlace, measureLine, placeWords, type Step, type Thread } from '@jobbet/core/tying';
import { formatNumber, saying } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { clock } from '@jobbet/core/tying';
import { TechniqueKeys } from '../../fly/tyings/TechniqueKeys.tsx';
import { StageDrawing } from '../../shared/drawing/StageDrawing.tsx';

const STAGE = { width: 190, height: 66 };

export interface StepLineProps {
  readonly laid: LaidFly;
  readonly step: Step;
  readonly number: number;
  readonly thread: Thread;
  readonly usualMs: number | null;
  readonly figures: FigureCache;
  /** What is to be minded in it that no earlier step has said. */
  readonly minded: readonly string[];
  /** Its part so many places later in the order. */
  readonly onShift: (by: number) => void;

  readonly rowRef?: (element: Element | null) => void;
  readonly handleRef?: (element: Element | null) => void;
  readonly dragged?: boolean;
}

/** One step with the fly at its stage, where the thread is and what is asked of it. */
export function StepLine({
  laid,
  step,
  number,
  thread,
  usualMs,
  figures,
  minded,
  onShift,
  rowRef,
  handleRef,
  dragged = false,
}: StepLineProps) {
  const style = useStyle();
  const { length } = saying(style);
  const minor = [
    ...(step.turns !== null && step.pitchMm !== null && step.direction !== null
      ? [`${formatNumber(step.turns, 0, style)} turns, ${length(step.pitchMm)} a turn.`]
      : []),
    ...(step.buttAdvice === null ? [] : [`The butts would lie even run to ${step.buttAdvice}.`]),
    ...minded,
  ];
  const place = placeWords(laid, style, step.part ?? '');
  const pull = (grams: number): string => formatNumber(Math.round(grams / 10) * 10, 0, style);
  const facts = [
    ...(step.thread
      ? [
          `thread ${step.thread.state}`,
          Math.abs(step.thread.toMm - step.thread.fromMm) < 0.3
            ? atPlace(place(step.thread.toMm))
            : `to ${place(step.thread.toMm)}`,
        ]
      : []),
    ...(step.buttMm === null ? [] : [`butts to ${place(step.buttMm)}`]),
    ...(step.asksG === null ? [] : [`pull to ${pull(step.asksG)} of ${pull(thread.breaksG)} g`]),
    ...(step.end === null ? [] : [step.end === 'final' ? 'as it stays' : step.end]),
    ...(usualMs === null ? [] : [`usually ${clock(usualMs)}`]),
  ];
  return (
    <li
      ref={rowRef}
      className={`flex gap-4 max-[1000px]:flex-wrap border-t border-hair py-1.5 break-inside-avoid bg-sheet ${dragged ? 'opacity-60' : ''}`}
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
      <StageDrawing laid={laid} step={step} figures={figures} fit="part" {...STAGE} />
      <div className="flex-1 min-w-0 leading-snug max-[1000px]:order-last max-[1000px]:basis-full max-[1000px]:pl-10 max-[480px]:pl-0">
        <b className="text-row font-semibold">{step.title}</b>{' '}
        <span className="italic text-measure">{measureLine(step, style)}</span>
        <p>{step.how.join(' ')}</p>
        <TechniqueKeys step={step} laid={laid} className="print:hidden" />
        <p className="text-ink2">{minor.join(' ')}</p>
      </div>
      <p className="w-44 max-[1000px]:w-auto max-[1000px]:flex-1 text-right italic text-ink2 leading-snug">
        {facts.map((each) => (
          <span key={each} className="block">
            {each}
          </span>
        ))}
      </p>
    </li>
  );
}
