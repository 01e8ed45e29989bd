import { SINK_CLASSES } from '@jobbet/core/model';
import { formatSpeed } from '@jobbet/core/units';
import type { ListedFly } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';

interface LadderProps {
  readonly flies: readonly ListedFly[];
  readonly at: number;
  readonly width: number;
  readonly height: number;
  readonly scroll: number;
  readonly row: number;
}

const CLASSES = SINK_CLASSES.map(([name, from], i) => [from, SINK_CLASSES[i + 1]?.[1] ?? Infinity, name] as const);
const AXIS = 58;

/** True sinking rates on one axis, a curve from each to its row. */
export function SinkLadder({ flies, at, width, height, scroll, row }: LadderProps) {
  const style = useStyle();
  if (height === 0) return null;
  const most = flies.reduce((so, { summary }) => Math.max(so, summary?.sinkMmS ?? 0), 250) * 1.06;
  const y = (mmS: number): number => 14 + (mmS / most) * (height - 28);
  const step = most > 700 ? 200 : most > 350 ? 100 : 50;
  const first = Math.max(0, Math.floor(scroll / row) - 1);
  const visible = flies
    .slice(first, first + Math.ceil(height / row) + 3)
    .map((fly, i) => ({ fly, i: first + i, rowY: (first + i) * row - scroll + row / 2 }))
    .filter(({ fly, rowY }) => fly.summary !== null && rowY > 0 && rowY < height);
  /** Flies whose rows begin below what is seen, or end above it. */
  const below = flies.length - Math.min(flies.length, Math.ceil((scroll + height - row / 2) / row));
  const above = Math.min(flies.length, Math.ceil((scroll - row / 2) / row));
  return (
    <svg width={width} height={height} className="absolute left-0 top-0" aria-hidden="true">
      {CLASSES.map(
        ([from, to, name]) =>
          from < most && (
            <g key={name}>
              <line
                x1={12}
                x2={AXIS}
                y1={y(from)}
                y2={y(from)}
                stroke="var(--rule)"
                strokeDasharray="3 3"
                strokeWidth={0.8}
              />
              {y(Math.min(to, most)) - y(from) > 34 && (
                <text
                  transform={`translate(22 ${String((y(from) + y(Math.min(to, most))) / 2)}) rotate(-90)`}
                  textAnchor="middle"
                  fontSize={12}
                  fontStyle="italic"
                  fill="var(--ink3)"
                >
                  {name}
                </text>
              )}
            </g>
          ),
      )}
      <line x1={AXIS} x2={AXIS} y1={8} y2={height - 8} stroke="var(--ink)" strokeWidth={1} />
      {Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step).map((speed) => (
        <g key={speed}>
          <line x1={AXIS - 6} x2={AXIS} y1={y(speed)} y2={y(speed)} stroke="var(--ink)" strokeWidth={0.8} />
          <text x={AXIS - 9} y={y(speed) + 4} textAnchor="end" fontSize={11} fill="var(--ink2)">
            {formatSpeed(speed, style).figure}
          </text>
        </g>
      ))}
      {visible.map(({ fly, i, rowY }) => {
        const from = y(fly.summary?.sinkMmS ?? 0);
        return (
          <g key={fly.id}>
            <path
              d={`M${String(AXIS)} ${String(from)}C${String(AXIS + 50)} ${String(from)} ${String(width - 50)} ${String(rowY)} ${String(width)} ${String(rowY)}`}
              fill="none"
              stroke={i === at ? 'var(--ink)' : 'var(--rule)'}
              strokeWidth={i === at ? 1.6 : 0.9}
            />
            <circle
              cx={AXIS}
              cy={from}
              r={4}
              fill={i === at ? 'var(--pick)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
          </g>
        );
      })}
      <Beyond count={above} to="above" x={width - 8} y={18} />
      <Beyond count={below} to="below" x={width - 8} y={height - 10} />
    </svg>
  );
}

/** How many more there are out of sight, and which way. */
function Beyond({
  count,
  to,
  x,
  y,
}: {
  readonly count: number;
  readonly to: 'above' | 'below';
  readonly x: number;
  readonly y: number;
}) {
  if (count <= 0) return null;
  return (
    <text
      x={x}
      y={y}
      textAnchor="end"
      fontSize={12}
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth={4}
      paintOrder="stroke"
    >
      {to === 'below' ? '↓' : '↑'} {count} {to}
    </text>
  );
}
