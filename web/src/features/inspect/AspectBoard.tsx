import type { ViewReport } from '@jobbet/core/inspect';
import { formatLength, type Style } from '@jobbet/core/units';
import { useState } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { Spots, useMarks } from './Landmarks.tsx';
import type { Landmarks, Photo } from './photo.ts';
import { pathOf } from './PhotoBoard.tsx';

interface AspectBoardProps {
  readonly photo: Photo & { readonly landmarks: Landmarks };
  readonly report: ViewReport | null;
  readonly width: number;
  readonly height: number;
  readonly onMove: (landmarks: Landmarks) => void;
}

type Px = readonly [number, number];
interface Fitted {
  readonly scale: number;
  readonly wide: number;
  readonly left: number;
  readonly top: number;
}

/** A picture as large as it fits. */
const fitted = ([w, h]: Px, width: number, height: number): Fitted => {
  const scale = Math.min(width / w, height / h);
  return { scale, wide: w * scale, left: (width - w * scale) / 2, top: (height - h * scale) / 2 };
};

/** What the landmarks are called, from above and from the front. */
const EYES = { left: 'left eye', right: 'right eye' } as const;
const CALLED = {
  top: { eye: 'eye', bend: 'bend', ...EYES },
  front: { eye: 'ring', bend: 'lowest of the bend', ...EYES },
} as const;
/** A key moves a landmark by so many px of the view. */
const STEP_PX = 2;

/** A photograph from above or from the front: its outline, the hook through it, and what lies left and right of that. */
export function AspectBoard({ photo, report, width, height, onMove }: AspectBoardProps) {
  const [size, setSize] = useState<Px | null>(null);
  const { marks, pull, let: letGo } = useMarks(photo.landmarks, onMove);
  const lies = size && fitted(size, width, height);
  const on = lies && {
    to: (x: number, y: number): Px => [lies.left + x * lies.scale, lies.top + y * lies.scale],
    from: (x: number, y: number): Px => [(x - lies.left) / lies.scale, (y - lies.top) / lies.scale],
  };
  const view = photo.view === 'front' ? 'front' : 'top';
  return (
    <div className="absolute inset-0 overflow-hidden" data-testid="aspect">
      <img
        src={`/api/${photo.file}`}
        alt={`The finished fly, photographed ${view === 'top' ? 'from above' : 'from the front'}`}
        draggable={false}
        className="absolute max-w-none dark:brightness-[0.8]"
        style={lies ? { left: lies.left, top: lies.top, width: lies.wide } : { opacity: 0 }}
        onLoad={({ currentTarget }) => setSize([currentTarget.naturalWidth, currentTarget.naturalHeight])}
      />
      {on && (
        <>
          <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
            <path
              d={pathOf((photo.contour ?? []).map(([x, y]) => on.to(x, y)))}
              fill="none"
              stroke="var(--shape)"
              strokeWidth={1.5}
            />
            <Axis from={on.to(...marks.eye)} to={on.to(...marks.bend)} />
          </svg>
          <Spots
            called={CALLED[view]}
            marks={marks}
            lies={on}
            step={STEP_PX}
            each="two pixels each"
            onPull={pull}
            onLet={letGo}
          />
        </>
      )}
      {report && <Told report={report} />}
    </div>
  );
}

/** Beyond both ends of the hook so far, share of it. */
const BEYOND = 0.6;

/** The line of the hook, on past either end of it. */
function Axis({ from: [x, y], to: [a, b] }: { readonly from: Px; readonly to: Px }) {
  const [dx, dy] = [BEYOND * (a - x), BEYOND * (b - y)];
  return (
    <line
      x1={x - dx}
      y1={y - dy}
      x2={a + dx}
      y2={b + dy}
      stroke="var(--measure)"
      strokeWidth={1.5}
      strokeDasharray="8 4"
    />
  );
}

const length = (mm: number, style: Style): string => {
  const { figure, unit } = formatLength(mm, style);
  return `${figure} ${unit}`;
};

/** What lies left and right of the hook, in figures. */
function Told({ report: { view, sides, tips, eyes, round } }: { readonly report: ViewReport }) {
  const style = useStyle();
  const row = (words: string, left: string, right: string) => (
    <tr key={words}>
      <th scope="row" className="text-left font-normal pr-3 first-letter:uppercase">
        {words}
      </th>
      <td className="text-right pl-3">{left}</td>
      <td className="text-right pl-3">{right}</td>
    </tr>
  );
  return (
    <div className="absolute right-3 bottom-2 bg-sheet/90 px-2 py-1 text-label">
      <table>
        <thead>
          <tr className="text-ink2 italic">
            <th className="text-left font-normal">{view === 'top' ? 'looking to the eye' : 'looking into the ring'}</th>
            <th className="text-right font-normal pl-3">left</th>
            <th className="text-right font-normal pl-3">right</th>
          </tr>
        </thead>
        <tbody>
          {sides.map(({ words, left_mm2: left, right_mm2: right }) =>
            row(words, `${String(Math.round(left))} mm²`, `${String(Math.round(right))} mm²`),
          )}
          {tips && row('tips past the bend', length(tips.left_mm, style), length(tips.right_mm, style))}
          {eyes && row('middle of the eye', length(eyes.left_mm, style), length(eyes.right_mm, style))}
        </tbody>
      </table>
      {eyes && (
        <p className={Math.abs(eyes.askew_deg) > 3 ? 'text-warn' : ''}>
          {Math.abs(eyes.askew_deg) < 0.5
            ? 'eyes square to the hook'
            : `eyes ${String(Math.round(Math.abs(eyes.askew_deg)))}° ${view === 'top' ? 'askew on the shank' : 'turned about the shank'}, the ${eyes.askew_deg > 0 ? 'left' : 'right'} one ${view === 'top' ? 'ahead' : 'higher'}`}
        </p>
      )}
      {round !== null && <p>all round, the thinnest twelfth {Math.round(100 * round)} % of the fullest</p>}
    </div>
  );
}
