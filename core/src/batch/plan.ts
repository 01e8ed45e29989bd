import { bad, good, type Fault, type Outcome } from '../base/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { readFlyValue, type FlyFile } from '../pattern/index.ts';
import {
  type BatchFile,
  type BatchRow,
  clockMinutes,
  dayMinutes,
  type HookAt,
  lostOf,
  MOST_FLIES,
  patternAt,
  readShare,
} from '../records/index.ts';
import { needsOf, type Need, type Stretch } from './needs.ts';
import { ownFly, rowFly, type OwnFly, type RowFly } from './rowFly.ts';
import { schedule, type Job, type Schedule, type Window } from './schedule.ts';
import { takesOf, type Take } from './takes.ts';
import {
  handsBy,
  handsOf,
  prepMinutes,
  WAYS,
  workOf,
  type Basis,
  type Measured,
  type Way,
  type Work,
} from './times.ts';

/** Where the flies of a batch come from: pattern files by the name or path a row gives. */
export type FlyOf = (row: BatchRow, index: number) => Outcome<FlyFile>;

/** The flies of a batch from the pattern files it carries, each read once. */
export function carriedBy(batch: BatchFile): FlyOf {
  const read = new Map<unknown, Outcome<FlyFile>>();
  return (_row, i) => {
    const pattern = patternAt(batch, i) ?? null;
    const fly = read.get(pattern) ?? readFlyValue(pattern);
    read.set(pattern, fly);
    return fly;
  };
}

/** A row worked out: its fly, what one of them takes, how many are tied. */
export interface PlannedRow {
  readonly row: BatchRow;
  readonly fly: RowFly;
  readonly takes: readonly Take[];
  /** Flies tied besides the good ones, since some are spoilt: the share that is reckoned with, or as many as were lost. */
  readonly spoilt: number;
  /** How many of those were lost so far, and how many of them taken apart, so that their hook and eyes serve again. */
  readonly lost: number;
  readonly apart: number;
  readonly work: Work;
}

export interface PlannedTime {
  readonly way: Way;
  /** Minutes of hands each way would take, prep and coats among them. */
  readonly byWay: Readonly<Record<Way, number>>;
  readonly basis: Basis;
  readonly prepMin: number;
  readonly jobs: readonly Job[];
  readonly windows: readonly Window[];
  /** Whether there are evenings; without them all runs on from minute 0. */
  readonly byEvenings: boolean;
  readonly schedule: Schedule;
}

/** What a batch takes. */
export interface BatchNeeds {
  readonly file: BatchFile;
  /** Good flies. */
  readonly flies: number;
  readonly rows: readonly PlannedRow[];
  readonly needs: readonly Need[];
}

export interface BatchPlan extends BatchNeeds {
  readonly time: PlannedTime;
}

/** What is asked of a plan. */
export interface PlanOptions {
  readonly drawers: Drawers;
  readonly flyOf: FlyOf;
  readonly measured?: Measured;
  /** Flies that were worked out before with the same drawers: a count that changes solves nothing anew. */
  readonly known?: KnownFlies;
  /** Told after each row, how many of all are worked out. */
  readonly onRow?: (done: number, of: number) => void;
}

/** More flies of rows than this are not remembered from one plan to the next. */
const MOST_KNOWN = 600;

/** The fly of a row, and what one of them takes. */
interface KnownRow {
  readonly fly: RowFly;
  readonly takes: readonly Take[];
}

/** Flies of rows, each worked out once, however often it is asked for. */
export class KnownFlies {
  private readonly owns = new Map<string, Outcome<OwnFly>>();
  private readonly flies = new Map<string, Outcome<KnownRow>>();
  private readonly keys = new WeakMap<FlyFile, string>();

  private keyOf(file: FlyFile): string {
    const key = this.keys.get(file) ?? JSON.stringify(file);
    this.keys.set(file, key);
    return key;
  }

