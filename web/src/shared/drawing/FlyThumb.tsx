import { type LaidFly, boundsOf } from '@jobbet/core/model';
import { viewOf } from '@jobbet/core/drawing';
import { useMemo } from 'react';
import { useSettings } from '../settings/settings.ts';
import { FlyCanvas } from './FlyCanvas.tsx';

/** A fly from the near side, small, as large as its frame allows. */
export function FlyThumb({
  laid,
  width,
  height,
}: {
  readonly laid: LaidFly;
  readonly width: number;
  readonly height: number;
}) {
  const { hand } = useSettings();
  const views = useMemo(() => {
    const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    const scale = Math.min((width - 16) / (bounds.rear - bounds.front), (height - 12) / (bounds.top - bounds.bottom));
    const left = (width - (bounds.rear - bounds.front) * scale) / 2;
    return [
      viewOf(
        'profile',
        hand === 'right' ? left + bounds.rear * scale : left - bounds.front * scale,
        height / 2 + ((bounds.top + bounds.bottom) / 2) * scale,
        scale,
        hand,
      ),
    ];
  }, [laid, width, height, hand]);
  return (
    <div className="relative" style={{ width, height }}>
      <FlyCanvas laid={laid} views={views} width={width} height={height} mode="dressed" />
    </div>
  );
}
