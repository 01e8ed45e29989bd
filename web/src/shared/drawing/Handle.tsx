import type { GripKind } from '@jobbet/core/edit';
import { memo, type KeyboardEvent, type PointerEvent } from 'react';

interface HandleProps {
  readonly x: number;
  readonly y: number;
  readonly kind: GripKind;
  readonly picked: boolean;
  readonly name: string;
  readonly valueText: string;
  readonly valueMm: number;
  readonly lowMm: number;
  readonly highMm: number;
  /** A second place to take hold of the same thing, which the keyboard need not visit. */
  readonly pointerOnly: boolean;
  /** Which grip it is of. */
  readonly grip: string;
  readonly onPull: (grip: string, above: boolean, event: PointerEvent<SVGGElement>) => void;
  readonly onKey: (grip: string, event: KeyboardEvent<SVGGElement>) => void;
  readonly onPick: (grip: string) => void;
}

const square = (r: number): string =>
  `M${String(-r)} ${String(-r)}h${String(2 * r)}v${String(2 * r)}h${String(-2 * r)}z`;
const diamond = (r: number): string => `M0 ${String(-r)}L${String(r)} 0L0 ${String(r)}L${String(-r)} 0Z`;

/** A tip is a diamond; where something is bound or ends is a small square; a thickness is a pair of arrows. */
function Form({ kind, picked }: { readonly kind: GripKind; readonly picked: boolean }) {
  const [fill, stroke] = picked ? ['var(--pick)', 'var(--on-pick)'] : ['var(--sheet)', 'var(--ink)'];
  if (kind === 'pinch')
    return <path d="M0 -10l4.5 6h-2.6v8h2.6l-4.5 6l-4.5 -6h2.6v-8h-2.6z" fill={fill} stroke={stroke} strokeWidth={1} />;
  if (kind !== 'tip') return <path d={square(4)} fill={fill} stroke={stroke} strokeWidth={1.2} />;
  return (
    <>
      <path d={diamond(picked ? 8 : 4.5)} fill={fill} stroke={stroke} strokeWidth={1.2} />
      {picked && <path d="M12 -3.5l5 3.5l-5 3.5zM-12 -3.5l-5 3.5l5 3.5z" fill="var(--ink)" />}
    </>
  );
}

/** Something that can be pulled: a slider to the keyboard and to a screen reader. Drawn anew only where something of it moved. */
export const Handle = memo(function Handle(props: HandleProps) {
  const { x, y, kind, picked, name, valueText, valueMm, lowMm, highMm, pointerOnly, grip, onPull, onKey, onPick } =
    props;
  const tenth = (mm: number): number => Math.round(mm * 10) / 10;
  const spoken = pointerOnly
    ? { 'aria-hidden': true, 'data-grip': `${name} from above` }
    : {
        role: 'slider',
        tabIndex: 0,
        'aria-label': name,
        'aria-orientation': kind === 'pinch' ? ('vertical' as const) : ('horizontal' as const),
        'aria-valuenow': tenth(valueMm),
        'aria-valuemin': tenth(Math.min(lowMm, valueMm)),
        'aria-valuemax': tenth(Math.max(highMm, valueMm)),
        'aria-valuetext': valueText,
      };
  return (
    <g
      {...spoken}
      transform={`translate(${String(x)} ${String(y)})`}
      className={`handle ${kind === 'pinch' ? 'cursor-ns-resize' : 'cursor-ew-resize'}`}
      style={{ touchAction: 'none' }}
      onPointerDown={(event) => onPull(grip, pointerOnly, event)}
      onKeyDown={(event) => onKey(grip, event)}
      onFocus={() => onPick(grip)}
    >
      <title>{name}</title>
      <circle r={kind === 'tip' ? 12 : 9} fill="transparent" />
      <Form kind={kind} picked={picked || kind === 'head space'} />
    </g>
  );
});
