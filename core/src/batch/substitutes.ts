import { BUNDLES, FEATHERS, HACKLES, SHEETS, solidNamed, SOLIDS, SPUN, STRIPS, tintOf, WOUND } from '../data/index.ts';
import { checkFly, reportChecks, type Checked, type CheckReport } from '../checks/index.ts';
import { type Drawers, type Goods, named } from '../drawers/index.ts';
import { sizeText, withField, withPart } from '../edit/index.ts';
import { layFly, settleFly, type SolvedFly } from '../model/index.ts';
import type { Part } from '../pattern/index.ts';
import type { Need } from './needs.ts';
import { newTo } from './rowFly.ts';
import type { Take } from './takes.ts';

/** What may be tied in instead of something that runs out, and what would come of it. */
export interface Substitute {
  readonly item: string;
  /** The colour it is there in; null where nobody said. */
  readonly colour: string | null;
  /** Root mean square of the differences in what the part's job rests on, each over its range in the nominal tables; 0 is the same. */
  readonly distance: number;
  readonly solved: SolvedFly;
  readonly checks: readonly CheckReport[];
  /** What is to be said of it that is not to be said of the fly as it was planned. */
  readonly news: readonly string[];
}

type Figures = Readonly<Record<string, unknown>>;

/** What each kind of part does its work by: the properties another material is held against. */
const JOBS: Readonly<Partial<Record<Take['kind'], readonly string[]>>> = {
  wire: ['density', 'diameterMm'],
  ball: ['density', 'diameterMm'],
  wound: ['density', 'solid', 'opacity', 'softness', 'water'],
  dubbing: ['density', 'solid', 'opacity', 'softness', 'water'],
  strip: ['hideMm', 'pileMgMm2', 'hairMm', 'softness'],
  hair: ['softness', 'density', 'packing', 'taper', 'spreadV', 'spreadH', 'fibreMm'],
  plume: ['softness', 'density', 'packing', 'taper', 'spreadV', 'spreadH', 'fibreMm'],
  strand: ['softness', 'density', 'strandMm2', 'fibreMm'],
  hackle: ['fibresPerTurn', 'fibreMm', 'softness'],
  feather: ['thicknessMm', 'density', 'widthMm', 'opacity', 'softness'],
  spun: ['packingTight', 'packingLoose', 'density', 'fibreMm', 'softness'],
  sheet: ['thicknessMm', 'density', 'opacity', 'softness'],
};

/** Of what moves in the water a job rests on more: a rib or a body lies still, so how limp it is says nothing. */
const STILL_ROLES: ReadonlySet<string> = new Set(['rib', 'body', 'underbody', 'head']);
const STILL: ReadonlySet<string> = new Set(['softness', 'water']);

/** Nominal tables that the range of a property is taken from. */
const TABLES: Readonly<Partial<Record<Take['kind'], readonly unknown[]>>> = {
  wire: SOLIDS,
  ball: SOLIDS,
  wound: WOUND,
  dubbing: WOUND,
  strip: STRIPS,
  hair: BUNDLES,
  plume: BUNDLES,
  strand: BUNDLES,
  hackle: HACKLES,
  feather: FEATHERS,
  spun: SPUN,
  sheet: SHEETS,
};
/** Eyes and wires are sold from the least to the most of this, mm. */
const SIZE_RANGE_MM = 6;

function rangeOf(kind: Take['kind'], property: string): number {
  if (property === 'diameterMm') return SIZE_RANGE_MM;
  const values = (TABLES[kind] ?? []).flatMap((each) => {
    const value = (each as Figures)[property];
    return typeof value === 'number' ? [value] : [];
  });
  return values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);
}

/** A property of an item; of a weight the density is its metal's. */
function figureOf(item: Figures, property: string): number | null {
  const own = item[property];
  if (typeof own === 'number') return own;
  const metal = item['material'];
  return property === 'density' && typeof metal === 'string' ? (solidNamed(metal)?.density ?? null) : null;
}

/** How far one item is from another in what a part of a kind and role does its work by. */
export function distanceOf(kind: Take['kind'], role: string, a: object, b: object): number {
  const properties = (JOBS[kind] ?? []).filter((each) => !(STILL_ROLES.has(role) && STILL.has(each)));
  const parts = properties.flatMap((property) => {
    const [one, other] = [figureOf(a as Figures, property), figureOf(b as Figures, property)];
    const range = rangeOf(kind, property);
    return one === null || other === null || range <= 0 ? [] : [((one - other) / range) ** 2];
  });
  return parts.length === 0 ? 0 : Math.sqrt(parts.reduce((sum, each) => sum + each, 0) / parts.length);
}

type Item = Goods & Figures;

/** Items that a part of a kind may be tied with: of its own drawer, and of its own form or manner. */
function candidates({ kind }: Take, part: Part, drawers: Drawers): readonly Item[] {
  const of = (items: readonly object[]): readonly Item[] => items as unknown as readonly Item[];
  switch (kind) {
    case 'wire':
      return of(drawers.weights.filter(({ form }) => form === 'wire'));
    case 'ball':
      return of(drawers.weights.filter(({ form }) => part.construction === 'ball' && form === part.shape));
    case 'wound':
      return of(part.construction === 'wrap' ? drawers.wound.filter(({ manner }) => manner !== 'dubbing') : []);
    case 'dubbing':
      return of(drawers.wound.filter(({ manner }) => manner === 'dubbing'));
    case 'strip':
      return of(drawers.strips);
    case 'hair':
    case 'plume':
      return of(drawers.bundles.filter(({ manner }) => manner === 'hair' || manner === 'plume'));
    case 'strand':
      return of(drawers.bundles.filter(({ manner }) => manner === 'strand' || manner === 'leg'));
    case 'hackle':
      return of(drawers.hackles);
    case 'feather':
      return of(drawers.feathers);
    case 'spun':
      return of(drawers.spun);
    case 'sheet':
      return of(drawers.sheets);
    case 'hook':
    case 'thread':
      return [];
  }
}