  /** The fly of a row: one that several rows tie is solved once, and once again for each size and shade. */
  ofRow(row: BatchRow, file: FlyFile, drawers: Drawers): Outcome<KnownRow> {
    const key = this.keyOf(file);
    const how = `${key}\n${JSON.stringify([row.on ?? null, row.hold ?? null, row.shade ?? null])}`;
    const known = this.flies.get(how);
    if (known) return known;
    const own = this.owns.get(key) ?? ownFly(file, drawers);
    this.owns.set(key, own);
    const fly = own.ok ? rowFly(row, own.value, drawers) : own;
    const made = fly.ok
      ? good({ fly: fly.value, takes: takesOf(fly.value.solved.laid, drawers, fly.value.tying.threadMm) })
      : fly;
    this.flies.set(how, made);
    return made;
  }

  /** Forgets what was asked for longest ago, once there is too much of it. */
  tidy(): void {
    for (const kept of [this.owns, this.flies])
      for (const key of kept.keys()) {
        if (kept.size <= MOST_KNOWN) break;
        kept.delete(key);
      }
  }
}

/** Every row worked out, or the faults of all of them, each by its row. */
function plannedRows(
  file: BatchFile,
  { drawers, flyOf, measured, known = new KnownFlies(), onRow }: PlanOptions,
): Outcome<PlannedRow[]> {
  const { rows, spoil } = file;
  const lost = lostOf(file);
  const faults: Fault[] = [];
  const planned: PlannedRow[] = [];
  const share = spoil === undefined ? 0 : readShare(spoil);
  rows.forEach((row, i) => {
    const file = flyOf(row, i);
    const made = file.ok ? known.ofRow(row, file.value, drawers) : file;
    onRow?.(i + 1, rows.length);
    if (!made.ok) {
      const path = `rows[${String(i)}]`;
      faults.push(
        ...made.faults.map((fault) => ({ ...fault, path: fault.path === '' ? path : `${path}.${fault.path}` })),
      );
      return;
    }
    const { fly, takes } = made.value;
    const { spoilt, apart } = lost[i] ?? { spoilt: 0, apart: 0 };
    planned.push({
      row,
      fly,
      takes,
      spoilt: Math.max(Math.ceil(row.count * share - 1e-9), spoilt + apart),
      lost: spoilt + apart,
      apart,
      work: workOf(row, fly.solved.laid, fly.tying, measured),
    });
  });
  known.tidy();
  return faults.length > 0 ? { ok: false, faults } : good(planned);
}

/** What a fly takes that is tied on the hook and with the eyes of one that was taken apart. */
const reused = (takes: readonly Take[]): Take[] => takes.filter(({ kind }) => kind !== 'hook' && kind !== 'ball');

/**
 * The flies of all rows in the order they take: those that were lost, which took theirs, good ones as they are written, and those that will be
 * spoilt after all of them. Good ones are numbered first.
 */
function stretchesOf(rows: readonly PlannedRow[]): Stretch[] {
  let first = 1;
  const stretch = (row: number, count: number, takes: readonly Take[]): Stretch => {
    const made = { row, first, count, takes };
    first += count;
    return made;
  };
  const wholes = rows.map(({ row, takes }, i) => stretch(i, row.count, takes));
  const others = rows.map(({ spoilt, lost, apart, takes }, i) => ({
    lost: [stretch(i, lost - apart, takes), stretch(i, apart, reused(takes))],
    toCome: stretch(i, spoilt - lost, takes),
  }));
  return [...others.flatMap(({ lost }) => lost), ...wholes, ...others.map(({ toCome }) => toCome)].filter(
    ({ count }) => count > 0,
  );
}

/** The number through the batch, from 1, of a fly of a row; those in place of lost ones come after all good ones. */
export function flyNumber(rows: readonly Pick<PlannedRow, 'row' | 'spoilt'>[], { row, n }: HookAt): number {
  const before = (count: (each: Pick<PlannedRow, 'row' | 'spoilt'>) => number, upTo: number): number =>
    rows.slice(0, upTo).reduce((sum, each) => sum + count(each), 0);
  const good = (each: Pick<PlannedRow, 'row'>): number => each.row.count;
  const own = rows[row - 1]?.row.count ?? 0;
  if (n <= own) return before(good, row - 1) + n;
  return before(good, rows.length) + before(({ spoilt }) => spoilt, row - 1) + n - own;
}

/** Making ready is put down when an evening ends: it is laid out in pieces no longer than this, minutes. */
const MOST_PREP_MIN = 20;

