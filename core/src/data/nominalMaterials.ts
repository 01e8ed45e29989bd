import type {
  BundleMaterial,
  FeatherMaterial,
  HackleMaterial,
  SheetMaterial,
  SpunMaterial,
  StripMaterial,
  WoundMaterial,
} from './materials.ts';

/**
 * The built-in nominal materials. None of these figures is measured: they are judgement, chosen so that masses and sinking speeds
 * come out plausible; measured ones replace them.
 */
const KERATIN = 1.31;
const POLYESTER = 1.39;
const POLYPROPYLENE = 0.91;
const RUBBER = 1.1;
const circleMm2 = (diameterMm: number): number => (Math.PI / 4) * diameterMm ** 2;

type HairFigures = Pick<BundleMaterial, 'packing' | 'taper' | 'fibreMm' | 'softness' | 'spreadV' | 'spreadH' | 'water'>;

const hair = (
  name: string,
  colour: string,
  figures: HairFigures,
  also: readonly string[] = [],
  density = KERATIN,
): BundleMaterial => ({
  name,
  colour,
  also,
  manner: 'hair',
  density,
  strandMm2: circleMm2(figures.fibreMm),
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
    POLYESTER,
  ),
  hair(
    'floating synthetic hair',
    '#b6bcb2',
    { packing: 0.35, taper: 0.85, fibreMm: 0.05, softness: 0.5, spreadV: 4, spreadH: 3, water: 0.3 },
    ['polypropylene hair'],
    POLYPROPYLENE,
  ),
  {
    name: 'film strand',
    colour: '#c9d3d6',
    also: ['flash', 'crinkled flash', 'metallised film', 'tinsel strand'],
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
      POLYESTER,
    ),
    manner: 'tubing',
    strandMm2: TUBING.packing * circleMm2(TUBING.outsideMm),
  },
];

const wound = (
  name: string,
  manner: WoundMaterial['manner'],
  colour: string,
  [solid, density, opacity, water, softness]: readonly [number, number, number, number, number],
  ...also: string[]
): WoundMaterial => ({ name, manner, colour, solid, density, opacity, water, softness, also });

export const WOUND: readonly WoundMaterial[] = [
  wound('floss', 'floss', '#7a2230', [0.6, 1.3, 1, 0.4, 0], 'silk'),
  wound('flat tinsel', 'flat', '#c7ccce', [0.9, POLYESTER, 1, 0, 0], 'flat film'),
  wound('oval tinsel', 'oval', '#c9b169', [0.6, 2.5, 1, 0.2, 0], 'tinsel', 'round tinsel'),
  wound('tight dubbing', 'dubbing', '#57503f', [0.2, KERATIN, 0.9, 2, 0.2], 'dubbing', 'fur dubbing'),
  wound('loose dubbing', 'dubbing', '#57503f', [0.1, KERATIN, 0.75, 3, 0.4], 'picked dubbing'),
  wound('spun brush', 'brush', '#6a655b', [0.1, KERATIN, 0.75, 3, 0.4], 'brush', 'dubbing brush'),
  wound('chenille', 'chenille', '#5d5f45', [0.12, 1.3, 0.9, 2.5, 0.2], 'rayon chenille'),
  wound('bristle chenille', 'bristle', '#70808a', [0.05, POLYESTER, 0.6, 2, 0.3], 'sparkle chenille'),
  wound('wool', 'yarn', '#7c6a54', [0.25, KERATIN, 0.9, 2.5, 0.2], 'yarn', 'wool yarn'),
  wound('herl', 'herl', '#39492f', [0.12, KERATIN, 0.85, 1.5, 0.3], 'plume herl', 'marabou butts'),
  wound('braided tinsel', 'oval', '#bfc3bb', [0.5, POLYESTER, 1, 0.3, 0], 'braid', 'flat braid'),
  wound('wool chenille', 'chenille', '#7c6a54', [0.15, KERATIN, 0.9, 2.5, 0.2], 'soft chenille'),
  wound('seal-type dubbing', 'dubbing', '#6b2c1d', [0.12, KERATIN, 0.75, 1.5, 0.3], 'coarse dubbing', 'seal fur'),
  wound('thread', 'thread', '#2b2e2f', [0.65, 1.2, 1, 0, 0], 'tying thread'),
];

export const STRIPS: readonly StripMaterial[] = [
  {
    name: 'rabbit strip',
    colour: '#77706a',
    also: ['rabbit', 'fur strip'],
    hideMm: 0.7,
    pileMgMm2: 0.4,
    hairMm: 16,
    widthMm: 3,
    softness: 0.85,
  },
  {
    name: 'squirrel strip',
    colour: '#6d5f4d',
    also: ['squirrel', 'thin strip'],
    hideMm: 0.5,
    pileMgMm2: 0.25,
    hairMm: 12,
    widthMm: 2.5,
    softness: 0.75,
  },
  {
    name: 'mink strip',
    colour: '#45382c',
    also: ['mink'],
    hideMm: 0.8,
    pileMgMm2: 0.35,
    hairMm: 12,
    widthMm: 3,
    softness: 0.75,
  },
  {
    name: 'fox strip',
    colour: '#8a6d4a',
    also: ['fox'],
    hideMm: 1,
    pileMgMm2: 0.5,
    hairMm: 35,
    widthMm: 3,
    softness: 0.9,
  },
];

