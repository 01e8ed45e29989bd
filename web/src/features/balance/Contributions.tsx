import type { Contribution, LaidFly } from '@jobbet/core/model';
import { formatMass, formatNumber } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { momentWords } from './RideDial.tsx';

const WIDE = 150;

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
  const mass = (mg: number): string => Object.values(formatMass(mg, style)).join(' ');
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
        {contributions.map((each) => {
          const long = (Math.abs(each.momentMgMm) / most) * (WIDE / 2);
          const toUp = each.momentMgMm * up > 0;
          return (
            <tr key={each.id} className={`border-t border-hair ${each.id === selected ? 'bg-sunk' : ''}`}>
              <th scope="row" className="font-semibold px-4 py-0.5">
                {each.kind === 'part' ? (
                  <button
                    type="button"
                    className="hover:underline"
                    aria-pressed={each.id === selected}
                    onClick={() => {
                      onPick(each.id);
                    }}
                  >
                    {each.id}
                  </button>
                ) : (
                  <span className="text-ink2">{each.id}</span>
                )}
              </th>
              <td className="text-weight">{mass(each.submergedMg)}</td>
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
                  {momentWords(each.momentMgMm * up, style)}
                </span>
              </td>
              <td className="text-shape pr-4">{formatNumber(each.sideMm2, 0, style)} mm²</td>
            </tr>
          );
        })}
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
