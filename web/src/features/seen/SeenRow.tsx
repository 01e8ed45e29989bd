import { type LaidFly, toRad, boundsOf } from '@jobbet/core/model';
import { eyeAt, viewOf, type ViewName } from '@jobbet/core/drawing';
import { shapeOf, coloursOf, finestMm, seen, type Looking, type Sight } from '@jobbet/core/study';
import { formatDepth, formatLength, formatNumber, type Style } from '@jobbet/core/units';
import { useMemo } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';

const MARGIN = 26;
const CAPTION = 48;
/** Shares of the width that the three looks take. */
const SHARES = { profile: 0.42, plan: 0.42, section: 0.16 } as const;
const MOST_SCALE = 12;
/** A blurred edge spreads over this many standard deviations of the blur. */
const EDGE_SIGMAS = 2.35;

interface Extent {
  readonly long: number;
  readonly front: number;
  readonly tall: number;
}

function extentOf(laid: LaidFly): Extent {
  const { front, rear, top, bottom, aside } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  return { long: rear - front, front, tall: 2 * Math.max(top, -bottom, aside) };
}

/** px to the millimetre at which all flies fit their rows, the same for all. */
export function scaleFor(flies: readonly LaidFly[], width: number, height: number): number {
  return flies
    .map(extentOf)
    .reduce(
      (scale, { long, tall }) =>
        Math.min(
          scale,
          (width * SHARES.profile - 2 * MARGIN) / long,
          (width * SHARES.section - MARGIN) / tall,
          (height - CAPTION - MARGIN) / tall,
        ),
      MOST_SCALE,
    );
}

const BAR_MM = 10;
const length10 = (style: Style): string => Object.values(formatLength(BAR_MM, style)).join(' ');
const rgb = (channels: readonly number[]): string => `rgb(${channels.join(' ')})`;

interface SeenRowProps {
  readonly laid: LaidFly;
  readonly sight: Sight;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}

/** One fly in its water: from the side, from below, head-on, each with what is left of it. */
export function SeenRow({ laid, sight, width, height, scale }: SeenRowProps) {
  const style = useStyle();
  const roll = laid.tight.heelDeg ?? 0;
  const shape = useMemo(() => shapeOf(laid, roll), [laid, roll]);
  const area = (mm2: number): string => `${formatNumber(mm2, 0, style)} mm²`;
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  const slender = (across: number): string =>
    across > 0 ? `, ${formatNumber(shape.lengthMm / across, 1, style)} times as long as` : '';
  const looks = [
    {
      name: 'profile',
      looking: 'level',
      title: `${laid.file.name}, from the side`,
      told: `${area(shape.sideMm2)}${slender(shape.deepMm)} deep, ${length(shape.deepMm)}`,
    },
    {
      name: 'plan',
      looking: 'up',
      title: 'from below',
      told: `${area(shape.belowMm2)}${slender(shape.broadMm)} broad, ${length(shape.broadMm)}`,
    },
    { name: 'section', looking: 'level', title: 'head-on', told: area(shape.frontMm2) },
  ] as const satisfies readonly Pick<LookProps, 'name' | 'looking' | 'title' | 'told'>[];
  return (
    <section
      aria-label={`${laid.file.name} as the fish has it`}
      className="grid border-b border-hair"
      style={{
        height,
        gridTemplateColumns: Object.values(SHARES)
          .map((share) => `${String(share)}fr`)
          .join(' '),
      }}
    >
      {looks.map((look) => (
        <Look
          key={look.name}
          laid={laid}
          sight={sight}
          width={width * SHARES[look.name]}
          height={height}
          scale={scale}
          {...look}
        />
      ))}
    </section>
  );
}

/** The round of water the fish looks through, as wide as the look allows, flatter where it is low; the sheet is round it. */
function Window({ width, height, water }: { readonly width: number; readonly height: number; readonly water: string }) {
  return (
    <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
      <ellipse
        cx={width / 2}
        cy={height / 2}
        rx={width / 2 - 6}
        ry={Math.min(width / 2, height / 2) - 6}
        fill={water}
        stroke="var(--ink)"
        strokeWidth={1}
      />
    </svg>
  );
}

interface LookProps extends SeenRowProps {
  readonly looking: Looking;
  readonly name: ViewName;
  readonly title: string;
  readonly told: string;
}

function Look({ laid, sight, looking, name, width, height, scale, title, told }: LookProps) {
  const style = useStyle();
  const { hand } = useSettings();
  const roll = toRad(laid.tight.heelDeg ?? 0);
  const eye = useMemo(() => seen(sight, looking), [sight, looking]);
  const { water, fly } = coloursOf(eye);
  const tall = height - CAPTION;
  const { long, front } = extentOf(laid);
  const used = long * scale;
  const left = (width - used) / 2;
  const eyeX = name === 'section' ? width / 2 : eyeAt(hand, left, { front, rear: front + long }, scale);
  const view = useMemo(() => viewOf(name, eyeX, tall / 2, scale, hand, roll), [name, eyeX, tall, scale, hand, roll]);
  const views = useMemo(() => [view], [view]);
  const lost = eye.contrast < eye.threshold;
  const depth = (m: number): string => Object.values(formatDepth(1000 * m, style)).join(' ');
  return (
    <figure className="min-w-0 border-r border-hair" data-testid={`look-${name}`}>
      <div className="relative overflow-hidden" style={{ height: tall }}>
        <Window width={width} height={tall} water={rgb(water)} />
        <div style={{ filter: `blur(${((finestMm(sight.distanceM) * scale) / EDGE_SIGMAS).toFixed(2)}px)` }}>
          <FlyCanvas laid={laid} views={views} width={width} height={tall} mode="silhouette" ink={rgb(fly)} />
        </div>
        {name === 'profile' && (
          <svg width={BAR_MM * scale + 60} height={22} className="absolute left-3 bottom-2" aria-hidden="true">
            <path
              d={`M1 6v8M1 10h${String(BAR_MM * scale)}M${String(1 + BAR_MM * scale)} 6v8`}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
            <text x={BAR_MM * scale + 8} y={14} fontSize={12} fontStyle="italic" fill="var(--ink)">
              {length10(style)}
            </text>
          </svg>
        )}
      </div>
      <figcaption className="px-3 py-1 leading-tight h-[48px] overflow-hidden">
        <b>{title}</b> {told}
        <br />
        <span className={lost ? 'text-warn' : 'text-ink2'}>
          {lost ? 'lost in the water' : `contrast ${formatNumber(100 * eye.contrast, 0, style)} %`}
          {name !== 'section' &&
            `; a dark spot is lost at ${eye.lostAtM >= 30 ? 'more than ' : ''}${depth(eye.lostAtM)}`}
        </span>
      </figcaption>
    </figure>
  );
}
