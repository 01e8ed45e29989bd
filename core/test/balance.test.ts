import fc from 'fast-check';
import { cylinderCd, sphereCd } from '../src/model/balance/drag.ts';
import { droopAt } from '../src/model/balance/droop.ts';
import { effectiveMass, fallFromRest, timeTo } from '../src/model/balance/fromRest.ts';
import { CURVE_DEG, SideFlow } from '../src/model/balance/heeling.ts';
import { rightingMoment, tightKeel } from '../src/model/balance/keel.ts';
import {
  normalDeg,
  rideOf,
  sumWeights,
  toRad,
  weightCentre,
  type BalanceModel,
  type PointWeight,
} from '../src/model/balance/model.ts';
import { SideCurrent, sideHold } from '../src/model/balance/sideCurrent.ts';
import { sinkClass, sinking, sphereDrag, sphereSinking } from '../src/model/balance/sinking.ts';
import { slackRest, slackTorque } from '../src/model/balance/slack.ts';
import { solveBalance } from '../src/model/balance/solveBalance.ts';
import { tippingWeight, turnsWithin } from '../src/model/balance/tipping.ts';
import { trimAt } from '../src/model/balance/trim.ts';
import { water } from '../src/model/balance/water.ts';
import { cutCells } from '../src/model/geometry/cells.ts';
import { section, setEllipse, type Section, type Vec3 } from '../src/model/platform/section.ts';

const FRESH = water(10, 0);
const at = (submergedMg: number, x: number, y: number, z: number): PointWeight => ({ submergedMg, at: [x, y, z] });
const slab = (
  from: number,
  to: number,
  z: number,
  semiY: number,
  semiZ: number,
  more: Partial<Section> = {},
): Section =>
  section({
    owner: 'slab',
    fromMm: from,
    toMm: to,
    ...more,
    at: (_x, out) => {
      setEllipse(out, 0, z, semiY, semiZ);
    },
  });

/** Weights and sections about a tow point at the origin, with a stiff nose of 4 mm². */
const model = (weights: readonly PointWeight[], sections: readonly Section[], tow: Vec3 = [0, 0, 0]): BalanceModel => ({
  water: FRESH,
  leverMm: 25,
  tow,
  weights,
  table: cutCells(sections),
  nose: { frontMm2: 4, stiffFrontMm2: 4, trails: null, skinMm2: 60, blunt: 1, bluntBehind: 1, lengthMm: 30 },
});

describe('sums and angles', () => {
  test('the centre of weight is null where weight and float nearly cancel', () => {
    expect(weightCentre(sumWeights([at(100, 10, 0, -1), at(100, 20, 0, -3)]))).toEqual([15, 0, -2]);
    expect(weightCentre(sumWeights([at(100, 0, 0, 0), at(-98, 9, 0, 0)]))).toBeNull();
    expect(weightCentre(sumWeights([]))).toBeNull();
  });
  test('angles come into (−180, 180], the ride by twenty degrees either way', () => {
    expect([190, -180, 180, 540, -0].map(normalDeg)).toEqual([-170, 180, 180, 180, 0]);
    expect([0, 20, -20, 20.1, 159.9, 160, -175].map((deg) => rideOf(deg))).toEqual([
      'point-down',
      'point-down',
      'point-down',
      'on-its-side',
      'on-its-side',
      'point-up',
      'point-up',
    ]);
  });
});

