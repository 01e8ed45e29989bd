import {
  matchKind,
  solidIn,
  solidNamed,
  solidNames,
  solidWords,
  tintOf,
  woundKind,
  type Solid,
  type WoundManner,
  type WoundMaterial,
} from '../../data/index.ts';
import { named, type Drawers, type WeightItem } from '../../drawers/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { bad, good, type Outcome, suggestion } from '../../base/index.ts';

type Wrap = PartOf<'wrap'>;

/** What is wound, with its figures. Lengths mm, mg/mm³, g to the metre. */
export interface Strand {
  /** As the tier called it, and whose figures it has. */
  readonly name: string;
  readonly figuredAs: string;
  readonly density: number;
  readonly solid: number;
  readonly opacity: number;
  readonly softness: number;
  readonly water: number;
  readonly manner: WoundManner | 'wire';
  readonly flatMm: number | null;
  readonly thickMm: number | null;
  readonly coreMm: number | null;
  readonly gPerM: number | null;
  readonly tint: string;
  /** Of what is laid on it in one loop; null where it is of one. */
  readonly mixedTint: string | null;
  readonly note: string | null;
}

/** The drawer's wire of a name. */
function wireNamed(word: string, drawers: Drawers): WeightItem | null {
  const item = named(drawers.weights, word);
  return item?.form === 'wire' ? item : null;
}

/** mm of wire that are weighed at once. */
const WEIGHED_MM = 100;

/** Density of a wire as 100 mm of it were weighed, else its metal's. */
const wireDensity = (item: WeightItem, metal: Solid): number =>
  item.massMg === undefined ? metal.density : item.massMg / ((Math.PI / 4) * item.diameterMm ** 2 * WEIGHED_MM);

const metalStrand = (part: Wrap, metal: Solid, density: number, note: string | null): Strand => ({
  name: `${solidWords(part.material ?? metal.name)} wire`,
  figuredAs: metal.name,
  density,
  solid: 1,
  opacity: 1,
  softness: 0,
  water: 0,
  manner: 'wire',
  flatMm: null,
  thickMm: null,
  coreMm: null,
  gPerM: null,
  tint: tintOf(part.colour, metal.tint),
  mixedTint: null,
  note,
});

/** What wire of no metal that is named is figured as: craft wire is coated copper. */
const USUAL_WIRE = 'copper';

/**
 * What is wound: a metal by its name, wire of whatever colour as copper, anything else by name or by the nearest of its kind. Weight wire
 * must be a known metal.
 */
export function strandOf(part: Wrap, drawers: Drawers, path: string): Outcome<Strand> {
  const { material } = part;
  const item = material === undefined ? null : wireNamed(material, drawers);
  const metal = item ? solidNamed(item.material) : material === undefined ? null : solidNamed(material);
  if (metal) return good(metalStrand(part, metal, item ? wireDensity(item, metal) : metal.density, null));
  const kind = woundKind(material);
  if (part.role === 'underbody' && (material === undefined || kind === 'wire' || /weight/i.test(material))) {
    const word = material ?? '';
    const found = solidIn(word);
    if (found) return good(metalStrand(part, found, found.density, null));
    return bad({
      path: `${path}.material`,
      code: 'material',
      message:
        word === ''
          ? 'is missing; weight wire needs its metal, such as "lead-free wire"'
          : `"${word}" is no metal the tables know${suggestion(word, solidNames())}; one of ${solidNames().join(', ')}`,
    });
  }
  if (kind === 'wire' && material !== undefined) {
    const taken = solidIn(material) ?? solidNamed(USUAL_WIRE);
    if (taken) return good(metalStrand(part, taken, taken.density, `"${material}" is figured as ${taken.name} wire`));
  }
  const { wound } = drawers;
  const usual = wound.find((each) => each.name === USUAL[part.role]) ?? wound.find((each) => each.name === USUAL_BODY);
  const last = usual ?? wound[0];
  if (!last)
    return bad({ path: `${path}.material`, code: 'material', message: 'the drawers hold nothing that is wound' });
  const { item: m, name, note } = matchKind(wound, material, kind === 'wire' ? null : kind, last);
  const strand = woundStrand(part, m, name, note);
  return part.with === undefined ? good(strand) : composite(part.with, strand, wound, path);
}

/** Two materials spun in one loop, as much matter of one as of the other, standing off as the fur does. Judgement: nobody weighs them apart. */
function composite(word: string, strand: Strand, wound: Drawers['wound'], path: string): Outcome<Strand> {
  const usual = wound.find((each) => each.name === USUAL_BODY) ?? wound[0];
  if (strand.manner !== 'dubbing' || !usual)
    return bad({
      path: `${path}.with`,
      code: 'contradiction',
      message: 'is for what is spun in a dubbing loop: fur, or what is dubbed as fur is',
    });
  const kind = woundKind(word);
  const { item, note } = matchKind(wound, word, kind === 'wire' ? null : kind, usual);
  const half = (a: number, b: number): number => (a + b) / 2;
  return good({
    ...strand,
    name: `${strand.name} and ${word}`,
    figuredAs: `${strand.figuredAs} and ${item.name}`,
    density: half(strand.density, item.density),
    opacity: half(strand.opacity, item.opacity),
    softness: half(strand.softness, item.softness),
    water: half(strand.water, item.water),
    mixedTint: tintOf(word, item.colour),
    note: [strand.note, note].filter((each) => each !== null).join('; ') || null,
  });
}

function woundStrand(part: Wrap, m: Drawers['wound'][number], name: string, note: string | null): Strand {
  return {
    ...m,
    name,
    figuredAs: m.name,
    flatMm: m.flatMm ?? USUAL_LIES[m.manner]?.flatMm ?? null,
    thickMm: m.thickMm ?? USUAL_LIES[m.manner]?.thickMm ?? null,
    coreMm: m.coreMm ?? USUAL_LIES[m.manner]?.coreMm ?? null,
    gPerM: m.gPerM ?? null,
    tint: tintOf(part.colour, m.colour),
    mixedTint: null,
    note,
  };
}

/** How a manner lies where the drawer does not say, mm. */
const USUAL_LIES: Readonly<Partial<Record<WoundManner, Pick<WoundMaterial, 'flatMm' | 'thickMm' | 'coreMm'>>>> = {
  floss: { flatMm: 1.5, thickMm: 0.08 },
  flat: { flatMm: 1.2, thickMm: 0.03 },
  quill: { flatMm: 0.8, thickMm: 0.05 },
  thread: { flatMm: 0.25, thickMm: 0.07 },
  brush: { coreMm: 1.2 },
  bristle: { coreMm: 0.9 },
  long: { coreMm: 1 },
};

const USUAL: Readonly<Record<string, string>> = { rib: 'oval tinsel', tag: 'oval tinsel' };
const USUAL_BODY = 'tight dubbing';

/** Breadths of a core from turn to turn, by how densely the tier winds. Judgement: fibres are stroked back between turns. */
const APART = { sparse: 2, usual: 1.5, dense: 1 } as const;

/** mm from turn to turn of what stands off a core; null for anything else. */
export const corePitchMm = (part: Wrap, { coreMm }: Pick<Strand, 'coreMm'>): number | null =>
  coreMm === null ? null : coreMm * APART[part.density ?? 'usual'];

/** Things that lie flat: as broad as they are, and thin. */
const FLAT: ReadonlySet<string> = new Set(['flat', 'quill']);
export const isFlat = ({ manner }: Pick<Strand, 'manner'>): boolean => FLAT.has(manner);
