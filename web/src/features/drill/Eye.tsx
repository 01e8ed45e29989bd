import { type GroupTally, pulledIn, shareOff, talliedBy, thresholdOf, TOLD_BY, type ToldBy } from '@jobbet/core/drill';
import { shareInterval } from '@jobbet/core/numeric';
import type { DrillFile, DrillOf } from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import { formatNumber } from '@jobbet/core/units';
import { useMemo, useState } from 'react';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { seenOf, THING_NAMES, type Thing } from './seenOf.ts';
import { isRight, itemsOf } from './task.ts';
import { percent } from './words.ts';

/** No bias is shown of fewer pulls of a relation. */
const FEWEST = 5;
/** The scale of a row, shares either way, and its room in px. */
const [MOST, WIDE, HIGH] = [0.25, 108, 20] as const;

/** Fills of the three kinds of size: large, middle, small. */
const FILLS = ['var(--ink)', 'var(--ink2)', 'var(--sheet)'] as const;
const classOf = (size: string): 0 | 1 | 2 => {
  const n = Number(/^\d+/.exec(size)?.[0] ?? 6);
  return size.includes('/0') || n <= 2 || n >= 20 ? 0 : n <= 6 ? 1 : 2;
};

/** An answer of so many days ago counts as old: drawn paler. */
const RUSTY_DAYS = 60;

const signed = (share: number, style: Style): string => {
  const whole = Math.round(100 * share);
  return `${whole > 0 ? '+' : whole < 0 ? '−' : ''}${formatNumber(Math.abs(whole), 0, style)}`;
};

/** What an eye does: bias and spread by relation with their intervals, what of left and right it sees, how often the rest is told. */
export function Eye({
  of,
  rounds,
  today,
}: {
  readonly of: DrillOf;
  readonly rounds: readonly DrillFile[];
  readonly today: string;
}) {
  const style = useStyle();
  const [by, setBy] = useState<ToldBy>('relation');
  const pulled = useMemo(() => pulledIn(rounds).filter((each) => each.of === of), [rounds, of]);
  const rows = useMemo(() => talliedBy(pulled, by), [pulled, by]);
  if (of === 'equal') return <Sees rounds={rounds} />;
  if (of !== 'length' && of !== 'butts') return <Told rounds={rounds} of={of} />;
  const few = rows.filter(({ n }) => n < FEWEST);
  return (
    <section aria-label="Your eye">
      <h2 className="text-sentence font-bold flex justify-between items-baseline">
        Your eye{' '}
        <i className="text-label text-ink2 font-normal">
          {pulled.length} {pulled.length === 1 ? 'pull' : 'pulls'}
        </i>
      </h2>
      {pulled.length === 0 ? (
        <p className="text-label text-ink2">
          Nothing is pulled yet: {String(FEWEST)} pulls of a kind tell how it runs.
        </p>
      ) : (
        <p className="text-label text-ink2">
          by{' '}
          <ChoiceField
            label="what pulls are told apart by"
            value={by}
            options={['relation', 'size', 'platform', 'direction']}
            onChange={(next) => setBy(next as ToldBy)}
          />
        </p>
      )}
      {rows.length > few.length && (
        <p className="flex justify-between text-label italic text-ink2 pl-[84px] pr-[52px]" aria-hidden="true">
          <span>short</span>
          <span>0</span>
          <span>long</span>
        </p>
      )}
      <ul>
        {rows
          .filter(({ n }) => n >= FEWEST)
          .map((row) => (
            <Row key={row.name} {...{ row, style }} />
          ))}
      </ul>
      {few.length > 0 && (
        <p className="text-label text-ink2 py-1">
          Too few yet of {few.map(({ name }) => name).join(', ')}: {String(FEWEST)} pulls of each tell.
        </p>
      )}
      {rows.length > few.length && (
        <>
          <p className="text-label italic text-ink2 py-1">
            black for large hooks, grey for middle ones, white for small; bar: two pulls of three, line: the mean,
            whisker: where it may be, %
          </p>
          <History {...{ rows, pulled, by, today }} />
        </>
      )}
    </section>
  );
}

const at = (share: number): number => WIDE / 2 + (Math.max(-MOST, Math.min(MOST, share)) / MOST) * (WIDE / 2);

