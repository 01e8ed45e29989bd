import given from './cases/water-primitives.json' with { type: 'json' };
import { G } from '../src/model/balance/drag.ts';
import { dragAlong } from '../src/model/balance/thinLine.ts';
import { water } from '../src/model/balance/water.ts';
import { countTo, steadyWithLeader } from '../src/water/countDown.ts';
import { Current } from '../src/water/current.ts';
import { type LinePiece, pieceOfDensity, pieceOfRate, sinkRateOf } from '../src/water/line.ts';
import { catenary, driftSlantDeg, hang, threadAngleDeg, towedAngleDeg } from '../src/water/steady.ts';

/** Fresh water of 10 °C, as the cases have it. */
const WATER = water();

interface Line {
  readonly diameter_mm: number;
  readonly density?: number;
  readonly sinkRate_mm_s?: number;
  readonly length_mm?: number;
}
interface Given {
  readonly line?: Line;
  readonly leader?: Line;
  readonly fly?: { readonly submerged_mg: number; readonly cdA_mm2: number; readonly effectiveMass_mg?: number };
  readonly speed_mm_s?: number;
  readonly span_mm?: number;
  readonly depth_mm?: number;
  readonly mean_mm_s?: number;
  readonly roughness_mm?: number;
  readonly flyAt_mm?: number;
}

const pieceOf = (line: Line): LinePiece =>
  line.sinkRate_mm_s === undefined
    ? pieceOfDensity('line', line.length_mm ?? 1000, line.diameter_mm, line.density ?? 1.14, WATER)
    : pieceOfRate('line', line.length_mm ?? 1000, line.diameter_mm, line.sinkRate_mm_s, WATER);
const flyOf = ({ fly }: Given) => ({
  submergedMg: fly?.submerged_mg ?? 0,
  effectiveMg: fly?.effectiveMass_mg ?? 0,
  dragMg: (speed: number): number => (0.5 * WATER.density * (fly?.cdA_mm2 ?? 0) * speed * speed) / G,
});

/** What is worked out for one of the cases, under the keys it is expected by. */
function figures(is: Given): Readonly<Record<string, number>> {
  const { line, leader, speed_mm_s: speed = 0 } = is;
  const fly = flyOf(is);
  if (is.mean_mm_s !== undefined) {
    const current = new Current({
      depthMm: is.depth_mm ?? 0,
      meanMmS: is.mean_mm_s,
      roughnessMm: is.roughness_mm ?? 0,
      bankShare: 1,
      widthMm: null,
    });
    const atFly = current.at(-(is.flyAt_mm ?? 0), 0);
    return {
      surface_mm_s: current.surfaceMmS,
      atFly_mm_s: atFly,
      slant_deg: driftSlantDeg(fly, current.surfaceMmS, atFly),
    };
  }
  if (leader && is.fly?.effectiveMass_mg !== undefined) {
    const sinking = { ...fly, leader: [{ lengthMm: leader.length_mm ?? 0, diameterMm: leader.diameter_mm }] };
    return {
      terminal_mm_s: steadyWithLeader({ ...sinking, leader: [] }, WATER),
      withLeader_mm_s: steadyWithLeader(sinking, WATER),
      timeTo2m_s: countTo(2000, { ...sinking, leader: [] }, WATER) ?? 0,
      thread_s: (is.depth_mm ?? 0) / steadyWithLeader(sinking, WATER),
    };
  }
  if (leader) {
    const { depthMm, topMg } = hang(fly, [pieceOf(leader)], () => speed, WATER);
    return { depth_mm: depthMm, tensionTop_mg: topMg };
  }
  if (is.fly) return { angleBelowFlow_deg: threadAngleDeg(fly, speed) };
  if (!line) throw new Error('a case of another kind');
  const piece = pieceOf(line);
  if (is.span_mm !== undefined) {
    const { parameterMm, sagMm, lowestMg, endsMg } = catenary(line.length_mm ?? 0, is.span_mm, piece.sunkMgMm);
    return { parameter_mm: parameterMm, sag_mm: sagMm, tensionLowest_mg: lowestMg, tensionEnds_mg: endsMg };
  }
  return {
    weight_mg_mm: piece.sunkMgMm,
    density: piece.dryMgMm / ((Math.PI / 4) * line.diameter_mm ** 2),
    sink_mm_s: sinkRateOf(piece.sunkMgMm, line.diameter_mm, WATER),
    angleFromFlow_deg: towedAngleDeg(piece, speed, WATER),
    drag_mg: dragAlong(line.length_mm ?? 0, line.diameter_mm, speed, WATER) / G,
  };
}

/** What the plate rule says is told for what it misses, and is none of ours. */
const OTHERS = new Set(['flatPlate_mg']);

describe('worked cases of an independent program', () => {
  test.each(given.cases.map((each) => [each.name, each] as const))('%s', (_name, { given: is, expect: has }) => {
    const found = figures(is);
    const named = Object.entries(has).filter(([key]) => !OTHERS.has(key));
    expect(named.length).toBeGreaterThan(0);
    for (const [key, value] of named)
      expect(Math.abs((found[key] ?? Number.NaN) / value - 1)).toBeLessThan(given.tolerance);
  });
});
