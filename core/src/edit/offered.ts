import { bundleKind, type BundleManner, type WoundMaterial } from '../data/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { isFlat } from '../model/index.ts';
import type { Part, PartOf } from '../pattern/index.ts';
import { CALLED } from './called.ts';
import type { Preset } from './preset.ts';
import { PRESETS } from './presets.ts';

/** A part as it is offered: in a material of its own where one was asked for. */
export interface OfferedPart extends Preset {
  /** What else it is called. */
  readonly called: readonly string[];
  /** The material it starts in; null for the one that is usual. */
  readonly of: string | null;
  /** What else that material is called; of the usual one, its name too. */
  readonly alsoOf: readonly string[];
}

/** Metals and the like that solid parts and wire are bought in besides the usual one, and what else of a part that makes otherwise. */
const CAST: Readonly<Record<string, { readonly of: readonly string[]; readonly with?: object }>> = {
  'Dumbbell eyes': { of: ['lead', 'tungsten', 'aluminium', 'lead-free'] },
  Bead: { of: ['tungsten', 'glass', 'plastic'] },
  Cone: { of: ['tungsten', 'plastic'] },
  'Bead chain': { of: ['brass'] },
  'Weight wire': { of: ['lead wire'] },
  Rib: { of: ['copper wire', 'brass wire'], with: { strand: '0.2 mm' } },
};

type Manner = WoundMaterial['manner'];
type Thick = Readonly<{ strand: string } | { diameter: string }>;

/** How thick a body of something wound is begun, by its manner: the usual one is of chenille. What lies flat is as thick as it is. */
const BODY_AS: Readonly<Partial<Record<Manner, Thick>>> = {
  floss: { diameter: '2 mm' },
  oval: { strand: '0.5 mm' },
  dubbing: { diameter: '3 mm' },
  yarn: { diameter: '2.5 mm' },
  herl: { diameter: '3 mm' },
  plume: { diameter: '3 mm' },
  thread: { diameter: '1.2 mm' },
};
/** A tag of what lies in passes is told by how thick it is. */
const TAG_OF_FLOSS = { diameter: '1.2 mm', to: 'bend' } as const;

/** A wound part begun in another material: its thickness was that of the usual one. */
function woundOf(part: PartOf<'wrap'>, material: string, manner: Manner): PartOf<'wrap'> {
  const { strand: _strand, ...flat } = part;
  if (part.role === 'tag' && manner === 'floss') {
    const { turns: _turns, ...passes } = flat;
    return { ...passes, ...TAG_OF_FLOSS, material };
  }
  const { diameter: _diameter, ...bare } = flat;
  if (isFlat({ manner })) return { ...bare, material };
  const as = part.role === 'body' ? BODY_AS[manner] : undefined;
  return as ? { ...bare, ...as, material } : { ...part, material };
}

/** A material of the drawers, and what of it decides which parts are begun in it. */
interface Begun {
  readonly name: string;
  readonly also: readonly string[];
  readonly construction: Part['construction'];
  readonly bundle?: BundleManner;
  readonly wound?: Manner;
}

const materialsOf = ({ bundles, wound, hackles, feathers, strips, spun, sheets }: Drawers): readonly Begun[] => [
  ...bundles.map(({ name, also, manner }): Begun => ({ name, also, construction: 'bundle', bundle: manner })),
  ...wound.map(({ name, also, manner }): Begun => ({ name, also, construction: 'wrap', wound: manner })),
  ...Object.entries({ hackle: hackles, feather: feathers, strip: strips, spun, sheet: sheets }).flatMap(
    ([construction, some]) =>
      some.map(({ name, also }): Begun => ({ name, also, construction: construction as Part['construction'] })),
  ),
];

const isSoft = (manner: BundleManner | null): boolean => manner === 'hair' || manner === 'plume' || manner === null;

/** Whether a part may be begun in a material. Of bundles strands are flash, legs are legs, tubing a tail; hair and plume all else. */
function suits({ part, solely, manners }: Preset, { name, construction, bundle, wound }: Begun): boolean {
  if (part.construction !== construction || part.role === 'underbody') return false;
  if (solely) return solely.includes(name);
  if (manners) return wound !== undefined && manners.includes(wound);
  if (part.construction !== 'bundle') return true;
  const own = bundleKind(part.material);
  return own === bundle || (isSoft(own) && isSoft(bundle ?? null));
}

const inMaterial = (offered: OfferedPart, material: string, part: object, also: readonly string[]): OfferedPart => ({
  ...offered,
  means: `of ${material}`,
  part: part as Part,
  of: material,
  alsoOf: also,
});

/** Every part one may start from, and each again in every material of the drawers it is made of. */
export function offeredParts(drawers: Drawers): readonly OfferedPart[] {
  const materials = materialsOf(drawers);
  const usual = PRESETS.map((preset): OfferedPart => {
    const { material, construction } = preset.part;
    const item = materials.find((each) => each.name === material && each.construction === construction);
    const alsoOf = material === undefined ? [] : [material, ...(item?.also ?? [])];
    return { ...preset, called: CALLED[preset.name] ?? [], of: null, alsoOf };
  });
  const cast = (offered: OfferedPart): OfferedPart[] => {
    const { of = [], with: more } = CAST[offered.name] ?? {};
    return of.map((metal) => inMaterial(offered, metal, { ...offered.part, ...more, material: metal }, []));
  };
  const made = (offered: OfferedPart): OfferedPart[] =>
    materials
      .filter((material) => suits(offered, material))
      .map(({ name, also, wound }) => {
        const { part } = offered;
        const begun = part.construction === 'wrap' && wound ? woundOf(part, name, wound) : { ...part, material: name };
        return inMaterial(offered, name, begun, also);
      });
  return [...usual, ...usual.flatMap((offered) => [...cast(offered), ...made(offered)])];
}
