import { CHOOSING } from '../data/index.ts';
import type { LaidPart } from '../model/index.ts';
import type { Need } from './needs.ts';
import type { BatchPlan, PlannedRow } from './plan.ts';
import { isOf, type Take, type TakeKind } from './takes.ts';
import { round, roundOrNone } from './rounding.ts';

/** Pieces of one length cut from one length, or made ready where nothing is cut. */
export interface PrepReport {
  readonly material: string;
  readonly colour: string | null;
  /** What is done to it. */
  readonly what: string;
  /** What to look for in each, and what is done to it before that; null where there is nothing to say. */
  readonly lookFor: string | null;
  readonly doFirst: string | null;
  readonly pieces: number;
  readonly cut_mm: number | null;
  /** Which one: `1 of 3`, `to buy`; null where nobody measured any. */
  readonly from: string | null;
  readonly of: number | null;
  readonly waste_mm: number | null;
  /** What is left of it and what it serves; null where nothing is. */
  readonly leftover: string | null;
  /** Where a piece is marked before it is tied in, from the end that is tied in first: there it goes on as another part. */
  readonly points: readonly { readonly as: string; readonly at_mm: number }[];
  /** What of the material is left whatever is cut of it, and what it serves as; null where nothing is. */
  readonly byproduct: string | null;
}

/** What is done to each kind of thing before the first hook is in the vise. */
const READY: Readonly<Record<TakeKind, string>> = {
  hook: 'each tried at the bend and the eye, barb pinched where the fly says so',
  ball: 'sorted by size, two that match where they are eyes',
  wire: 'cut',
  wound: 'cut',
  strip: 'cut from the hide side, hair lying one way, one end to a point',
  hair: 'combed clean of underfur, tips levelled, clump by clump',
  plume: 'clump by clump, thick stems out',
  strand: 'cut',
  hackle: 'measured against the gap, fluff stripped off the stem',
  feather: 'paired, one left and one right, matched in length',
  spun: 'combed clean of underfur, clump by clump',
  sheet: 'cut to width',
  dubbing: 'teased and laid out by the pinch',
  thread: 'wound on the bobbin',
};

type Ready = Pick<PrepReport, 'what' | 'lookFor' | 'doFirst' | 'byproduct'>;

/**
 * What is done to what a need takes, what to look for in it, and what is done before: as the item says, else as things of its kind. What is left of
 * it is offered to what is dubbed in the same colour.
 */
function readyOf(need: Need, { needs, rows }: Pick<BatchPlan, 'needs' | 'rows'>): Ready {
  const { kind, colour } = need.take;
  const { goods } = need;
  const usual = CHOOSING[kind];
  const isAlike = (other: string | null): boolean => other?.trim().toLowerCase() === colour?.trim().toLowerCase();
  const dubbed = needs.find(({ take }) => take.kind === 'dubbing' && isAlike(take.colour));
  const serves = dubbed ? `dubbing, or with the ${dubbed.take.item} of this batch` : 'dubbing';
  return {
    what: READY[kind],
    lookFor: goods?.lookFor ?? usual?.lookFor ?? null,
    doFirst: goods?.doFirst ?? usual?.first ?? null,
    byproduct: usual?.leaves === undefined ? null : [`${usual.leaves}: ${serves}`, ...smallerOf(need, rows)].join('; '),
  };
}

/** What of it is left for a smaller fly: one of this batch that takes the same shorter, else the next one. */
function smallerOf({ take, byRow }: Need, rows: readonly PlannedRow[]): string[] {
  const left = CHOOSING[take.kind]?.smaller;
  if (left === undefined) return [];
  const own = [...byRow.keys()].flatMap((row) =>
    (rows[row]?.takes ?? []).flatMap((each) => {
      const mm = each.fibreMm ?? each.cutMm;
      return isOf(take, each) && mm !== null ? [{ row, mm }] : [];
    }),
  );
  const [least, most] = [Math.min(...own.map(({ mm }) => mm)), Math.max(...own.map(({ mm }) => mm))];
  const smaller = least < SMALLER * most ? own.find(({ mm }) => mm === least) : undefined;
  const fly = smaller && rows[smaller.row]?.fly;
  return [`${left}: ${fly ? fly.name : 'the next smaller fly'}`];
}

/** What is no longer than this share of the longest serves a smaller fly. Judgement. */
const SMALLER = 0.85;

const marked = ({ points }: Pick<Take, 'points'>): PrepReport['points'] =>
  points.map(({ as, atMm }) => ({ as, at_mm: round(atMm) }));

interface Run extends Pick<Take, 'points'> {
  readonly at: number | null;
  readonly mm: number;
  pieces: number;
}

/** Runs of pieces of one length from one length that are marked alike, the longest pieces first. */
function cutRuns({ cuts, layout }: Need): readonly Readonly<Run>[] {
  const runs = new Map<string, Run>();
  const micrometres = (mm: number): string => String(Math.round(1000 * mm));
  cuts.forEach(({ mm, points }, i) => {
    const at = layout[i] ?? null;
    const marks = points.map(({ as, atMm }) => `${as} ${micrometres(atMm)}`).join();
    const key = `${String(at)} ${micrometres(mm)} ${marks}`;
    const run = runs.get(key) ?? { at, mm, points, pieces: 0 };
    run.pieces++;
    runs.set(key, run);
  });
  return [...runs.values()].sort((a, b) => (a.at ?? Infinity) - (b.at ?? Infinity) || b.mm - a.mm);
}

