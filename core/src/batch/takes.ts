import { solidNamed } from '../data/index.ts';
import { type Drawers, type Goods, type HookItem, named, readYield } from '../drawers/index.ts';
import { platformWords } from '../contract/index.ts';
import { cutLength, type LaidFly, type LaidPart, type Point, pointsOf } from '../model/index.ts';
import { type FlyFile, type HookFile } from '../pattern/index.ts';
import { threadOf } from '../tying/index.ts';

/** What lies in which drawer, in the order it is made ready before the first hook is in the vise. */
export const KINDS = [
  'hook',
  'ball',
  'wire',
  'wound',
  'strip',
  'hair',
  'plume',
  'strand',
  'hackle',
  'feather',
  'spun',
  'sheet',
  'dubbing',
  'thread',
] as const;
export type TakeKind = (typeof KINDS)[number];

/** What one fly takes of one item: so many pieces of a length, or pieces that are counted, or a share of what is told by the fly. */
export interface Take {
  /** The part it is for; null for the hook and the thread. */
  readonly part: string | null;
  readonly kind: TakeKind;
  readonly item: string;
  readonly colour: string | null;
  /** The drawer's item; null where none of that name lies there. */
  readonly goods: Goods | null;
  readonly unit: 'mm' | 'pieces' | 'flies';
  readonly pieces: number;
  /** What each piece is cut to, mm; null for what is not cut. */
  readonly cutMm: number | null;
  /** Fibres so long are wanted, mm. */
  readonly fibreMm: number | null;
  /** Where a piece goes on as other parts, from the end that is tied in first. */
  readonly points: readonly Point[];
  /** Two by two: a left one and a right one. */
  readonly paired: boolean;
  /** Its share of what is mixed of several; 1 of what is not. */
  readonly share: number;
}

/** Whether two takes are of one item in one colour. */
export const isOf = (a: Take, b: Take): boolean =>
  a.kind === b.kind &&
  a.item.toLowerCase() === b.item.toLowerCase() &&
  a.colour?.toLowerCase() === b.colour?.toLowerCase();

const same = (a: string | undefined, b: string | undefined): boolean =>
  a !== undefined && b !== undefined && a.trim().toLowerCase() === b.trim().toLowerCase();

/** Diameters that differ by no more than this are of one size as they are sold, mm. */
const SAME_MM = 0.06;

/** An item as it counts in stock; those of the nominal tables say nothing of that. */
const goodsOf = (item: { readonly name: string } | null | undefined): Goods | null => item ?? null;

const isSolid = (a: string, b: string): boolean => {
  const [one, other] = [solidNamed(a), solidNamed(b)];
  return one !== null && one === other;
};

/** A wire, eye or bead of the drawer: by its name, else by its metal and size. */
const weightFor = (
  { weights }: Drawers,
  form: (form: string) => boolean,
  material: string,
  mm: number,
): Drawers['weights'][number] | null =>
  named(
    weights.filter((item) => form(item.form)),
    material,
  ) ??
  weights.find(
    (item) => form(item.form) && isSolid(item.material, material) && Math.abs(item.diameterMm - mm) <= SAME_MM,
  ) ??
  null;

/** The table of the drawers that a part's material lies in. */
function tableOf(
  part: LaidPart,
  drawers: Drawers,
): readonly { readonly name: string; readonly also: readonly string[] }[] {
  switch (part.file.construction) {
    case 'bundle':
      return drawers.bundles;
    case 'wrap':
      return drawers.wound;
    case 'strip':
      return drawers.strips;
    case 'hackle':
      return drawers.hackles;
    case 'feather':
      return drawers.feathers;
    case 'spun':
      return drawers.spun;
    case 'sheet':
      return drawers.sheets;
    case 'ball':
    case 'coat':
      return [];
  }
}

