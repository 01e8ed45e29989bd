import { type DrawerName, kindOf, type Taking } from '../drawers/index.ts';
import type { HookAt } from '../records/index.ts';
import type { Need } from './needs.ts';
import { type BatchNeeds, flyNumber } from './plan.ts';
import { isOf, type Take, type TakeKind } from './takes.ts';

/** What one fly takes of one item of the drawers. */
export interface ItemTaking {
  readonly drawer: DrawerName;
  /** What tells two items of one name apart. */
  readonly kind: string;
  readonly name: string;
  readonly colour: string | null;
  /** Whether it serves again when the fly is taken apart. */
  readonly comesBack: boolean;
  readonly takings: readonly Taking[];
}

const DRAWER_OF: Readonly<Partial<Record<TakeKind, DrawerName>>> = {
  hook: 'hooks',
  ball: 'weights',
  wire: 'weights',
  thread: 'threads',
};

/** How long each length lies there once some flies took their pieces of it. */
function leftAfter({ cuts, layout, lengths }: Need, taken: ReadonlySet<number>): number[] {
  const left = [...(lengths ?? [])];
  cuts.forEach(({ mm, fly }, i) => {
    const at = layout[i];
    if (at !== null && at !== undefined && taken.has(fly)) left[at] = (left[at] ?? 0) - mm;
  });
  return left;
}

/** The pieces of one fly, each from the length it was laid on; what found no room is cut from nothing that lies there. */
function piecesCut(need: Need, fly: number, taken: ReadonlySet<number>): Taking[] {
  const left = leftAfter(need, taken);
  return need.cuts.flatMap(({ mm, fly: of }, i): Taking[] => {
    const at = need.layout[i];
    if (of !== fly || at === null || at === undefined) return [];
    const from = left[at] ?? null;
    if (from !== null) left[at] = from - mm;
    return [{ unit: 'mm', mm, of: from }];
  });
}

const counted = (takes: readonly Take[]): Taking[] =>
  takes.map(({ unit, pieces, fibreMm, paired, kind, share }): Taking =>
    unit === 'flies'
      ? { unit, flies: share }
      : { unit: 'pieces', pieces, fibreMm, paired, usual: kind === 'hook' || kind === 'ball' ? 1 : null },
  );

/**
 * What one fly of a batch takes of the drawers, of which as much lies there as before the first one was tied.
 * @param before flies that took theirs already
 */
export function takingsOf({ rows, needs }: BatchNeeds, at: HookAt, before: readonly HookAt[]): ItemTaking[] {
  const fly = flyNumber(rows, at);
  const taken = new Set(before.map((each) => flyNumber(rows, each)));
  return needs.flatMap((need): ItemTaking[] => {
    const { goods, take } = need;
    const own = rows[at.row - 1]?.takes.filter((each) => isOf(each, take) && each.unit === take.unit) ?? [];
    if (!goods || own.length === 0) return [];
    const takings = take.unit === 'mm' ? piecesCut(need, fly, taken) : counted(own);
    if (takings.length === 0) return [];
    const drawer = DRAWER_OF[take.kind] ?? 'materials';
    return [
      {
        drawer,
        kind: kindOf(drawer, goods),
        name: goods.name,
        colour: take.colour,
        comesBack: take.kind === 'hook' || take.kind === 'ball',
        takings,
      },
    ];
  });
}