function Row({ row, style }: { readonly row: GroupTally; readonly style: Style }) {
  const { name, bias, sd, biasInterval, sdInterval, sizes, n } = row;
  const spread = sd ?? 0;
  const words = `${name}: ${signed(bias, style)} %, ${biasInterval ? `between ${signed(biasInterval[0], style)} and ${signed(biasInterval[1], style)}, ` : ''}spread ${percent(spread, style)}${sdInterval ? `, between ${percent(sdInterval[0], style)} and ${percent(sdInterval[1], style)}` : ''}, ${String(n)} pulls`;
  return (
    <li className="grid grid-cols-[78px_108px_1fr] items-center border-b border-hair py-0.5 gap-1" title={words}>
      <span className="italic text-measure text-label truncate">{name}</span>
      <svg width={WIDE} height={HIGH} aria-hidden="true">
        <path d={`M${String(WIDE / 2)} 0V${String(HIGH)}`} stroke="var(--measure)" strokeDasharray="3 3" />
        <rect
          x={at(bias - spread)}
          y={3}
          width={Math.max(1, at(bias + spread) - at(bias - spread))}
          height={8}
          fill="var(--band)"
          stroke="var(--measure)"
        />
        {biasInterval && (
          <path d={`M${at(biasInterval[0]).toFixed(1)} 7H${at(biasInterval[1]).toFixed(1)}`} stroke="var(--ink)" />
        )}
        <path d={`M${at(bias).toFixed(1)} 1V13`} stroke="var(--ink)" strokeWidth={2.2} />
        {sizes.map(({ size, bias: own }) => (
          <path
            key={size}
            d={`M${at(own).toFixed(1)} 13l3.5 6h-7z`}
            fill={FILLS[classOf(size)]}
            stroke="var(--ink)"
            strokeWidth={0.8}
          />
        ))}
      </svg>
      <span className="figure text-right text-label whitespace-nowrap" aria-hidden="true">
        {signed(bias, style)} ±{formatNumber(100 * spread, 0, style)}
      </span>
      <span className="sr-only">{words}</span>
    </li>
  );
}

const [MULTIPLE_WIDE, MULTIPLE_HIGH] = [106, 40] as const;
const DAY_MS = 86_400_000;

/** Every pull as a dot in its time, relation by relation on one scale: a line that gets flatter. */
function History({
  rows,
  pulled,
  by,
  today,
}: {
  readonly rows: readonly GroupTally[];
  readonly pulled: ReturnType<typeof pulledIn>;
  readonly by: ToldBy;
  readonly today: string;
}) {
  const times = pulled.map((each) => Date.parse(each.at));
  const [first, last] = [Math.min(...times), Math.max(...times)];
  const rusty = Date.parse(today) - RUSTY_DAYS * DAY_MS;
  const y = (share: number): number =>
    MULTIPLE_HIGH / 2 - (Math.max(-MOST, Math.min(MOST, share)) / MOST) * (MULTIPLE_HIGH / 2 - 3);
  return (
    <figure className="mt-2">
      <figcaption className="font-bold border-b border-hair">
        Pull by pull <i className="font-normal text-label text-ink2">all on one scale, ±25 %</i>
      </figcaption>
      <ul className="grid grid-cols-2 gap-x-3">
        {rows
          .filter(({ n }) => n >= FEWEST)
          .slice(0, 8)
          .map(({ name }) => (
            <li key={name} className="pt-1">
              <svg width={MULTIPLE_WIDE} height={MULTIPLE_HIGH} aria-hidden="true">
                <path
                  d={`M0 ${String(MULTIPLE_HIGH / 2)}H${String(MULTIPLE_WIDE)}`}
                  stroke="var(--measure)"
                  strokeDasharray="8 3 2 3"
                />
                {pulled
                  .filter(({ item }) => TOLD_BY[by](item) === name)
                  .map((each, i) => {
                    const time = Date.parse(each.at);
                    const x = 4 + ((time - first) / Math.max(1, last - first)) * (MULTIPLE_WIDE - 8);
                    return (
                      <circle
                        key={`${each.at} ${String(i)}`}
                        cx={x}
                        cy={y(shareOff(each))}
                        r={2.2}
                        fill={time < rusty ? 'var(--ink3)' : 'var(--ink)'}
                      />
                    );
                  })}
              </svg>
              <span className="text-label italic text-ink2">{name}</span>
            </li>
          ))}
      </ul>
    </figure>
  );
}

