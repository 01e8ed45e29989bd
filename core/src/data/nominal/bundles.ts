import type { BundleMaterial } from '../materials.ts';
import { KERATIN, POLYESTER, POLYPROPYLENE, RUBBER } from './densities.ts';

/** None of these figures is measured: they are judgement, chosen so that masses and sinking speeds come out plausible; measured ones replace them. */
const circleMm2 = (diameterMm: number): number => (Math.PI / 4) * diameterMm ** 2;

type HairFigures = Pick<BundleMaterial, 'packing' | 'taper' | 'fibreMm' | 'softness' | 'spreadV' | 'spreadH' | 'water'>;

/** Why hair is figured as it is: its fibre's breadth under the glass, squeezed as round rods pack, less its underfur. */
const AS_HAIR = 'breadth of its fibre; squeezed as round rods pack; thins to its tips';

const hair = (
  name: string,
  colour: string,
  figures: HairFigures,
  also: readonly string[] = [],
  note = AS_HAIR,
  density = KERATIN,
): BundleMaterial => ({
  name,
  colour,
  also,
  manner: 'hair',
  density,
  strandMm2: circleMm2(figures.fibreMm),
  note,
  ...figures,
});

/**
 * The diameter of round fibres that would cover as much as flat strands of the same solid section. A strand's mean shadow is the
 * edge round it over π (Cauchy); in o = 1 − exp(−A/(2π·f·r)) a round fibre's is f.
 */
const flatFibreMm = (wideMm: number, thickMm: number): number =>
  (8 * wideMm * thickMm) / (2 * Math.PI * ((2 * (wideMm + thickMm)) / Math.PI));

const FILM = { wideMm: 0.25, thickMm: 0.02 };
/** Tubing with its core drawn out: a braided wall, hollow, of which a fifth is matter. */
const TUBING = { outsideMm: 2.5, packing: 0.2 };

