import type { BundleManner, WoundManner } from './kinds.ts';

/** What materials are described by. Lengths mm, areas mm², densities mg/mm³, angles degrees, water as a multiple of dry mass. */
export interface Named {
  readonly name: string;
  readonly colour: string;
  /** Other names it goes by. */
  readonly also: readonly string[];
  /** Why its figures are what they are. */
  readonly note?: string | undefined;
}

/** Hair, plume, strands: tied in as a clump. `packing` is the solid share of the squeezed section, `taper` the solid left on average over the length. */
export interface BundleMaterial extends Named {
  readonly manner: BundleManner;
  readonly packing: number;
  readonly taper: number;
  readonly density: number;
  readonly water: number;
  readonly softness: number;
  readonly spreadV: number;
  readonly spreadH: number;
  /** Diameter that gives the clump its opacity, and the solid section of one fibre or strand. */
  readonly fibreMm: number;
  readonly strandMm2: number;
  /** Share of its cover that stays when it is wet and clings in locks; 1 for what stands apart. A quarter where none is given. */
  readonly clump?: number | undefined;
}

/** Floss, tinsel, chenille and the like: wound to an envelope, of which `solid` is matter. */
export interface WoundMaterial extends Named {
  readonly manner: WoundManner;
  readonly solid: number;
  readonly density: number;
  readonly opacity: number;
  readonly water: number;
  readonly softness: number;
  /** Of what lies flat: its breadth and its thickness, mm. */
  readonly flatMm?: number | undefined;
  readonly thickMm?: number | undefined;
  /** Of what stands off a core: the breadth of the core, mm, which says how close its turns lie. */
  readonly coreMm?: number | undefined;
  /** What a metre of it weighs, g, core and fibres; the envelope's share of matter where none is given. */
  readonly gPerM?: number | undefined;
}

/** Fur on the hide. `pileMgMm2` is mg of hair on a mm² of hide. */
export interface StripMaterial extends Named {
  readonly hideMm: number;
  readonly pileMgMm2: number;
  readonly hairMm: number;
  readonly widthMm: number;
  readonly softness: number;
}

/** Hackles and plumes wound as a collar or palmered. */
export interface HackleMaterial extends Named {
  readonly fibresPerTurn: number;
  readonly fibreMm: number;
  readonly softness: number;
  /** Share of the cover that stays when it is wet; all of it where none is given. */
  readonly clump?: number | undefined;
}

/** Whole feathers, slips and tips: thin blades. `thicknessMm` of one blade, `packing` the solid share of it, `widthMm` as it usually comes. */
export interface FeatherMaterial extends Named {
  readonly thicknessMm: number;
  readonly packing: number;
  readonly density: number;
  readonly widthMm: number;
  readonly opacity: number;
  readonly softness: number;
  readonly water: number;
  /** How far its tip bends off the straight, as a share of its free length; none where it grows straight. */
  readonly curve?: number | undefined;
}

/** Hollow hair that flares under the thread. `packingTight` and `packingLoose` are the shares of the envelope hair displaces, its air included. */
export interface SpunMaterial extends Named {
  readonly packingTight: number;
  readonly packingLoose: number;
  readonly density: number;
  readonly fibreMm: number;
  readonly opacity: number;
  readonly softness: number;
  readonly water: number;
}

/** Flat goods folded over a body: foam, film, latex, raffia. */
export interface SheetMaterial extends Named {
  readonly thicknessMm: number;
  readonly density: number;
  readonly opacity: number;
  readonly softness: number;
  readonly water: number;
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '')
    .map((word) => word.replace(/(?<=[a-z]{3})s$/, ''));

/** Shared words of a name, each worth the more the fewer items it fits: `fox` says something, `hair` hardly. */
function likeness(items: readonly Named[], wanted: readonly string[], item: Named): number {
  const known = (each: Named): Set<string> => new Set([each.name, ...each.also].flatMap(wordsOf));
  const own = known(item);
  return wanted
    .filter((word) => own.has(word))
    .reduce((sum, word) => sum + 1 / items.filter((each) => known(each).has(word)).length, 0);
}

const TELLING = 0.3;

/** A material as the tier called it, and the item whose figures it has. */
export interface Matched<T extends Named> {
  readonly item: T;
  /** The tier's own words; the item's where he named none. */
  readonly name: string;
  /** Says whose figures it has, where that is not the one named. */
  readonly note: string | null;
}

/**
 * The item of a name or of another name it goes by, else the nearest one by words, else the usual one. The name stays what the tier wrote; only the figures are another's.
 * @param among items that are of the kind its words say; the nearest is one of these
 * @example matchMaterial(BUNDLES, 'long fox fur', usual) // fox hair, '"long fox fur" is figured as fox hair'
 */
export function matchMaterial<T extends Named>(
  items: readonly T[],
  word: string | undefined,
  usual: T,
  among: readonly T[] = items,
): Matched<T> {
  const kept = matchesOf(items);
  const key = `${word ?? ''}\n${usual.name}\n${among === items ? '' : (among[0]?.name ?? '')}`;
  const known = word === undefined ? undefined : kept.get(key);
  if (known) return known as Matched<T>;
  const found = matched(items, word, usual, among);
  if (word !== undefined) {
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(key, found);
  }
  return found;
}

/** A fly is laid again and again while a hand pulls at it, always of the same materials: what was matched is kept beside its drawer. */
const MOST_KEPT = 1000;
const keptMatches = new WeakMap<readonly Named[], Map<string, Matched<Named>>>();
function matchesOf(items: readonly Named[]): Map<string, Matched<Named>> {
  let kept = keptMatches.get(items);
  if (!kept) keptMatches.set(items, (kept = new Map()));
  return kept;
}

function matched<T extends Named>(
  items: readonly T[],
  word: string | undefined,
  usual: T,
  among: readonly T[],
): Matched<T> {
  if (word === undefined) return { item: usual, name: usual.name, note: `no material named: figured as ${usual.name}` };
  const plain = word.trim().toLowerCase();
  const name = word.trim();
  const exact = items.find((each) => each.name === plain) ?? among.find((each) => each.also.includes(plain));
  if (exact) return { item: exact, name, note: null };
  const wanted = wordsOf(plain);
  const [best] = among
    .map((item) => ({ item, score: likeness(items, wanted, item) }))
    .sort((a, b) => b.score - a.score);
  if (best && best.score >= TELLING)
    return { item: best.item, name, note: `"${word}" is figured as ${best.item.name}` };
  return { item: usual, name, note: `"${word}" is not in the drawers: figured as ${usual.name}` };
}

/**
 * The item of a name among those of the kind its words say: wire is never dubbing, nor plume yarn.
 * @param kind the kind that the words say; null where they say none
 * @param usual what is taken of all, where nothing is like it
 */
export function matchKind<K extends string, T extends Named & { readonly manner: K }>(
  items: readonly T[],
  word: string | undefined,
  kind: K | null,
  usual: T,
): Matched<T> {
  const among = kind === null ? items : items.filter((item) => item.manner === kind);
  const [first] = among;
  if (!first) return matchMaterial(items, word, usual);
  return matchMaterial(items, word, kind === null || usual.manner === kind ? usual : first, among);
}
