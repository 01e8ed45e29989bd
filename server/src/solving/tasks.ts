import { bad, type Outcome, good } from '@jobbet/core/base';
import { carriedBy, type ItemTaking, planNeeds, takingsOf } from '@jobbet/core/batch';
import { checkFly, toSettle } from '@jobbet/core/checks';
import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { reportFly, solveFly, type FlyReport } from '@jobbet/core/model';
import {
  drawersIn,
  type DrawerItem,
  type DrawerName,
  drawersOf,
  NOMINAL_DRAWERS,
  type Drawers,
} from '@jobbet/core/drawers';
import { summarySchema, type FlySummary, type Listed, listedOf, summarise } from '@jobbet/core/contract';
import type { Page } from '@jobbet/core/drawing';
import type { BatchFile, HookAt } from '@jobbet/core/records';
import { orderWords, type SheetPaper as Paper } from '@jobbet/core/tying';

/** On what, from which side and in which units a sheet is printed. */
export type SheetPaper = Omit<Paper, 'textWidth'>;

/** What is kept of a fly beside its file. */
export interface Figures {
  readonly summary: FlySummary;
  readonly listed: Listed;
}
export interface ReadFly extends Figures {
  readonly file: FlyFile;
}

/** The drawers as they are handed to whoever solves: rows as JSON in memory that all threads share, and a number that tells them apart. */
export interface DrawerSnapshot {
  readonly version: number;
  readonly json: SharedArrayBuffer;
}

/** What can be asked of whoever solves, and what is answered. Pattern files come as they were sent and are read there. */
export interface Tasks {
  readonly read: { readonly asks: { readonly value: unknown }; readonly answers: Outcome<ReadFly> };
  readonly report: { readonly asks: { readonly value: unknown }; readonly answers: Outcome<FlyReport> };
  readonly sheet: {
    readonly asks: { readonly value: unknown; readonly paper: SheetPaper };
    readonly answers: Outcome<Uint8Array>;
  };
  readonly pages: {
    readonly asks: { readonly pages: readonly Page[]; readonly title: string };
    readonly answers: Uint8Array;
  };
  readonly figures: {
    readonly asks: { readonly files: readonly unknown[] };
    readonly answers: readonly Outcome<Figures>[];
  };
  /** What some flies of a batch take, one after another, of drawers as they were before its first fly. */
  readonly takings: {
    readonly asks: { readonly batch: BatchFile; readonly before: readonly HookAt[]; readonly begun: readonly HookAt[] };
    readonly answers: Outcome<readonly (readonly ItemTaking[])[]>;
  };
}
export type TaskName = keyof Tasks;
export interface Task<K extends TaskName = TaskName> {
  readonly name: K;
  readonly asks: Tasks[K]['asks'];
  readonly drawers: DrawerSnapshot | null;
}

let latest: { readonly version: number; readonly tables: Drawers } | null = null;

function tablesOf(snapshot: DrawerSnapshot | null): Drawers {
  if (!snapshot) return NOMINAL_DRAWERS;
  if (latest?.version === snapshot.version) return latest.tables;
  const text = new TextDecoder().decode(new Uint8Array(snapshot.json).slice());
  const rows = JSON.parse(text) as { drawer: DrawerName; item: DrawerItem }[];
  latest = { version: snapshot.version, tables: drawersOf(drawersIn(rows)) };
  return latest.tables;
}

/** Reads, solves and sums up a fly. A summary that would not read again is a fault, never kept. */
function readAndSolve(value: unknown, tables: Drawers): Outcome<ReadFly> {
  const file = readFlyValue(value);
  const solved = file.ok ? solveFly(file.value, tables) : file;
  if (!file.ok || !solved.ok) return solved.ok ? bad() : solved;
  const checks = toSettle(checkFly(solved.value, { drawers: tables }).findings);
  const summary = summarySchema.safeParse(
    JSON.parse(JSON.stringify({ ...summarise(solved.value), order: orderWords(solved.value.laid), checks })),
  );
  if (!summary.success)
    return bad({
      path: '',
      code: 'range',
      message: `its ${summary.error.issues[0]?.path.join('.') ?? 'figures'} is no number`,
    });
  return good({ file: file.value, summary: summary.data, listed: listedOf(file.value) });
}

/** What prints is loaded once it is asked for, but where a thread stands ready for it: a command never prints. */
const printing = {
  sheet: () => import('@jobbet/print/sheet'),
  pages: () => import('@jobbet/print/pdf'),
};

async function sheetOf(value: unknown, tables: Drawers, paper: SheetPaper): Promise<Outcome<Uint8Array>> {
  const file = readFlyValue(value);
  const solved = file.ok ? solveFly(file.value, tables) : file;
  if (!solved.ok) return solved;
  const { sheetPdf } = await printing.sheet();
  return good(await sheetPdf(solved.value, tables, paper));
}

const WORK: {
  readonly [K in TaskName]: (
    asks: Tasks[K]['asks'],
    tables: Drawers,
  ) => Tasks[K]['answers'] | Promise<Tasks[K]['answers']>;
} = {
  read: ({ value }, tables) => readAndSolve(value, tables),
  report: ({ value }, tables) => {
    const file = readFlyValue(value);
    const solved = file.ok ? solveFly(file.value, tables) : file;
    return solved.ok ? good(reportFly(solved.value)) : solved;
  },
  sheet: ({ value, paper }, tables) => sheetOf(value, tables, paper),
  pages: async ({ pages, title }) => (await printing.pages()).pagesPdf(pages, title),
  takings: ({ batch, before, begun }, drawers) => {
    const plan = planNeeds(batch, { drawers, flyOf: carriedBy(batch) });
    if (!plan.ok) return plan;
    return good(begun.map((at, i) => takingsOf(plan.value, at, [...before, ...begun.slice(0, i)])));
  },
  figures: ({ files }, tables) => files.map((value) => readAndSolve(value, tables)),
};

/** Does one task, on whatever thread this is. */
export async function doTask<K extends TaskName>({ name, asks, drawers }: Task<K>): Promise<Tasks[K]['answers']> {
  return WORK[name](asks, tablesOf(drawers));
}
