import { asKind, NEW_PLATFORM, newFly, takePacket } from '@jobbet/core/edit';
import { axisAt, eyeAt, viewOf } from '@jobbet/core/drawing';
import type { Drawers, HookItem } from '@jobbet/core/drawers';
import { boundsOf, layFly } from '@jobbet/core/model';
import { bareOf } from '@jobbet/core/tying';
import { formatLength } from '@jobbet/core/units';
import { useMemo } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { PX_PER_MM } from '../../shared/drawing/Projection.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';

/** px round a hook. */
const ROUND = 20;

interface HookOutlineProps {
  readonly hook: HookItem;
  readonly drawers: Drawers;
}

/** The picked hook at true size, to be laid beside the packet. */
export function HookOutline({ hook, drawers }: HookOutlineProps) {
  const style = useStyle();
  const { hand, screenPxPerMm } = useSettings();
  const scale = screenPxPerMm ?? PX_PER_MM;
  const laid = useMemo(() => {
    const platform = asKind(NEW_PLATFORM, hook.form, 30);
    if (platform.kind === 'tube' || platform.kind === 'shank') return null;
    const read = layFly(newFly(hook.name, takePacket(platform, hook)), drawers);
    return read.ok ? bareOf(read.value) : null;
  }, [hook, drawers]);
  const drawn = useMemo(() => {
    if (!laid) return null;
    const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    const width = Math.ceil((bounds.rear - bounds.front) * scale) + 2 * ROUND;
    const height = Math.ceil((bounds.top - bounds.bottom) * scale) + 2 * ROUND;
    return {
      width,
      height,
      views: [viewOf('profile', eyeAt(hand, ROUND, bounds, scale), axisAt(height, bounds, scale), scale, hand)],
    };
  }, [laid, scale, hand]);
  if (!laid || !drawn) return null;
  const { shankMm, gapMm } = laid.platform;
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  return (
    <aside aria-label="The picked hook" className="w-72 shrink-0 border-l border-hair px-4 py-3 max-[1180px]:hidden">
      <h2 className="font-bold">{hook.name}</h2>
      <div className="relative my-2" style={{ width: drawn.width, height: drawn.height }}>
        <FlyCanvas laid={laid} views={drawn.views} width={drawn.width} height={drawn.height} mode="dressed" />
      </div>
      <p className="italic text-measure">
        shank {length(shankMm)}
        {gapMm === null ? '' : `, gap ${length(gapMm)}`}
      </p>
      <p className="text-label text-ink2">
        {screenPxPerMm === null
          ? 'About true size; Sizes, gauge card brings the screen to it.'
          : 'True size on this screen.'}
      </p>
    </aside>
  );
}
