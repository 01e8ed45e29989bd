import { toRad, project, silhouetteArea, type LaidFly, balanceModel } from '../../model/index.ts';

/** A fly's outline as it rides: areas in mm², its length, greatest depth and breadth in mm. */
export interface Shape {
  readonly sideMm2: number;
  readonly belowMm2: number;
  readonly frontMm2: number;
  readonly lengthMm: number;
  readonly deepMm: number;
  readonly broadMm: number;
}

/** Areas are summed over opacity; depth and breadth are the greatest such sums at one place along it. @param rollDeg the roll it rides at */
export function shapeOf(laid: LaidFly, rollDeg: number): Shape {
  const { table } = balanceModel(laid);
  const [side, plan] = (['side', 'plan'] as const).map((view) => project(table, view, toRad(rollDeg)));
  const area = (of: typeof side): number => (of ? silhouetteArea(table, of) : 0);
  const most = (of: typeof side): number => (of ? of.b.reduce((top, b) => Math.max(top, b), 0) : 0);
  return {
    sideMm2: area(side),
    belowMm2: area(plan),
    frontMm2: balanceModel(laid).nose.frontMm2,
    lengthMm: table.toMm - table.fromMm,
    deepMm: most(side),
    broadMm: most(plan),
  };
}
