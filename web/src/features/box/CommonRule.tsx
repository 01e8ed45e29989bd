import { formatLength } from '@jobbet/core/units';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { drawingWidth, rowEyeAt } from './place.ts';

/** The rule all drawings of the box are to. */
export function CommonRule({
  left,
  frontMm,
  rearMm,
  scale,
}: {
  readonly left: number;
  readonly frontMm: number;
  readonly rearMm: number;
  readonly scale: number;
}) {
  const { hand } = useSettings();
  const style = useStyle();
  const step = style.length === 'in' ? 12.7 : 10;
  const eye = rowEyeAt(hand, frontMm, rearMm, scale);
  const dir = hand === 'right' ? -1 : 1;
  const drawing = drawingWidth(frontMm, rearMm, scale);
  const caption = 'text-label italic text-ink3';
  return (
    <div className="flex items-end h-8 border-b border-hair shrink-0" aria-hidden="true">
      <span className={`${caption} pl-3 pb-1 whitespace-nowrap`} style={{ width: left }}>
        {left > 0 && 'sinks, '}
        {style.speed}
      </span>
      <svg width={drawing} height={32} className="shrink-0">
        {Array.from({ length: Math.floor(rearMm / step) + 1 }, (_, i) => {
          const x = eye + dir * i * step * scale;
          return (
            <g key={i}>
              <line x1={x} x2={x} y1={24} y2={32} stroke="var(--ink)" strokeWidth={1} />
              <text x={x} y={19} fontSize={11} textAnchor="middle" fill="var(--ink2)">
                {style.length === 'in' ? formatLength(i * step, style).figure : i * step}
              </text>
            </g>
          );
        })}
        <text x={eye - dir * 16} y={19} fontSize={12} fontStyle="italic" textAnchor="middle" fill="var(--ink3)">
          {style.length}
        </text>
      </svg>
      <span className={`${caption} flex-1 pl-4 pb-1`}>fly</span>
      <span className={`${caption} w-36 pb-1 max-[900px]:w-10`}>rides</span>
      <span className={`${caption} w-20 pb-1 max-[1100px]:hidden`}>sinks</span>
      <span className={`${caption} w-16 pb-1 text-right`}>dry</span>
      <span className={`${caption} w-16 pb-1 text-right max-[1150px]:hidden`}>in the box</span>
      <span className={`${caption} w-[72px] pb-1 text-right max-[1250px]:hidden`}>last out</span>
      <span className={`${caption} w-20 pl-6 pb-1`}>to settle</span>
      <span className="w-[84px]" />
    </div>
  );
}
