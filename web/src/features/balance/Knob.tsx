import { normalDeg } from '@jobbet/core/model';
import type { KeyboardEvent, PointerEvent, RefObject } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { DIAL, type Dial } from './dial.ts';
import { momentWords } from './momentWords.ts';

const STEP = { fine: 1, coarse: 5 };

interface KnobProps {
  readonly dial: Dial;
  /** The roll it stands at, degrees. */
  readonly shown: number;
  readonly svg: RefObject<SVGSVGElement | null>;
  readonly onHeel: (deg: number) => void;
}

/** What a fly is rolled by: dragged round the dial, or turned by the arrow keys. */
export function Knob({ dial, shown, svg, onHeel }: KnobProps) {
  const style = useStyle();
  const [x, y] = dial.at(shown, DIAL.rim);
  const rolled = (event: { clientX: number; clientY: number }): void => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const [dx, dy] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    onHeel(dial.rollAt(dx, dy));
  };
  const grab = (event: PointerEvent<SVGGElement>): void => {
    event.preventDefault();
    event.currentTarget.focus();
    const up = (): void => {
      window.removeEventListener('pointermove', rolled);
      window.removeEventListener('pointercancel', up);
    };
    window.addEventListener('pointermove', rolled);
    window.addEventListener('pointerup', up, { once: true });
    window.addEventListener('pointercancel', up, { once: true });
  };
  const key = (event: KeyboardEvent): void => {
    const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (way === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    onHeel(normalDeg(Math.round(shown) + way * (event.shiftKey ? STEP.coarse : STEP.fine)));
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      className="handle cursor-grab"
      style={{ touchAction: 'none' }}
      aria-label="heel"
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuenow={Math.round(shown)}
      aria-valuetext={`${String(Math.round(shown))} degrees, ${momentWords(Math.abs(dial.moment(shown)), style)} back to rest`}
      transform={`translate(${String(x)} ${String(y)})`}
      onPointerDown={grab}
      onKeyDown={key}
    >
      <circle r={14} fill="transparent" />
      <circle r={7.5} fill="var(--pick)" stroke="var(--on-pick)" strokeWidth={1.2} />
    </g>
  );
}