describe('keel on a tight line', () => {
  test('weight below the tow point rides point-down, above it point-up, beside it on its side', () => {
    const ride = (y: number, z: number): unknown => {
      const keel = tightKeel(model([at(100, 10, y, z)], []));
      return [keel.ride, keel.heelDeg === null ? null : Math.round(keel.heelDeg)];
    };
    expect(ride(0, -2)).toEqual(['point-down', 0]);
    expect(ride(0, 2)).toEqual(['point-up', 180]);
    expect(ride(2, 0)).toEqual(['on-its-side', -90]);
    expect(ride(-2, -2)).toEqual(['on-its-side', 45]);
  });
  test('a lever of under a twentieth of a millimetre decides nothing, and such a fly holds to no current', () => {
    const keel = tightKeel(model([at(100, 10, 0, -0.04)], []));
    expect([keel.ride, keel.heelDeg]).toEqual(['undecided', null]);
    expect(sideHold(model([at(100, 10, 0, -0.04)], [slab(0, 20, 2, 1, 3)]), keel)).toEqual({
      holdsTo: 0,
      heelAt100Deg: null,
    });
  });
  test('the righting moment is nothing at the rest, falls across it, and turns over half a turn on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: 1, max: 900, noNaN: true }),
        (deg, size) => {
          const [k, ky] = [-size * Math.cos((deg * Math.PI) / 180), -size * Math.sin((deg * Math.PI) / 180)];
          const moment = (by: number): number => rightingMoment(k, ky, ((deg + by) * Math.PI) / 180);
          expect(moment(0)).toBeCloseTo(0, 6);
          expect(moment(10)).toBeLessThan(0);
          expect(moment(-10)).toBeGreaterThan(0);
          expect(moment(190)).toBeCloseTo(-moment(10), 6);
        },
      ),
      { numRuns: 50 },
    );
  });
  test('it is told every five degrees of the whole turn', () => {
    const { righting } = tightKeel(model([at(100, 10, 0, -2)], []));
    expect([righting.length, righting[0]?.[0], righting.at(-1)?.[0]]).toEqual([72, -175, 180]);
  });
});

describe('tipping', () => {
  const ball = {
    id: 'eyes',
    massMg: 500,
    volumeMm3: 60,
    submergedMg: 440,
    density: 8.5,
    weighed: false,
    leastShare: 0.6,
    centroid: [5, 0, 1.3] as Vec3,
  };
  test('is the mass at which the moment of the whole comes to nothing', () => {
    const moment = 200;
    const found = tippingWeight(ball, moment, 0, FRESH);
    const rest = moment - 440 * 1.3;
    expect((found?.massMg ?? 0) * (1 - FRESH.density / 8.5) * 1.3).toBeCloseTo(-rest, 6);
    expect(found?.ratio).toBeCloseTo(500 / (found?.massMg ?? 1), 9);
  });
  test('nobody weighed it: it is worth between six tenths of its solid and all of it, by what it weighs in water', () => {
    const found = tippingWeight(ball, 200, 0, FRESH);
    expect(found?.range?.[1]).toBeCloseTo(found?.ratio ?? NaN, 9);
    expect(found?.range?.[0]).toBeCloseTo(((found?.ratio ?? 0) * (0.6 * 500 - FRESH.density * 60)) / 440, 9);
    expect(tippingWeight({ ...ball, weighed: true }, 200, 0, FRESH)?.range).toBeNull();
    expect([turnsWithin([0.8, 1.1], 1.3), turnsWithin([1.4, 2], 1.3), turnsWithin([0.3, 0.6], 1.3)]).toEqual([
      true,
      false,
      false,
    ]);
  });
  test('a weighed pair keeps its volume', () => {
    expect(tippingWeight({ ...ball, weighed: true }, 200, 0, FRESH)?.massMg).toBeCloseTo(
      FRESH.density * 60 + (440 * 1.3 - 200) / 1.3,
      6,
    );
  });
  test('there is none for a ball level with the tow point, nor where the rest of the fly is over already', () => {
    expect(tippingWeight(ball, 200, 1.28, FRESH)).toBeNull();
    expect(tippingWeight(ball, 700, 0, FRESH)).toBeNull();
  });
});

describe('rest on a slack line', () => {
  const broad = [slab(0, 30, 3, 0.5, 4)];
  test('a broad back above the weight lies as the weight hangs', () => {
    const rest = slackRest(model([at(200, 15, 0, -2)], broad));
    expect([rest.ride, rest.heelDeg]).toEqual(['point-down', expect.closeTo(0, 2)]);
  });
  test('its torque is nothing there and turns the fly back from either side', () => {
    const it = model([at(200, 15, 0.6, -2), at(80, 4, -0.2, 1)], broad);
    const { heelDeg } = slackRest(it);
    const torque = (by: number): number => slackTorque(it, (((heelDeg ?? 0) + by) * Math.PI) / 180);
    expect(Math.abs(torque(0))).toBeLessThan(0.02 * Math.abs(torque(20)));
    expect(torque(8)).toBeLessThan(0);
    expect(torque(-8)).toBeGreaterThan(0);
  });
  test('two rests that are mirror images lie alike low: the positive heel is told, the other beside it', () => {
    // Level, the water meets the flat slab below the weight and turns it over; rolled, the tall one above it and turns it back.
    const rest = slackRest(model([at(200, 15, 0, -1)], [slab(0, 30, -2, 5, 0.1), slab(0, 30, 2, 0.1, 5)]));
    expect(rest.heelDeg).toBeGreaterThan(5);
    expect(rest.heelDeg).toBeLessThan(85);
    expect(rest.others).toContainEqual(expect.closeTo(-(rest.heelDeg ?? NaN), 3));
  });
  test('where nothing turns it, it is undecided', () => {
    expect(slackRest(model([at(200, 15, 0, 0)], [slab(0, 30, 0, 2, 2)]))).toEqual({
      ride: 'undecided',
      heelDeg: null,
      others: [],
      lowestDeg: null,
    });
  });
});

