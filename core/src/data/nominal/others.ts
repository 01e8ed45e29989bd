import type { FeatherMaterial, HackleMaterial, SheetMaterial, SpunMaterial, StripMaterial } from '../materials.ts';
import { KERATIN, POLYESTER, RUBBER } from './densities.ts';

/** None of these figures is measured: they are judgement, chosen so that masses and sinking speeds come out plausible; measured ones replace them. */
export const STRIPS: readonly StripMaterial[] = [
  {
    name: 'rabbit strip',
    note: 'tanned hide of 0.7 mm; fur of 16 mm',
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
    note: 'thinner hide and thinner fur than rabbit',
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
    note: 'stiffer hide, dense underfur',
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
    note: 'thick hide under fur of 35 mm',
    colour: '#8a6d4a',
    also: ['fox'],
    hideMm: 1,
    pileMgMm2: 0.5,
    hairMm: 35,
    widthMm: 3,
    softness: 0.9,
  },
  {
    name: 'fine rabbit strip',
    note: 'rabbit hide cut to 2 mm, as for small flies',
    colour: '#77706a',
    also: ['thin rabbit strip', 'micro strip'],
    hideMm: 0.6,
    pileMgMm2: 0.35,
    hairMm: 12,
    widthMm: 2,
    softness: 0.85,
  },
  {
    name: 'goat strip',
    note: 'long straight hair on a thin hide',
    colour: '#77706a',
    also: ['goat', 'long hair strip'],
    hideMm: 0.7,
    pileMgMm2: 0.3,
    hairMm: 40,
    widthMm: 3,
    softness: 0.85,
  },
];

/** Barbs on a stem: so many a turn, so thick, so soft. */
const hackle = (
  name: string,
  colour: string,
  [fibresPerTurn, fibreMm, softness]: readonly [fibresPerTurn: number, fibreMm: number, softness: number],
  note: string,
  ...also: string[]
): HackleMaterial => ({ name, colour, fibresPerTurn, fibreMm, softness, note, also });

export const HACKLES: readonly HackleMaterial[] = [
  hackle('cock neck', '#4b3524', [45, 0.07, 0.35], 'stiff barbs, little web', 'cock', 'neck hackle', 'stiff hackle'),
  hackle('hen', '#5b5348', [50, 0.05, 0.65], 'fine webby barbs that lie back', 'hen neck', 'hen hackle'),
  hackle('soft hen', '#5b5348', [48, 0.045, 0.75], 'the webbed base of a hen’s feather', 'hen saddle', 'soft hackle'),
  hackle('stiff hen', '#5b5348', [48, 0.06, 0.5], 'a hen’s neck feather with little web', 'indian hen'),
  hackle('saddle', '#4b3524', [60, 0.07, 0.4], 'many even barbs on a thin stem', 'saddle hackle'),
  hackle('stiff saddle', '#4b3524', [62, 0.07, 0.3], 'barbs without web', 'dry saddle', 'cock saddle'),
  hackle('soft saddle', '#4b3524', [45, 0.06, 0.55], 'the webbed base of a saddle feather', 'hen-type saddle'),
  hackle(
    'long webby saddle',
    '#3d3a36',
    [40, 0.06, 0.6],
    'long barbs webbed to their ends',
    'webby saddle',
    'schlappen-type hackle',
  ),
  hackle('guinea', '#5f666a', [35, 0.06, 0.5], 'a spotted body feather', 'guinea fowl', 'spotted hackle'),
  hackle('mallard', '#8c8574', [35, 0.06, 0.5], 'a barred flank feather', 'duck flank', 'flank'),
  hackle(
    'jay-type hackle',
    '#3f6fa8',
    [30, 0.07, 0.4],
    'short stiff barbs, one side stripped',
    'jay',
    'blue barred hackle',
  ),
  hackle('partridge-type hackle', '#6e5a42', [25, 0.05, 0.65], 'few soft barbs', 'partridge', 'game hackle'),
  hackle(
    'heron-type hackle',
    '#5d6670',
    [30, 0.05, 0.7],
    'very long soft barbs',
    'heron substitute',
    'spey-type hackle',
  ),
  hackle(
    'plume collar',
    '#6f7173',
    [60, 0.03, 0.9],
    'soft plume wound by its tip',
    'marabou',
    'marabou collar',
    'plume',
  ),
];

/** A blade of 0.15 mm of which two fifths are matter; a slip shades more than a whole feather, a tip is softer. */
const BLADE = { thicknessMm: 0.15, packing: 0.4, density: KERATIN, water: 0.6 } as const;

const feather = (
  name: string,
  colour: string,
  [widthMm, opacity, softness]: readonly [number, number, number],
  note: string,
  ...also: string[]
): FeatherMaterial => ({ name, colour, also, note, ...BLADE, widthMm, opacity, softness });