/** Other items that are the same in all that a part does its work by. */
export const alikeItems = (take: Take, part: Part, own: Goods, drawers: Drawers): readonly Goods[] =>
  candidates(take, part, drawers).filter(
    (item) =>
      item.name !== own.name && item.discontinued !== true && distanceOf(take.kind, part.role, own, item) < SAME,
  );
const SAME = 1e-9;

/** The one of an item's colours that is wanted, or else looks most like it; any where nobody named its colours. */
function nearestColour(item: Item, wanted: string | null): string | null {
  const colours = (item['colours'] as readonly string[] | undefined) ?? [];
  if (wanted === null || colours.length === 0) return wanted;
  /** How light it is, which an eye lets pass, and how blue and how red it is beside that, which it does not. */
  const shade = (word: string): number[] => {
    const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => Number.parseInt(tintOf(word, '#808080').slice(at, at + 2), 16));
    const light = 0.299 * r + 0.587 * g + 0.114 * b;
    return [light / 2, b - light, r - light];
  };
  const own = shade(wanted);
  const off = (word: string): number =>
    word.toLowerCase() === wanted.toLowerCase()
      ? -1
      : Math.hypot(...shade(word).map((value, i) => value - (own[i] ?? 0)));
  return colours.reduce((best, each) => (off(each) < off(best) ? each : best));
}

/** Colours an item is there in, the one that is wanted first; what was not counted may be there. */
function coloursOf(item: Item, wanted: string | null): readonly (string | null)[] {
  if (item.stock === undefined) return item.count === 0 ? [] : [nearestColour(item, wanted)];
  const there = item.stock.filter(({ count }) => count > 0).map(({ colour }) => colour ?? null);
  const same = there.filter((colour) => colour?.toLowerCase() === wanted?.toLowerCase());
  return same.length > 0 ? same.slice(0, 1) : [...new Set(there)];
}

/** What of a part changes when it is tied with another item: its name, its size where it is sold by that, its colour where that is another. */
export function keysWith(part: Part, item: Goods, colour: string | null): Readonly<Record<string, string>> {
  const mm = (item as Item)['diameterMm'];
  const key = part.construction === 'ball' ? 'diameter' : 'strand';
  return {
    material: item.name,
    ...(typeof mm === 'number' && key in part ? { [key]: sizeText(mm) } : {}),
    ...(colour === null || colour === part.colour ? {} : { colour }),
  };
}

const madeOf = (part: Part, item: Item, colour: string | null): Part =>
  Object.entries(keysWith(part, item, colour)).reduce((made, [key, value]) => withField(made, key, value), part);

/** The item of a name that a part of a kind may be tied with; null where none of that name lies there. */
export const itemFor = (take: Take, part: Part, name: string, drawers: Drawers): Goods | null =>
  candidates(take, part, drawers).find((item) => item.name === name) ?? null;

/** So many are solved, the nearest first. */
const MOST_OFFERED = 5;

/**
 * What might be tied in instead, ranked by distance, each in the fly that runs out.
 * @param fly the first fly that what lies there does not suffice for
 */
export function substitutesFor(
  need: Need,
  { solved: fly, checked: before }: { readonly solved: SolvedFly; readonly checked: Checked },
  drawers: Drawers,
): Substitute[] {
  const { take } = need;
  const part = fly.laid.file.parts.find(({ id }) => id === take.part);
  // Of a mix one part alone has no substitute: another is mixed.
  if (!part || take.share < 1) return [];
  const items = candidates(take, part, drawers);
  const own = need.goods ?? named(items as readonly (Item & { also?: readonly string[] })[], take.item);
  const figured =
    own ?? items.find(({ name }) => name === fly.laid.parts.find(({ file }) => file.id === part.id)?.built.figuredAs);
  if (!figured) return [];
  const isOwn = (item: Item, colour: string | null): boolean =>
    item.name === figured.name && (colour === null || colour.toLowerCase() === take.colour?.toLowerCase());
  return items
    .filter((item) => item.discontinued !== true)
    .flatMap((item) =>
      coloursOf(item, take.colour)
        .filter((colour) => !isOwn(item, colour))
        .map((colour) => ({ item, colour, distance: distanceOf(take.kind, part.role, figured, item) })),
    )
    .sort((a, b) => a.distance - b.distance || (a.item.name < b.item.name ? -1 : 1))
    .slice(0, MOST_OFFERED)
    .flatMap(({ item, colour, distance }): Substitute[] => {
      const file = withPart(fly.laid.file, part.id, (each) => madeOf(each, item, colour));
      const laid = layFly(file, drawers);
      if (!laid.ok) return [];
      const solved = settleFly(laid.value);
      const checked = checkFly(solved, { drawers });
      const news = newTo(before, checked).map(({ message }) => message);
      return [{ item: item.name, colour, distance, solved, checks: reportChecks(checked), news }];
    });
}
