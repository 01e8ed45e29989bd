import { FigureCache } from '@jobbet/core/figure/cache';
import type { TyingSheet } from '@jobbet/core/sheet/sheet';
import { measureLine } from '@jobbet/core/sheet/write';
import type { Step } from '@jobbet/core/tying/step';
import { formatLength, formatNumber } from '@jobbet/core/units/format';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useBench } from '../bench/store.ts';
import { useSize } from '../drawing/useSize.ts';
import { useStyle } from '../settings/settings.ts';
import { useOffered } from '../shell/useKeys.ts';
import { SnagFlag } from '../ui/SnagFlag.tsx';
import type { ViseMachine } from './machine.ts';
import { counted, differing, isHeaded, spoken, stepAt, stepBack, stepOn, withTime } from './progress.ts';
import { clock, keepTying, newTying, openTying, tyingsOf, usualTime, type TyingRecord } from './record.ts';
import { StageDrawing } from './StageDrawing.tsx';

const TICK_MS = 1000;

/** A tying that goes on: its time runs, each change is kept at once, a reload takes it up where it was. */
function useTying(fly: string, sheet: TyingSheet, machine: ViseMachine) {
  const first = sheet.steps[0]?.key ?? '';
  const [tying, setTying] = useState<TyingRecord>(
    () => openTying(fly, sheet.id) ?? newTying(fly, sheet.id, first, machine.now()),
  );
  const [now, setNow] = useState(machine.now);
  const since = useRef(now);
  const newest = useRef(tying);
  const take = (change: (tying: TyingRecord, now: number) => TyingRecord): void => {
    const at = machine.now();
    const timed = newest.current.done === null ? withTime(newest.current, at - since.current) : newest.current;
    since.current = at;
    newest.current = change(timed, at);
    keepTying(newest.current);
    setTying(newest.current);
    setNow(at);
  };
  const tick = useRef(take);
  useEffect(() => {
    tick.current = take;
  });
  useEffect(() => {
    const timer = setInterval(() => {
      tick.current((same) => same);
    }, TICK_MS);
    return () => {
      clearInterval(timer);
    };
  }, []);
  useEffect(() => {
    let letGo: (() => void) | null = null;
    let left = false;
    machine
      .keepLit?.()
      .then((release) => {
        if (left) release();
        else letGo = release;
      })
      .catch(() => undefined);
    return () => {
      left = true;
      letGo?.();
      machine.hush();
    };
  }, [machine]);
  return { tying, now, take };
}

interface AtTheViseProps {
  readonly sheet: TyingSheet;
  readonly machine: ViseMachine;
}