describe('side current', () => {
  const weights = [at(300, 12, 0, -2)];
  test('a taller back gives way sooner, a heavier keel later', () => {
    const holds = (z: number, mg = 300): number => {
      const it = model([at(mg, 12, 0, -2)], [slab(5, 25, z, 0.5, 3)]);
      return sideHold(it, tightKeel(it)).holdsTo ?? Infinity;
    };
    expect(holds(4)).toBeLessThan(holds(2));
    expect(holds(3, 500)).toBeGreaterThan(holds(3, 300));
  });
  test('what stands even about the tow axis is never capsized', () => {
    const it = model(weights, [slab(5, 25, 0, 0.5, 3)]);
    expect(sideHold(it, tightKeel(it)).holdsTo).toBeNull();
  });
  test('the heel at 100 mm/s is there below the limit and none above it', () => {
    const heel = (z: number): unknown => {
      const it = model(weights, [slab(5, 25, z, 0.5, 3)]);
      const { holdsTo, heelAt100Deg } = sideHold(it, tightKeel(it));
      return [(holdsTo ?? Infinity) > 100, heelAt100Deg !== null];
    };
    for (const z of [1, 2, 4, 8]) {
      const [above, told] = heel(z) as [boolean, boolean];
      expect(told).toBe(above);
    }
  });
});

describe('trim and sinking', () => {
  const body = [slab(0, 30, 0, 2, 2)];
  test('weight ahead of the middle sinks nose-first, behind it tail-first, at it level', () => {
    const trim = (x: number): string | null => trimAt(model([at(300, x, 0, -0.5)], body), 0).verdict;
    expect([trim(2), trim(15), trim(28)]).toEqual(['nose-first', 'level', 'tail-first']);
    expect(trimAt(model([at(300, 5, 0, 0)], body), 0).lever).toBeCloseTo(10 / 25, 6);
  });
  test('what floats does not sink; a heavier one sinks faster', () => {
    expect(sinking(model([at(-20, 15, 0, 0)], body), 0, 0)).toBeNull();
    const level = (mg: number): number => sinking(model([at(mg, 15, 0, 0)], body), 0, 0)?.level ?? 0;
    expect(level(400)).toBeGreaterThan(level(200));
  });
  test('nose-down it sinks at a speed between level and nose-first', () => {
    const it = sinking(model([at(300, 5, 0, 0)], body), 0, 45);
    if (!it) throw new Error('it floats');
    expect(it.terminal).toBeGreaterThan(it.level);
    expect(it.terminal).toBeLessThan(it.noseFirst);
    expect(it.class).toBe(sinkClass(it.terminal));
  });
  test('a ball alone falls as the drag of a sphere says', () => {
    const v = sphereSinking(4, 200, FRESH) ?? 0;
    const drag = ((FRESH.density * v * v) / (2 * 9806.65)) * sphereCd((v * 4) / FRESH.viscosity) * Math.PI * 4;
    expect(drag).toBeCloseTo(200, 0);
    expect(sphereSinking(4, 0, FRESH)).toBeNull();
    const dragAt = sphereDrag(4, FRESH);
    expect([dragAt(0), dragAt(-5)]).toEqual([0, 0]);
    expect(dragAt(v)).toBeCloseTo(200, 3);
  });
  test('with nothing decided on the slack line the tight rest is taken', () => {
    const it = solveBalance(model([at(300, 15, 0, -0.2)], [slab(0, 30, 0, 2, 2)]));
    expect([it.slack.heelDeg, it.tight.heelDeg, it.restDeg]).toEqual([null, 0, 0]);
  });
});