/** Which drawer a part's material is taken from, and what it is called there. */
function itemFor(part: LaidPart, drawers: Drawers): Pick<Take, 'kind' | 'item' | 'goods'> | null {
  const { file, built, extent } = part;
  const [form] = built.forms;
  const lies = (kind: TakeKind): Pick<Take, 'kind' | 'item' | 'goods'> => {
    const table = tableOf(part, drawers);
    const item = named(table, file.material ?? built.figuredAs);
    return { kind, item: item?.name ?? built.material, goods: goodsOf(item) };
  };
  switch (file.construction) {
    case 'coat':
      return null;
    case 'ball': {
      const mm = extent.lengths['diameter']?.mm ?? 0;
      const item = weightFor(drawers, (each) => each === file.shape, file.material ?? built.material, mm);
      return { kind: 'ball', item: item?.name ?? `${built.material} ${file.shape}`, goods: goodsOf(item) };
    }
    case 'wrap': {
      const manner = form?.kind === 'wound' ? form.manner : 'thread';
      if (manner === 'wire') {
        const mm = extent.lengths['strand']?.mm ?? 0;
        const item = weightFor(drawers, (each) => each === 'wire', file.material ?? built.material, mm);
        return { kind: 'wire', item: item?.name ?? built.material, goods: goodsOf(item) };
      }
      return lies(manner === 'dubbing' ? 'dubbing' : 'wound');
    }
    case 'bundle': {
      const manner = form?.kind === 'bundle' ? form.manner : 'hair';
      return lies(manner === 'hair' ? 'hair' : manner === 'plume' ? 'plume' : manner === 'tubing' ? 'wound' : 'strand');
    }
    case 'strip':
    case 'hackle':
    case 'feather':
    case 'spun':
    case 'sheet':
      return lies(file.construction);
  }
}

/** The item of the drawers that something of a kind was taken from, by its name. */
export function goodsNamed(kind: TakeKind, name: string, drawers: Drawers): Goods | null {
  const { hooks, weights, threads, strips, hackles, feathers, spun, sheets, wound, bundles } = drawers;
  const tables: Readonly<Record<TakeKind, readonly { readonly name: string }[]>> = {
    hook: hooks,
    ball: weights,
    wire: weights,
    thread: threads,
    strip: strips,
    hackle: hackles,
    feather: feathers,
    spun,
    sheet: sheets,
    wound: [...wound, ...bundles],
    dubbing: wound,
    hair: bundles,
    plume: bundles,
    strand: bundles,
  };
  return goodsOf(tables[kind].find((item) => same(item.name, name)));
}

/** What is measured by the mm where nothing says otherwise, what by the piece, and what by the fly. */
const UNITS: Readonly<Record<TakeKind, Take['unit']>> = {
  hook: 'pieces',
  ball: 'pieces',
  wire: 'mm',
  wound: 'mm',
  strip: 'mm',
  hair: 'flies',
  plume: 'flies',
  strand: 'mm',
  hackle: 'pieces',
  feather: 'pieces',
  spun: 'flies',
  sheet: 'mm',
  dubbing: 'flies',
  thread: 'mm',
};

/** How an item is counted: as its yield says, else as things of its kind are. */
function unitOf(kind: TakeKind, goods: Goods | null, cutMm: number | null): Take['unit'] {
  const made = goods?.yield === undefined ? null : readYield(goods.yield);
  const unit = made?.unit ?? (goods?.stock?.some(({ lengths }) => lengths !== undefined) === true ? 'mm' : UNITS[kind]);
  return unit === 'mm' && cutMm === null ? UNITS[kind] : unit;
}

/** Pieces of its material that one part is tied with, and whether they come as a left and a right. */
function piecesOf({ file, built }: LaidPart): { readonly pieces: number; readonly paired: boolean } {
  if (file.construction === 'feather') {
    if (file.form === 'single') return { pieces: 1, paired: false };
    return { pieces: 2 * (file.perSide ?? 1), paired: true };
  }
  if (file.construction !== 'bundle') return { pieces: 1, paired: false };
  const loose = built.forms.flatMap((form) =>
    form.kind === 'bundle' && (form.manner === 'strand' || form.manner === 'leg') ? [form.strands] : [],
  );
  return {
    pieces:
      loose.length === 0
        ? 1
        : Math.max(
            1,
            loose.reduce((sum, each) => sum + each, 0),
          ),
    paired: false,
  };
}