/** What is left of a length, said so that one sees what for; ends that serve nothing in the batch are waste. */
function endOf(
  leftMm: number,
  lengths: readonly number[],
): { readonly waste: number; readonly leftover: string | null } {
  const served = [...new Set(lengths.map((mm) => mm.toFixed(3)))].map(Number).sort((a, b) => b - a);
  const longest = served.find((mm) => mm <= leftMm + 1e-6);
  if (leftMm <= 1e-6) return { waste: 0, leftover: null };
  if (longest === undefined) return { waste: leftMm, leftover: null };
  const more = Math.floor(leftMm / longest + 1e-9);
  return {
    waste: 0,
    leftover: `${leftMm.toFixed(0)} mm, enough for ${String(more)} more of ${longest.toFixed(0)} mm`,
  };
}

/** What is cut to length, stock by stock. */
function cutPrep(need: Need, plan: BatchPlan): PrepReport[] {
  const { take, cuts, lengths, layout } = need;
  const left = [...(lengths ?? [])];
  layout.forEach((at, i) => {
    if (at !== null) left[at] = (left[at] ?? 0) - (cuts[i]?.mm ?? 0);
  });
  const runs = cutRuns(need);
  return runs.map(({ at, mm, points, pieces }, i): PrepReport => {
    const last = runs[i + 1]?.at !== at;
    const end =
      at !== null && last
        ? endOf(
            left[at] ?? 0,
            cuts.map((cut) => cut.mm),
          )
        : { waste: 0, leftover: null };
    return {
      material: take.item,
      colour: take.colour,
      ...readyOf(need, plan),
      points: marked({ points }),
      pieces,
      cut_mm: round(mm),
      from: at !== null ? `${String(at + 1)} of ${String(left.length)}` : lengths === null ? null : 'to buy',
      of: at === null ? null : round(lengths?.[at] ?? 0),
      waste_mm: at === null ? null : round(end.waste),
      leftover: end.leftover,
    };
  });
}

/** What is made ready piece by piece or clump by clump. */
function countedPrep(
  need: Need,
  plan: BatchPlan,
  flies: readonly { cutMm: number | null; pieces: number }[],
): PrepReport[] {
  const { take, cuts } = need;
  const byCut = new Map<string, { cutMm: number | null; pieces: number }>();
  for (const { cutMm, pieces } of flies) {
    const key = cutMm === null ? '' : cutMm.toFixed(3);
    const run = byCut.get(key) ?? { cutMm, pieces: 0 };
    run.pieces += pieces;
    byCut.set(key, run);
  }
  const runs = byCut.size > 0 && cuts.length === 0 ? [...byCut.values()] : [{ cutMm: take.cutMm, pieces: need.need }];
  return runs.map(({ cutMm, pieces }): PrepReport => ({
    material: take.item,
    colour: take.colour,
    ...readyOf(need, plan),
    points: marked(take),
    pieces,
    cut_mm: roundOrNone(cutMm),
    from: null,
    of: null,
    waste_mm: null,
    leftover: null,
  }));
}

/**
 * What was made ready for one part of a fly, as it is taken up at the vise: pieces of its own cut where they were cut, else all of its material.
 * @param cutMm what its piece is cut to, mm; null for what is not cut
 */
export function prepAtHand(
  prep: readonly PrepReport[],
  { built, file }: Pick<LaidPart, 'built' | 'file'>,
  cutMm: number | null,
): readonly PrepReport[] {
  const names = [file.material, built.material, built.figuredAs].flatMap((each) => each?.toLowerCase() ?? []);
  const own = prep.filter(
    ({ material, colour }) =>
      names.includes(material.toLowerCase()) &&
      (colour === null || colour.toLowerCase() === (file.colour ?? '').toLowerCase()),
  );
  const cut = own.filter(({ cut_mm: mm }) => mm !== null && cutMm !== null && Math.abs(mm - cutMm) < SAME_MM);
  return cut.length > 0 ? cut : own;
}
/** Cut lengths that differ by less are one. */
const SAME_MM = 0.05;

/** Everything that is made ready before the first hook is in the vise; thread is wound off as it is used. */
export function prepOf(plan: BatchPlan): PrepReport[] {
  return plan.needs
    .filter(({ take }) => take.kind !== 'thread')
    .flatMap((need) =>
      need.unit === 'mm'
        ? cutPrep(need, plan)
        : countedPrep(
            need,
            plan,
            plan.rows.flatMap(({ takes, row, spoilt }) =>
              takes
                .filter((take) => isOf(need.take, take))
                .map(({ cutMm, pieces }) => ({
                  cutMm,
                  pieces: (row.count + spoilt) * (need.unit === 'pieces' ? pieces : 1),
                })),
            ),
          ),
    );
}
