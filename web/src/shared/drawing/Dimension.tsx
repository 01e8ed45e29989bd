import { useId } from 'react';

interface DimensionProps {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  /** px down the sheet where the extension lines begin. */
  readonly foot1: number;
  readonly foot2: number;
  readonly relation: string;
  readonly result: string;
  readonly picked?: boolean;
  /** px across the sheet that words must stay inside. */
  readonly limit: number;
}

const HEAD = 6;

/** A dimension as drafted: extension lines, slim heads, relation and result; it goes outside its arrows where it does not fit. */
export function Dimension({ x1, x2, y, foot1, foot2, relation, result, picked = false, limit }: DimensionProps) {
  const clip = useId();
  const [a, b] = x1 < x2 ? [x1, x2] : [x2, x1];
  const wide = (relation.length + result.length) * 6 + 26;
  const fits = b - a > wide + 16;
  const mid = fits ? (a + b) / 2 : b + 8 + wide < limit ? b + 8 + wide / 2 : a - 8 - wide / 2;
  const colour = 'var(--measure)';
  const arrow = (x: number, to: 1 | -1): string => `M${String(x)} ${String(y)}l${String(to * HEAD)} -2v4z`;
  return (
    <g aria-hidden="true" data-dimension={clip}>
      {[
        [x1, foot1],
        [x2, foot2],
      ].map(([x, foot], i) => (
        <line key={i} x1={x} x2={x} y1={foot} y2={y - 4} stroke={colour} strokeWidth={0.6} opacity={0.65} />
      ))}
      <line x1={a} x2={b} y1={y} y2={y} stroke={colour} strokeWidth={0.8} />
      <path d={arrow(a, b - a > 2 * HEAD ? 1 : -1)} fill={colour} />
      <path d={arrow(b, b - a > 2 * HEAD ? -1 : 1)} fill={colour} />
      {picked ? (
        <rect
          x={mid - wide / 2}
          y={y - 9}
          width={wide}
          height={18}
          fill="var(--pick)"
          stroke="var(--on-pick)"
          strokeWidth={0.6}
        />
      ) : (
        <rect x={mid - wide / 2} y={y - 8} width={wide} height={16} fill="var(--sheet)" />
      )}
      <text
        x={mid}
        y={y + 4}
        textAnchor="middle"
        fontSize={12.5}
        fontStyle="italic"
        fill={picked ? 'var(--on-pick)' : colour}
      >
        <tspan fontWeight={500}>{relation}</tspan>
        {relation !== '' && result !== '' && <tspan dx={9}> </tspan>}
        <tspan fontWeight={700}>{result}</tspan>
      </text>
    </g>
  );
}

interface VerticalProps {
  readonly x: number;
  readonly y1: number;
  readonly y2: number;
  readonly words: string;
  readonly result: string;
  /** Where its words stand, clear of the fly, and to which side of there, px. */
  readonly label: { readonly x: number; readonly y: number };
  readonly side: 1 | -1;
}

/** An upright dimension inside the fly, with its words outside at the end of a leader: the gap. */
export function VerticalDimension({ x, y1, y2, words, result, label, side }: VerticalProps) {
  const colour = 'var(--measure)';
  return (
    <g aria-hidden="true">
      <line x1={x} x2={x} y1={y1} y2={y2} stroke={colour} strokeWidth={0.8} strokeDasharray="3 2" />
      <path d={`M${String(x)} ${String(y1)}l-2 6h4z M${String(x)} ${String(y2)}l-2 -6h4z`} fill={colour} />
      <path
        d={`M${String(x)} ${String(y2)}L${String(label.x - side * 4)} ${String(label.y - 5)}`}
        stroke={colour}
        strokeWidth={0.6}
        fill="none"
      />
      <text
        x={label.x}
        y={label.y}
        textAnchor={side > 0 ? 'start' : 'end'}
        fontSize={12.5}
        fontStyle="italic"
        fill={colour}
      >
        <tspan fontWeight={500}>{words}</tspan>
        <tspan dx={7} fontWeight={700}>
          {result}
        </tspan>
      </text>
    </g>
  );
}