const hackle = (
  name: string,
  colour: string,
  fibresPerTurn: number,
  fibreMm: number,
  softness: number,
  ...also: string[]
): HackleMaterial => ({ name, colour, fibresPerTurn, fibreMm, softness, also });

export const HACKLES: readonly HackleMaterial[] = [
  hackle('cock neck', '#4b3524', 45, 0.07, 0.35, 'cock', 'neck hackle'),
  hackle('hen', '#5b5348', 50, 0.05, 0.65, 'hen neck', 'hen hackle'),
  hackle('saddle', '#4b3524', 60, 0.07, 0.4, 'saddle hackle'),
  hackle('long webby saddle', '#3d3a36', 40, 0.06, 0.6, 'webby saddle', 'schlappen-type hackle'),
  hackle('guinea', '#5f666a', 35, 0.06, 0.5, 'guinea fowl'),
  hackle('mallard', '#8c8574', 35, 0.06, 0.5, 'duck flank', 'flank'),
  hackle('plume collar', '#6f7173', 60, 0.03, 0.9, 'marabou', 'marabou collar', 'plume'),
];

/** A blade of 0.15 mm of which two fifths are matter; a slip shades more than a whole feather, a tip is softer. */
const BLADE = { thicknessMm: 0.15, packing: 0.4, density: KERATIN, water: 0.6 } as const;

const feather = (
  name: string,
  colour: string,
  [widthMm, opacity, softness]: readonly [number, number, number],
  ...also: string[]
): FeatherMaterial => ({ name, colour, also, ...BLADE, widthMm, opacity, softness });

export const FEATHERS: readonly FeatherMaterial[] = [
  feather('cock feather', '#4b3524', [7, 0.85, 0.5], 'neck feather', 'cape feather', 'saddle feather', 'feather'),
  feather('quill slip', '#6f675a', [5, 0.95, 0.5], 'slip', 'goose slip', 'turkey slip', 'married slip'),
  feather('hackle tip', '#8a5a2c', [4, 0.85, 0.6], 'feather tip', 'tips'),
  feather('flank feather', '#8c8574', [10, 0.85, 0.5], 'mallard flank', 'flank', 'breast feather'),
  feather('eyed cheek feather', '#2e2c28', [5, 0.95, 0.4], 'jungle-type cheek', 'cheek feather', 'cheek'),
  feather('crest feather', '#c79a2e', [3, 0.85, 0.5], 'golden crest', 'topping'),
];

const spun = (name: string, colour: string, softness: number, ...also: string[]): SpunMaterial => ({
  name,
  colour,
  also,
  packingTight: 0.35,
  packingLoose: 0.2,
  density: 0.35,
  fibreMm: 0.25,
  opacity: 0.95,
  softness,
  water: 0.5,
});

export const SPUN: readonly SpunMaterial[] = [
  spun('deer hair', '#8b7a5e', 0.1, 'deer', 'hollow hair', 'flared hair', 'spinning hair'),
  spun('antelope-type hair', '#b7a98e', 0.1, 'antelope', 'soft hollow hair'),
  {
    ...spun('wool head', '#9c9484', 0.2, 'wool', 'fleece'),
    density: KERATIN,
    packingTight: 0.2,
    packingLoose: 0.12,
    fibreMm: 0.05,
    water: 2.5,
  },
];

const sheet = (
  name: string,
  colour: string,
  [thicknessMm, density, opacity, softness, water]: readonly [number, number, number, number, number],
  ...also: string[]
): SheetMaterial => ({ name, colour, thicknessMm, density, opacity, softness, water, also });

export const SHEETS: readonly SheetMaterial[] = [
  sheet('closed-cell foam', '#3b3d3c', [2, 0.2, 1, 0.1, 0], 'foam', 'foam sheet'),
  sheet('case film', '#6c7a5a', [0.1, POLYESTER, 1, 0.2, 0], 'film', 'wing-case film', 'shell-back film'),
  sheet('rubber sheet', '#7b6c58', [0.4, RUBBER, 1, 0.3, 0], 'latex', 'stretch sheet'),
  sheet('feather-fibre case', '#4a4234', [0.25, 0.6, 0.95, 0.3, 0.6], 'feather fibre', 'turkey tail', 'case'),
  sheet('synthetic raffia', '#8a7a4a', [0.1, 1.3, 0.9, 0.3, 0.5], 'raffia'),
  sheet('clear lip', '#c9d3d6', [0.7, 1.2, 1, 0, 0], 'lip', 'plastic lip'),
];
