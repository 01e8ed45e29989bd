import { formatDepth, formatNumber, formatSpeed, type Written } from '@jobbet/core/units';
import { type WaterAskedWhy, waterWhy, type WaterWhyOf } from '@jobbet/core/water';
import { AskWhy } from '../../fly/verdict/AskWhy.tsx';
import { useStyle } from '../../shared/settings/settings.ts';

/** The figures of it, in a row; each says why. */
export function Figures({ of }: { readonly of: WaterWhyOf }) {
  const { told, asked, range } = of;
  const style = useStyle();
  const deep = (mm: number): Written => formatDepth(mm, style, 2);
  const tenths = (s: number): string => formatNumber(s, 1, style);
  const { depth, bed, asMeantS, fishedS, swims } = told;
  const ofAll = `s of ${formatNumber(fishedS, 0, style)}`;
  const speeds = swims.map((each) => formatSpeed(each, style));
  const cells: readonly (readonly [WaterAskedWhy, string, string, string])[] = [
    [
      'deepest',
      'deepest',
      deep(depth.lowestMm).figure,
      `${deep(0).unit}${range && range[1] - range[0] > 20 ? ` (${deep(range[0]).figure} to ${deep(range[1]).figure})` : ''}${asked.wantMm === null ? '' : `, wanted ${deep(asked.wantMm).figure}`}`,
    ],
    ...(depth.atWantedS === null ? [] : [['wanted', 'at the wanted depth', tenths(depth.atWantedS), ofAll] as const]),
    [
      'bed',
      'within a hand of the bed',
      tenths(depth.nearBedS),
      `s, touches ${tenths(bed.contactS)}${bed.pointDownS > 0 ? `, point down ${tenths(bed.pointDownS)}` : ''}`,
    ],
    ...(asMeantS === null ? [] : [['asMeant', 'rides as meant', tenths(asMeantS), ofAll] as const]),
    ['swims', 'swims', [...new Set(speeds.map(({ figure }) => figure))].join(' to '), speeds[0]?.unit ?? ''],
  ];
  return (
    <dl className="flex border-t border-ink" data-testid="water-figures">
      {cells.map(([why, name, figure, words]) => (
        <div
          key={why}
          className={`${why === 'deepest' ? 'flex-[1.9]' : 'flex-1'} min-w-0 px-3 py-1 border-r border-hair`}
        >
          <dt className="text-label italic text-ink2 truncate">
            <AskWhy name={name} told={() => waterWhy(why, of, style)}>
              {name}
            </AskWhy>
          </dt>
          <dd className="whitespace-nowrap overflow-hidden text-ellipsis">
            <b className="text-sentence figure">{figure}</b>{' '}
            <span className={bed.pointDownS > 0 && why === 'bed' ? 'text-warn' : 'text-ink2'}>{words}</span>
          </dd>
        </div>
      ))}
    </dl>
  );
}