describe('a side current over the full turn', () => {
  const back = model([at(200, 10, 0, -2)], [slab(0, 20, 3, 1, 4)]);
  const keel = tightKeel(back);
  test('at its limit the push just equals what turns it back, at the heel it gives way', () => {
    const { limits } = new SideCurrent(back, keel);
    const [limit] = limits;
    if (limit?.holdsTo == null || limit.atDeg === null) throw new Error('no limit');
    expect(limit.holdsTo).toBeCloseTo(sideHold(back, keel).holdsTo ?? NaN, 6);
    const flow = new SideFlow(back);
    const near = CURVE_DEG.indexOf(5 * Math.round(limit.atDeg / 5));
    const push = flow.torque(limit.holdsTo, limit.flow)[near] ?? NaN;
    const against = rightingMoment(keel.momentMgMm, keel.lateralMgMm, toRad(CURVE_DEG[near] ?? 0));
    // On the curve's nearest five degrees both are alike and opposite, to a few per cent.
    expect(Math.abs(push + against)).toBeLessThan(0.05 * Math.abs(against));
  });
  test('the flow from the other side pushes the other way; twice as fast, some four times as hard', () => {
    const flow = new SideFlow(back);
    const [one, other] = [flow.torque(100, 1), flow.torque(100, -1)];
    one.forEach((torque, i) => {
      expect(torque).toBeCloseTo(-(other[i] ?? NaN), 9);
    });
    const i = CURVE_DEG.indexOf(30);
    expect((flow.torque(200, 1)[i] ?? 0) / (one[i] ?? 1)).toBeGreaterThan(3);
    expect((flow.torque(200, 1)[i] ?? 0) / (one[i] ?? 1)).toBeLessThanOrEqual(4);
    expect(Math.max(...flow.torque(0, 1).map(Math.abs))).toBe(0);
  });
  test('it lies the further over the faster it flows, at rest in still water, and nowhere beyond its limit', () => {
    const current = new SideCurrent(back, keel);
    const rests = [0, 40, 80].map((speed) => current.restAt(speed, 1) ?? NaN);
    expect(rests[0]).toBe(0);
    expect(Math.abs(rests[2] ?? 0)).toBeGreaterThan(Math.abs(rests[1] ?? 0));
    expect(current.restAt(900, 1)).toBeNull();
    const nothing = new SideCurrent(model([], []), tightKeel(model([], [])));
    expect([nothing.restAt(50, 1), nothing.limits]).toEqual([null, []]);
  });
  test('a fly that is its own mirror image lies as far over to the one side as to the other, and holds alike', () => {
    const current = new SideCurrent(back, keel);
    const [far, near] = current.limits;
    expect([near?.flow, near?.toward, near?.holdsTo]).toEqual([-(far?.flow ?? 0), -(far?.toward ?? 0), far?.holdsTo]);
    expect(current.restAt(80, -1)).toBeCloseTo(2 * (keel.heelDeg ?? NaN) - (current.restAt(80, 1) ?? NaN), 9);
  });
});

describe('droop at a pull', () => {
  // A weight of 100 mg at 20 mm, and a slab 2 mm deep from 0 to 40 mm, whose load acts at 20 mm: cosα·W = load(U·sinα).
  const fly = model([at(100, 20, 0, 0)], [slab(0, 40, 0, 1, 1)]);
  test('is where the weight of the fly and the load of the water balance', () => {
    for (const pull of [100, 300, 600]) {
      const alpha = toRad(droopAt(fly, 0, pull));
      const speed = pull * Math.sin(alpha);
      const cd = cylinderCd((speed * 2) / FRESH.viscosity);
      const load = ((FRESH.density * speed ** 2) / (2 * 9806.65)) * cd * 2 * 40;
      expect(load / (100 * Math.cos(alpha))).toBeCloseTo(1, 2);
    }
  });
  test('hangs straight down unpulled, the less the harder it is pulled, and rises where it floats', () => {
    const hangs = [0, 50, 200, 800].map((pull) => droopAt(fly, 0, pull));
    expect(hangs[0]).toBe(90);
    expect([...hangs].sort((a, b) => b - a)).toEqual(hangs);
    expect(droopAt(model([at(-100, 20, 0, 0)], [slab(0, 40, 0, 1, 1)]), 0, 200)).toBeCloseTo(-(hangs[2] ?? 0), 6);
    expect(droopAt(model([at(100, 0, 0, 0)], [slab(0, 40, 0, 1, 1)]), 0, 200)).toBe(0);
  });
});

