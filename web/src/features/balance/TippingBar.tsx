import type { LaidFly, TippingOf } from '@jobbet/core/model';
import type { Drawers } from '@jobbet/core/drawers';
import { swapOffers } from '@jobbet/core/edit';
import { formatLength, formatMass, formatNumber } from '@jobbet/core/units';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo, useRef } from 'react';
import { useSize } from '../../shared/ui/useSize.ts';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import { useStyle } from '../../shared/settings/settings.ts';

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
  const x = (mg: number): number => 4 + (Math.min(mg, most) / most) * (width - 8);
  const pointUp = laid.platform.pointUp;
  const [light, heavy] =
    laid.parts.some((part) => part.file.id === tipping.part && part.centroid[2] > laid.platform.towPoint[2]) !== pointUp
      ? ['rides point-down', 'rides point-up']
      : ['rides point-up', 'rides point-down'];
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
          <svg width={width} height={TALL} aria-hidden="true">
            {tip === null ? (
              <rect x={x(0)} y={BAR.y} width={x(most) - x(0)} height={BAR.height} className="fill-band stroke-rule" />
            ) : (
              <>
                <rect
                  x={x(0)}
                  y={BAR.y}
                  width={x(tip) - x(0)}
                  height={BAR.height}
                  fill="var(--m0)"
                  stroke="var(--rule)"
                />
                <rect
                  x={x(tip)}
                  y={BAR.y}
                  width={x(most) - x(tip)}
                  height={BAR.height}
                  fill="var(--m1)"
                  stroke="var(--rule)"
                />
                <text x={x(tip) + 6} y={BAR.y + 13} fontSize={12} fill="var(--ink)">
                  {x(most) - x(tip) > 110 ? heavy : ''}
                </text>
                <text x={x(0) + 6} y={BAR.y + 13} fontSize={12} fill="var(--ink)">
                  {x(tip) - x(0) > 110 ? light : ''}
                </text>
                <line
                  x1={x(tip)}
                  x2={x(tip)}
                  y1={BAR.y - 5}
                  y2={BAR.y + BAR.height + 5}
                  stroke="var(--ink)"
                  strokeWidth={1.6}
                />
                <text
                  x={x(tip)}
                  y={BAR.y - 9}
                  fontSize={12.5}
                  fontStyle="italic"
                  fill="var(--ink)"
                  textAnchor={x(tip) > width * 0.7 ? 'end' : 'middle'}
                >
                  tips at {mass(tip)}
                </text>
              </>
            )}
            <path
              d={`M${String(x(tipping.massMg))} ${String(BAR.y + BAR.height + 1)}l-6 11h12z`}
              fill="var(--pick)"
              stroke="var(--on-pick)"
            />
          </svg>
        )}
      </div>
      <p data-testid="tipping">
        <b>{mass(tipping.massMg)}</b>
        {tipping.asTied
          ? `, ${formatNumber(tipping.asTied.ratio, 2, style)} × the tipping weight`
          : ', and no mass of it turns the fly over here'}
        .{' '}
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
            onClick={() => {
              onTake(offer.file, `${offer.material}, ${offer.diameter}`);
            }}
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
