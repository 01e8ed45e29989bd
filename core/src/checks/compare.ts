import type { School } from '../data/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { layFly, type LaidFly } from '../model/index.ts';
import { followAll, standing } from './standing.ts';

/** How one part differs between two schools: what it measures after each, and the reason each gives. Lengths mm. */
export interface Difference {
  readonly id: string;
  readonly mm: readonly [number, number];
  readonly rules: readonly [string | null, string | null];
  readonly why: readonly [string | null, string | null];
}

/** One fly tied after two schools. */
export interface Comparison {
  readonly flies: readonly [LaidFly, LaidFly];
  readonly differences: readonly Difference[];
}

const TELLING_MM = 0.1;

const tiedAfter = (laid: LaidFly, school: School, drawers: Drawers): LaidFly => {
  const tied = layFly(followAll(laid, school, drawers).file, drawers);
  return tied.ok ? tied.value : laid;
};

/** Ties one fly wholly after either of two schools; parts that a school is silent on stay as they are. */
export function compareSchools(laid: LaidFly, a: School, b: School, drawers: Drawers): Comparison {
  const flies = [tiedAfter(laid, a, drawers), tiedAfter(laid, b, drawers)] as const;
  const differences = laid.parts.flatMap(({ file: { id } }): Difference[] => {
    const [one, other] = flies.map((fly) => fly.parts.find((part) => part.file.id === id)?.extent);
    if (!one || !other) return [];
    const moves = [one.lengthMm - other.lengthMm, (one.tipMm ?? 0) - (other.tipMm ?? 0), one.endMm - other.endMm];
    if (moves.every((mm) => Math.abs(mm) < TELLING_MM)) return [];
    const says = [standing(flies[0], id, a, drawers), standing(flies[1], id, b, drawers)] as const;
    return [
      {
        id,
        mm: [one.lengthMm, other.lengthMm],
        rules: [says[0]?.rule ?? null, says[1]?.rule ?? null],
        why: [says[0]?.why ?? null, says[1]?.why ?? null],
      },
    ];
  });
  return { flies, differences };
}
