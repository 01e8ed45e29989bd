import { layFly, type LaidFly } from '@jobbet/core/model';
import { type ListedFly, platformWords } from '@jobbet/core/contract';
import { HOLDS, type Hold, setPin, type Pin, nameOf, readSizes, type RunSize } from '@jobbet/core/study';
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { useSettings } from '../../shared/settings/settings.ts';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { useBench } from '../../fly/store.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { useFlies } from '../../shared/api/listed.ts';
import { FlyTabs } from '../../fly/frame/FlyTabs.tsx';
import { say } from '../../shared/ui/toast.ts';
import { ShellKeys } from '../../shared/ui/ShellKeys.tsx';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { GaugeCard } from './GaugeCard.tsx';
import { RunTable, type Column } from './RunTable.tsx';
import { usualSizes } from '@jobbet/core/study';
import { keepRun, keptRun } from './runsKept.ts';
import { useRun } from './useRun.ts';

const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  shape: 'its shape: the size nearest in proportion',
  ride: 'how firmly it rides: the size nearest in tipping ratio',
  sink: 'how fast it sinks: the size nearest in speed',
};
/** The chart and its library come only where a run is looked at. */
const RunChart = lazy(async () => ({ default: (await import('./RunChart.tsx')).RunChart }));
const NONE: readonly RunSize[] = [];
const NO_FLIES: readonly ListedFly[] = [];

