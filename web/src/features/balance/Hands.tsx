import { tippingsOf, type LaidFly } from '@jobbet/core/model';
import type { Drawers } from '@jobbet/core/drawers';
import {
  SOLVED,
  type CareOf,
  type Reckoned,
  type ScatterStep,
  type Solved,
  quantile,
  spreadsOf,
} from '@jobbet/core/study';
import { partName } from '@jobbet/core/tying';
import { formatAngle, formatMass, formatNumber, formatSpeed, type Style } from '@jobbet/core/units';
import { proxy } from 'comlink';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { setSettings, useSettings, useStyle } from '../../shared/settings/settings.ts';
import { leaveLongWork } from '../../shared/solve/solver.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import { keepSpreads, type OwnSpreads, useSpreads, useTier, useTiers } from '../../fly/hands/useSpreads.ts';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { careWords, type Off } from './handWords.ts';
import { SpreadTable } from './SpreadTable.tsx';
import { SpreadChart } from './SpreadChart.tsx';
import { balanceReckoner } from './useBalance.ts';

interface HandsProps {
  readonly fly: string;
  readonly laid: LaidFly;
  readonly drawers: Drawers;
  readonly off: Off;
  readonly onOff: (off: Off) => void;
}

interface Outcome {
  readonly of: LaidFly;
  readonly reckoned: Reckoned | null;
  readonly solved: Solved | null;
}

/** How a fly comes out of a tier's own hands: of ten thousand tied, how many ride as meant, and what to mind. */
export function Hands(props: HandsProps) {
  const own = useSpreads(props.fly);
  const tier = useTier();
  return own && <OwnHands {...props} key={tier} own={own(tier)} onKeep={(how) => keepSpreads(props.fly, tier, how)} />;
}

interface OwnHandsProps extends HandsProps {
  readonly own: OwnSpreads;
  readonly onKeep: (how: (own: OwnSpreads) => OwnSpreads) => void;
}

function OwnHands({ laid, drawers, off, onOff, own, onKeep }: OwnHandsProps) {
  const [editing, setEditing] = useState(false);
  const spreads = useMemo(() => spreadsOf(laid, own), [laid, own]);
  const { outcome, share, tie, stop } = useScatter(laid, drawers, own);
  const stale = outcome !== null && outcome.of !== laid;
  return (
    <section aria-label="Your hands" className="px-4 py-2">
      <h2 className="font-semibold flex gap-3 items-baseline">
        <Whose />{' '}
        <span className="font-normal italic text-ink2">ten thousand of this fly, each a little off the plan</span>
        <span className="ml-auto flex gap-3 font-normal items-baseline">
          {share !== null ? (
            <>
              <progress className="w-32 align-middle accent-[var(--measure)]" value={share} aria-label="flies tied" />
              <button type="button" className="sheet-button" onClick={stop}>
                Stop
              </button>
            </>
          ) : (
            <button type="button" className={`sheet-button ${stale ? 'primary' : ''}`} onClick={tie}>
              {stale ? 'Tie them again, the fly has changed' : 'Tie others'}
            </button>
          )}
          <button
            type="button"
            className="underline underline-offset-2"
            aria-expanded={editing}
            onClick={() => setEditing((is) => !is)}
          >
            {editing ? 'What to mind' : 'How far off, and try it'}
          </button>
        </span>
      </h2>
      {editing ? (
        <SpreadTable
          spreads={spreads}
          off={off}
          onOff={onOff}
          onSigma={(key, sigma) => onKeep((now) => ({ ...now, [key]: sigma }))}
          onUsual={() => onKeep(() => ({}))}
        />
      ) : (
        outcome?.reckoned && <Told laid={outcome.of} reckoned={outcome.reckoned} solved={outcome.solved} />
      )}
    </section>
  );
}

/** Whose hands they are, where several share the box. */
function Whose() {
  const tiers = useTiers();
  const tier = useSettings((now) => now.tier);
  if (tiers.length === 0) return <>Your hands</>;
  return (
    <ChoiceField
      label="whose hands"
      value={tier}
      empty="Your hands"
      options={tiers.map((name) => [name, `Hands of ${name}`] as const)}
      onChange={(name) => setSettings({ tier: name })}
    />
  );
}

