import { boundsOf, toRad, type LaidFly } from '@jobbet/core/model';
import { viewOf } from '@jobbet/core/drawing';
import { useMemo, useRef } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings } from '../../shared/settings/settings.ts';
import { DIAL, Dial } from './dial.ts';
import { DialRings } from './DialRings.tsx';
import { DialWords } from './DialWords.tsx';
import { Knob } from './Knob.tsx';
import type { BalanceFigures } from './reckon.ts';
import type { Asked, CurrentShown } from './useBalance.ts';

interface RideDialProps {
  readonly laid: LaidFly;
  /** What is reckoned of it; null until it is. */
  readonly figures: BalanceFigures | null;
  /** The side current it is put in. */
  readonly current: CurrentShown | null;
  readonly asked: Asked;
  /** The roll that is shown, degrees; null where it has gone over. */
  readonly shownDeg: number | null;
  readonly onAsk: (asked: Asked) => void;
}

/**
 * The section at its roll inside the righting curve: how far outside the zero circle, so strongly it is turned back; chevrons run toward the
 * rest. The dashed line is the push of the current it is put in; where it reaches the curve the fly gives way.
 */
export function RideDial({ laid, figures, current, asked, shownDeg, onAsk }: RideDialProps) {
  const { hand } = useSettings();
  const svg = useRef<SVGSVGElement>(null);
  const dial = useMemo(() => new Dial(laid.tight, hand), [laid, hand]);
  const shown = shownDeg ?? laid.tight.heelDeg ?? 0;
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const tall = Math.max(bounds.top, -bounds.bottom, bounds.aside);
  const scale = Math.min(16, (DIAL.zero - 14) / tall);
  const view = useMemo(
    () => viewOf('section', DIAL.centre, DIAL.centre, scale, hand, toRad(shown)),
    [scale, hand, shown],
  );
  const views = useMemo(() => [view], [view]);
  return (
    <div className="relative mx-auto max-[1000px]:[zoom:0.75]" style={{ width: DIAL.size, height: DIAL.size }}>
      <FlyCanvas laid={laid} views={views} width={DIAL.size} height={DIAL.size} mode="dressed" />
      <svg
        ref={svg}
        width={DIAL.size}
        height={DIAL.size}
        className="absolute inset-0"
        role="group"
        aria-label="Ride dial"
      >
        <DialRings dial={dial} figures={figures} current={current} />
        <Knob dial={dial} shown={shown} svg={svg} onHeel={(deg) => onAsk({ kind: 'heel', deg })} />
      </svg>
      <DialWords laid={laid} figures={figures} asked={asked} dial={dial} shownDeg={shownDeg} />
    </div>
  );
}
