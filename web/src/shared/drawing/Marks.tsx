import type { LaidFly } from '@jobbet/core/model';
import { xOf, type PlanLayout } from './layout.ts';

/** Something to settle, and where on the fly it is. */
export interface Mark {
  readonly code: string;
  readonly parts: readonly string[];
  readonly message: string;
  readonly atMm: number | null;
}

const HIGH = 20;

/** A pennant over the place in the profile that each find speaks of; a press on it picks the part. */
export function Marks({
  laid,
  layout,
  marks,
  onPick,
}: {
  readonly laid: LaidFly;
  readonly layout: PlanLayout;
  readonly marks: readonly Mark[];
  readonly onPick: (id: string) => void;
}) {
  const placed = marks.filter((mark) => mark.atMm !== null);
  return (
    <g>
      {placed.map((mark, i) => {
        const [id] = mark.parts;
        const same = placed.slice(0, i).filter((each) => Math.abs((each.atMm ?? 0) - (mark.atMm ?? 0)) < 1).length;
        const x = xOf(layout, mark.atMm ?? 0) + same * 7;
        const y = layout.profile.oy - layout.bounds.bottom * layout.scale - 4;
        const known = id !== undefined && laid.parts.some((part) => part.file.id === id);
        return (
          <g
            key={`${mark.code} ${mark.message}`}
            data-mark={mark.code}
            className={known ? 'cursor-pointer' : ''}
            onClick={() => {
              if (known) onPick(id);
            }}
          >
            <title>{mark.message}</title>
            <path d={`M${String(x)} ${String(y)}v${String(-HIGH)}`} className="stroke-warn" strokeWidth={1.6} />
            <path d={`M${String(x)} ${String(y - HIGH)}l10 3.4l-10 3.6z`} className="fill-warn" />
          </g>
        );
      })}
    </g>
  );
}
