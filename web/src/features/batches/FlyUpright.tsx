import { viewOf } from '@jobbet/core/drawing';
import type { LaidFly } from '@jobbet/core/model';
import { useMemo } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings } from '../../shared/settings/settings.ts';

interface FlyUprightProps {
  readonly laid: LaidFly;
  readonly width: number;
  readonly height: number;
  /** px to the mm, the same for all on the rack. */
  readonly scale: number;
  /** Where the bend sits in the foam, px from above. */
  readonly foamPx: number;
  readonly mode: 'lines' | 'dressed';
}

/** Where the shank runs across the width, as a share of it; the point lies to the side that is left more room. */
const SHANK_AT = 0.42;

/** A fly stuck in foam by its bend, eye up: the profile turned on end. */
export function FlyUpright({ laid, width, height, scale, foamPx, mode }: FlyUprightProps) {
  const { hand } = useSettings();
  const right = hand === 'right';
  const views = useMemo(() => {
    const eyePx = foamPx - laid.platform.landmarksMm.rear * scale;
    return [
      right
        ? viewOf('profile', height - eyePx, width * SHANK_AT, scale, hand)
        : viewOf('profile', eyePx, width * (1 - SHANK_AT), scale, hand),
    ];
  }, [laid, width, height, scale, foamPx, hand, right]);
  return (
    <div className="absolute pointer-events-none" style={{ left: 0, top: 0, width, height }}>
      <div
        className="absolute left-0 top-0"
        style={{
          width: height,
          height: width,
          transformOrigin: 'top left',
          transform: right
            ? `translateY(${String(height)}px) rotate(-90deg)`
            : `translateX(${String(width)}px) rotate(90deg)`,
        }}
      >
        <FlyCanvas laid={laid} views={views} width={height} height={width} mode={mode} />
      </div>
    </div>
  );
}
