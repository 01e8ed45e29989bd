import { layFly, type LaidFly } from '@jobbet/core';
import { HOLDS, type Hold } from '@jobbet/core/run/runFly';
import { setPin, type Pin } from '@jobbet/core/run/pins';
import { nameOf, readSizes, type RunSize } from '@jobbet/core/run/sizes';
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api, type StoredFly } from '../api/client.ts';
import { OneOfBox } from '../box/OneOfBox.tsx';
import { useDrawers } from '../drawers/useDrawers.ts';
import { useSize } from '../drawing/useSize.ts';
import { FlyTabs } from '../shell/FlyTabs.tsx';
import { say } from '../shell/toast.ts';
import { ShellKeys } from '../shell/ShellKeys.tsx';
import { TopBar } from '../shell/TopBar.tsx';
import { useOffered } from '../shell/useKeys.ts';
import { GaugeCard } from './GaugeCard.tsx';
import { RunTable, type Column } from './RunTable.tsx';
import { keepRun, keptRun, usualSizes } from './usual.ts';
import { useRun } from './useRun.ts';

const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  shape: 'its shape: the size nearest in proportion',
  ride: 'how firmly it rides: the size nearest in tipping ratio',
  sink: 'how fast it sinks: the size nearest in speed',
};
/** The chart and its library come only where a run is looked at. */
const RunChart = lazy(async () => ({ default: (await import('./RunChart.tsx')).RunChart }));
const NONE: readonly RunSize[] = [];

/** One fly across sizes and platforms, drawn at one scale over a table of what it comes to on each. */
export const SizesView = ({ gauge = false }: { readonly gauge?: boolean }) => (
  <OneOfBox>{(fly, flies) => <FlyRun key={fly.id} fly={fly} flies={flies} gauge={gauge} />}</OneOfBox>
);

interface FlyRunProps {
  readonly fly: StoredFly;
  /** All flies in the box, to find those that are sizes of this one. */
  readonly flies: readonly StoredFly[];
  readonly gauge: boolean;
}

function FlyRun({ fly, flies, gauge }: FlyRunProps) {
  const navigate = useNavigate();
  const tables = useDrawers().drawers?.tables;
  const [left] = useState(() => keptRun(fly.id));
  const [text, setText] = useState(left?.sizes ?? usualSizes(fly.file));
  const [hold, setHold] = useState<Hold>(left?.hold ?? 'shape');
  const [pins, setPins] = useState<readonly Pin[]>(left?.pins ?? []);
  const field = useRef<HTMLInputElement>(null);
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const read = useMemo(() => readSizes(text), [text]);
  const [sizes, setSizes] = useState<readonly RunSize[]>(NONE);
  useEffect(() => {
    if (read.ok) keepRun(fly.id, { sizes: text, hold, pins });
  }, [read, fly.id, text, hold, pins]);
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
  const { answers, weights, done } = useRun(fly.file, sizes, hold, pins, tables);
  const own = useMemo(() => (tables ? layFly(fly.file, tables) : null), [fly.file, tables]);
  const columns = useMemo(
    () =>
      sizes.map((size): Column => {
        const answer = answers.get(size.text) ?? null;
        const laid: LaidFly | null = answer?.ok && tables ? laidOf(layFly(answer.file, tables)) : null;
        const saved = flies.find(({ file }) => file.sizeOf?.id === fly.id && file.sizeOf.size === size.text) ?? null;
        return { size, answer, laid, weights: weights.get(size.text) ?? null, saved };
      }),
    [sizes, answers, weights, tables, flies, fly.id],
  );
  /** A size becomes a fly of its own that knows whose run it is of, or is brought up to that run again. */
  const keep = (column: Column): void => {
    if (!column.answer?.ok) return;
    const sizeOf = { fly: fly.name, id: fly.id, size: column.size.text };
    const { saved } = column;
    const file = { ...column.answer.file, name: saved?.name ?? nameOf(fly.file, column.size), sizeOf };
    const before = flies.find((each) => each.id === saved?.id);
    (before ? api.save(before.id, file, before.revision, 'saved') : api.create(file))
      .then(async (made) => {
        await mutate('flies');
        say(
          before ? `${made.name} is as the run has it; its history keeps what it was.` : `${made.name} is in the box.`,
          {
            name: 'Open it',
            run: () => {
              void navigate(`/fly/${made.id}`);
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
  const [table, card] = [`/fly/${fly.id}/sizes`, `/fly/${fly.id}/sizes/gauge`];
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
            <h1 className="text-fly font-bold truncate">{fly.name}</h1>
            <span className="text-ink2 whitespace-nowrap">{fly.summary.platform}</span>
          </>
        }
      >
        <FlyTabs id={fly.id} />
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
        {own?.ok && !gauge && (
          <RunTable own={own.value} columns={columns} width={width} hold={hold} pins={pins} onPin={pin} onKeep={keep} />
        )}
        {gauge && <GaugeCard name={fly.name} columns={columns} />}
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
