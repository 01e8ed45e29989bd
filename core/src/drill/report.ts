import type { DrillFile, DrillOf } from '../records/index.ts';
import { grouped, pulledIn, shareOff, tallyOf } from './tally.ts';

/** Answers that are alike, as the command prints them. Lengths mm, shares of the truth; spreads null where there is one. */
export interface DrillGroup {
  readonly of: DrillOf;
  readonly relation: string;
  readonly size: string;
  readonly platform: string | null;
  readonly direction: string | null;
  readonly n: number;
  readonly bias_mm: number;
  readonly sd_mm: number | null;
  readonly bias_share: number;
  readonly sd_share: number | null;
}

const round = (value: number): number => Math.round(value * 1e4) / 1e4;
const roundOrNone = (value: number | null): number | null => (value === null ? null : round(value));

/** Bias and spread of what was answered in mm, by relation, size, platform and direction. */
export function reportDrills(files: readonly DrillFile[]): { readonly groups: readonly DrillGroup[] } {
  const groups = grouped(pulledIn(files), ({ of, item: { asked, on, platform, direction } }) =>
    JSON.stringify([of, asked, on, platform ?? null, direction ?? null]),
  );
  return {
    groups: [...groups].map(([key, all]): DrillGroup => {
      const [of, relation, size, platform, direction] = JSON.parse(key) as [
        DrillOf,
        string,
        string,
        string | null,
        string | null,
      ];
      const mm = tallyOf(all.map(({ truthMm, givenMm }) => givenMm - truthMm));
      const share = tallyOf(all.map(shareOff));
      return {
        of,
        relation,
        size,
        platform,
        direction,
        n: mm.n,
        bias_mm: round(mm.bias),
        sd_mm: roundOrNone(mm.sd),
        bias_share: round(share.bias),
        sd_share: roundOrNone(share.sd),
      };
    }),
  };
}
