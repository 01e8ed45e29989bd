import { layFly } from '@jobbet/core/model';
import { DRILL_KIND, type DrillFile, type DrillItem, type DrillOf } from '@jobbet/core/records';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useFlyFiles } from '../../shared/api/listed.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { DRILL } from './commands.ts';
import { Amount } from './Amount.tsx';
import { Equal } from './Equal.tsx';
import { Eye } from './Eye.tsx';
import { useFirstFly } from './useFirstFly.ts';
import { HandsBox, LeansBox, useHandsOf } from './Lends.tsx';
import { Order } from './Order.tsx';
import { Pull } from './Pull.tsx';
import { Round } from './Round.tsx';
import { endRound, keepAnswer, momentOf, removeRound, takeBack, takeRounds, useRound, useRounds } from './rounds.ts';
import { Ride, Sink } from './Swims.tsx';
import { type Answer, type BoxFly, itemsOf, type TaskProps, TASKS } from './task.ts';

const doing = (work: Promise<unknown>): void => {
  work.catch((error: unknown) => say(error instanceof Error ? error.message : 'It did not work.'));
};

/** A round takes about so long, ms; it may be left at any time. */
const ROUND_MS = 180_000;

/** The flies of the box, laid out; undefined until they are here. */
function useBox(): readonly BoxFly[] | undefined {
  const files = useFlyFiles();
  const { drawers } = useDrawers();
  const tables = drawers?.tables;
  return useMemo(
    () =>
      files && tables
        ? Object.entries(files).flatMap(([id, file]): BoxFly[] => {
            const laid = layFly(file, tables);
            return laid.ok && laid.value.parts.length > 1 ? [{ id, name: file.name, file, laid: laid.value }] : [];
          })
        : undefined,
    [files, tables],
  );
}

/** The drill: one drawing, one question, one answer; then the truth over it. */
export function DrillView() {
  const rounds = useRounds();
  const box = useBox();
  return rounds && box ? (
    <Drilling rounds={rounds} box={box} />
  ) : (
    <div className="flex flex-col h-full">
      <HouseBar title="Drill" sub="the eye, no marks on the hook" />
      <p className="p-6 text-ink2" role="status">
        Opening
      </p>
    </div>
  );
}

/** The question that is asked: another seed, another question. */
interface Asked {
  readonly of: DrillOf;
  readonly seed: number;
  readonly since: number;
  /** The one relation that is asked; null for any. */
  readonly only: string | null;
  readonly told: Answer | null;
}
const fresh = (of: DrillOf, only: string | null = null): Asked => ({
  only,
  of,
  seed: Math.floor(Math.random() * 2 ** 31),
  since: Date.now(),
  told: null,
});

/** Which drill is on, its question, and the round it belongs to. */
function useAskedNow() {
  const { drillOf } = useSettings();
  const [asked, setAsked] = useState(() => fresh(drillOf));
  const [begun, setBegun] = useState<number | null>(null);
  const [done, setDone] = useState(false);
  const round = useRound();
  const next = (): void => {
    if (begun !== null && Date.now() - begun > ROUND_MS) setDone(true);
    setAsked(fresh(asked.of, asked.only));
  };
  const begin = (of: DrillOf, only: string | null = null): void => {
    endRound();
    setBegun(null);
    setDone(false);
    setAsked(fresh(of, only));
    setSettings({ drillOf: of });
  };
  const answer = (told: Answer, simulated = false): void => {
    if (asked.told) return;
    const item: DrillItem = { ...told, seconds: Math.round((Date.now() - asked.since) / 100) / 10 };
    keepAnswer(asked.of, item, simulated);
    setBegun((since) => since ?? asked.since);
    setAsked({ ...asked, told });
  };
  const back = (): void => {
    if (!takeBack()) return;
    say('The last answer is taken back.');
    setAsked(fresh(asked.of, asked.only));
  };
  return { asked, round, done, next, begin, answer, back, goOn: () => setDone(false) };
}

