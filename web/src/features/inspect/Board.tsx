import type { SpecimenReport, ViewReport } from '@jobbet/core/inspect';
import type { SpecimenFile } from '@jobbet/core/records';
import { boundsOf, type LaidFly } from '@jobbet/core/model';
import { fitView } from '@jobbet/core/drawing';
import { partName } from '@jobbet/core/tying';
import { formatLength, formatNumber } from '@jobbet/core/units';
import { type ReactNode, useMemo, useRef } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { OneOutline } from '../../shared/drawing/Outlines.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { LookMarks } from './LookMarks.tsx';
import { AspectBoard } from './AspectBoard.tsx';
import { fromWhere, type Landmarks, photoFrom, type PhotoView, shownOf, type Shown } from './photo.ts';
import { PhotoBoard } from './PhotoBoard.tsx';

const BARE = [48, 56] as const;
const WHENCE: Readonly<Record<PhotoView, string>> = {
  side: 'near side',
  top: 'from above',
  front: 'from the front',
};

/** The box round both, so that they stand at one scale. */
function aboutBoth(flies: readonly LaidFly[]) {
  const all = flies.map(({ sections, platform }) => boundsOf(sections, platform.landmarksMm.rear));
  return {
    front: Math.min(...all.map(({ front }) => front)),
    rear: Math.max(...all.map(({ rear }) => rear)),
    top: Math.max(...all.map(({ top }) => top)),
    bottom: Math.min(...all.map(({ bottom }) => bottom)),
    aside: Math.max(...all.map(({ aside }) => aside)),
  };
}

interface BoardProps {
  readonly plan: LaidFly;
  /** As its readings have it; null where there are none. */
  readonly tied: LaidFly | null;
  readonly record: SpecimenFile;
  readonly views: readonly ViewReport[];
  readonly silhouette: SpecimenReport['silhouette'];
  readonly shown: Shown;
  /** Whether what is looked at by eye is shown by its number. */
  readonly looking: boolean;
  readonly onShown: (shown: Shown) => void;
  readonly onMove: (landmarks: Landmarks) => void;
  readonly onScale: (mmPerPx: number | null) => void;
  /** What is said of a picture that is worked on, or was not taken. */
  readonly children?: ReactNode;
}

/** The fly by its photograph, or as its readings have it, and the outline of the plan over it. */
export function Board({
  plan,
  tied,
  record,
  views: seen,
  silhouette,
  shown,
  looking,
  onShown,
  onMove,
  onScale,
  children,
}: BoardProps) {
  const { hand } = useSettings();
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const drawn = tied ?? plan;
  const views = useMemo(
    () => (width > 0 && height > 0 ? [fitView(aboutBoth([plan, drawn]), { width, height, bare: BARE, hand })] : []),
    [plan, drawn, width, height, hand],
  );
  const [view] = views;
  const from = fromWhere(shown);
  const photo = photoFrom(record, from);
  const marked = photo?.landmarks && shown !== 'plan' ? { ...photo, landmarks: photo.landmarks } : null;
  const aside = marked && from !== 'side' ? marked : null;
  const choices = shownOf(record);
  return (
    <figure ref={frame} className="relative flex-1 min-h-[160px]" data-testid="inspect-board">
      {aside && (
        <AspectBoard
          key={aside.file}
          photo={aside}
          report={seen.find((each) => each.view === from) ?? null}
          {...{ width, height, onMove }}
        />
      )}
      {view && marked && !aside && (
        <PhotoBoard photo={marked} {...{ plan, view, width, height, shown, onMove, onScale }} />
      )}
      {view && !marked && (
        <>
          <FlyCanvas laid={drawn} views={views} width={width} height={height} mode="dressed" />
          {tied && (
            <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
              <OneOutline laid={plan} views={views} width={width} height={height} stroke="var(--measure)" />
            </svg>
          )}
        </>
      )}
      {view && looking && !aside && <LookMarks {...{ plan, view, width, height }} />}
      <figcaption className="absolute left-3 top-2 text-label italic text-ink2 bg-sheet/85 px-1">
        {marked ? (
          <>
            {photo?.simulated === true ? 'rendered, not taken' : 'photograph'}, {WHENCE[from]}
            {!aside && (
              <>
                ; <span className="text-measure">outline: the plan</span>
              </>
            )}
            {shown === 'difference' && <span className="text-shape">, hatched: beyond it</span>}
          </>
        ) : tied ? (
          <>
            as it was tied, by what was measured; <span className="text-measure">outline: the plan</span>
          </>
        ) : (
          'the plan: nothing is measured yet'
        )}
      </figcaption>
      {marked && !aside && silhouette && <ShapeSaid silhouette={silhouette} shown={shown} />}
      {choices.length > 1 && <Shows {...{ shown, choices, onShown }} />}
      {children}
    </figure>
  );
}

