import { type LaidFly, boundsOf } from '@jobbet/core/model';
import { fitView } from '@jobbet/core/drawing';
import { useMemo } from 'react';
import { useSettings } from '../settings/settings.ts';
import { FlyCanvas } from './FlyCanvas.tsx';

/** Bare paper across and down, px. */
const BARE = [16, 12] as const;

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
    return [fitView(bounds, { width, height, bare: BARE, hand })];
  }, [laid, width, height, hand]);
  return (
    <div className="relative" style={{ width, height }}>
      <FlyCanvas laid={laid} views={views} width={width} height={height} mode="dressed" />
    </div>
  );
}
