import { partOf } from '../geometry/cells.ts';
import { project, silhouetteArea } from '../geometry/silhouette.ts';
import type { SolidLump } from '../platform/section.ts';
import { tippingWeight, type Tipping } from '../balance/tipping.ts';
import type { LaidFly } from './layFly.ts';
import { balanceModel } from './balanceModel.ts';

/** What one thing on a fly brings to its balance. Weights mg, moments mg·mm, areas mm². */
export interface Contribution {
  /** A part's id, or the hook or the thread. */
  readonly id: string;
  readonly kind: 'part' | 'hook' | 'thread';
  readonly submergedMg: number;
  /** Keel moment about the tow axis: positive turns it point-up. */
  readonly momentMgMm: number;
  readonly lateralMgMm: number;
  /** Its own side silhouette, whatever lies over it. */
  readonly sideMm2: number;
}

const PLATFORM = 'platform';
const THREADS: ReadonlySet<string> = new Set(['thread', 'head']);

/** Which part brings how much to weight, keel moment and silhouette; weights and moments add up to those of the fly. */
export function contributionsOf(laid: LaidFly): readonly Contribution[] {
  const model = balanceModel(laid);
  const { table, tow } = model;
  const owners = laid.sections.map((section) => section.owner);
  const area = (holds: (owner: string) => boolean): number => {
    const own = partOf(table, (section) => holds(owners[section] ?? ''));
    return silhouetteArea(own, project(own, 'side', 0, { wants: 'breadth' }));
  };
  const of = (
    id: string,
    kind: Contribution['kind'],
    lumps: readonly SolidLump[],
    holds: (owner: string) => boolean,
  ): Contribution => {
    let [submergedMg, momentMgMm, lateralMgMm] = [0, 0, 0];
    for (const { massMg, volumeMm3, centroid } of lumps) {
      const weight = massMg - laid.water.density * volumeMm3;
      submergedMg += weight;
      momentMgMm += weight * (centroid[2] - tow[2]);
      lateralMgMm += weight * (centroid[1] - tow[1]);
    }
    return { id, kind, submergedMg, momentMgMm, lateralMgMm, sideMm2: area(holds) };
  };
  const ids = new Set(laid.parts.map((part) => part.built.id));
  const thread =
    laid.thread.lumps.length === 0
      ? []
      : [of('thread', 'thread', laid.thread.lumps, (owner) => THREADS.has(owner) && !ids.has(owner))];
  return [
    of('hook', 'hook', laid.platform.lumps, (owner) => owner === PLATFORM),
    ...thread,
    ...laid.parts.map((part) => of(part.file.id, 'part', part.built.lumps, (owner) => owner === part.built.id)),
  ];
}

/** The mass at which one weight would turn the fly over, tied where it is and on the other side of the shank. */
export interface TippingOf {
  readonly part: string;
  readonly massMg: number;
  readonly asTied: Tipping | null;
  readonly otherSide: Tipping | null;
}

/** The tipping weight of every weight that sits on one side, the heaviest first. */
export function tippingsOf(laid: LaidFly): readonly TippingOf[] {
  const towZ = laid.platform.towPoint[2];
  return laid.parts
    .flatMap((part): TippingOf[] => {
      const { ball } = part.built;
      if (ball?.sided !== true) return [];
      const one = { id: part.file.id, massMg: part.massMg, submergedMg: part.submergedMg, ...ball };
      const asTied = tippingWeight(one, laid.tight.momentMgMm, towZ, laid.water);
      const [x, y, z] = ball.centroid;
      const over = { ...one, centroid: [x, y, -z] as const };
      const moved = laid.tight.momentMgMm + part.submergedMg * (-z - z);
      return [
        { part: part.file.id, massMg: part.massMg, asTied, otherSide: tippingWeight(over, moved, towZ, laid.water) },
      ];
    })
    .sort((a, b) => b.massMg - a.massMg);
}
