import { viewOf } from '@jobbet/core/drawing';
import { boundsOf, type LaidFly, layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { formatNumber } from '@jobbet/core/units';
import { useMemo } from 'react';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { OneOutline } from '../../shared/drawing/Outlines.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import type { TwoFlies } from './reckon.ts';

const [WIDTH, HEIGHT] = [300, 92];
const LOOKS = ['var(--measure)', 'var(--shape)'] as const;
const DASHES = [undefined, '7 4'] as const;

/** Two groups as the fly of each that was fished longest, laid over each other at one size; the interval of the ratio stands under them. */
export function Over({ two: { flies, ratio } }: { readonly two: TwoFlies }) {
  const style = useStyle();
  const { hand } = useSettings();
  const { drawers } = useDrawers();
  const tables = drawers?.tables;
  const laid = useMemo(
    () =>
      flies.flatMap(({ file }): LaidFly[] => {
        const made = tables ? layFly(file as FlyFile, tables) : null;
        return made?.ok === true ? [made.value] : [];
      }),
    [flies, tables],
  );
  const views = useMemo(() => {
    const bounds = laid.map((each) => boundsOf(each.sections, each.platform.landmarksMm.rear));
    const [front, rear] = [Math.min(...bounds.map((b) => b.front)), Math.max(...bounds.map((b) => b.rear))];
    const [top, bottom] = [Math.max(...bounds.map((b) => b.top)), Math.min(...bounds.map((b) => b.bottom))];
    const scale = Math.min((0.94 * WIDTH) / (rear - front), (0.9 * HEIGHT) / (top - bottom));
    const [across, up] = [((rear + front) / 2) * scale, ((top + bottom) / 2) * scale];
    return [viewOf('profile', WIDTH / 2 + (hand === 'right' ? across : -across), HEIGHT / 2 + up, scale, hand)];
  }, [laid, hand]);
  if (laid.length < 2) return null;
  const figure = (value: number): string =>
    Number.isFinite(value) ? formatNumber(value, value < 9.95 ? 1 : 0, style) : 'any number of';
  return (
    <figure className="border-t border-hair py-1" data-testid="over">
      <svg
        width={WIDTH}
        height={HEIGHT}
        role="img"
        aria-label={`${flies[0].name} and ${flies[1].name}, over each other`}
      >
        {laid.map((each, i) => (
          <OneOutline
            key={LOOKS[i]}
            laid={each}
            {...{ views, width: WIDTH, height: HEIGHT }}
            stroke={LOOKS[i] ?? 'var(--ink)'}
            dash={DASHES[i]}
          />
        ))}
      </svg>
      <figcaption className="text-label">
        <b className="text-measure">{flies[0].name}</b> over <b style={{ color: 'var(--shape)' }}>{flies[1].name}</b>,
        dashed: the fly of each fished longest.
        {ratio && (
          <>
            {' '}
            {figure(ratio[0])} to {figure(ratio[1])} times as many takes an hour as all others.
          </>
        )}
      </figcaption>
    </figure>
  );
}
