import type { FlyFile } from '@jobbet/core/pattern';
import type { LaidFly } from '@jobbet/core/model';
import { CAUTIONS } from '@jobbet/core/data';
import type { Drawers } from '@jobbet/core/drawers';
import type { Finding, Found, Wish } from '@jobbet/core/study';
import { figureOf, formatMass, formatNumber, formatSpeed, readTyped, type Typed } from '@jobbet/core/units';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { FrontChart } from './FrontChart.tsx';
import { balanceReckoner } from './useBalance.ts';
import { leaveLongWork } from '../../shared/solve/solver.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';

interface FinderProps {
  readonly laid: LaidFly;
  readonly drawers: Drawers;
  /** The file that is shown on the drawing. */
  readonly shown: FlyFile | null;
  readonly onShow: (words: string, file: FlyFile) => void;
  readonly onTake: () => void;
}

const RELAX = { ride: 'the way up it rides', holds: 'the current it holds to', sink: 'how fast it sinks' } as const;

/** What is wished of the fly, and the weights that do it. */
export function Finder({ laid, drawers, shown, onShow, onTake }: FinderProps) {
  const style = useStyle();
  const { intent } = laid.file;
  const [ride, setRide] = useState<string>(intent?.ride ?? (laid.platform.pointUp ? 'point-down' : 'point-up'));
  const [holds, setHolds] = useState(intent?.current ?? '');
  const [low, setLow] = useState('');
  const [high, setHigh] = useState('');
  const [lead, setLead] = useState(false);
  const [from, setFrom] = useState<Wish['from']>('sold');
  const [share, setShare] = useState<number | null>(null);
  const [finding, setFinding] = useState<Finding | null>(null);
  const [asked, setAsked] = useState(0);
  const rows = useRef<HTMLDivElement>(null);
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  /** A speed as typed, in the tier's unit where none is written. */
  const typed = (text: string): Typed => readTyped('speed', text, { bare: style.speed, least: 0 });
  const speeds = [holds, low, high].map(typed);
  const [holdsMmS, lowMmS, highMmS] = speeds.map(figureOf);
  const wrong = speeds.some((each) => each.is === 'wrong') || (lowMmS ?? 0) > (highMmS ?? Infinity);
  useEffect(() => leaveLongWork, []);
  const find = (): void => {
    if (wrong) return;
    const wish: Wish = {
      ride: ride === 'point-up' || ride === 'point-down' ? ride : null,
      holdsMmS: holdsMmS ?? null,
      sinkMmS: lowMmS == null && highMmS == null ? null : [lowMmS ?? 0, highMmS ?? 100_000],
      lead,
      from,
    };
    setFinding(null);
    setShare(0);
    balanceReckoner
      .long<Finding | null>(drawers, async (balance) => balance.find(laid.file, wish, proxy(setShare)))
      .then((answer) => {
        setShare(null);
        if (!answer) return;
        setFinding(answer);
        setAsked((n) => n + 1);
      })
      .catch(() => {
        setShare(null);
      });
  };
  useEffect(() => {
    if (asked > 0) rows.current?.querySelector('button')?.focus();
  }, [asked]);
  const field = (label: string, value: string, set: (text: string) => void, empty: string) => (
    <input
      className="field w-20"
      aria-label={label}
      aria-invalid={typed(value).is === 'wrong'}
      placeholder={empty}
      value={value}
      onChange={(event) => {
        set(event.target.value);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') find();
      }}
    />
  );
  return (
    <section aria-label="Weight finder" className="px-4 py-2">
      <h2 className="font-semibold">
        Weight finder <span className="font-normal italic text-ink2">eyes, beads, cones and turns of wire</span>
      </h2>
      <p className="leading-[2]">
        Rides{' '}
        <ChoiceField
          label="wished ride"
          value={ride}
          options={['point-up', 'point-down']}
          empty="either way"
          onChange={setRide}
        />
        , holds to at least {field('wished current', holds, setHolds, 'any')}, sinks from{' '}
        {field('sinks from', low, setLow, 'any')} to {field('sinks to', high, setHigh, 'any')} {style.speed},{' '}
        <ChoiceField
          label="lead"
          value={lead ? 'lead' : ''}
          options={[['lead', 'lead too']]}
          empty="no lead"
          onChange={(word) => {
            setLead(word === 'lead');
          }}
        />{' '}
        from{' '}
        <ChoiceField
          label="weights from"
          value={from}
          options={[
            ['sold', 'all that are sold'],
            ['drawer', 'the drawer'],
          ]}
          onChange={(word) => {
            setFrom(word === 'drawer' ? 'drawer' : 'sold');
          }}
        />
        .{' '}
        <button type="button" className="sheet-button primary" onClick={find} disabled={share !== null || wrong}>
          Find
        </button>{' '}
        {share !== null && (
          <>
            <progress className="w-32 align-middle accent-[var(--measure)]" value={share} aria-label="search" />{' '}
            <button
              type="button"
              className="sheet-button"
              onClick={() => {
                leaveLongWork();
                setShare(null);
              }}
            >
              Stop
            </button>
          </>
        )}
      </p>
      {wrong && (
        <p role="alert" className="text-warn">
          A speed is a number, such as 12 or 120 mm/s; the slower one first.
        </p>
      )}
      {lead && <p className="text-ink2">{CAUTIONS.lead}</p>}
      <p role="status" data-testid="finding">
        {finding &&
          (finding.met
            ? `Of ${formatNumber(finding.tried, 0, style)} choices these do it, the lightest first; ◆ nothing lighter is firmer. A press shows one on the fly, another takes it.`
            : finding.found.length === 0
              ? 'There is nothing to choose from: the drawer holds no such weight.'
              : `None of ${formatNumber(finding.tried, 0, style)} choices does it all; these come nearest.${finding.relax ? ` What stands in the way is ${RELAX[finding.relax]}.` : ''}`)}
      </p>
      {finding && finding.found.length > 0 && (
        <div className="grid grid-cols-[1fr_220px] gap-3 mt-1">
          <div ref={rows} className="max-h-52 overflow-y-auto" role="group" aria-label="Weights found" tabIndex={-1}>
            {finding.found.map((each) => (
              <Row
                key={each.words}
                found={each}
                shown={shown === each.file}
                speed={speed}
                onShow={() => {
                  onShow(each.words, each.file);
                }}
                onTake={onTake}
              />
            ))}
          </div>
          <FrontChart
            found={finding.found}
            shown={shown}
            onShow={({ words, file }) => {
              onShow(words, file);
            }}
          />
        </div>
      )}
    </section>
  );
}