/** What is taken of each that a material is mixed of. */
function mixTakes(take: Take, part: LaidPart, drawers: Drawers): Take[] {
  const table = tableOf(part, drawers) as readonly (Goods & { readonly also: readonly string[] })[];
  const mix = take.goods?.mix ?? [];
  const of = mix.flatMap(({ of: name, share, colour = take.colour }): Take[] => {
    const item = named(table, name);
    if (!item) return [];
    return [
      {
        ...take,
        item: item.name,
        colour,
        goods: item,
        unit: unitOf(take.kind, item, take.cutMm),
        pieces: Math.max(1, Math.round(take.pieces * share)),
        share,
      },
    ];
  });
  return of.length === mix.length ? of : [];
}

function partTakes(part: LaidPart, laid: LaidFly, drawers: Drawers): Take[] {
  const from = itemFor(part, drawers);
  // What goes on from another piece is cut with that one.
  if (!from || part.massMg <= 0 || part.file.continues !== undefined) return [];
  const cutMm = cutLength(part, laid);
  const take: Take = {
    ...from,
    part: part.file.id,
    colour: part.file.colour ?? null,
    unit: unitOf(from.kind, from.goods, cutMm),
    cutMm,
    fibreMm: part.file.construction === 'hackle' ? (part.extent.lengths['fibre']?.mm ?? null) : null,
    points: pointsOf(part, laid),
    share: 1,
    ...piecesOf(part),
  };
  const mixed = mixTakes(take, part, drawers);
  return mixed.length > 0 ? mixed : [take];
}

type AnyHook = Pick<HookFile, 'kind' | 'packet' | 'size' | 'longX' | 'heavyX'>;

/** The packet a hook comes from: the one it names, else one of its form and size that is as long and as heavy. */
function packetFor(
  { kind, packet, size, longX, heavyX }: AnyHook | ({ kind: 'jig' } & Omit<AnyHook, 'kind'>),
  hooks: readonly HookItem[],
): HookItem | null {
  if (packet !== undefined) return named(hooks, packet);
  const alike = hooks.filter((each) => each.form === kind && each.size === size);
  return (
    alike.find((each) => (each.longX ?? 0) === (longX ?? 0) && (each.heavyX ?? 0) === (heavyX ?? 0)) ??
    alike.find((each) => (each.longX ?? 0) === (longX ?? 0)) ??
    null
  );
}

const counted = (kind: TakeKind, item: string, goods: Goods | null): Take => ({
  part: null,
  kind,
  item,
  colour: null,
  goods,
  unit: 'pieces',
  pieces: 1,
  cutMm: null,
  fibreMm: null,
  paired: false,
  points: [],
  share: 1,
});

/** The hook, tube or shank, and the hook behind one. */
function platformTakes({ platform }: FlyFile, { hooks }: Drawers): Take[] {
  if (platform.kind !== 'tube' && platform.kind !== 'shank') {
    const item = packetFor(platform, hooks);
    return [counted('hook', item?.name ?? platform.packet ?? platformWords(platform), goodsOf(item))];
  }
  const { hook } = platform;
  const behind = hook && packetFor(hook, hooks);
  return [
    counted('hook', platformWords(platform), null),
    ...(hook ? [counted('hook', behind?.name ?? hook.packet ?? platformWords(hook), goodsOf(behind))] : []),
  ];
}

function threadTake(laid: LaidFly, drawers: Drawers, threadMm: number): Take {
  const { spool, denier } = threadOf(laid.file, drawers.threads);
  const goods = goodsOf(drawers.threads.find(({ name }) => same(name, spool ?? undefined)));
  return {
    ...counted('thread', spool ?? `thread ${String(denier)}`, goods),
    colour: laid.file.thread?.colour ?? null,
    unit: unitOf('thread', goods, threadMm),
    cutMm: threadMm,
  };
}

/**
 * Everything one fly takes from the drawers, in the order it is made ready. Coats are not counted: a bottle is enough.
 * @param threadMm of thread its tying takes
 */
export function takesOf(laid: LaidFly, drawers: Drawers, threadMm: number): Take[] {
  const parts = laid.parts.flatMap((part) => partTakes(part, laid, drawers));
  return [...platformTakes(laid.file, drawers), ...parts, threadTake(laid, drawers, threadMm)].sort(
    (a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind),
  );
}
