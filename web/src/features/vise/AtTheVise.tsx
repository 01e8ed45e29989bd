import { measureLine } from '@jobbet/core/tying';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useBench } from '../../fly/store.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import type { ViseMachine } from './machine.ts';
import { withTurn, withDifference, spoken, stepAt, stepBack, stepOn, threadAt } from '@jobbet/core/tying';
import type { TyingRecord } from '@jobbet/core/contract';
import { clock, isFinished, newTying, tyingTime, usualTime } from '@jobbet/core/tying';
import type { SheetOfFly } from '../../fly/tyings/useSheet.ts';
import { useLit, useTying } from './useTying.ts';
import { DiffersField, ViseKey } from './ViseKeys.tsx';
import { ViseStep } from './ViseStep.tsx';

interface AtTheViseProps extends SheetOfFly {
  readonly machine: ViseMachine;
  /** How this fly was tied so far. */
  readonly before: readonly TyingRecord[];
  /** Keeps a tying; now, or before long. */
  readonly onKeep: (tying: TyingRecord, now: boolean) => void;
}

/** One step at a time, to be read from a metre away with both hands busy. */
export function AtTheVise({ sheet, laid, machine, before, onKeep }: AtTheViseProps) {
  const navigate = useNavigate();
  const style = useStyle();
  const id = useBench((state) => state.id);
  const { steps } = sheet;
  const first = steps[0]?.key ?? '';
  const { tying, all, now, take } = useTying({ fly: id, sheet: sheet.id, first, machine, before, onKeep });
  useLit(machine);
  const [far, setFar] = useState(false);
  const [aloud, setAloud] = useState(false);
  const [noting, setNoting] = useState(false);
  const stage = useRef<HTMLElement>(null);
  const at = stepAt(sheet.steps, tying);
  const step = sheet.steps[at];
  const next = sheet.steps[at + 1];
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
    if (finished) take((_old, at) => newTying(id, sheet.id, first, at));
    else take((old, at) => stepOn(old, steps, at));
  };
  const back = (): void => {
    take((old) => stepBack(old, steps));
  };
  const out = (): void => {
    void navigate(`/fly/${id}/sheet`);
  };
  const count = (): void => {
    take(withTurn);
  };
  const command = (name: string, keys: string, run: () => void) => ({ name, group: 'At the vise', keys, run });
  useOffered('vise', [
    command('Done, the next step', 'space or right or pagedown', on),
    command('The step before', 'left or pageup', back),
    command('Count a turn', 'c', count),
    command('The far side', 'f', () => {
      setFar((is) => !is);
    }),
    command('What differs from the plan', 'w', () => {
      setNoting(true);
    }),
    ...(machine.speak
      ? [
          command('Speak the steps', 's', () => {
            setAloud((is) => !is);
          }),
        ]
      : []),
    command('Out', 'escape', out),
  ]);
  if (!step) return null;
  const spent = tyingTime(tying);
  const usual = usualTime(all);
  const drying = all.flatMap((each) =>
    Object.entries(each.drying)
      .filter(([, ready]) => ready > now)
      .map(([key, ready]) => ({ key, ready })),
  );
  const nth = all.filter((each) => isFinished(each) && each.begun !== tying.begun).length + 1;
  return (
    <main
      ref={stage}
      tabIndex={-1}
      className="vise flex flex-col h-full min-w-[1000px] outline-none"
      aria-label="At the vise"
    >
      <header className="flex items-center gap-6 px-8 h-[62px] bg-ink text-sheet shrink-0">
        <h1 className="text-[25px] font-semibold truncate">{sheet.name}</h1>
        <span className="text-[19px] opacity-80 whitespace-nowrap">fly {nth}</span>
        <ol className="flex-1 flex items-center justify-center gap-2" aria-label="Steps">
          {steps.map((each, i) => (
            <li
              key={each.key}
              aria-current={i === at && !finished ? 'step' : undefined}
              title={each.title}
              className={`grid place-items-center rounded-full ${i === at && !finished ? 'w-9 h-9 bg-pick text-on-pick text-[19px] font-bold' : `w-3 h-3 border-2 border-sheet ${i < at || finished ? 'bg-sheet' : ''}`}`}
            >
              {i === at && !finished ? i + 1 : <span className="sr-only">{each.title}</span>}
            </li>
          ))}
        </ol>
        <span className="text-[19px] whitespace-nowrap" data-testid="vise-clock">
          {!finished && <>step {clock(tying.spent[step.key] ?? 0)}, </>}this fly {clock(spent)}
          {usual !== null && <span className="opacity-80">, usually {clock(usual)}</span>}
        </span>
      </header>
      {finished ? (
        <section className="flex-1 grid place-content-center text-center gap-4" data-testid="vise-done">
          <p className="text-[46px] font-bold">Done in {clock(spent)}</p>
          <p className="text-[25px] text-ink2">
            {Object.keys(tying.differs).length === 0
              ? 'As it was planned.'
              : `Differs: ${Object.entries(tying.differs)
                  .map(([key, words]) => `${key}: ${words}`)
                  .join('; ')}.`}
          </p>
        </section>
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
      <footer className="flex items-center gap-5 px-8 h-[66px] border-t border-hair shrink-0 text-[20px]">
        <p className="flex-1 min-w-0 truncate">
          {finished ? (
            'Space begins the next one.'
          ) : next ? (
            <>
              <span className="text-ink2">Next</span> <b>{next.title}</b>
            </>
          ) : (
            'Then it is done.'
          )}
          {drying.map(({ key, ready }) => (
            <span key={`${key}${String(ready)}`} className="ml-5 text-air" data-testid="drying">
              {key.replace('/', ' ')} dry in {clock(ready - now)}
            </span>
          ))}
        </p>
        {!finished && (
          <ViseKey
            name="differs"
            onPress={() => {
              setNoting(true);
            }}
          >
            W
          </ViseKey>
        )}
        <ViseKey name="back" onPress={back}>
          ←
        </ViseKey>
        <ViseKey name={finished ? 'next fly' : 'done'} onPress={on}>
          space
        </ViseKey>
        {!finished && (
          <>
            <ViseKey name="turn" onPress={count}>
              C
            </ViseKey>
            <ViseKey
              name="flip"
              pressed={far}
              onPress={() => {
                setFar((is) => !is);
              }}
            >
              F
            </ViseKey>
          </>
        )}
        {machine.speak && (
          <ViseKey
            name="aloud"
            pressed={aloud}
            onPress={() => {
              setAloud((is) => !is);
            }}
          >
            S
          </ViseKey>
        )}
        <ViseKey name="out" onPress={out}>
          Esc
        </ViseKey>
      </footer>
    </main>
  );
}
