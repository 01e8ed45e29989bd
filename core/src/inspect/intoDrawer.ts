import { type DrawerItem, type DrawerName, type Drawers, named } from '../drawers/index.ts';
import type { LaidFly } from '../model/index.ts';
import type { Learnt } from './learnt.ts';

/** What of an item in the drawers is otherwise once something was learnt of it. */
export interface Laying {
  readonly drawer: Extract<DrawerName, 'hooks' | 'weights' | 'materials'>;
  readonly name: string;
  /** What tells two items of one name apart: of hooks and weights the form, of materials the construction. */
  readonly kind: string;
  readonly set: Readonly<Record<string, number>>;
}

const rounded = (value: number, places: number): number => Math.round(value * 10 ** places) / 10 ** places;

/** A figure of an item, of how many it is the mean, and how they spread. */
const meanOf = (key: string, unit: 'Mm' | 'Mg', { now, n, sd }: Learnt): Readonly<Record<string, number>> => ({
  [`${key}${unit}`]: rounded(now, unit === 'Mm' ? 2 : 1),
  ...(n > 1 ? { [`${key}N`]: n, ...(sd === null ? {} : { [`${key}Sd${unit}`]: rounded(sd, 3) }) } : {}),
});

/** The packet a hook comes from, as long as the pattern says nothing of its own in its place. */
function ofPacket(key: string, learnt: Learnt, { file }: LaidFly, { hooks }: Drawers): Laying | null {
  const platform = file.platform as Readonly<Record<string, unknown>>;
  const { packet } = platform;
  const item = typeof packet === 'string' && platform[key] === undefined ? named(hooks, packet) : null;
  return item && { drawer: 'hooks', name: item.name, kind: item.form, set: meanOf(key, 'Mm', learnt) };
}

/** Eyes that were bought, as long as the pattern does not say what its own weigh. */
function ofWeight(id: string, learnt: Learnt, { file }: LaidFly, { weights }: Drawers): Laying | null {
  const part = file.parts.find((each) => each.id === id);
  if (part?.construction !== 'ball' || part.mass !== undefined || part.material === undefined) return null;
  const item = named(weights, part.material);
  return item?.form === part.shape
    ? { drawer: 'weights', name: item.name, kind: item.form, set: meanOf('mass', 'Mg', learnt) }
    : null;
}

const MEASURED_GOODS: Readonly<Record<string, string>> = { width: 'widthMm', thickness: 'thicknessMm' };

/** What a hide or a sheet measures as it is sold, as long as the pattern cuts no other. */
function ofGoods(id: string, aspect: string, learnt: Learnt, laid: LaidFly): Laying | null {
  const part = laid.parts.find(({ file }) => file.id === id);
  const key = MEASURED_GOODS[aspect];
  if (!part || key === undefined) return null;
  const written = part.file as unknown as Readonly<Record<string, unknown>>;
  if (written[aspect] !== undefined) return null;
  return {
    drawer: 'materials',
    name: part.built.figuredAs,
    kind: part.file.construction,
    set: { [key]: rounded(learnt.now, 2) },
  };
}

/** What something learnt changes in the drawers; null where it goes elsewhere, or no item there has it. */
export function layingOf(learnt: Learnt, laid: LaidFly, drawers: Drawers): Laying | null {
  if (learnt.goesTo !== 'drawers') return null;
  const { what, part, unit } = learnt;
  if (what.startsWith('hook.')) return ofPacket(what.slice('hook.'.length), learnt, laid, drawers);
  if (part === null) return null;
  return unit === 'mg'
    ? ofWeight(part, learnt, laid, drawers)
    : ofGoods(part, what.slice(part.length + 1), learnt, laid);
}

/** An item with what was learnt of it. */
export const withLaying = <T extends DrawerItem>(item: T, { set }: Laying): T => ({ ...item, ...set });

const TABLES: Readonly<Record<string, keyof Drawers>> = { strip: 'strips', sheet: 'sheets' };

/** The tables a fly is solved with, with what was learnt in them. */
export function drawersWith(drawers: Drawers, laying: Laying): Drawers {
  const { drawer, name, kind, set } = laying;
  const table = drawer === 'materials' ? TABLES[kind] : drawer;
  if (table === undefined) return drawers;
  const items = drawers[table] as readonly { readonly name: string; readonly form?: string }[];
  return {
    ...drawers,
    [table]: items.map((each) =>
      each.name === name && (drawer === 'materials' || each.form === kind) ? { ...each, ...set } : each,
    ),
  };
}