const BASES: readonly Basis[] = ['usual', 'measured', 'given'];

const flyKey = ({ row, n }: HookAt): string => `${String(row)}/${String(n)}`;

/** The evenings flies were put on by hand. */
const pinsOf = ({ flies = [] }: BatchFile): ReadonlyMap<string, string> =>
  new Map(
    flies.flatMap(({ row, n, pinned, evening }) =>
      pinned === true && evening !== undefined ? [[flyKey({ row, n }), evening]] : [],
    ),
  );

/** The windows of the evenings, by the calendar; one without an end where there are none. */
function windowsOf({ evenings }: BatchFile): (Window & { readonly date: string | null })[] {
  if (evenings === undefined || evenings.length === 0) return [{ from: 0, to: Infinity, date: null }];
  return evenings
    .map(({ date, from, to }) => ({
      date,
      from: dayMinutes(date) + clockMinutes(from),
      to: dayMinutes(date) + clockMinutes(to),
    }))
    .sort((a, b) => a.from - b.from);
}

function timeOf(file: BatchFile, rows: readonly PlannedRow[]): PlannedTime {
  const counted = rows.map(({ work, row }) => ({ work, count: row.count }));
  const prepMin = rows.reduce((sum, { work, row, takes }) => sum + prepMinutes(work, row.count, takes.length), 0);
  const coatMin = rows.reduce(
    (sum, { work, row }) => sum + row.count * work.coats.reduce((all, { hands }) => all + hands, 0),
    0,
  );
  const byWay = Object.fromEntries(WAYS.map((way) => [way, handsBy(way, counted) + prepMin + coatMin])) as Record<
    Way,
    number
  >;
  const way = file.way ?? (byWay['by-steps'] < byWay['one-by-one'] - 1e-9 ? 'by-steps' : 'one-by-one');
  const windows = windowsOf(file);
  const pins = pinsOf(file);
  let fly = 0;
  const jobs = rows.flatMap(({ work, row }, i) =>
    Array.from({ length: row.count }, (_, k): Job => {
      fly++;
      const on = windows.findIndex(({ date }) => date !== null && date === pins.get(flyKey({ row: i + 1, n: k + 1 })));
      const job = { row: i + 1, fly, hands: handsOf(work, way, k + 1, row.count), coats: work.coats };
      return on < 0 ? job : { ...job, on };
    }),
  );
  const byEvenings = (file.evenings?.length ?? 0) > 0;
  const sittings = Math.ceil(prepMin / MOST_PREP_MIN);
  const prep = Array.from({ length: sittings }, (): Job => ({
    row: 0,
    fly: 0,
    first: true,
    hands: prepMin / sittings,
    coats: [],
  }));
  return {
    way,
    byWay,
    basis: rows.reduce<Basis>(
      (least, { work }) => (BASES.indexOf(work.basis) < BASES.indexOf(least) ? work.basis : least),
      'given',
    ),
    prepMin,
    jobs: [...prep, ...jobs],
    windows,
    byEvenings,
    schedule: schedule([...prep, ...jobs], windows, file.rack),
  };
}

/** Works out what a batch takes. @returns that, or every fault by its place in the batch */
export function planNeeds(file: BatchFile, options: PlanOptions): Outcome<BatchNeeds> {
  const flies = file.rows.reduce((sum, { count }) => sum + count, 0);
  if (flies > MOST_FLIES)
    return bad({
      path: 'rows',
      code: 'range',
      message: `come to ${String(flies)} flies; a batch has at most ${String(MOST_FLIES)}`,
    });
  const rows = plannedRows(file, options);
  if (!rows.ok) return rows;
  return good({ file, flies, rows: rows.value, needs: needsOf(stretchesOf(rows.value)) });
}

/**
 * Works a batch out: its flies, what they take against what there is, and when they are tied.
 * @returns the plan, or every fault by its place in the batch
 */
export function planBatch(file: BatchFile, options: PlanOptions): Outcome<BatchPlan> {
  const needs = planNeeds(file, options);
  return needs.ok ? good({ ...needs.value, time: timeOf(file, needs.value.rows) }) : needs;
}
