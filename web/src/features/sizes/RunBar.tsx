import { HOLDS, type Hold } from '@jobbet/core/study';
import type { RefObject } from 'react';
import { NavLink } from 'react-router';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { say } from '../../shared/ui/toast.ts';
import type { RunOfFly } from './useRunAsked.ts';

const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  shape: 'its shape: the size nearest in proportion',
  ride: 'how firmly it rides: the size nearest in tipping ratio',
  sink: 'how fast it sinks: the size nearest in speed',
};

interface RunBarProps {
  readonly run: RunOfFly;
  readonly field: RefObject<HTMLInputElement | null>;
  /** Where the table and the gauge card of the run are. */
  readonly table: string;
  readonly card: string;
  /** Plans a batch of the run; null until it is worked out. */
  readonly onTie: (() => void) | null;
  /** How far it is. */
  readonly told: string;
}

/** What is run: the sizes, what the weight holds, the pins; and which way it is looked at. */
export function RunBar({ run, field, table, card, onTie, told }: RunBarProps) {
  const { text, read, hold, pins } = run;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 px-4 py-2 border-b border-hair shrink-0">
        <label className="flex items-baseline gap-2 text-ink2 flex-1 min-w-[220px]">
          sizes
          <input
            ref={field}
            className="field flex-1 min-w-0"
            aria-label="sizes of the run"
            aria-invalid={!read.ok}
            aria-describedby="run-fault"
            spellCheck={false}
            value={text}
            onChange={(event) => run.setText(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
            }}
          />
        </label>
        <span className="plain-key">/</span>
        <label className="flex items-baseline gap-2 text-ink2">
          hold
          <ChoiceField
            label="what the weight holds"
            value={hold}
            options={HOLDS.map((each) => [each, HOLD_WORDS[each]])}
            onChange={(word) => run.setHold(word as Hold)}
          />
        </label>
        <span className="plain-key">O</span>
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
        <button
          type="button"
          className="text-ink2 hover:text-ink whitespace-nowrap"
          disabled={onTie === null}
          onClick={() => onTie?.()}
        >
          tie a batch of these <span className="plain-key">T</span>
        </button>
        {pins.length > 0 && <LetGo run={run} />}
        <span className="italic text-ink3 w-20 text-right" role="status">
          {told}
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
    </>
  );
}

/** Lets all pins go, and can take that back. */
function LetGo({ run: { pins, setPins } }: Pick<RunBarProps, 'run'>) {
  return (
    <button
      type="button"
      className="underline underline-offset-2 text-ink2 hover:text-ink whitespace-nowrap"
      onClick={() => {
        setPins([]);
        say('Nothing is pinned any more.', { name: 'Undo', run: () => setPins(pins) });
      }}
    >
      let {pins.length} {pins.length === 1 ? 'pin' : 'pins'} go
    </button>
  );
}