/** Ties the flies in the worker when first asked and whenever the spreads change. */
function useScatter(laid: LaidFly, drawers: Drawers, own: Readonly<Record<string, number>>) {
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [share, setShare] = useState<number | null>(0);
  const [asked, setAsked] = useState({ laid, seed: 1 });
  useEffect(() => {
    const { laid: of, seed } = asked;
    let live = true;
    /** Steps come by another way than the answer, and may come after it. */
    let over = false;
    const step = (told: ScatterStep): void => {
      if (!live) return;
      if ('reckoned' in told) setOutcome({ of, reckoned: told.reckoned, solved: null });
      else if (!over) setShare(told.share);
    };
    balanceReckoner
      .long<Solved | null>(drawers, async (balance) => balance.scatter(of.file, own, seed, proxy(step)))
      .then((solved) => {
        if (!live) return;
        over = true;
        setShare(null);
        if (solved) setOutcome((now) => now && { ...now, solved });
      })
      .catch(() => {
        over = true;
        if (live) setShare(null);
      });
    return () => {
      live = false;
      leaveLongWork();
    };
  }, [asked, drawers, own]);
  const tie = useCallback(() => {
    setShare(0);
    setAsked((now) => ({ laid, seed: now.seed + 1 }));
  }, [laid]);
  return { outcome, share, tie, stop: leaveLongWork };
}

const percent = (share: number, style: Style): string => {
  const figure = 100 * share;
  const exact = (figure > 99 && figure < 100) || (figure >= 0.05 && figure < 1) ? 1 : 0;
  return `${formatNumber(figure, exact, style)} %`;
};

/** Fewer misses than this many flies are chance. */
const TELLS = 0.005;
const SHOWN_CARES = 6;

interface ToldProps {
  readonly laid: LaidFly;
  readonly reckoned: Reckoned;
  readonly solved: Solved | null;
}

function Told({ laid, reckoned, solved }: ToldProps) {
  const style = useStyle();
  const { meant, asMeant, rides, cares } = reckoned;
  const others = (Object.keys(rides) as (keyof typeof rides)[])
    .filter((ride) => ride !== meant && rides[ride] > 0)
    .sort((a, b) => rides[b] - rides[a]);
  const [first] = cares;
  return (
    <div className="grid grid-cols-[1fr_250px] gap-5 mt-1">
      <div>
        <p data-testid="hands-told">
          {meant !== null && (
            <>
              <b className="text-row">{percent(asMeant, style)}</b> ride {rideWords(meant)}, as meant
              {others.length > 0 && '; '}
            </>
          )}
          {others.map((ride, i) => (
            <span key={ride}>
              {i > 0 && ', '}
              {percent(rides[ride] / reckoned.flies, style)} {ride === 'undecided' ? 'undecided' : rideWords(ride)}
            </span>
          ))}
          . {first && asMeant > 0 && <Mind care={first} reckoned={reckoned} />}
          {meant !== null && asMeant === 0 && <WouldHaveToChange laid={laid} meant={meant} />}
        </p>
        <Cares reckoned={reckoned} />
        <p className="italic text-ink2 mt-1">
          By weights and moments, from a normal distribution cut at 3 σ
          {solved ? `; ${String(solved.flies)} solved wholly.` : '.'}
        </p>
      </div>
      <Spreads reckoned={reckoned} solved={solved} />
    </div>
  );
}

interface WouldProps {
  readonly laid: LaidFly;
  readonly meant: string;
}

/** What would have to be other for a fly that never rides as meant: no care at the vise makes up for the plan. */
function WouldHaveToChange({ laid, meant }: WouldProps) {
  const style = useStyle();
  const [first] = tippingsOf(laid);
  const mass = (mg: number): string => Object.values(formatMass(mg, style)).join(' ');
  return (
    <>
      No care at the vise makes it ride {rideWords(meant)}: the plan itself does not.{' '}
      {first?.asTied
        ? `From ${mass(first.asTied.massMg)} on the ${partName(first.part)} would turn it over, ${formatNumber(1 / first.asTied.ratio, 1, style)} times what is fitted; “Find weights” has what does.`
        : first?.otherSide
          ? `On the other side of the shank the ${partName(first.part)} would turn it over from ${mass(first.otherSide.massMg)} on.`
          : 'Nothing on it turns it over: it asks for eyes on one side of the shank, see “Find weights”.'}
    </>
  );
}