/** One step at a time, to be read from a metre away with both hands busy. */
export function AtTheVise({ sheet, machine }: AtTheViseProps) {
  const navigate = useNavigate();
  const style = useStyle();
  const id = useBench((state) => state.id);
  const laid = useBench((state) => state.calm);
  const { tying, now, take } = useTying(id, sheet, machine);
  const [far, setFar] = useState(false);
  const [aloud, setAloud] = useState(false);
  const [noting, setNoting] = useState(false);
  const [figures] = useState(() => new FigureCache());
  const frame = useRef<HTMLDivElement>(null);
  const stage = useRef<HTMLElement>(null);
  const { width, height } = useSize(frame);
  const at = stepAt(sheet.steps, tying);
  const step = sheet.steps[at];
  const next = sheet.steps[at + 1];
  const { steps } = sheet;
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
    if (finished) take((_old, at) => newTying(id, sheet.id, steps[0]?.key ?? '', at));
    else take((old, at) => stepOn(old, steps, at));
  };
  const back = (): void => {
    take((old) => stepBack(old, steps));
  };
  const out = (): void => {
    void navigate(`/fly/${id}/sheet`);
  };
  const count = (): void => {
    take(counted);
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
  const { measure } = step;
  const shown = measure && formatLength(measure.mm, style);
  const spent = Object.values(tying.spent).reduce((sum, ms) => sum + ms, 0);
  const usual = usualTime(id);
  const drying = tyingsOf(id).flatMap((each) =>
    Object.entries(each.drying)
      .filter(([, ready]) => ready > now)
      .map(([key, ready]) => ({ key, ready })),
  );
  const nth = tyingsOf(id).filter((each) => each.done !== null).length + (finished ? 0 : 1);
  const turns = tying.counts[step.key] ?? 0;
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
          this fly {clock(spent)}
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
        <section
          className="flex-1 min-h-0 flex flex-col px-8 pt-3"
          aria-live="polite"
          data-testid="vise-step"
          data-step={step.key}
        >
          <div className="flex gap-9 items-center min-h-[150px]">
            {shown && (
              <strong className="vise-measure tabular-nums" data-testid="vise-measure">
                {shown.figure}
              </strong>
            )}
            <div className="min-w-0">
              <p className="text-[42px] font-semibold leading-tight">{step.title}</p>
              {measure && shown && (
                <p className="text-[34px] leading-tight">
                  {shown.unit} {measure.words}
                </p>
              )}
              {measure?.relation && <p className="text-[38px] italic text-measure leading-tight">{measure.relation}</p>}
            </div>
          </div>
          <p className="text-[25px] leading-snug mt-2">{step.how.join(' ')}</p>
          <div ref={frame} className="relative flex-1 min-h-0 overflow-hidden" onClick={on} data-testid="vise-stage">
            {width > 0 && (
              <StageDrawing
                laid={laid}
                drawn={step.drawn}
                headed={isHeaded(step)}
                width={width}
                height={height}
                lit={step.part}
                far={far}
                figures={figures}
              />
            )}
          </div>
          <div className="flex gap-8 items-end text-[21px] leading-snug pb-1 min-h-[64px]">
            <div className="flex-1 min-w-0">
              {step.inHand.length > 0 && <p className="text-ink2">In hand</p>}
              {step.inHand.map((each) => (
                <p key={each}>{each}</p>
              ))}
              {step.cutMm !== null && (
                <p className="font-semibold">{Object.values(formatLength(step.cutMm, style)).join(' ')} long</p>
              )}
            </div>
            <div className="flex-1 min-w-0 text-right">
              {far && <p className="text-ink2">From the far side</p>}
              {[
                ...(step.tool === null ? [] : [step.tool]),
                ...(step.face === null ? [] : [step.face]),
                ...step.look,
              ].map((each) => (
                <p key={each}>{each}</p>
              ))}
              {(step.turns !== null || turns > 0) && (
                <p data-testid="vise-turns">
                  <b className="text-[34px]">{turns}</b>
                  {step.turns !== null && ` of ${formatNumber(step.turns, 0, style)}`}{' '}
                  {turns === 1 && step.turns === null ? 'turn' : 'turns'}
                </p>
              )}
            </div>
          </div>
          <Warned step={step} />
        </section>
      )}
      {noting && !finished && (
        <DiffersField
          value={tying.differs[step.key] ?? ''}
          onTake={(words) => {
            take((old) => differing(old, words));
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

/** What goes wrong here, and what may hurt. */
function Warned({ step }: { readonly step: Step }) {
  const words = [step.wrong, step.caution].filter((each) => each !== null);
  return words.length === 0 ? null : (
    <p className="-mx-8 px-8 py-2 text-[22px] bg-warnwash leading-snug">
      <SnagFlag /> {words.join(' ')}
    </p>
  );
}

interface ViseKeyProps {
  readonly name: string;
  readonly pressed?: boolean;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

function ViseKey({ name, pressed, onPress, children }: ViseKeyProps) {
  return (
    <button
      type="button"
      className="flex items-center gap-2 text-ink2"
      aria-pressed={pressed}
      onClick={(event) => {
        // The keyboard stays with the page, so that the next blank goes on.
        event.currentTarget.blur();
        onPress();
      }}
    >
      <span className="border-2 border-ink rounded-[3px] px-3 py-1 text-ink font-semibold min-w-[44px]">
        {children}
      </span>
      {name}
    </button>
  );
}

/** How this step came out otherwise than planned, in words. */
function DiffersField({ value, onTake }: { readonly value: string; readonly onTake: (words: string) => void }) {
  const [words, setWords] = useState(value);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  return (
    <p className="px-8 py-2 border-t border-hair text-[22px] shrink-0">
      <label>
        Differs from the plan:{' '}
        <input
          ref={field}
          className="field w-[60%]"
          maxLength={300}
          placeholder="a shorter tail, another colour"
          value={words}
          onChange={(event) => {
            setWords(event.target.value);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') onTake(words);
            if (event.key === 'Escape') onTake(value);
            event.stopPropagation();
          }}
          onBlur={() => {
            onTake(words);
          }}
        />
      </label>
    </p>
  );
}