/** One fly across sizes and platforms, drawn at one scale over a table of what it comes to on each. */
export function SizesView({ gauge = false }: { readonly gauge?: boolean }) {
  const navigate = useNavigate();
  const id = useBench((state) => state.id);
  const own = useBench((state) => state.calm);
  const tables = useBench((state) => state.drawers);
  const { file } = own;
  const { looks } = useSettings();
  /** All flies in the box, to find those that are sizes of this one. */
  const flies = useFlies().flies ?? NO_FLIES;
  const [left] = useState(() => keptRun(id));
  const [text, setText] = useState(left?.sizes ?? usualSizes(file));
  const [hold, setHold] = useState<Hold>(left?.hold ?? 'shape');
  const [pins, setPins] = useState<readonly Pin[]>(left?.pins ?? []);
  const field = useRef<HTMLInputElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const read = useMemo(() => readSizes(text), [text]);
  const [sizes, setSizes] = useState<readonly RunSize[]>(NONE);
  useEffect(() => {
    if (read.ok) keepRun(id, { sizes: text, hold, pins });
  }, [read, id, text, hold, pins]);
  useEffect(() => {
    if (!read.ok) return;
    // A size typed letter by letter is run when the hand rests.
    const timer = setTimeout(() => {
      setSizes(read.value);
    }, 150);
    return () => {
      clearTimeout(timer);
    };
  }, [read]);
  const { answers, weights, done } = useRun(file, sizes, hold, pins, tables, looks);
  const columns = useMemo(
    () =>
      sizes.map((size): Column => {
        const answer = answers.get(size.text) ?? null;
        const laid: LaidFly | null = answer?.ok ? laidOf(layFly(answer.file, tables)) : null;
        const saved = flies.find(({ listed }) => listed?.sizeOf?.id === id && listed.sizeOf.size === size.text) ?? null;
        return { size, answer, laid, weights: weights.get(size.text) ?? null, saved };
      }),
    [sizes, answers, weights, tables, flies, id],
  );
  /** A size becomes a fly of its own that knows whose run it is of, or is brought up to that run again. */
  const keep = (column: Column): void => {
    if (!column.answer?.ok) return;
    const sizeOf = { fly: file.name, id, size: column.size.text };
    const { saved } = column;
    const made = { ...column.answer.file, name: saved?.name ?? nameOf(file, column.size), sizeOf };
    const before = flies.find((each) => each.id === saved?.id);
    (before ? api.save(before.id, made, before.revision, 'saved') : api.create(made))
      .then(async (stored) => {
        await mutate('flies');
        say(
          before
            ? `${stored.name} is as the run has it; its history keeps what it was.`
            : `${stored.name} is in the box.`,
          {
            name: 'Open it',
            run: () => {
              void navigate(`/fly/${stored.id}`);
            },
          },
        );
      })
      .catch((reason: unknown) => {
        say(reason instanceof Error ? reason.message : 'It was not saved.');
      });
  };
  const pin = (one: Pin): void => {
    setPins((now) => setPin(now, one));
  };
  const [table, card] = [`/fly/${id}/sizes`, `/fly/${id}/sizes/gauge`];
  const nextHold = (): void => {
    setHold(HOLDS[(HOLDS.indexOf(hold) + 1) % HOLDS.length] ?? 'shape');
  };
  useOffered('sizes', [
    { name: 'Write the sizes', group: 'Sizes', keys: '/', run: () => field.current?.focus() },
    { name: 'Hold something else', group: 'Sizes', keys: 'h', run: nextHold },
    {
      name: gauge ? 'The table of the run' : 'The gauge card of the run',
      group: 'Sizes',
      keys: 'g',
      run: () => {
        void navigate(gauge ? table : card);
      },
    },
  ]);
  return (
    <div className="flex flex-col h-full min-w-[1000px]">
      <TopBar
        title={
          <>
            <h1 className="text-fly font-bold truncate">{file.name}</h1>
            <span className="text-ink2 whitespace-nowrap">{platformWords(file.platform)}</span>
          </>
        }
      >
        <FlyTabs id={id} />
        <ShellKeys />
      </TopBar>
      <div className="flex items-baseline gap-3 px-4 py-2 border-b border-hair shrink-0">
        <label className="flex items-baseline gap-2 text-ink2 flex-1 min-w-0">
          sizes
          <input
            ref={field}
            className="field flex-1 min-w-0"
            aria-label="sizes of the run"
            aria-invalid={!read.ok}
            aria-describedby="run-fault"
            spellCheck={false}
            value={text}
            onChange={(event) => {
              setText(event.target.value);
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
            }}
          />
        </label>
        <span className="plain-key">/</span>
        <label className="flex items-baseline gap-2 text-ink2">
          hold
          <select
            className="field"
            aria-label="what the weight holds"
            value={hold}
            onChange={(event) => {
              setHold(event.target.value as Hold);
            }}
          >
            {HOLDS.map((each) => (
              <option key={each} value={each}>
                {HOLD_WORDS[each]}
              </option>
            ))}
          </select>
        </label>
        <span className="plain-key">H</span>
        <nav aria-label="Views of the run" className="flex gap-3 items-baseline">
          {[
            { to: table, name: 'table' },
            { to: card, name: 'gauge card' },
          ].map(({ to, name }) => (
            <NavLink
              key={to}
              to={to}
              end
              className={({ isActive }) => (isActive ? 'font-bold border-b-2 border-ink' : 'text-ink2 hover:text-ink')}
            >
              {name}
            </NavLink>
          ))}
          <span className="plain-key">G</span>
        </nav>
        {pins.length > 0 && (
          <button
            type="button"
            className="underline underline-offset-2 text-ink2 hover:text-ink whitespace-nowrap"
            onClick={() => {
              const were = pins;
              setPins([]);
              say('Nothing is pinned any more.', {
                name: 'Undo',
                run: () => {
                  setPins(were);
                },
              });
            }}
          >
            let {pins.length} {pins.length === 1 ? 'pin' : 'pins'} go
          </button>
        )}
        <span className="italic text-ink3 w-20 text-right" role="status">
          {done ? '' : `${String(answers.size)} of ${String(sizes.length)}`}
        </span>
      </div>
      <p
        id="run-fault"
        role={read.ok ? undefined : 'alert'}
        className={read.ok ? 'sr-only' : 'px-4 py-1 text-warn bg-warnwash'}
      >
        {read.ok
          ? 'Hook sizes and other platforms, parted by commas.'
          : `${read.faults[0]?.path ?? ''}: ${read.faults[0]?.message ?? ''}. Write sizes such as 4, 6, double:6, tube:28mm, shank:30mm.`}
      </p>
      <main ref={frame} tabIndex={0} className="flex-1 min-h-0 overflow-auto" data-done={done}>
        {!gauge && (
          <RunTable own={own} columns={columns} width={width} hold={hold} pins={pins} onPin={pin} onKeep={keep} />
        )}
        {gauge && <GaugeCard name={file.name} columns={columns} />}
        {done && !gauge && columns.length > 1 && (
          <Suspense>
            <RunChart columns={columns} />
          </Suspense>
        )}
      </main>
    </div>
  );
}

const laidOf = (read: ReturnType<typeof layFly>): LaidFly | null => (read.ok ? read.value : null);

/** The same run as a gauge card. */
export const GaugeView = () => <SizesView gauge />;
