import { turnsWithin, type LaidFly, type TippingOf } from '@jobbet/core/model';
import type { Drawers } from '@jobbet/core/drawers';
import { swapOffers } from '@jobbet/core/edit';
import { formatLength, formatMass, formatNumber, type Style } from '@jobbet/core/units';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo, useRef } from 'react';
import { useSize } from '../../shared/ui/useSize.ts';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import { useStyle } from '../../shared/settings/settings.ts';

/** How many times what turns the fly over is fitted: a range, where nobody has weighed it and the verdict turns within it. */
function fittedWords({ ratio, range }: NonNullable<TippingOf['asTied']>, style: Style): string {
  const times = (of: number): string => formatNumber(of, 1, style);
  return range && turnsWithin(range)
    ? `${times(range[0])} to ${times(range[1])} × the tipping weight: weigh a pair`
    : `${formatNumber(ratio, 2, style)} × the tipping weight`;
}

interface TippingBarProps {
  readonly laid: LaidFly;
  readonly drawers: Drawers;
  readonly tipping: TippingOf;
  /** Whether it is the one that is asked why. */
  readonly first: boolean;
  readonly onTake: (file: FlyFile, words: string) => void;
}

const TALL = 58;
const BAR = { y: 26, height: 18 };

/** From which mass on a weight turns the fly over, where it stands now, and the sizes of its metal that are to be had. */
export function TippingBar({ laid, drawers, tipping, first, onTake }: TippingBarProps) {
  const style = useStyle();
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const swap = useMemo(() => swapOffers(laid, tipping.part, drawers), [laid, tipping.part, drawers]);
  const mass = (mg: number): string => Object.values(formatMass(mg, style)).join(' ');
  const sizes = useMemo(
    () => (swap?.offers ?? []).filter((offer) => offer.metal === swap?.metal).sort((a, b) => a.massMg - b.massMg),
    [swap],
  );
  const tip = tipping.asTied?.massMg ?? null;
  const most = 1.15 * Math.max(tipping.massMg, 1.6 * (tip ?? 0), ...sizes.slice(0, 6).map((offer) => offer.massMg));
  const pointUp = laid.platform.pointUp;
  const sides =
    laid.parts.some((part) => part.file.id === tipping.part && part.centroid[2] > laid.platform.towPoint[2]) !== pointUp
      ? (['rides point-down', 'rides point-up'] as const)
      : (['rides point-up', 'rides point-down'] as const);
  return (
    <section aria-label={`Tipping weight of ${tipping.part}`} className="px-4 py-2">
      <h2 className="font-semibold">
        Tipping weight{' '}
        <span className="font-normal italic text-ink2">of {tipping.part}, where this fly turns over</span>{' '}
        {first && (
          <span className="font-normal">
            <WhyButton asked="tipping" laid={laid} />
          </span>
        )}
      </h2>
      <div ref={frame}>
        {width > 0 && (
          <Bar
            width={width}
            massMg={tipping.massMg}
            tipMg={tip}
            mostMg={most}
            sides={sides}
            tipped={tip === null ? '' : mass(tip)}
          />
        )}
      </div>
      <p data-testid="tipping">
        <b>{mass(tipping.massMg)}</b>
        {tipping.asTied
          ? `, ${fittedWords(tipping.asTied, style)}`
          : ', and no mass of it turns the fly over here'}.{' '}
        <span className="text-ink2">
          {tipping.otherSide
            ? `On the other side of the shank it would tip at ${mass(tipping.otherSide.massMg)}.`
            : 'On the other side of the shank it would tip nothing.'}
        </span>
      </p>
      <p className="flex flex-wrap gap-x-3 gap-y-1 mt-1 text-ink2">
        {swap?.metal} to be had:
        {sizes.map((offer) => (
          <button
            key={`${offer.material} ${offer.diameter}`}
            type="button"
            className="underline underline-offset-2 hover:text-ink"
            title={`${offer.material}, ${mass(offer.massMg)}${offer.ratio === null ? '' : `, ${formatNumber(offer.ratio, 2, style)} × the tipping weight`}`}
            onClick={() => onTake(offer.file, `${offer.material}, ${offer.diameter}`)}
          >
            {formatLength(offer.diameterMm, style).figure}
            {offer.ratio !== null && (
              <span className="italic text-label"> {formatNumber(offer.ratio, 1, style)} ×</span>
            )}
          </button>
        ))}
      </p>
    </section>
  );
}

interface BarProps {
  readonly width: number;
  /** What the weight weighs, what tips the fly, and what the bar ends at. */
  readonly massMg: number;
  readonly tipMg: number | null;
  readonly mostMg: number;
  /** How it rides below and above the tipping weight. */
  readonly sides: readonly [light: string, heavy: string];
  /** The tipping weight in words. */
  readonly tipped: string;
}

/** Both ways it may ride along the mass of a weight, and where that stands. */
function Bar({ width, massMg, tipMg, mostMg, sides: [light, heavy], tipped }: BarProps) {
  const x = (mg: number): number => 4 + (Math.min(mg, mostMg) / mostMg) * (width - 8);
  return (
    <svg width={width} height={TALL} aria-hidden="true">
      {tipMg === null ? (
        <rect x={x(0)} y={BAR.y} width={x(mostMg) - x(0)} height={BAR.height} className="fill-band stroke-rule" />
      ) : (
        <>
          <rect x={x(0)} y={BAR.y} width={x(tipMg) - x(0)} height={BAR.height} fill="var(--m0)" stroke="var(--rule)" />
          <rect
            x={x(tipMg)}
            y={BAR.y}
            width={x(mostMg) - x(tipMg)}
            height={BAR.height}
            fill="var(--m1)"
            stroke="var(--rule)"
          />
          <text x={x(tipMg) + 6} y={BAR.y + 13} fontSize={12} fill="var(--ink)">
            {x(mostMg) - x(tipMg) > 110 ? heavy : ''}
          </text>
          <text x={x(0) + 6} y={BAR.y + 13} fontSize={12} fill="var(--ink)">
            {x(tipMg) - x(0) > 110 ? light : ''}
          </text>
          <line
            x1={x(tipMg)}
            x2={x(tipMg)}
            y1={BAR.y - 5}
            y2={BAR.y + BAR.height + 5}
            stroke="var(--ink)"
            strokeWidth={1.6}
          />
          <text
            x={x(tipMg)}
            y={BAR.y - 9}
            fontSize={12.5}
            fontStyle="italic"
            fill="var(--ink)"
            textAnchor={x(tipMg) > width * 0.7 ? 'end' : 'middle'}
          >
            tips at {tipped}
          </text>
        </>
      )}
      <path
        d={`M${String(x(massMg))} ${String(BAR.y + BAR.height + 1)}l-6 11h12z`}
        fill="var(--pick)"
        stroke="var(--on-pick)"
      />
    </svg>
  );
}
