import { CHOOSING } from '../data/index.ts';
import { type Drawers, type Goods, lengthsOf } from '../drawers/index.ts';
import { momentText } from '../records/index.ts';
import { needReport, type NeedReport } from './needReport.ts';
import { makesOf, type Need } from './needs.ts';
import type { BatchPlan, PlannedTime } from './plan.ts';
import { isOf, type Take, type TakeKind } from './takes.ts';
import { round, roundOrNone } from './rounding.ts';
import type { Basis, Way } from './times.ts';

/** A batch under the keys the command line promises. Lengths mm, times minutes, money in the user's own. */
export interface BatchReport {
  readonly name: string;
  readonly flies: number;
  readonly rows: readonly RowReport[];
  readonly prep: readonly PrepReport[];
  readonly needs: readonly NeedReport[];
  readonly cost: CostReport;
  readonly time: TimeReport;
}

export interface RowReport {
  readonly name: string;
  readonly on: string;
  readonly count: number;
  readonly spoilt: number;
  /** Of all its flies, the spoilt ones too; null where no price is known of anything in it. */
  readonly cost: number | null;
  readonly costKnown: number;
  readonly ride: string;
  readonly sink_mm_s: number | null;
  readonly weight_mg: number;
  readonly warnings: readonly string[];
  /** Each coat a fly of it gets: minutes of hands, and until it is dry. */
  readonly coats_min: readonly { readonly hands: number; readonly dry: number }[];
}

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

export interface CostReport {
  readonly total: number;
  readonly perFly: number;
  /** The share of what is taken that has a price: 1 where all of it has. */
  readonly known: number;
}

export interface TimeReport {
  readonly way: Way;
  readonly hands_min: number;
  readonly elapsed_min: number;
  readonly perFly_min: number;
  readonly waiting_min: number;
  readonly bound_min: number;
  readonly evenings: number;
  readonly basis: Basis;
  readonly byWay_min: Readonly<Record<Way, number>>;
  /** Flies that find no room in the evenings, by their numbers. */
  readonly left: readonly number[];
  readonly schedule: readonly ScheduleReport[];
}

export interface ScheduleReport {
  /** A day; null without evenings. */
  readonly evening: string | null;
  readonly start: string;
  readonly end: string;
  /** From 1; null for what is made ready beforehand. */
  readonly row: number | null;
  readonly fly: number | null;
  readonly step: string;
  readonly kind: 'hands' | 'drying';
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
function readyOf({ take: { kind, colour }, goods }: Need, needs: readonly Need[]): Ready {
  const usual = CHOOSING[kind];
  const isAlike = (other: string | null): boolean => other?.trim().toLowerCase() === colour?.trim().toLowerCase();
  const dubbed = needs.find(({ take }) => take.kind === 'dubbing' && isAlike(take.colour));
  const serves = dubbed ? `dubbing, or with the ${dubbed.take.item} of this batch` : 'dubbing';
  return {
    what: READY[kind],
    lookFor: goods?.lookFor ?? usual?.lookFor ?? null,
    doFirst: goods?.doFirst ?? usual?.first ?? null,
    byproduct: usual?.leaves === undefined ? null : `${usual.leaves}: ${serves}`,
  };
}

const marked = ({ points }: Pick<Take, 'points'>): PrepReport['points'] =>
  points.map(({ as, atMm }) => ({ as, at_mm: round(atMm) }));

/** Stock that a price is paid for, by the unit of its need; null without a price or where nobody said what one makes. */
function unitCost({ goods, unit, take }: Need): number | null {
  const makes = goods && (makesOf(goods, unit, take) ?? (unit === 'mm' ? meanLength(goods) : null));
  return goods?.price === undefined || makes === null || makes <= 0 ? null : goods.price / makes;
}

/** What one of an item is long on the mean, mm, where every one that lies there was measured; null where not. */
function meanLength(goods: Goods): number | null {
  const lengths = lengthsOf(goods, null) ?? [];
  return lengths.length === 0 ? null : lengths.reduce((sum, mm) => sum + mm, 0) / lengths.length;
}

interface Costs {
  readonly total: number;
  readonly known: number;
  readonly byRow: readonly { readonly cost: number; readonly known: number; readonly any: boolean }[];
}

function costsOf({ needs, rows }: BatchPlan): Costs {
  const byRow = rows.map(() => ({ cost: 0, priced: 0, all: 0 }));
  for (const need of needs) {
    const each = unitCost(need);
    for (const [i, amount] of need.byRow) {
      const row = byRow[i];
      if (!row) continue;
      row.all++;
      if (each === null) continue;
      row.priced++;
      row.cost += amount * each;
    }
  }
  const all = byRow.reduce((sum, row) => sum + row.all, 0);
  return {
    total: byRow.reduce((sum, { cost }) => sum + cost, 0),
    known: all === 0 ? 0 : byRow.reduce((sum, { priced }) => sum + priced, 0) / all,
    byRow: byRow.map(({ cost, priced, all: of }) => ({ cost, known: of === 0 ? 0 : priced / of, any: priced > 0 })),
  };
}

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
function cutPrep(need: Need, needs: readonly Need[]): PrepReport[] {
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
      ...readyOf(need, needs),
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
  needs: readonly Need[],
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
    ...readyOf(need, needs),
    points: marked(take),
    pieces,
    cut_mm: roundOrNone(cutMm),
    from: null,
    of: null,
    waste_mm: null,
    leftover: null,
  }));
}