/** The first thing to be careful about. */
function Mind({ care, reckoned }: { readonly care: CareOf; readonly reckoned: Reckoned }) {
  const style = useStyle();
  const { meant, asMeant } = reckoned;
  if (meant !== null && care.meantWithout - asMeant > TELLS)
    return (
      <>
        Mind <b>{careWords(care)}</b>: always as meant, {percent(care.meantWithout, style)} would ride{' '}
        {rideWords(meant)}.
      </>
    );
  return (
    <>
      What tells most is <b>{careWords(care)}</b>: it makes {percent(care.heel, style)} of how differently they lean.
    </>
  );
}

/** What ten thousand flies say to be careful about, the first thing first. */
function Cares({ reckoned: { meant, cares } }: { readonly reckoned: Reckoned }) {
  const style = useStyle();
  const [first] = cares;
  return (
    <table className="w-full text-left leading-tight mt-2" aria-label="What to mind">
      <thead>
        <tr className="text-ink2 italic align-bottom">
          <th className="font-normal py-1">were this always as meant</th>
          <th className="font-normal">ride right</th>
          <th className="font-normal">its share in the heel</th>
          <th className="font-normal">firmness</th>
          <th className="font-normal">weight</th>
        </tr>
      </thead>
      <tbody>
        {cares.slice(0, SHOWN_CARES).map((care) => (
          <tr key={`${String(care.part)} ${care.kind}`} className="border-t border-hair">
            <th scope="row" className={`py-0.5 ${care === first ? 'font-semibold' : 'font-normal'}`}>
              {careWords(care)}
            </th>
            <td>{meant === null ? 'none is meant' : percent(care.meantWithout, style)}</td>
            <td>
              <span className="flex items-center gap-2">
                <svg width={60} height={10} aria-hidden="true">
                  <rect x={0} y={1} width={60} height={8} fill="var(--sunk)" />
                  <rect x={0} y={1} width={60 * care.heel} height={8} fill="var(--weight)" />
                </svg>
                {percent(care.heel, style)}
              </span>
            </td>
            <td>{percent(care.firmness, style)}</td>
            <td>{percent(care.weight, style)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface SpreadsProps {
  readonly reckoned: Reckoned;
  readonly solved: Solved | null;
}

/** How far heel, current and sinking scatter. */
function Spreads({ reckoned: { heelsDeg, uprightDeg }, solved }: SpreadsProps) {
  const style = useStyle();
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  const inside = (share: number): string => {
    const [low, high] = [quantile(heelsDeg, (1 - share) / 2), quantile(heelsDeg, (1 + share) / 2)];
    return `${formatAngle(low, style)}° to ${formatAngle(high, style)}°`;
  };
  const holds = solved?.holdsMmS.map((each) => each ?? Infinity) ?? [];
  const least = quantile(holds, 0.1);
  return (
    <div data-testid="hands-spread">
      <SpreadChart
        values={heelsDeg}
        unit="°"
        meant={0}
        label={`heel off ${uprightDeg === 180 ? 'point' : 'wing'} ${uprightDeg === 180 ? 'side' : ''} up`}
        told={`heel, nine of ten ${inside(0.9)}`}
      />
      {solved === null ? (
        <p className="italic text-ink2">Solving {String(SOLVED)} of them for holds-to and sinking.</p>
      ) : (
        <>
          <SpreadChart
            values={holds.filter(Number.isFinite)}
            unit={style.speed}
            speed
            meant={solved.plan.holdsMmS}
            label="side current held"
            told={`nine of ten hold to ${Number.isFinite(least) ? speed(least) : 'any current'} or more`}
          />
          <SpreadChart
            values={solved.sinkMmS}
            unit={style.speed}
            speed
            meant={solved.plan.sinkMmS}
            label="sinking speed"
            told={`nine of ten sink ${speed(quantile(solved.sinkMmS, 0.05))} to ${speed(quantile(solved.sinkMmS, 0.95))}`}
          />
        </>
      )}
    </div>
  );
}