function Drilling({ rounds, box }: { readonly rounds: readonly DrillFile[]; readonly box: readonly BoxFly[] }) {
  const now = useAskedNow();
  const { asked, round } = now;
  const { of } = asked;
  const [today] = useState(() => momentOf(new Date()));
  const lent = useHandsOf({ of, rounds, box });
  const firstFly = useFirstFly();
  const input = useRef<HTMLInputElement>(null);
  const at = TASKS.findIndex((task) => task.of === of);
  const beside = (step: number): (() => void) | null => {
    const task = TASKS[at + step];
    return task ? () => now.begin(task.of) : null;
  };
  useTable('drill', DRILL, {
    fresh: () => now.begin(of),
    back: (round?.items.length ?? 0) > 0 ? now.back : null,
    before: beside(-1),
    after: beside(1),
    hands: of === 'length' ? lent.run : null,
    fly: firstFly,
    file: rounds.length > 0 ? () => saveRounds(rounds) : null,
    takeIn: () => input.current?.click(),
    remove: (round?.items.length ?? 0) > 0 ? () => doing(removeRound().then(() => now.begin(of))) : null,
    end: (round?.items.length ?? 0) > 0 ? () => now.begin(of) : null,
  });
  // What is left is ended: the next visit begins another round.
  useEffect(() => endRound, []);
  const task: TaskProps = {
    seed: asked.seed,
    rounds,
    box,
    told: asked.told,
    only: asked.only,
    onAnswer: now.answer,
    onNext: now.next,
  };
  return (
    <div className="flex flex-col h-full">
      <HouseBar
        title="Drill"
        sub="the eye, no marks on the hook"
        primary={{ words: 'New round', run: () => now.begin(of) }}
      />
      <FilesInput
        ref={input}
        label="Rounds from files"
        accept=".json"
        onTake={(list) => doing(takeRounds([...(list ?? [])]))}
      />
      <main
        className="flex flex-1 min-h-0 max-[900px]:flex-col max-[900px]:overflow-y-auto"
        data-testid="drill"
        data-of={of}
        data-told={asked.told !== null}
      >
        <Drills {...{ of, rounds }} onBegin={now.begin} onFirst={firstFly} />
        <div className="flex-1 min-w-0 min-h-[420px] flex flex-col border-x border-hair max-[900px]:border-x-0">
          <Task key={`${of} ${String(asked.seed)}`} of={of} {...task} />
          <Foot {...{ now }} />
          <Round of={of} round={round} />
        </div>
        <aside
          aria-label="What the eye does"
          className="w-[272px] shrink-0 overflow-y-auto px-4 py-2 max-[900px]:w-full max-[900px]:order-3"
        >
          <Eye {...{ of, rounds, today }} />
          {of === 'length' && <HandsBox lent={lent} />}
          {of === 'equal' && <LeansBox {...{ of, rounds, box }} />}
          {rounds.some((each) => each.simulated === true && each.of === of) && (
            <p className="text-label italic text-ink2 mt-2">Some of these rounds are made up, for show.</p>
          )}
        </aside>
      </main>
    </div>
  );
}

/** On to the next, back over the last, or how one answers. */
function Foot({ now }: { readonly now: ReturnType<typeof useAskedNow> }) {
  const { asked, round, done } = now;
  const { of } = asked;
  return (
    <p className="px-4 py-1 flex gap-4 items-center border-t border-hair min-h-[44px]">
      {asked.told ? (
        <button type="button" className="sheet-button primary" onClick={now.next}>
          Next <span className="plain-key">space</span>
        </button>
      ) : (
        <span className="text-label italic text-ink2">{HOW[of]}</span>
      )}
      {(round?.items.length ?? 0) > 0 && (
        <button type="button" className="text-ink2 hover:text-ink" onClick={now.back}>
          Take the last back <span className="plain-key">Z</span>
        </button>
      )}
      {done && (
        <span role="status" className="ml-auto">
          Three minutes are over.{' '}
          <button type="button" className="underline" onClick={() => now.begin(of)}>
            End the round
          </button>{' '}
          or go on.
        </span>
      )}
    </p>
  );
}

const HOW: Readonly<Record<DrillOf, string>> = {
  length: 'pull the tip, or the arrows (shift finer); Enter lets it go; no figure until then',
  butts: 'pull the mark, or the arrows (shift finer); Enter lets it go; no figure until then',
  equal: 'arrows answer; how much one side has more shrinks as you see it',
  order: '1, 2 or 3 answers; a wrong one says what it breaks',
  ride: '1 to 4 answers',
  sink: '1 or 2 answers',
  density: '1, 2 or 3 answers',
};

