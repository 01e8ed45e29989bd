import { viewOf } from '@jobbet/core/drawing';
import { boundsOf, layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo } from 'react';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings } from '../../shared/settings/settings.ts';

/** A fly from the side, as large as its place lets it be. */
export function FlyAside({
  file,
  width,
  height,
  mode = 'dressed',
}: {
  readonly file: FlyFile;
  readonly width: number;
  readonly height: number;
  readonly mode?: 'dressed' | 'silhouette';
}) {
  const { drawers } = useDrawers();
  const { hand } = useSettings();
  const tables = drawers?.tables;
  const laid = useMemo(() => {
    const made = tables ? layFly(file, tables) : null;
    return made?.ok === true ? made.value : null;
  }, [file, tables]);
  const views = useMemo(() => {
    if (!laid) return [];
    const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    const scale = Math.min((0.94 * width) / (rear - front), (0.94 * height) / (top - bottom));
    const [across, up] = [((rear + front) / 2) * scale, ((top + bottom) / 2) * scale];
    return [viewOf('profile', width / 2 + (hand === 'right' ? across : -across), height / 2 + up, scale, hand)];
  }, [laid, width, height, hand]);
  if (!laid) return <div style={{ width, height }} />;
  return (
    <div className="relative shrink-0" style={{ width, height }}>
      <FlyCanvas laid={laid} views={views} width={width} height={height} mode={mode} />
    </div>
  );
}
