import { sentence } from '@jobbet/core/base';
import { type Manner, MANNERS, type Moment } from '@jobbet/core/water';
import { useCallback, useEffect, useEffectEvent, useRef, useState } from 'react';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { useSaver } from '../../fly/frame/FlyOnBench.tsx';
import { sayUndoable } from '../../fly/undoable.ts';
import { changeOrSay, useBench, useBenchStore } from '../../fly/store.ts';
import type { StoredBeat } from '../../shared/api/client.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { say } from '../../shared/ui/toast.ts';
import { PrintedPages } from '../../shared/paper/PrintedPages.tsx';
import { Along } from './Along.tsx';
import { type Asking, useAsking } from './asking.ts';
import { useBeats } from '../../shared/records/beats.ts';
import { type Beside as Kept, setBeside, useBeside } from './beside.ts';
import { BeatDialog, NEW_BEAT } from '../../shared/records/BeatDialog.tsx';
import { WATER } from './commands.ts';
import { Figures } from './Figures.tsx';
import { Margin } from './Margin.tsx';
import { Plan } from './Plan.tsx';
import { Poses } from './Poses.tsx';
import type { Question, Shown } from './reckon.ts';
import { saveCard, saveSection, sectionOf } from './papers.ts';
import { MANNER_WORDS, Sentence } from './Sentence.tsx';
import { Through } from './Through.tsx';
import { useGauge } from '../../shared/records/useGauge.ts';
import { type Fished, useBoxHere, useFished } from './useFished.ts';

/** What the fly does in the water it is fished in. */
export function WaterView() {
  const saver = useSaver();
  const beats = useBeats();
  const id = useBench((state) => state.id);
  return (
    <BoardFrame saver={saver}>
      {beats === undefined ? (
        <p className="p-6 text-ink2" role="status">
          Opening
        </p>
      ) : (
        <Beside key={id} beats={beats} />
      )}
    </BoardFrame>
  );
}

