import type { FlyFile } from '@jobbet/core/pattern';
import type { LaidFly } from '@jobbet/core/model';
import { CAUTIONS } from '@jobbet/core/data';
import type { Drawers } from '@jobbet/core/drawers';
import type { FinderStep, Finding, Found, Wish } from '@jobbet/core/study';
import { formatMass, formatNumber, formatSpeed, type Style } from '@jobbet/core/units';
import { proxy } from 'comlink';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { FrontChart } from './FrontChart.tsx';
import { draftOf, wishOf } from './wish.ts';
import { WishSentence } from './WishSentence.tsx';
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
  const [draft, setDraft] = useState(() => draftOf(laid, style));
  const { share, finding, asked, search, stop } = useSearch(laid, drawers);
  const rows = useRef<HTMLDivElement>(null);
  const wish = wishOf(draft, style);
  useEffect(() => {
    if (asked > 0) rows.current?.querySelector('button')?.focus();
  }, [asked]);
  return (
    <section aria-label="Weight finder" className="px-4 py-2">
      <h2 className="font-semibold">
        Weight finder <span className="font-normal italic text-ink2">eyes, beads, cones and turns of wire</span>
      </h2>
      <WishSentence
        draft={draft}
        onChange={(change) => setDraft((now) => ({ ...now, ...change }))}
        onFind={wish && share === null ? () => search(wish) : null}
      >
        {share !== null && (
          <>
            <progress className="w-32 align-middle accent-[var(--measure)]" value={share} aria-label="search" />{' '}
            <button type="button" className="sheet-button" onClick={stop}>
              Stop
            </button>
          </>
        )}
      </WishSentence>
      {!wish && (
        <p role="alert" className="text-warn">
          A speed is a number, such as 12 or 120 mm/s; the slower one first.
        </p>
      )}
      {draft.lead && <p className="text-ink2">{CAUTIONS.lead}</p>}
      <p role="status" data-testid="finding">
        {finding && (share === null ? foundWords(finding, style) : 'So far, the search goes on.')}
      </p>
      {finding && finding.found.length > 0 && (
        <FoundWeights finding={finding} shown={shown} list={rows} onShow={onShow} onTake={onTake} />
      )}
    </section>
  );
}

/** A search through the weights that are to be had, in the worker. */
function useSearch(laid: LaidFly, drawers: Drawers) {
  const [share, setShare] = useState<number | null>(null);
  const [finding, setFinding] = useState<Finding | null>(null);
  /** How many searches came to an end. */
  const [asked, setAsked] = useState(0);
  useEffect(() => leaveLongWork, []);
  // What was found by then stays.
  const stop = (): void => {
    leaveLongWork();
    setShare(null);
  };
  const search = (wish: Wish): void => {
    setFinding(null);
    setShare(0);
    // Steps come by another way than the answer, and may come after it.
    let over = false;
    const onStep = ({ share: done, soFar }: FinderStep): void => {
      if (over) return;
      setShare(done);
      if (soFar) setFinding(soFar);
    };
    balanceReckoner
      .long<Finding | null>(drawers, async (balance) => balance.find(laid.file, wish, proxy(onStep)))
      .then((answer) => {
        over = true;
        setShare(null);
        if (!answer) return;
        setFinding(answer);
        setAsked((n) => n + 1);
      })
      .catch(() => {
        over = true;
        setShare(null);
      });
  };
  return { share, finding, asked, search, stop };
}

/** What came of a search in words. */
function foundWords({ met, tried, found, relax }: Finding, style: Style): string {
  const choices = formatNumber(tried, 0, style);
  if (met)
    return `Of ${choices} choices these do it, the lightest first; ◆ nothing lighter is firmer. A press shows one on the fly, another takes it.`;
  if (found.length === 0) return 'There is nothing to choose from: the drawer holds no such weight.';
  const inTheWay = relax ? ` What stands in the way is ${RELAX[relax]}.` : '';
  return `None of ${choices} choices does it all; these come nearest.${inTheWay}`;
}

interface FoundWeightsProps extends Pick<FinderProps, 'shown' | 'onShow' | 'onTake'> {
  readonly finding: Finding;
  readonly list: RefObject<HTMLDivElement | null>;
}

/** The weights found, as a list and over mass and current. */
function FoundWeights({ finding, shown, list, onShow, onTake }: FoundWeightsProps) {
  const style = useStyle();
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  return (
    <div className="grid grid-cols-[1fr_220px] gap-3 mt-1">
      <div ref={list} className="max-h-52 overflow-y-auto" role="group" aria-label="Weights found" tabIndex={-1}>
        {finding.found.map((each) => (
          <Row
            key={each.words}
            found={each}
            shown={shown === each.file}
            speed={speed}
            onShow={() => onShow(each.words, each.file)}
            onTake={onTake}
          />
        ))}
      </div>
      <FrontChart found={finding.found} shown={shown} onShow={({ words, file }) => onShow(words, file)} />
    </div>
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
