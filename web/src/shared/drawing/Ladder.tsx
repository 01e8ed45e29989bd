import type { LaidFly, LaidPart } from '@jobbet/core/model';
import { tipRelation } from '@jobbet/core/edit';
import { formatLength, formatNumber } from '@jobbet/core/units';
import { useStyle } from '../settings/settings.ts';
import { Dimension, VerticalDimension } from './Dimension.tsx';
import { xOf, type PlanLayout } from './layout.ts';

interface LadderProps {
  readonly laid: LaidFly;
  readonly layout: PlanLayout;
  readonly part: LaidPart | undefined;
  readonly band: Band | null;
}

/** The band a school keeps a part in, as places along the shank (mm), and whether it is kept. */
export interface Band {
  readonly places: readonly [number, number];
  readonly within: boolean;
}

/** The dimension ladder above the fly, longest outermost, and the gap below it. */
export function Ladder({ laid, layout, part, band }: LadderProps) {
  const { platform } = laid;
  const style = useStyle();
  const mm = (value: number): string => formatLength(value, style).figure;
  const nominal = (yes: boolean): string => (yes ? '≈ ' : '');
  const tipmost = laid.parts.reduce((far, each) => Math.max(far, each.extent.tipMm ?? 0), 0);
  const step = Math.min(26, Math.max(18, (layout.ladderY - 34) / 2));
  const row = (n: number): number => Math.max(44, layout.ladderY - n * step);
  const top = layout.profile.oy - 6;
  const x = (value: number): number => xOf(layout, value);
  const own = part ? ownDimension(part) : null;
  return (
    <>
      {tipmost > platform.landmarksMm.bend + 1 && (
        <Dimension
          limit={layout.width - 6}
          x1={x(0)}
          x2={x(tipmost)}
          y={row(2)}
          foot1={top}
          foot2={layout.profile.oy - layout.scale}
          relation={`${formatNumber(tipmost / platform.shankMm, 2, style)} × shank`}
          result={mm(tipmost)}
        />
      )}
      <Dimension
        limit={layout.width - 6}
        x1={x(0)}
        x2={x(platform.shankMm)}
        y={row(1)}
        foot1={top}
        foot2={top}
        relation="shank"
        result={`${nominal(platform.nominal.shank)}${mm(platform.shankMm)}`}
      />
      {own && band && (
        <BandOnLine
          x1={x(band.places[0])}
          x2={x(band.places[1])}
          last={x(Math.max(tipmost, own.to)) + layout.dir * PAST_TIP}
          y={row(0)}
          within={band.within}
        />
      )}
      {own && (
        <Dimension
          limit={layout.width - 6}
          x1={x(own.from)}
          x2={x(own.to)}
          y={row(0)}
          foot1={top}
          foot2={top}
          relation={own.words}
          result={mm(own.value)}
          picked
        />
      )}
      {/* The gap of a double lies in the plane of each bend, which the profile shows foreshortened; a hook behind the fly may ride either way. */}
      {(platform.kind === 'single' || platform.kind === 'jig') &&
        platform.gapMm !== null &&
        platform.landmarksMm.point !== null &&
        platform.wireMm !== null && (
          <VerticalDimension
            x={x((platform.landmarksMm.point + platform.landmarksMm.bend) / 2)}
            y1={layout.profile.oy + (platform.wireMm / 2) * layout.scale}
            y2={layout.profile.oy + (platform.wireMm / 2 + platform.gapMm) * layout.scale}
            words="gap"
            result={`${nominal(platform.nominal.gap)}${mm(platform.gapMm)}`}
            label={{ x: x(platform.landmarksMm.bend) + layout.dir * 26, y: layout.stationY - 8 }}
            side={layout.dir}
          />
        )}
    </>
  );
}

/** A band is drawn no further past all tips, px: what lies beyond is the front view's. */
const PAST_TIP = 24;

/** The school's band under a dimension line: where its end may lie; open at the end where it goes on. */
function BandOnLine({
  x1,
  x2,
  last,
  y,
  within,
}: {
  readonly x1: number;
  readonly x2: number;
  readonly last: number;
  readonly y: number;
  readonly within: boolean;
}) {
  const aft = x2 < x1;
  const [near, far] = aft ? [Math.max(x1, last), Math.max(x2, last)] : [Math.min(x1, last), Math.min(x2, last)];
  const [a, b] = aft ? [far, near] : [near, far];
  const ends = [x1, x2].filter((x) => (aft ? x >= last : x <= last));
  const stroke = within ? 'var(--measure)' : 'var(--warn)';
  return (
    <g aria-hidden="true" data-band={within ? 'within' : 'outside'}>
      <rect
        x={a}
        y={y + 8}
        width={Math.max(2, b - a)}
        height={6}
        fill="var(--band)"
        stroke="var(--rule)"
        strokeWidth={0.5}
      />
      <path d={ends.map((x) => `M${String(x)} ${String(y + 5)}v12`).join('')} stroke={stroke} strokeWidth={1.2} />
    </g>
  );
}

interface OwnDimension {
  readonly from: number;
  readonly to: number;
  readonly value: number;
  readonly words: string;
}

/** The measure of the picked part: its free length, its fibres, its span or its diameter. */
function ownDimension(part: LaidPart): OwnDimension | null {
  const { startMm, endMm, tipMm, lengthMm } = part.extent;
  const relation = tipRelation(part);
  if (relation && tipMm !== null) return { from: endMm, to: tipMm, value: lengthMm, words: relation.text };
  const text = 'diameter' in part.file ? part.file.diameter : 'strand' in part.file ? part.file.strand : undefined;
  if (part.built.ball) return { from: startMm, to: endMm, value: lengthMm, words: `⌀ ${text ?? ''}` };
  return {
    from: startMm,
    to: endMm,
    value: lengthMm,
    words: part.built.turns === null ? part.file.id : `${String(Math.round(part.built.turns * 10) / 10)} turns`,
  };
}
