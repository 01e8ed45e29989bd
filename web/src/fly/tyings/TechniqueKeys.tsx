import type { LaidFly } from '@jobbet/core/model';
import { DRAWN, techniqueDrawing, techniquesIn, type Step, type Stroke } from '@jobbet/core/tying';
import { Popover } from 'radix-ui';
import { AskedCard } from '../../shared/ui/AskedCard.tsx';
import { useId } from 'react';
import { useSettings } from '../../shared/settings/settings.ts';

type Technique = ReturnType<typeof techniquesIn>[number];

interface TechniqueKeysProps {
  readonly step: Step;
  /** The fly whose wire and thread they are drawn with. */
  readonly laid: LaidFly;
  readonly className?: string;
}

/** The techniques a step takes, by name; each opens what it is, what goes wrong, and how one sees it. */
export function TechniqueKeys({ step, laid, className = '' }: TechniqueKeysProps) {
  const techniques = techniquesIn(step);
  if (techniques.length === 0) return null;
  return (
    <p className={`flex flex-wrap gap-x-3 ${className}`} data-testid="techniques">
      {techniques.map((each) => (
        <TechniqueKey key={each.key} technique={each} laid={laid} />
      ))}
    </p>
  );
}

interface TechniqueKeyProps {
  readonly technique: Technique;
  readonly laid: LaidFly;
}

function TechniqueKey({ technique: { key, name, how, wrong, see, caution }, laid }: TechniqueKeyProps) {
  const title = useId();
  const strokes = techniqueDrawing(key, laid);
  return (
    <Popover.Root>
      <Popover.Trigger className="why">
        {name}
        <span className="sr-only">, how?</span>
      </Popover.Trigger>
      <AskedCard titleId={title} className="w-[380px]">
        <h2 id={title} className="font-semibold">
          {name}
        </h2>
        {strokes && <Drawn strokes={strokes} />}
        <p className="mt-1">{how}</p>
        <p className="mt-1">
          <span className="italic text-ink2">Goes wrong:</span> {wrong}
        </p>
        <p className="mt-1">
          <span className="italic text-ink2">Right when:</span> {see}
        </p>
        {caution !== undefined && <p className="mt-1 text-warn font-semibold">{caution}</p>}
      </AskedCard>
    </Popover.Root>
  );
}

const TONES: Readonly<Record<Stroke['tone'], string>> = {
  wire: 'var(--ink2)',
  thread: 'var(--measure)',
  stuff: 'var(--ink3)',
};
const HEAD_MM = 0.45;

/** The two short lines of an arrow's head. */
function headOf(points: Stroke['points']): string {
  const [[ax, ay], [bx, by]] = [points.at(-2) ?? [0, 0], points.at(-1) ?? [0, 0]];
  const way = Math.atan2(by - ay, bx - ax);
  const side = (turn: number): string =>
    `${String(bx - HEAD_MM * Math.cos(way + turn))},${String(by - HEAD_MM * Math.sin(way + turn))}`;
  return `${side(0.5)} ${String(bx)},${String(by)} ${side(-0.5)}`;
}

/** A small drawing, its front to the side the fly's is: the drawings have it left. */
function Drawn({ strokes }: { readonly strokes: readonly Stroke[] }) {
  const { acrossMm, aboveMm, belowMm } = DRAWN;
  const turned = useSettings().hand === 'right' ? `matrix(-1 0 0 1 ${String(acrossMm)} 0)` : undefined;
  return (
    <svg
      viewBox={`0 ${String(-aboveMm)} ${String(acrossMm)} ${String(aboveMm + belowMm)}`}
      className="w-[260px] mt-2"
      aria-hidden="true"
      data-testid="technique-drawing"
    >
      {strokes.map(({ points, breadthMm, tone, goes }, i) => (
        <g key={i} transform={turned} fill="none" stroke={TONES[tone]} strokeWidth={breadthMm} strokeLinejoin="round">
          <polyline points={points.map((at) => at.join(',')).join(' ')} />
          {goes === true && <polyline points={headOf(points)} />}
        </g>
      ))}
    </svg>
  );
}
