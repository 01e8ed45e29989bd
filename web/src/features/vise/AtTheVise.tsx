import {
  measureLine,
  newTying,
  spoken,
  stepAt,
  stepBack,
  stepOn,
  threadAt,
  withDifference,
  withTurn,
} from '@jobbet/core/tying';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { SheetOfFly } from '../../fly/tyings/useSheet.ts';
import type { Runs } from '../../shared/commands/commands.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { VISE } from './commands.ts';
import { BatchLine, type BatchAtVise } from './BatchLine.tsx';
import type { AtVise } from './useAtVise.ts';
import { useTying } from './useTying.ts';
import { ViseDone } from './ViseDone.tsx';
import { ViseFoot } from './ViseFoot.tsx';
import { ViseHead } from './ViseHead.tsx';
import { DiffersField } from './ViseKeys.tsx';
import { ViseStep } from './ViseStep.tsx';

interface AtTheViseProps extends SheetOfFly {
  readonly atVise: AtVise;
  /** The fly its tyings are kept with. */
  readonly fly: string;
  /** Where one comes out. */
  readonly out: string;
  /** The batch it is tied in; null for a fly by itself. */
  readonly batch?: BatchAtVise | null;
}

/** One step at a time, to be read from a metre away with both hands busy. */
export function AtTheVise({ sheet, laid, atVise, fly: id, out, batch = null }: AtTheViseProps) {
  const navigate = useNavigate();
  const style = useStyle();
  const { steps } = sheet;
  const first = steps[0]?.key ?? '';
  const { machine, aloud, setAloud } = atVise;
  const { tying, all, now, take } = useTying({ fly: id, sheet: sheet.id, first, of: batch?.of, ...atVise });
  const [far, setFar] = useState(false);
  const [noting, setNoting] = useState(false);
  const stage = useRef<HTMLElement>(null);
  const at = stepAt(steps, tying);
  const step = steps[at];
  const finished = tying.done !== null;
  useEffect(() => {
    stage.current?.focus();
  }, []);
  useEffect(() => {
    if (aloud && step && !finished) machine.speak?.(spoken(step, measureLine(step, style)));
  }, [aloud, step, finished, machine, style]);
  const on = (): void => {
    setNoting(false);
    setFar(false);
    if (!finished) take((old, time) => stepOn(old, steps, time));
  };
  const runs: Runs<typeof VISE> = {
    on,
    back: () => take((old) => stepBack(old, steps)),
    count: () => take(withTurn),
    flip: () => setFar((is) => !is),
    differs: () => setNoting(true),
    aloud: machine.speak && (() => setAloud((is) => !is)),
    again: finished ? (batch?.next ?? (() => take((_old, time) => newTying(id, sheet.id, first, time)))) : null,
    spoilt: batch?.spoilt ?? null,
    out: () => void navigate(out),
  };
  useTable('vise', VISE, runs);
  if (!step) return null;
  return (
    <main ref={stage} tabIndex={-1} className="vise flex flex-col h-full outline-none" aria-label="At the vise">
      <title>{`${sheet.name} at the vise · Jobbet`}</title>
      <ViseHead sheet={sheet} tying={tying} all={all} at={at} />
      {batch && <BatchLine {...batch} ready={finished ? [] : batch.prep(step)} />}
      {finished ? (
        <ViseDone tying={tying} laid={laid} next={batch?.nextWords ?? null} />
      ) : (
        <ViseStep
          laid={laid}
          step={step}
          threadMm={threadAt(steps, at)}
          turns={tying.counts[step.key] ?? 0}
          far={far}
          onTap={on}
        />
      )}
      {noting && !finished && (
        <DiffersField
          value={tying.differs[step.key] ?? ''}
          onTake={(words) => {
            take((old) => withDifference(old, words));
            setNoting(false);
            stage.current?.focus();
          }}
        />
      )}
      <ViseFoot
        tying={tying}
        all={all}
        now={now}
        step={step}
        next={finished ? null : (batch?.following ?? steps[at + 1]?.title ?? null)}
        runs={runs}
        far={far}
        aloud={aloud}
      />
    </main>
  );
}
