import { balanceModel, boundsOf, type LaidFly, silhouetteAt, toRad } from '../model/index.ts';
import type { Traits } from './groups.ts';

/** Side silhouette of a fly as it rides, mm². */
export function sideAreaMm2(laid: LaidFly): number {
  const { table } = balanceModel(laid);
  return silhouetteAt(table, 'side', toRad(laid.tight.heelDeg ?? 0))?.areaMm2 ?? 0;
}

/** What a fly is, as far as takes may hang on it. Its colour is that of its largest coloured part. */
export function traitsOf(laid: LaidFly): Traits {
  const coloured = laid.parts.filter(({ file }) => typeof file.colour === 'string');
  const areaMm2 = sideAreaMm2(laid);
  const { front, rear } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const [largest] = [...coloured].sort((one, other) => other.volumeMm3 - one.volumeMm3);
  return {
    name: laid.file.name,
    ride: laid.tight.ride,
    submergedMg: laid.submergedMg,
    areaMm2,
    slenderness: areaMm2 > 0 ? (rear - front) ** 2 / areaMm2 : 0,
    colour: largest?.file.colour ?? 'none told',
  };
}