/** What the outline tells beside its tips: how the areas differ, the gap that is left, how thick the body is, how hackles stand. */
function ShapeSaid({
  silhouette,
  shown,
}: {
  readonly silhouette: NonNullable<BoardProps['silhouette']>;
  readonly shown: Shown;
}) {
  const style = useStyle();
  const length = (mm: number): string => {
    const { figure, unit } = formatLength(mm, style);
    return `${figure} ${unit}`;
  };
  const { gap_mm: gap, plan_gap_mm: planGap, depths, angles } = silhouette;
  // The stations where the body is off its plan the most say it all.
  const [thick] = [...depths].sort((one, other) => Math.abs(other.mm - other.plan_mm) - Math.abs(one.mm - one.plan_mm));
  const planned = (words: string) => <span className="text-measure">{words} planned</span>;
  return (
    <ul className="absolute right-3 bottom-2 bg-sheet/85 px-2 text-label text-right">
      {shown === 'difference' && (
        <li>
          <span className="text-shape">beyond the plan {Math.round(silhouette.only_fly_mm2)} mm²</span>
          {'; '}
          <span className="text-measure">short of it {Math.round(silhouette.only_plan_mm2)} mm²</span>
        </li>
      )}
      {shown === 'difference' && (
        <li>
          its middle {length(silhouette.centre_mm[0])} behind the eye, {planned(length(silhouette.plan_centre_mm[0]))}
        </li>
      )}
      {shown === 'difference' && (
        <li>
          {formatNumber(silhouette.slenderness, 1, style)} times as long as deep,{' '}
          {planned(formatNumber(silhouette.plan_slenderness, 1, style))}
        </li>
      )}
      {gap !== null && planGap !== null && (
        <li>
          gap left {length(gap)}, {planned(length(planGap))}
        </li>
      )}
      {thick && (
        <li>
          body at station {thick.station}: {length(thick.mm)}, {planned(length(thick.plan_mm))}
        </li>
      )}
      {angles.map(({ part, deg, plan_deg }) => (
        <li key={part}>
          {partName(part)} stands off {Math.round(deg)}°, {planned(`${String(Math.round(plan_deg))}°`)}
        </li>
      ))}
    </ul>
  );
}

/** Photograph, difference or plan. */
const Shows = ({
  shown,
  choices,
  onShown,
}: Pick<BoardProps, 'shown' | 'onShown'> & { readonly choices: readonly Shown[] }) => (
  <div
    role="group"
    aria-label="What is shown"
    className="absolute right-3 top-2 flex gap-3 bg-sheet/85 px-2 items-baseline"
  >
    {choices.map((each) => (
      <button
        key={each}
        type="button"
        aria-pressed={each === shown}
        className={each === shown ? 'font-bold border-b-2 border-ink' : 'text-ink2 hover:text-ink'}
        onClick={() => onShown(each)}
      >
        {each}
      </button>
    ))}
    <span className="plain-key">V</span>
  </div>
);
