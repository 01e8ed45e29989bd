import { partName } from '@jobbet/core/tying';
import type { Contribution, LaidFly } from '@jobbet/core/model';
import { formatMass, formatNumber, type Style } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { momentWords } from './momentWords.ts';

const WIDE = 150;

const massWords = (mg: number, style: Style): string => Object.values(formatMass(mg, style)).join(' ');

/** Which part brings how much: weight under water, keel moment and its own silhouette; the sums are the fly's. */
export function Contributions({
  laid,
  contributions,
  selected,
  onPick,
}: {
  readonly laid: LaidFly;
  readonly contributions: readonly Contribution[];
  readonly selected: string | null;
  readonly onPick: (id: string) => void;
}) {
  const style = useStyle();
  const most = Math.max(1e-9, ...contributions.map((each) => Math.abs(each.momentMgMm)));
  const up = laid.platform.pointUp ? -1 : 1;
  const mass = (mg: number): string => massWords(mg, style);
  return (
    <table className="w-full text-left leading-tight" aria-label="What each part brings">
      <thead>
        <tr className="text-ink2 italic">
          <th className="font-normal px-4 py-1">brings</th>
          <th className="font-normal">under water</th>
          <th className="font-normal" style={{ width: WIDE + 100 }}>
            keel moment, point-down or up
          </th>
          <th className="font-normal pr-4">silhouette</th>
        </tr>
      </thead>
      <tbody>
        {contributions.map((each) => (
          <Row
            key={each.id}
            of={each}
            share={each.momentMgMm / most}
            up={up}
            selected={each.id === selected}
            onPick={onPick}
          />
        ))}
        <tr className="border-t border-ink font-bold">
          <th scope="row" className="px-4 py-0.5">
            the fly
          </th>
          <td>{mass(laid.submergedMg)}</td>
          <td>{momentWords(laid.tight.momentMgMm * up, style)}</td>
          <td className="font-normal italic text-ink2 pr-4">overlaps count once</td>
        </tr>
      </tbody>
    </table>
  );
}

interface RowProps {
  readonly of: Contribution;
  /** Its moment as a share of the largest. */
  readonly share: number;
  /** The sign of what brings it point-up. */
  readonly up: 1 | -1;
  readonly selected: boolean;
  readonly onPick: (id: string) => void;
}

function Row({ of, share, up, selected, onPick }: RowProps) {
  const style = useStyle();
  const long = Math.abs(share) * (WIDE / 2);
  const toUp = of.momentMgMm * up > 0;
  return (
    <tr className={`border-t border-hair ${selected ? 'bg-sunk' : ''}`}>
      <th scope="row" className="font-semibold px-4 py-0.5">
        {of.kind === 'part' ? (
          <button type="button" className="hover:underline" aria-pressed={selected} onClick={() => onPick(of.id)}>
            {partName(of.id)}
          </button>
        ) : (
          <span className="text-ink2">{partName(of.id)}</span>
        )}
      </th>
      <td className="text-weight">{massWords(of.submergedMg, style)}</td>
      <td>
        <span className="flex items-center gap-2">
          <svg width={WIDE} height={12} aria-hidden="true" className="shrink-0">
            <rect
              x={toUp ? WIDE / 2 : WIDE / 2 - long}
              y={2}
              width={Math.max(0.5, long)}
              height={8}
              fill="var(--weight)"
              opacity={toUp ? 1 : 0.45}
            />
            <line x1={WIDE / 2} x2={WIDE / 2} y1={0} y2={12} stroke="var(--ink)" />
          </svg>
          {momentWords(of.momentMgMm * up, style)}
        </span>
      </td>
      <td className="text-shape pr-4">{formatNumber(of.sideMm2, 0, style)} mm²</td>
    </tr>
  );
}
