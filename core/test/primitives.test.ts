import given from './cases/primitives.json' with { type: 'json' };
import { cutCells } from '../src/model/geometry/cells.ts';
import { project, sumSilhouette } from '../src/model/geometry/silhouette.ts';
import { section, setEllipse } from '../src/model/platform/section.ts';
import { droopAt } from '../src/model/balance/droop.ts';
import { fallFromRest, timeTo } from '../src/model/balance/fromRest.ts';
import { rightingMoment } from '../src/model/balance/keel.ts';
import { sumWeights, toRad, type BalanceModel } from '../src/model/balance/model.ts';
import { slackTorque } from '../src/model/balance/slack.ts';
import { solveBalance } from '../src/model/balance/solveBalance.ts';
import { sinkingDrag, sphereDrag, sphereSinking } from '../src/model/balance/sinking.ts';
import { water } from '../src/model/balance/water.ts';

interface PrismModel {
  effectiveMass_mg?: number;
  shank_mm: number;
  tow_mm: number[];
  weights: { w_mg: number; at_mm: number[] }[];
  sections: {
    from_mm: number;
    to_mm: number;
    centre_mm: number[];
    semi_mm: { y: number; z: number };
    opacity: number;
    softness: number;
  }[];
}

function modelOf(given: PrismModel): BalanceModel {
  const triple = (v: number[]) => [v[0] ?? 0, v[1] ?? 0, v[2] ?? 0] as const;
  const table = cutCells(
    given.sections.map((s, i) =>
      section({
        owner: String(i),
        fromMm: s.from_mm,
        toMm: s.to_mm,
        softness: s.softness,
        at: (_x, out) => {
          setEllipse(out, s.centre_mm[0] ?? 0, s.centre_mm[1] ?? 0, s.semi_mm.y, s.semi_mm.z, s.opacity);
        },
      }),
    ),
  );
  return {
    water: water(10, 0),
    leverMm: given.shank_mm,
    tow: triple(given.tow_mm),
    weights: given.weights.map((w) => ({ submergedMg: w.w_mg, at: triple(w.at_mm) })),
    table,
    nose: {
      frontMm2: 0,
      stiffFrontMm2: 0,
      trails: null,
      skinMm2: 0,
      blunt: 1,
      bluntBehind: 1,
      lengthMm: table.toMm - table.fromMm,
    },
  };
}

const agrees = (got: number | null | undefined, want: number | null): boolean =>
  want === null
    ? got === null
    : typeof got === 'number' && Math.abs(got - want) <= given.tolerance * Math.max(Math.abs(want), 0.1);

describe('weights and sections given directly', () => {
  test.each(given.cases.filter((each) => 'sections' in each.model).map((each) => [each.name, each] as const))(
    '%s',
    (_name, each) => {
      const model = modelOf(each.model as PrismModel);
      const want: unknown = each.expect;
      const { tight, slack, hold, trim, sink } = solveBalance(model);
      const [side, plan] = (['side', 'plan'] as const).map((view) =>
        sumSilhouette(model.table, project(model.table, view, 0)),
      );
      const breadth = (deg: number) => project(model.table, 'side', toRad(deg)).b[5];
      const figures: Record<string, number | null | undefined> = {
        'silhouette.side_mm2': side?.areaMm2,
        'silhouette.plan_mm2': plan?.areaMm2,
        'silhouette.sideCentre_mm.0': side?.x,
        'silhouette.sideCentre_mm.1': side?.across,
        'silhouette.planCentre_mm.0': plan?.x,
        'silhouette.planCentre_mm.1': plan?.across,
        'silhouette.width30_mm': breadth(30),
        'silhouette.width_mm': breadth(0),
        'tight.moment_mg_mm': tight.momentMgMm,
        'tight.lateral_mg_mm': tight.lateralMgMm,
        'tight.heel_deg': tight.heelDeg,
        'tight.righting45_mg_mm': rightingMoment(tight.momentMgMm, tight.lateralMgMm, toRad(45)),
        'slack.heel_deg': slack.heelDeg,
        'slack.torqueAt30_mg_mm': slackTorque(model, toRad(30)),
        holdsTo_mm_s: hold.holdsTo,
        lever: trim.lever,
        level_mm_s: sink?.level,
        'droop_deg.100': droopAt(model, tight.heelDeg ?? 0, 100),
        'droop_deg.300': droopAt(model, tight.heelDeg ?? 0, 300),
        'droop_deg.600': droopAt(model, tight.heelDeg ?? 0, 600),
        timeTo1mLevel_s: timeTo(
          fallFromRest(
            sumWeights(model.weights).total,
            (each.model as PrismModel).effectiveMass_mg ?? 0,
            sinkingDrag(model, slack.heelDeg ?? 0, 0),
            sink?.level ?? 0,
            1000,
          ),
          1000,
        ),
      };
      const rides: Record<string, string> = { 'tight.ride': tight.ride, 'slack.ride': slack.ride };
      let checked = 0;
      const check = (path: string, value: unknown): void => {
        if (typeof value === 'object' && value !== null) {
          for (const [key, inner] of Object.entries(value)) check(path === '' ? key : `${path}.${key}`, inner);
          return;
        }
        checked++;
        if (typeof value === 'string') {
          expect([path, rides[path]]).toEqual([path, value]);
          return;
        }
        expect([path, figures[path], agrees(figures[path], value as number | null)]).toEqual([
          path,
          figures[path],
          true,
        ]);
      };
      check('', want);
      expect(checked).toBeGreaterThan(7);
    },
  );

  test.each(given.cases.filter((each) => 'sphere' in each.model).map((each) => [each.name, each] as const))(
    '%s',
    (_name, each) => {
      const { diameter_mm: d, density } = (each.model as { sphere: { diameter_mm: number; density: number } }).sphere;
      const inWater = water(10, 0);
      const submerged = (Math.PI / 6) * d ** 3 * (density - inWater.density);
      const want = each.expect as { submerged_mg: number; level_mm_s: number | null; timeTo1m_s: number | null };
      expect(agrees(submerged, want.submerged_mg)).toBe(true);
      const terminal = sphereSinking(d, submerged, inWater);
      expect(agrees(terminal, want.level_mm_s)).toBe(true);
      const volume = (Math.PI / 6) * d ** 3;
      const fall = fallFromRest(
        submerged,
        volume * density + 0.5 * inWater.density * volume,
        sphereDrag(d, inWater),
        terminal ?? 0,
        1000,
      );
      expect(agrees(timeTo(fall, 1000), want.timeTo1m_s)).toBe(true);
    },
  );
});
