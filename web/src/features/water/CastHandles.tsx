import { toDeg, toRad } from '@jobbet/core/model';
import { saying } from '@jobbet/core/units';
import type { Fishing, WaterTexts } from '@jobbet/core/water';
import { useStyle } from '../../shared/settings/settings.ts';
import type { Handled, Pulls } from './asking.ts';
import { Handle } from './Handle.tsx';
import { M } from './scene.tsx';

/** A place on the water, m: downstream and out. */
export type Place = readonly [x: number, y: number];
/** Line is laid so far upstream by a mend, m. */
const MEND_M = 2;
const BOUNDS = { cast: [3, 40], angle: [-80, 85], mends: [0, 6] } as const;
const clamped = (value: number, [least, most]: readonly [number, number], step: number): number =>
  Math.min(most, Math.max(least, Math.round(value / step) * step));

/** Where the fly comes down, m: downstream and out. */
function castPlace({ manner, angleDeg }: Fishing, castM: number): Place {
  const turned = manner === 'jig' || manner === 'hang' ? Math.PI / 2 : toRad(angleDeg);
  return [castM * Math.sin(turned), castM * Math.cos(turned)];
}

/** The middle of the cast, and where the mends lay it. */
function mendPlace(fishing: Fishing, castM: number): Place {
  const [x, y] = castPlace(fishing, castM);
  return [x / 2 - MEND_M * fishing.mends, y / 2];
}

/** The line as the mends lay it. */
export function MendLine({
  asked: { fishing, castMm },
  at,
}: {
  readonly asked: Handled;
  readonly at: (place: Place) => Place;
}) {
  const castM = castMm / M;
  if (fishing.mends === 0) return null;
  const [from, over, to] = [[0, 0] as const, mendPlace(fishing, castM), castPlace(fishing, castM)].map(at) as [
    Place,
    Place,
    Place,
  ];
  // A curve of the second degree passes half as far from its chord as its middle point lies.
  const middle = over.map((each, i) => 2 * each - ((from[i] ?? 0) + (to[i] ?? 0)) / 2);
  return (
    <path
      d={`M${from.join(' ')}Q${middle.join(' ')} ${to.join(' ')}`}
      fill="none"
      stroke="var(--measure)"
      strokeDasharray="4 3"
    />
  );
}

/** The end of the cast and the mends, pulled on the water. */
export function CastHandles({
  asked: { castMm, fishing },
  at,
  from,
  pulls,
}: {
  readonly asked: Handled;
  readonly at: (place: Place) => Place;
  readonly from: (x: number, y: number) => Place;
  readonly pulls: Pulls;
}) {
  const style = useStyle();
  const { depth, angle } = saying(style);
  const straight = fishing.manner === 'jig' || fishing.manner === 'hang';
  const textsOf = (metres: number, deg: number): WaterTexts => ({
    cast: depth(M * clamped(metres, BOUNDS.cast, 0.5)),
    ...(straight ? {} : { angle: `${String(clamped(deg, BOUNDS.angle, 5))} deg` }),
  });
  const mended = (mends: number): string => String(clamped(mends, BOUNDS.mends, 1));
  const castM = castMm / M;
  return (
    <>
      <Handle
        label="end of the cast"
        words={straight ? depth(castMm) : `${depth(castMm)} at ${angle(fishing.angleDeg)}`}
        value={castM}
        least={BOUNDS.cast[0]}
        most={BOUNDS.cast[1]}
        upright={false}
        at={at(castPlace(fishing, castM))}
        onPull={(px, py) => {
          const [x, y] = from(px, py);
          pulls.pull(textsOf(Math.hypot(x, y), toDeg(Math.atan2(x, y))));
        }}
        onDone={pulls.letGo}
        onStep={(right, by) => pulls.take(textsOf(castM + 0.5 * right, fishing.angleDeg + 5 * by))}
      />
      {fishing.manner === 'swing' && (
        <Handle
          label="mends of the line"
          words={fishing.mends === 0 ? 'none' : String(fishing.mends)}
          value={fishing.mends}
          least={BOUNDS.mends[0]}
          most={BOUNDS.mends[1]}
          upright
          at={at(mendPlace(fishing, castM))}
          onPull={(px, py) =>
            pulls.pull({ mend: mended((castPlace(fishing, castM)[0] / 2 - from(px, py)[0]) / MEND_M) })
          }
          onDone={pulls.letGo}
          onStep={(_right, by) => pulls.take({ mend: mended(fishing.mends - by) })}
        />
      )}
    </>
  );
}