export const FEATHERS: readonly FeatherMaterial[] = [
  feather(
    'cock feather',
    '#4b3524',
    [7, 0.85, 0.5],
    'a neck feather, its base stripped',
    'neck feather',
    'cape feather',
    'saddle feather',
    'feather',
  ),
  feather('quill slip', '#6f675a', [5, 0.95, 0.5], 'barbs of a wing quill that hold together', 'slip', 'married slip'),
  feather(
    'goose slip',
    '#7a7468',
    [5, 0.95, 0.5],
    'shoulder barbs, softer than a wing quill’s',
    'goose shoulder',
    'dyed goose',
  ),
  feather(
    'turkey-type slip',
    '#7b6347',
    [6, 0.95, 0.45],
    'barbs of a tail quill',
    'turkey slip',
    'turkey quill',
    'turkey tail slip',
  ),
  feather('hackle tip', '#8a5a2c', [4, 0.85, 0.6], 'the end of a neck feather', 'feather tip', 'tips'),
  feather(
    'flank feather',
    '#8c8574',
    [10, 0.85, 0.5],
    'a barred body feather',
    'mallard flank',
    'flank',
    'breast feather',
  ),
  feather(
    'bronze-type slip',
    '#6a5138',
    [5, 0.9, 0.55],
    'a slip of shoulder flank, soft and narrow',
    'bronze mallard slip',
    'mallard slip',
  ),
  feather('body feather', '#5f666a', [9, 0.85, 0.6], 'a round webby body feather', 'hen back', 'partridge feather'),
  feather(
    'eyed cheek feather',
    '#2e2c28',
    [5, 0.95, 0.4],
    'small and stiff, its web like enamel',
    'jungle-type cheek',
    'cheek feather',
    'cheek',
  ),
  {
    ...feather(
      'crest feather',
      '#c79a2e',
      [3, 0.85, 0.5],
      'a springy curved feather with no web',
      'golden crest',
      'topping',
    ),
    curve: 0.25,
  },
];

const spun = (name: string, colour: string, softness: number, note: string, ...also: string[]): SpunMaterial => ({
  name,
  note,
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
  spun(
    'deer hair',
    '#8b7a5e',
    0.1,
    'hollow hair of 0.25 mm: what it takes up is mostly air',
    'deer',
    'hollow hair',
    'flared hair',
    'spinning hair',
  ),
  spun('antelope-type hair', '#b7a98e', 0.1, 'as deer, softer and more brittle', 'antelope', 'soft hollow hair'),
  {
    ...spun('wool head', '#9c9484', 0.2, 'combed wool, packed: a fifth of it is matter', 'wool', 'fleece'),
    density: KERATIN,
    packingTight: 0.2,
    packingLoose: 0.12,
    fibreMm: 0.05,
    water: 2.5,
  },
  spun('caribou-type hair', '#a79b85', 0.15, 'the softest hollow hair: it packs close', 'caribou', 'reindeer hair'),
  spun('elk-type hair', '#9a8360', 0.1, 'stiffer than deer, and flares less', 'elk'),
];

const sheet = (
  name: string,
  colour: string,
  [thicknessMm, density, opacity, softness, water]: readonly [number, number, number, number, number],
  note: string,
  ...also: string[]
): SheetMaterial => ({ name, colour, thicknessMm, density, opacity, softness, water, note, also });

export const SHEETS: readonly SheetMaterial[] = [
  sheet('closed-cell foam', '#3b3d3c', [2, 0.2, 1, 0.1, 0], 'mostly air; it takes up no water', 'foam', 'foam sheet'),
  sheet(
    'case film',
    '#6c7a5a',
    [0.1, POLYESTER, 1, 0.2, 0],
    'film of 0.1 mm',
    'film',
    'wing-case film',
    'shell-back film',
  ),
  sheet(
    'pearl film',
    '#dfe6e4',
    [0.05, POLYESTER, 0.8, 0.2, 0],
    'thin film that lets light through',
    'pearl sheet',
    'mylar sheet',
  ),
  sheet('rubber sheet', '#7b6c58', [0.4, RUBBER, 1, 0.3, 0], 'latex of 0.4 mm', 'latex', 'stretch sheet'),
  sheet(
    'feather-fibre case',
    '#4a4234',
    [0.25, KERATIN, 0.95, 0.3, 0.6],
    'barbs side by side, soaked: they sink',
    'feather fibre',
    'case',
  ),
  sheet(
    'turkey-type case',
    '#5b4630',
    [0.2, KERATIN, 0.95, 0.3, 0.6],
    'a slip of tail quill laid flat, soaked',
    'turkey tail',
    'turkey quill',
    'quill',
  ),
  sheet('synthetic raffia', '#8a7a4a', [0.1, 1.3, 0.9, 0.3, 0.5], 'crinkled film that softens in water', 'raffia'),
  sheet(
    'folded strands',
    '#dfe6e4',
    [0.06, POLYESTER, 0.9, 0.3, 0.1],
    'flash or tinsel strands laid side by side and folded',
    'folded flash',
    'flash back',
    'flash',
  ),
  sheet(
    'folded yarn',
    '#8c6f5b',
    [1, 0.5, 0.95, 0.3, 2],
    'yarn laid side by side: about two fifths of it is fibre',
    'yarn',
    'wool',
  ),
  sheet('clear lip', '#c9d3d6', [0.7, 1.2, 1, 0, 0], 'stiff plastic of 0.7 mm', 'lip', 'plastic lip'),
];