interface RowProps {
  readonly found: Found;
  readonly shown: boolean;
  readonly speed: (mmS: number) => string;
  readonly onShow: () => void;
  readonly onTake: () => void;
}

/** One choice of weights: a press shows it on the fly, another takes it. */
function Row({ found, shown, speed, onShow, onTake }: RowProps) {
  const style = useStyle();
  const { words, misses } = found;
  const off = (name: keyof typeof misses): string => (misses[name] === undefined ? '' : 'text-warn');
  return (
    <button
      type="button"
      data-selected={shown}
      aria-pressed={shown}
      className={`flex w-full gap-3 items-baseline text-left border-t border-hair px-1 py-0.5 ${shown ? 'bg-pick text-on-pick' : 'hover:bg-sunk'}`}
      onClick={shown ? onTake : onShow}
      onKeyDown={(event) => {
        const next = { ArrowDown: 'nextElementSibling', ArrowUp: 'previousElementSibling' }[event.key];
        if (next === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        const other = event.currentTarget[next as 'nextElementSibling' | 'previousElementSibling'];
        if (other instanceof HTMLElement) other.focus();
      }}
    >
      <span className="flex-1 min-w-0 leading-tight">{words}</span>
      <span className="w-16 text-right">{Object.values(formatMass(found.dryMg, style)).join(' ')}</span>
      {misses.ride !== undefined && <span className={shown ? '' : off('ride')}>{rideWords(found.ride)}</span>}
      <span className={`w-20 ${shown ? '' : off('holds')}`}>
        holds {found.holdsToMmS === null ? 'any' : speed(found.holdsToMmS)}
      </span>
      <span className={`w-20 ${shown ? '' : off('sink')}`}>sinks {speed(found.sinkMmS)}</span>
      <span className="w-3" title={found.front ? 'Nothing lighter is firmer.' : undefined}>
        {found.front && (
          <>
            <span aria-hidden="true">◆</span>
            <span className="sr-only">nothing lighter is firmer</span>
          </>
        )}
      </span>
    </button>
  );
}