export const BUNDLES: readonly BundleMaterial[] = [
  {
    name: 'marabou',
    note: 'barbs of 0.03 mm with barbules; a quarter of what is squeezed is matter',
    colour: '#6f7173',
    also: ['soft plume', 'plume', 'turkey plume'],
    manner: 'plume',
    packing: 0.25,
    taper: 0.5,
    fibreMm: 0.03,
    strandMm2: circleMm2(0.03),
    softness: 0.9,
    spreadV: 5,
    spreadH: 3,
    water: 4,
    density: KERATIN,
  },
  hair(
    'bucktail-type hair',
    '#8d8470',
    { packing: 0.6, taper: 0.6, fibreMm: 0.1, softness: 0.35, spreadV: 4, spreadH: 3, water: 0.5 },
    ['bucktail', 'deer tail'],
  ),
  hair(
    'squirrel hair',
    '#6d5f4d',
    { packing: 0.6, taper: 0.6, fibreMm: 0.08, softness: 0.4, spreadV: 4, spreadH: 3, water: 0.7 },
    ['squirrel tail', 'squirrel'],
  ),
  hair(
    'calf hair',
    '#c9c0ad',
    { packing: 0.6, taper: 0.6, fibreMm: 0.08, softness: 0.4, spreadV: 4, spreadH: 3, water: 0.7 },
    ['calf tail', 'calf'],
  ),
  hair(
    'fox hair',
    '#8a6d4a',
    { packing: 0.45, taper: 0.5, fibreMm: 0.05, softness: 0.7, spreadV: 5, spreadH: 4, water: 1.2 },
    ['fox', 'fox tail', 'long soft hair'],
  ),
  hair(
    'goat hair',
    '#77706a',
    { packing: 0.5, taper: 0.7, fibreMm: 0.06, softness: 0.6, spreadV: 4, spreadH: 3, water: 0.8 },
    ['goat'],
  ),
  hair(
    'kinked synthetic hair',
    '#a9b3b2',
    { packing: 0.35, taper: 0.85, fibreMm: 0.05, softness: 0.5, spreadV: 4, spreadH: 3, water: 0.3 },
    ['synthetic hair', 'kinked fibre'],
    'polyester of 0.05 mm; its kinks keep it loose when squeezed',
    POLYESTER,
  ),
  hair(
    'floating synthetic hair',
    '#b6bcb2',
    { packing: 0.35, taper: 0.85, fibreMm: 0.05, softness: 0.5, spreadV: 4, spreadH: 3, water: 0.3 },
    ['polypropylene hair'],
    'polypropylene, lighter than water',
    POLYPROPYLENE,
  ),
  {
    name: 'flash',
    colour: '#c9d3d6',
    also: ['film strand', 'crinkled flash', 'metallised film', 'tinsel strand'],
    note: 'polyester film, 0.25 by 0.02 mm a strand',
    manner: 'strand',
    packing: 0.5,
    taper: 1,
    fibreMm: flatFibreMm(FILM.wideMm, FILM.thickMm),
    strandMm2: FILM.wideMm * FILM.thickMm,
    softness: 0.6,
    spreadV: 2,
    spreadH: 2,
    water: 0.1,
    density: POLYESTER,
  },
  {
    name: 'rubber leg',
    note: 'a strand of 0.8 mm, solid; it stands apart from its neighbours',
    colour: '#3b3d3c',
    also: ['rubber', 'silicone leg', 'rubber legs'],
    manner: 'leg',
    packing: 1,
    taper: 1,
    fibreMm: 0.8,
    strandMm2: circleMm2(0.8),
    softness: 0.7,
    spreadV: 20,
    spreadH: 20,
    clump: 1,
    water: 0,
    density: RUBBER,
  },
  {
    ...hair(
      'wool strand',
      '#8f7f6a',
      { packing: 0.35, taper: 1, fibreMm: 0.02, softness: 0.6, spreadV: 3, spreadH: 3, water: 2.5 },
      ['wool', 'yarn', 'yarn tail'],
    ),
    manner: 'hair',
  },
  hair(
    'bear-type hair',
    '#3b332b',
    { packing: 0.55, taper: 0.6, fibreMm: 0.09, softness: 0.4, spreadV: 4, spreadH: 3, water: 0.6 },
    ['bear hair', 'long coarse hair'],
  ),
  hair(
    'polar-type hair',
    '#e2ded0',
    { packing: 0.55, taper: 0.65, fibreMm: 0.08, softness: 0.45, spreadV: 4, spreadH: 3, water: 0.5 },
    ['polar hair', 'long translucent hair'],
  ),
  hair(
    'hackle fibres',
    '#5b4a38',
    { packing: 0.55, taper: 0.7, fibreMm: 0.06, softness: 0.5, spreadV: 8, spreadH: 6, water: 0.6 },
    ['feather fibres', 'beard fibres', 'fibres', 'flank fibres'],
  ),
  hair(
    'herl tips',
    '#39492f',
    { packing: 0.3, taper: 0.7, fibreMm: 0.12, softness: 0.6, spreadV: 6, spreadH: 4, water: 1.5 },
    ['plume herl tips', 'herl wing'],
  ),
  {
    ...hair(
      'braided tubing',
      '#c3c9c4',
      { packing: 0.2, taper: 1, fibreMm: 0.1, softness: 0.3, spreadV: 1, spreadH: 1, water: 0.8 },
      ['tubing', 'tubing tail', 'mesh tubing'],
      'a braided wall with its core drawn out: a fifth of it is matter',
      POLYESTER,
    ),
    manner: 'tubing',
    strandMm2: TUBING.packing * circleMm2(TUBING.outsideMm),
  },
  {
    name: 'pearl strand',
    colour: '#dfe6e4',
    also: ['mylar strand', 'pearl flash', 'tinsel tail'],
    note: 'polyester film, 0.4 by 0.02 mm a strand',
    manner: 'strand',
    packing: 0.5,
    taper: 1,
    fibreMm: flatFibreMm(0.4, 0.02),
    strandMm2: 0.4 * 0.02,
    softness: 0.5,
    spreadV: 2,
    spreadH: 2,
    water: 0.1,
    density: POLYESTER,
  },
  {
    ...hair(
      'mylar tubing',
      '#d5dad8',
      { packing: 0.15, taper: 1, fibreMm: 0.3, softness: 0.3, spreadV: 2, spreadH: 2, water: 0.5 },
      ['tinsel tubing', 'pearl tubing', 'frayed tubing'],
      'flat strands braided round a core that is drawn out: thinner walled than braid',
      POLYESTER,
    ),
    manner: 'tubing',
    strandMm2: 0.15 * circleMm2(TUBING.outsideMm),
  },
  hair(
    'craft-type fur',
    '#b3aa9c',
    { packing: 0.4, taper: 0.6, fibreMm: 0.04, softness: 0.75, spreadV: 5, spreadH: 4, water: 1 },
    ['craft fur', 'fun fur', 'long-nap fur'],
    'acrylic pile of 0.04 mm that thins to its tips, its underfur combed out',
    1.18,
  ),
  hair(
    'yarn strands',
    '#9c8f80',
    { packing: 0.35, taper: 1, fibreMm: 0.025, softness: 0.6, spreadV: 4, spreadH: 4, water: 2 },
    ['acrylic yarn', 'mohair', 'combed yarn'],
    'spun staple of 0.025 mm, cut, so that it does not thin to its end',
    1.18,
  ),
  hair(
    'luminous floss strands',
    '#c6d96b',
    { packing: 0.55, taper: 1, fibreMm: 0.03, softness: 0.6, spreadV: 3, spreadH: 3, water: 0.4 },
    ['luminous floss', 'floss tail', 'floss strands'],
    'stretched polyamide filaments, cut',
    1.14,
  ),
  hair(
    'sword-type fibres',
    '#2f5a45',
    { packing: 0.35, taper: 0.75, fibreMm: 0.1, softness: 0.5, spreadV: 6, spreadH: 4, water: 1 },
    ['sword fibres', 'sword herl', 'sword'],
    'short herl whose barbules hold it apart',
  ),
  hair(
    'jay-type fibres',
    '#3f6fa8',
    { packing: 0.5, taper: 0.7, fibreMm: 0.07, softness: 0.4, spreadV: 8, spreadH: 6, water: 0.6 },
    ['jay fibres', 'blue barred fibres'],
    'short stiff barbs, drawn down in one bunch',
  ),
  hair(
    'guinea-type fibres',
    '#5f666a',
    { packing: 0.5, taper: 0.7, fibreMm: 0.06, softness: 0.5, spreadV: 8, spreadH: 6, water: 0.6 },
    ['guinea fibres', 'guinea fowl fibres', 'spotted fibres'],
    'soft spotted barbs of a body feather',
  ),
  hair(
    'tail fibres',
    '#6b4f33',
    { packing: 0.5, taper: 0.75, fibreMm: 0.12, softness: 0.35, spreadV: 5, spreadH: 4, water: 0.6 },
    ['pheasant tail fibres', 'turkey tail fibres', 'swan fibres'],
    'long barbs of a tail feather, 0.12 mm',
  ),
];
