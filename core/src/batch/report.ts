import { type Drawers, type Goods, lengthsOf } from '../drawers/index.ts';
import { momentText } from '../records/index.ts';
import { needReport, type NeedReport } from './needReport.ts';
import { makesOf, type Need } from './needs.ts';
import type { BatchPlan, PlannedTime } from './plan.ts';
import { prepOf, type PrepReport } from './prep.ts';
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
