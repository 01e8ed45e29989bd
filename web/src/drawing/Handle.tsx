import type { KeyboardEvent, PointerEvent } from 'react';

interface HandleProps {
  readonly x: number;
  readonly y: number;
  readonly picked: boolean;
  readonly name: string;
  readonly valueText: string;
  readonly valueMm: number;
  readonly lowMm: number;
  readonly highMm: number;
  readonly onPull: (event: PointerEvent<SVGGElement>) => void;
  readonly onKey: (event: KeyboardEvent<SVGGElement>) => void;
  readonly onPick: () => void;
}

/** A tip that can be pulled: a diamond, and when picked a larger one with its travel arrows. A slider to the keyboard and to a screen reader. */
export function Handle({ x, y, picked, name, valueText, valueMm, lowMm, highMm, onPull, onKey, onPick }: HandleProps) {
  const r = picked ? 8 : 4.5;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={Math.round(valueMm * 10) / 10}
      aria-valuemin={Math.round(lowMm * 10) / 10}
      aria-valuemax={Math.round(highMm * 10) / 10}
      aria-valuetext={valueText}
      transform={`translate(${String(x)} ${String(y)})`}
      className="handle cursor-ew-resize"
      style={{ touchAction: 'none' }}
      onPointerDown={onPull}
      onKeyDown={onKey}
      onFocus={onPick}
    >
      <circle r={12} fill="transparent" />
      <path
        d={`M0 ${String(-r)}L${String(r)} 0L0 ${String(r)}L${String(-r)} 0Z`}
        fill={picked ? 'var(--pick)' : 'var(--sheet)'}
        stroke={picked ? 'var(--on-pick)' : 'var(--ink)'}
        strokeWidth={1.2}
      />
      {picked && <path d="M12 -3.5l5 3.5l-5 3.5zM-12 -3.5l-5 3.5l5 3.5z" fill="var(--ink)" />}
    </g>
  );
}