/** From which difference up left and right are told, thing by thing, and every answer's difference in its order. */
function Sees({ rounds }: { readonly rounds: readonly DrillFile[] }) {
  const things = THING_NAMES.filter((thing) => seenOf(rounds, thing).length > 0);
  return (
    <section aria-label="Your eye">
      <h2 className="text-sentence font-bold flex justify-between items-baseline">
        Your eye <i className="text-label text-ink2 font-normal">{itemsOf(rounds, 'equal').length} answers</i>
      </h2>
      {things.length === 0 && <p className="text-ink2">Nothing is answered yet.</p>}
      {things.map((thing) => (
        <SeesThing key={thing} {...{ rounds, thing }} />
      ))}
    </section>
  );
}

function SeesThing({ rounds, thing }: { readonly rounds: readonly DrillFile[]; readonly thing: Thing }) {
  const style = useStyle();
  const seen = useMemo(() => seenOf(rounds, thing), [rounds, thing]);
  const threshold = useMemo(() => thresholdOf(seen), [seen]);
  const [wide, high, most] = [220, 84, 0.42];
  const lately = seen.slice(-60);
  const x = (i: number): number => 6 + (i / Math.max(1, lately.length - 1)) * (wide - 12);
  const y = (share: number): number => high - 4 - (Math.min(most, share) / most) * (high - 10);
  return (
    <figure className="border-b border-hair py-1">
      <figcaption>
        <b>{thing}</b>{' '}
        {threshold ? (
          <span data-testid="threshold">
            seen three times in four from <b>{percent(threshold.share, style)}</b> up{' '}
            <span className="text-label text-ink2">
              ({percent(threshold.interval[0], style)} to {percent(threshold.interval[1], style)})
            </span>
          </span>
        ) : (
          <span className="text-ink2">too few answers to tell, or none was wrong yet</span>
        )}
      </figcaption>
      <svg width={wide} height={high} aria-hidden="true">
        {threshold && (
          <path
            d={`M0 ${y(threshold.share).toFixed(1)}H${String(wide)}`}
            stroke="var(--measure)"
            strokeDasharray="5 4"
          />
        )}
        <path
          d={`M${lately.map(({ share }, i) => `${x(i).toFixed(1)} ${y(share).toFixed(1)}`).join('L')}`}
          fill="none"
          stroke="var(--rule)"
        />
        {lately.map(({ share, right }, i) => (
          <circle
            key={String(i)}
            cx={x(i)}
            cy={y(share)}
            r={3}
            fill={right ? 'var(--ink)' : 'var(--sheet)'}
            stroke="var(--ink)"
          />
        ))}
      </svg>
    </figure>
  );
}

/** How often a drill is told as it is, with the interval of that share; no score. */
function Told({ rounds, of }: { readonly rounds: readonly DrillFile[]; readonly of: DrillOf }) {
  const style = useStyle();
  const items = itemsOf(rounds, of);
  const right = items.filter(isRight).length;
  const [low, high] = shareInterval(right, items.length);
  const wrong = items.filter((each) => !isRight(each));
  const often = new Map<string, number>();
  for (const { truth, asked } of wrong) {
    if (asked === 'the whole order') continue;
    const name = String(Array.isArray(truth) ? (truth.at(-1) ?? '') : of === 'density' ? '' : truth);
    if (name !== '') often.set(name, (often.get(name) ?? 0) + 1);
  }
  return (
    <section aria-label="Your eye">
      <h2 className="text-sentence font-bold flex justify-between items-baseline">
        Your eye <i className="text-label text-ink2 font-normal">{items.length} answers</i>
      </h2>
      {items.length < FEWEST ? (
        <p className="text-ink2">Too few answers to tell: {String(FEWEST)} are the least.</p>
      ) : (
        <p>
          It is told as it is {percent(low, style)} to {percent(high, style)} of the time, nineteen times in twenty.
        </p>
      )}
      {often.size > 0 && (
        <>
          <h3 className="font-bold border-b border-hair mt-2">Told otherwise</h3>
          <ul>
            {[...often]
              .sort(([, one], [, other]) => other - one)
              .slice(0, 6)
              .map(([name, times]) => (
                <li key={name} className="flex justify-between border-b border-hair">
                  <span>{name}</span>
                  <span className="figure">{times} ×</span>
                </li>
              ))}
          </ul>
        </>
      )}
    </section>
  );
}
