import { cutCells, partOf, type Cells } from '../geometry/cells.ts';
import { frontAreas, type Stands } from '../geometry/front.ts';
import type { BalanceModel } from '../balance/model.ts';
import { restAndSink } from '../balance/solveBalance.ts';
import type { Section } from '../platform/section.ts';
import type { LaidFly } from './layFly.ts';

/** From this softness on a section trails in the water that passes it. */
const TRAILS_FROM = 0.35;

/** Which sections trail: soft parts, and see-through wraps and hackles. */
function trailingOf({ parts, sections }: LaidFly): ReadonlySet<Section> {
  const through = new Set(parts.filter((part) => part.built.seeThrough).map((part) => part.built.id));
  return new Set(sections.filter(({ softness, owner }) => softness >= TRAILS_FROM || through.has(owner)));
}

/** What of a fly trails; null where nothing does. */
function trailsIn(table: Cells, sections: readonly Section[], trailing: ReadonlySet<Section>): Cells | null {
  const part = partOf(table, (section) => trailing.has(sections[section] as Section));
  return part.section.length > 0 ? part : null;
}

/** Which sections are round: balls at both ends, cones and the thread head in front alone. */
function roundIn(laid: LaidFly): ReadonlyMap<Section, Stands> {
  const round = new Map<Section, Stands>();
  for (const { built, file } of laid.parts) {
    if (!built.ball) continue;
    const stands = file.construction === 'ball' && file.shape === 'cone' ? 'round' : 'ball';
    for (const each of built.sections) round.set(each, stands);
  }
  for (const each of laid.thread.sections) if (each.owner === 'head') round.set(each, 'round');
  return round;
}

/** From 1 to 2 by the share of the stiff front that is round. */
const bluntness = (roundMm2: number, stiffMm2: number): number => (stiffMm2 > 0 ? 2 - roundMm2 / stiffMm2 : 1);

const models = new WeakMap<LaidFly, BalanceModel>();

/** Brings a laid fly to weights and sections; worked out once for a fly. */
export function balanceModel(laid: LaidFly): BalanceModel {
  let model = models.get(laid);
  if (!model) models.set(laid, (model = modelOf(laid)));
  return model;
}

/** Steady sinking speed of a laid fly, mm/s, 0 where it floats; what is worked out for it serves when the fly is settled. */
export const sinkSpeed = (laid: LaidFly): number => restAndSink(balanceModel(laid)).sink?.terminal ?? 0;

function modelOf(laid: LaidFly): BalanceModel {
  const table = cutCells(laid.sections);
  const trailing = trailingOf(laid);
  const round = roundIn(laid);
  const { wires, tube } = laid.platform;
  // A hook or shank is all wire.
  const cut = tube ? laid.sections : laid.sections.slice(laid.platform.sections.length);
  const front = frontAreas(
    cut,
    (each) => (trailing.has(each) ? 'trails' : (round.get(each) ?? 'blunt')),
    table.mirrored,
    wires,
  );
  return {
    water: laid.water,
    leverMm: laid.platform.leverMm,
    pointUp: laid.platform.pointUp,
    tow: laid.platform.towPoint,
    dragFactor: laid.file.measured?.dragFactor ?? 1,
    weights: laid.weights,
    table,
    nose: {
      frontMm2: front.allMm2,
      stiffFrontMm2: front.stiffMm2,
      trails: trailsIn(table, laid.sections, trailing),
      blunt: bluntness(front.roundMm2, front.stiffMm2),
      bluntBehind: bluntness(front.ballMm2, front.stiffMm2),
      lengthMm: table.toMm - table.fromMm,
      skinMm2:
        laid.platform.skinMm2 + laid.thread.skinMm2 + laid.parts.reduce((sum, part) => sum + part.built.skinMm2, 0),
    },
  };
}
