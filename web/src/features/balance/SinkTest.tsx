import type { FlyFile } from '@jobbet/core/pattern';
import { DRAG_FACTOR } from '@jobbet/core/model';
import { figureOf, formatNumber, readTyped, readTypedNumber } from '@jobbet/core/units';
import { useMemo, useState } from 'react';
import { FigureField } from '../../shared/fields/FigureField.tsx';
import type { OfFly } from '../../shared/solve/useReport.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { useDragFactor } from './useBalance.ts';

interface SinkTestProps {
  /** The fly on the bench. */
  readonly plan: OfFly;
  readonly onKeep: (file: FlyFile, words: string) => void;
}

/** A timed fall in a jar or at the bank gives one factor on the computed drag, which is kept with the fly. */
export function SinkTest({ plan, onKeep }: SinkTestProps) {
  const style = useStyle();
  const [depth, setDepth] = useState(style.length === 'in' ? '3 ft' : '1 m');
  const [seconds, setSeconds] = useState('');
  const kept = plan.file.measured?.dragFactor;
  const down = readTyped('length', depth, { above: 0 });
  const timed = readTypedNumber(seconds, { above: 0 });
  const [depthMm, took] = [figureOf(down), figureOf(timed)];
  const met = useDragFactor(
    useMemo(
      () => (took !== null && depthMm !== null ? { of: plan, depthMm, seconds: took } : null),
      [plan, depthMm, took],
    ),
  );
  const factor = met?.factor ?? null;
  const written = (value: number): string => formatNumber(value, 2, style);
  const wrong = timed.is === 'wrong' || down.is === 'wrong';
  return (
    <p className="leading-[2]" data-testid="sink-test">
      Timed soaked from rest in still water, down{' '}
      <FigureField
        label="depth of the sink test"
        value={depth}
        wrong={down.is === 'wrong'}
        wide="w-16"
        onChange={setDepth}
      />{' '}
      in{' '}
      <FigureField
        label="seconds of the sink test"
        value={seconds}
        wrong={timed.is === 'wrong'}
        empty="?"
        wide="w-14"
        onChange={setSeconds}
      />{' '}
      s{' '}
      {wrong ? (
        <span role="alert" className="text-warn">
          Write a depth such as 1 m and the seconds it took.
        </span>
      ) : took === null ? (
        kept === undefined ? (
          <span className="italic text-ink2">corrects the drag of this fly.</span>
        ) : (
          ''
        )
      ) : met === null ? (
        '…'
      ) : factor === null ? (
        <span role="alert" className="text-warn">
          that is no drag between {DRAG_FACTOR.least} and {DRAG_FACTOR.most} times the computed one; time it again,
          alone and soaked.
        </span>
      ) : (
        <>
          it meets <b>{written(factor)} ×</b> the computed drag.{' '}
          <button
            type="button"
            className="sheet-button"
            onClick={() => {
              onKeep(
                { ...plan.file, measured: { ...plan.file.measured, dragFactor: Number(factor.toFixed(3)) } },
                `Drag ${written(factor)} × as timed`,
              );
              setSeconds('');
            }}
          >
            Keep it with the fly
          </button>
        </>
      )}{' '}
      {kept !== undefined && <KeptDrag file={plan.file} factor={kept} onKeep={onKeep} />}
    </p>
  );
}

interface KeptDragProps extends Pick<SinkTestProps, 'onKeep'> {
  readonly file: FlyFile;
  readonly factor: number;
}

/** The drag as it was timed once, and the way back from it. */
function KeptDrag({ file, factor, onKeep }: KeptDragProps) {
  const style = useStyle();
  return (
    <>
      Its drag is <b>{formatNumber(factor, 2, style)} ×</b> the computed one, as it was timed.{' '}
      <button
        type="button"
        className="underline underline-offset-2"
        onClick={() => {
          const { dragFactor: _gone, ...others } = file.measured ?? {};
          const { measured: _all, ...bare } = file;
          onKeep(Object.keys(others).length > 0 ? { ...bare, measured: others } : bare, 'Drag as computed');
        }}
      >
        Let it go
      </button>
    </>
  );
}
