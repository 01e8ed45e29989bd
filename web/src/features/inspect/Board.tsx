import { boundsOf, type LaidFly } from '@jobbet/core/model';
import { fitView } from '@jobbet/core/drawing';
import { useMemo, useRef } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { OneOutline } from '../../shared/drawing/Outlines.tsx';
import { useSettings } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';

const BARE = [48, 40] as const;

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

/** The fly as its readings have it, and the outline of the plan over it. */
export function Board({ plan, tied }: { readonly plan: LaidFly; readonly tied: LaidFly | null }) {
  const { hand } = useSettings();
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const shown = tied ?? plan;
  const views = useMemo(
    () => (width > 0 && height > 0 ? [fitView(aboutBoth([plan, shown]), { width, height, bare: BARE, hand })] : []),
    [plan, shown, width, height, hand],
  );
  return (
    <figure ref={frame} className="relative flex-1 min-h-[160px]" data-testid="inspect-board">
      {views.length > 0 && (
        <>
          <FlyCanvas laid={shown} views={views} width={width} height={height} mode="dressed" />
          {tied && (
            <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
              <OneOutline laid={plan} views={views} width={width} height={height} stroke="var(--measure)" />
            </svg>
          )}
        </>
      )}
      <figcaption className="absolute left-3 top-2 text-label italic text-ink2">
        {tied ? (
          <>
            as it was tied, by what was measured; <span className="text-measure">outline: the plan</span>
          </>
        ) : (
          'the plan: nothing is measured yet'
        )}
      </figcaption>
    </figure>
  );
}