/** Everything that is made ready before the first hook is in the vise; thread is wound off as it is used. */
function prepOf({ needs, rows }: BatchPlan): PrepReport[] {
  return needs
    .filter(({ take }) => take.kind !== 'thread')
    .flatMap((need) =>
      need.unit === 'mm'
        ? cutPrep(need, needs)
        : countedPrep(
            need,
            needs,
            rows.flatMap(({ takes, row, spoilt }) =>
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

/** Where nobody named a day, minutes are told from this midnight on. */
const NO_DAY = '1970-01-01';

/** Moments so many minutes after a first one; where one thing ends the next begins, so that each is asked for twice. */
function momentsFrom(zero: number): (minutes: number) => string {
  const known = new Map<number, string>();
  return (minutes) => {
    const text = known.get(minutes) ?? momentText(zero + minutes);
    known.set(minutes, text);
    return text;
  };
}

function timeReport(time: PlannedTime, flies: number, day: string): TimeReport {
  const { schedule, jobs, byEvenings, way, byWay, basis } = time;
  const { blocks } = schedule;
  const hands = blocks.filter(({ kind }) => kind === 'hands').reduce((sum, { start, end }) => sum + end - start, 0);
  const begins = blocks.reduce((least, { start }) => Math.min(least, start), Infinity);
  const ends = blocks.reduce((most, { end }) => Math.max(most, end), -Infinity);
  const zero = byEvenings ? 0 : Date.parse(`${day}T00:00Z`) / 60_000;
  const moment = momentsFrom(zero);
  return {
    way,
    hands_min: round(hands),
    elapsed_min: blocks.length === 0 ? 0 : round(ends - begins),
    perFly_min: flies === 0 ? 0 : round(hands / flies),
    waiting_min: round(schedule.waiting),
    bound_min: round(schedule.bound),
    evenings: byEvenings ? schedule.evenings : 0,
    basis,
    byWay_min: { 'one-by-one': round(byWay['one-by-one']), 'by-steps': round(byWay['by-steps']) },
    left: schedule.left.flatMap((i) => (jobs[i] && jobs[i].fly > 0 ? [jobs[i].fly] : [])),
    schedule: [...blocks]
      .sort((a, b) => a.start - b.start || a.end - b.end)
      .map(({ start, end, job, coat, kind, window }): ScheduleReport => {
        const of = jobs[job];
        const prep = of === undefined || of.first === true;
        return {
          evening: byEvenings ? momentText(time.windows[window]?.from ?? 0).slice(0, 10) : null,
          start: moment(start),
          end: moment(end),
          row: prep ? null : of.row,
          fly: prep ? null : of.fly,
          step: prep ? 'prep' : coat === 0 ? 'tie' : `coat ${String(coat)}`,
          kind,
        };
      }),
  };
}

/**
 * A plan under the promised keys.
 * @param most of the items that run out so many are told with what may do instead, the first of them; each of them solves some flies
 */
export function reportBatch(plan: BatchPlan, drawers: Drawers, most = Infinity): BatchReport {
  const out = plan.needs.filter(({ runsOutAt }) => runsOutAt !== null).slice(0, most);
  const costs = costsOf(plan);
  return {
    name: plan.file.name,
    flies: plan.flies,
    rows: plan.rows.map(({ row, fly, spoilt, work }, i): RowReport => {
      const cost = costs.byRow[i];
      return {
        name: fly.name,
        on: row.on ?? fly.on,
        count: row.count,
        spoilt,
        cost: cost?.any === true ? round(cost.cost) : null,
        costKnown: round(cost?.known ?? 0),
        ride: fly.solved.balance.tight.ride,
        sink_mm_s: roundOrNone(fly.solved.balance.sink?.terminal),
        weight_mg: round(fly.solved.laid.dryMg),
        warnings: fly.warnings,
        coats_min: work.coats,
      };
    }),
    prep: prepOf(plan),
    needs: plan.needs.map((need) => needReport(need, plan.rows, drawers, out.includes(need))),
    cost: {
      total: round(costs.total),
      perFly: plan.flies === 0 ? 0 : round(costs.total / plan.flies),
      known: round(costs.known),
    },
    time: timeReport(plan.time, plan.flies, plan.file.date ?? NO_DAY),
  };
}