describe('a fall from rest', () => {
  // Drag that goes with speed alone has a known fall: v = V(1 − e^(−t/τ)), depth = V(t − τ(1 − e^(−t/τ))), τ = mV/(Wg).
  const [weight, mass, terminal] = [100, 300, 200];
  const fall = fallFromRest(weight, mass, (v) => (weight * v) / terminal, terminal, 1000);
  const tau = (mass * terminal) / (weight * 9806.65);
  test('follows the law it can be reckoned by', () => {
    if (!fall) throw new Error('it floats');
    fall.timesS.forEach((t, i) => {
      const speed = terminal * (1 - Math.exp(-t / tau));
      if (speed < 0.999 * terminal) expect(fall.speedsMmS[i]).toBeCloseTo(speed, 2);
      expect(Math.abs((fall.depthsMm[i] ?? NaN) - terminal * (t - tau * (1 - Math.exp(-t / tau))))).toBeLessThan(0.1);
    });
    expect(timeTo(fall, 1000)).toBeCloseTo(1000 / terminal + tau, 3);
    expect(timeTo(fall, 1001)).toBeNull();
  });
  test('what floats does not fall', () => {
    expect(fallFromRest(-5, 100, () => 0, 100, 1000)).toBeNull();
    expect(timeTo(null, 100)).toBeNull();
  });
  test('water that is pushed aside moves too: a cylinder across all of its own, nose-first half of what balls displace', () => {
    const fly = model([], [slab(0, 40, 0, 1, 1)]);
    expect(effectiveMass(fly, 200, 50, 0, 0)).toBeCloseTo(200 + FRESH.density * Math.PI * 40, 3);
    expect(effectiveMass(fly, 200, 50, 0, 90)).toBeCloseTo(200 + FRESH.density * 25, 3);
  });
});

describe('worked by hand', () => {
  /** A rod 2 mm thick: it shows 2 mm from every side. */
  const rod = (to: number, z: number): Section => slab(0, to, z, 1, 1);

  test('slack rest of a weight beside and below a rod', () => {
    // A rod at z = 1 has its middle seen from below at η = −1·sinθ, so τ = W·((z_w − 1)·sinθ − y_w·cosθ) with the weight at
    // y_w = 0.5, z_w = −2: nothing at θ = atan2(−0.5, 3) = −9.4623°, where it turns back, and half a turn on, where it does not.
    const { heelDeg, ride, others } = slackRest(model([at(100, 5, 0.5, -2)], [rod(10, 1)]));
    expect(heelDeg).toBeCloseTo(-9.4623, 3);
    expect([ride, others]).toEqual(['point-down', []]);
  });
  test('the current that a rod above its keel holds to', () => {
    // R = 100·2 = 200 mg·mm; the rod stands 3 mm over the tow point, at ζ = 3·cosδ when heeled: F·3·cosδ = 200·sinδ, so F = 66.7·tanδ,
    // most at 45°: 66.7 mg. F = ρv²/(2g)·2 mm·10 mm·C_D: at 235 mm/s Re = 235·2/1.3064 = 359.8, C_D = 1.18 + 0.0361 + 0.1033 − 0.1374 =
    // 1.182, F = 5.0970e-5·55225·20·1.182 = 66.5 mg; at 236 mm/s 67.1 mg: it holds to 235.2 mm/s.
    const keel = model([at(100, 5, 0, -2)], [rod(10, 3)]);
    const { holdsTo } = sideHold(keel, tightKeel(keel));
    expect(holdsTo).toBeGreaterThan(234.2);
    expect(holdsTo).toBeLessThan(236.2);
  });
  test('a rod with its weight in the middle, drawn at 200 mm/s', () => {
    // Weight and load have the same lever, so cosα·100 mg = 2.0388e-3·v²·C_D with v = 200·sinα. At 51.2° v = 155.9 mm/s, Re = 238.6,
    // C_D = 1.265: 62.7 mg against 62.7 mg.
    expect(droopAt(model([at(100, 10, 0, 0)], [rod(20, 0)]), 0, 200)).toBeCloseTo(51.2, 0);
  });
});