function Task({ of, ...props }: TaskProps & { readonly of: DrillOf }) {
  switch (of) {
    case 'length':
    case 'butts':
      return <PullOf of={of} {...props} />;
    case 'equal':
      return <Equal {...props} />;
    case 'order':
      return <Order {...props} />;
    case 'ride':
      return <Ride {...props} />;
    case 'sink':
      return <Sink {...props} />;
    case 'density':
      return <Amount {...props} />;
  }
}
const PullOf = Pull;

/** The drills, and the first fly. */
function Drills({
  of,
  rounds,
  onBegin,
  onFirst,
}: {
  readonly of: DrillOf;
  readonly rounds: readonly DrillFile[];
  readonly onBegin: (of: DrillOf, only?: string) => void;
  readonly onFirst: () => void;
}) {
  const { drillTrue, drillWhole, screenPxPerMm } = useSettings();
  return (
    <nav
      aria-label="Drills"
      className="w-[218px] shrink-0 overflow-y-auto max-[900px]:w-full max-[900px]:order-2 max-[900px]:border-t max-[900px]:border-rule"
    >
      <h2 className="px-4 py-2 flex justify-between items-baseline">
        <b>Drills</b>
        <span>
          <span className="plain-key">[</span> <span className="plain-key">]</span>
        </span>
      </h2>
      <ul className="max-[900px]:flex max-[900px]:flex-wrap">
        {TASKS.map((task) => (
          <li key={task.of}>
            <button
              type="button"
              aria-current={task.of === of}
              className={`relative w-full text-left px-4 py-1.5 border-t border-hair ${task.of === of ? 'bg-sunk' : 'hover:bg-sunk'}`}
              onClick={(event) => {
                onBegin(task.of);
                // Chosen by the pointer it leaves the keys to the drill.
                if (event.detail > 0) event.currentTarget.blur();
              }}
            >
              {task.of === of && <span className="absolute left-0 inset-y-0 w-[5px] bg-pick" aria-hidden="true" />}
              <span className="flex justify-between gap-2">
                <b>{task.name}</b>
                <span className="text-label text-ink2 figure">{itemsOf(rounds, task.of).length}</span>
              </span>
              <span className="block text-label italic text-ink2">{task.words}</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="px-4 py-2 border-t border-rule">
        <label className="flex gap-2 items-baseline text-label">
          <input
            type="checkbox"
            checked={drillTrue && screenPxPerMm !== null}
            disabled={screenPxPerMm === null}
            onChange={(event) => setSettings({ drillTrue: event.target.checked })}
          />
          hooks at their own size
        </label>
        {screenPxPerMm === null && (
          <p className="text-label italic text-ink2">once the screen is measured: a fly’s Sizes, its gauge card</p>
        )}
        <label className="flex gap-2 items-baseline text-label">
          <input
            type="checkbox"
            checked={drillWhole}
            onChange={(event) => {
              setSettings({ drillWhole: event.target.checked });
              onBegin('order');
            }}
          />
          order of a whole fly
        </label>
        <ForBeginners {...{ onBegin, onFirst }} />
      </div>
    </nav>
  );
}

/** The first fly, and the one length it needs. */
const ForBeginners = ({
  onBegin,
  onFirst,
}: {
  readonly onBegin: (of: DrillOf, only?: string) => void;
  readonly onFirst: () => void;
}) => (
  <>
    <h3 className="font-bold mt-3">Never tied one?</h3>
    <p className="text-label text-ink2">
      One simple fly, from the bare hook to the whip finish, each step with its why.
    </p>
    <button type="button" className="sheet-button mt-1" onClick={onFirst}>
      The first fly <span className="plain-key">F</span>
    </button>
    <button
      type="button"
      className="block mt-1 text-left text-label text-ink2 hover:text-ink underline decoration-dotted"
      onClick={() => onBegin('length', '1 shank')}
    >
      its one length by eye: a tail of one shank
    </button>
  </>
);

/** Saves all rounds, a file each way of drilling. */
function saveRounds(rounds: readonly DrillFile[]): void {
  for (const { of } of TASKS) {
    const own = rounds.filter((each) => each.of === of);
    const [first] = own;
    if (!first) continue;
    const whole: DrillFile = { ...first, items: own.flatMap(({ items }) => items).slice(0, 2000) };
    saveFile(
      `${slug(`drill ${of}`)}${DRILL_KIND.extension}`,
      `${JSON.stringify(whole, null, 2)}\n`,
      'application/json',
    );
  }
}