/** The moment that is looked at: pulled, stepped by key, or played at its own pace. */
function useMoment(shown: Shown | null) {
  const [t, setT] = useState(8);
  const [playing, setPlaying] = useState(false);
  const moments = shown?.moments ?? [];
  const end = moments.at(-1)?.t ?? 0;
  const moment = moments.reduce<Moment | null>(
    (best, each) => (!best || Math.abs(each.t - t) < Math.abs(best.t - t) ? each : best),
    null,
  );
  const goTo = (to: number): void => setT(Math.min(end, Math.max(0, to)));
  const tick = useEffectEvent((seconds: number): void => {
    const next = t + seconds;
    if (next >= end) setPlaying(false);
    goTo(next);
  });
  useEffect(() => {
    if (!playing) return undefined;
    // Who wants less motion sees it second by second.
    const slow = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (slow) {
      const timer = setInterval(() => tick(1), 1000);
      return () => clearInterval(timer);
    }
    let last = performance.now();
    let frame = requestAnimationFrame(function on(now): void {
      tick((now - last) / 1000);
      last = now;
      frame = requestAnimationFrame(on);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing]);
  return {
    moment,
    end,
    goTo,
    by: (seconds: number) => () => goTo((moment?.t ?? 0) + seconds),
    play: () => {
      if (!playing && t >= end - 0.05) setT(0);
      setPlaying(!playing);
    },
  };
}

const mannerAfter = (manner: Manner): Manner => MANNERS[(MANNERS.indexOf(manner) + 1) % MANNERS.length] ?? 'swing';

/** The run that is shown, with what tells it from another. */
const besideNow = (name: string, { beat, texts }: Asking, { moments, told, asked }: Shown): Kept => ({
  words: [
    name,
    beat?.name,
    texts.line,
    MANNER_WORDS[asked.fishing.manner],
    asked.fishing.countS > 0 && `count ${texts.count ?? ''}`,
    asked.fishing.mends > 0 && `${String(asked.fishing.mends)} mends`,
  ]
    .filter((each) => typeof each === 'string')
    .join(', '),
  lowestMm: told.depth.lowestMm,
  moments,
});

/** The beat before the one that is fished, and the one after. */
function besideOf(beats: readonly StoredBeat[], asking: Asking) {
  const at = beats.findIndex((each) => each.id === asking.beat?.id);
  const to = (by: number): (() => void) | null => {
    const other = beats[at + by];
    return other ? () => asking.setBeat(other.id) : null;
  };
  return { beatBefore: to(-1), beatAfter: to(1) };
}

function Beside({ beats }: { readonly beats: readonly StoredBeat[] }) {
  const id = useBench((state) => state.id);
  const calm = useBench((state) => state.calm);
  const asking = useAsking(beats);
  const fished = useFished(asking);
  const box = useBoxHere(fished.question);
  const time = useMoment(fished.shown);
  const [editing, setEditing] = useState<'beat' | 'new' | null>(null);
  const field = useRef<HTMLDivElement>(null);
  const ways = fished.further?.ways ?? [];
  const take = (at: number): void => {
    const way = ways[at];
    if (way) asking.set(way.change, way.to);
  };
  const bench = useBenchStore();
  const { beside } = useBeside();
  const { shown, eyes } = fished;
  const takeEyes = (): void => {
    if (eyes && changeOrSay(bench, eyes.file)) sayUndoable(bench, sentence(eyes.words));
  };
  const gauge = useGauge(asking.beat?.record.gauge?.station, asking.beat?.name);
  const levels = useRef<HTMLInputElement>(null);
  const papers = usePapers(fished, time.moment);
  useTable('water', WATER, {
    write: () => field.current?.querySelector<HTMLElement>('input')?.focus(),
    back: time.by(-1),
    on: time.by(1),
    backBit: time.by(-0.2),
    onBit: time.by(0.2),
    play: time.play,
    first: () => time.goTo(0),
    last: () => time.goTo(time.end),
    ...besideOf(beats, asking),
    take: ways[0] ? () => take(0) : null,
    second: ways[1] ? () => take(1) : null,
    third: fished.eyes ? takeEyes : null,
    manner: () => asking.set('manner', mannerAfter(shown?.asked.fishing.manner ?? 'swing')),
    beside: beside || !shown ? () => setBeside(null) : () => setBeside(besideNow(calm.file.name, asking, shown)),
    box: box.ask,
    ...papers,
    levels: asking.beat?.record.gauge ? () => levels.current?.click() : null,
    beat: asking.beat ? () => setEditing('beat') : null,
    newBeat: () => setEditing('new'),
  });
  return (
    <>
      {asking.beat ? (
        <>
          <Sentence
            {...{ asking, beats, field, gauge }}
            asked={shown?.asked ?? null}
            intent={calm.file.intent ?? {}}
            onBeat={() => setEditing('beat')}
          />
          <main
            className="flex flex-1 min-h-0"
            data-testid="water"
            data-fished={fished.whole !== null}
            data-settled={fished.further !== null}
          >
            <Fishing {...{ fished, time, asking }} />
            <Margin {...{ fished, box, asking }} own={id} onTake={take} onEyes={takeEyes} onTime={time.goTo} />
          </main>
        </>
      ) : (
        <NoBeat onNew={() => setEditing('new')} />
      )}
      <FilesInput ref={levels} label="Levels of the gauge from a table" accept=".csv" onTake={gauge.takeIn} />
      {editing !== null && (
        <BeatDialog
          stored={editing === 'beat' ? asking.beat : null}
          record={editing === 'beat' && asking.beat ? asking.beat.record : NEW_BEAT}
          onMade={asking.setBeat}
          onClose={() => setEditing(null)}
        />
      )}
    </>
  );
}

/** What is saved of it: the section as a drawing, the count-down card. */
function usePapers({ question, shown, whole }: Fished, moment: Moment | null) {
  const drawers = useBench((state) => state.drawers);
  return {
    svg:
      question && shown && moment
        ? () => saveSection(question, sectionOf(question, shown, moment, whole?.words ?? []))
        : null,
    card: question
      ? () => {
          saveCard(question, drawers).catch((reason: unknown) =>
            say(reason instanceof Error ? reason.message : 'It was not saved.'),
          );
        }
      : null,
  };
}

/** The water from above, along the line and through time, and the fly as it lies in it. */
function Fishing({
  fished: { question, shown, whole, further, faults },
  time,
  asking,
}: {
  readonly fished: Fished;
  readonly time: ReturnType<typeof useMoment>;
  readonly asking: Asking;
}) {
  const calm = useBench((state) => state.calm);
  const { moment, goTo } = time;
  const hangs = further?.hangs ?? null;
  if (!shown || !moment)
    return (
      <p className="flex-1 p-6 text-ink2" role="status">
        {faults.length === 0 ? 'Fishing it' : 'It cannot be fished so.'}
      </p>
    );
  return (
    <div className="flex-1 min-w-0 grid grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,9fr)_minmax(0,8fr)_minmax(0,5fr)_auto]">
      <div className="grid grid-cols-[292px_minmax(0,1fr)] max-[1100px]:grid-cols-[220px_minmax(0,1fr)] max-[900px]:grid-cols-[150px_minmax(0,1fr)] border-b border-ink min-h-0">
        <Plan {...{ shown, moment }} pulls={asking} pulling={asking.pulling} />
        <Along {...{ shown, moment }} pulls={asking} />
      </div>
      <Through {...{ shown, whole, moment }} onTime={goTo} pulls={asking} />
      <Poses laid={calm} moments={shown.moments} moment={moment} onTime={goTo} />
      <Figures of={{ laid: calm, ...shown, range: whole ? rangeOf(whole) : null, hangs }} />
      {question && <Printed {...{ question, shown, moment }} words={whole?.words ?? NOTHING} />}
    </div>
  );
}

const NOTHING: readonly string[] = [];

/** What the browser prints: the section of the moment. */
function Printed({
  question,
  shown,
  moment,
  words,
}: {
  readonly question: Question;
  readonly shown: Shown;
  readonly moment: Moment;
  readonly words: readonly string[];
}) {
  const make = useCallback(() => [sectionOf(question, shown, moment, words)], [question, shown, moment, words]);
  return <PrintedPages make={make} />;
}

const rangeOf = ({
  slowerMm,
  fasterMm,
  told,
}: {
  readonly slowerMm: readonly number[];
  readonly fasterMm: readonly number[];
  readonly told: Shown['told'];
}): readonly [number, number] => {
  const deepest = [Math.max(...slowerMm), Math.max(...fasterMm), told.depth.lowestMm];
  return [Math.min(...deepest), Math.max(...deepest)];
};

const NoBeat = ({ onNew }: { readonly onNew: () => void }) => (
  <main className="flex-1 grid place-content-center gap-3 text-center p-6" data-testid="water">
    <p className="text-sentence font-bold">No water is told yet.</p>
    <p className="text-ink2 max-w-[46ch]">
      Say how deep it is and how fast it runs: how deep this fly fishes in it, how it hangs on the way, what goes wrong.
    </p>
    <p>
      <button type="button" className="sheet-button primary" onClick={onNew}>
        A beat <span className="plain-key">N</span>
      </button>
    </p>
  </main>
);
