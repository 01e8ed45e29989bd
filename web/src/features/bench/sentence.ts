import { solidNames, COATS } from '@jobbet/core/data';
import type { Drawers } from '@jobbet/core/drawers';
import {
  DETAILS,
  relation,
  material,
  side,
  FIBRE,
  AMOUNT,
  THICK,
  has,
  choice,
  layers,
  count,
  angle,
  otherPart,
  DOSE,
  amount,
  reach,
  words,
  SUPPORT,
  COLLARS,
  names,
  type Part,
  type Piece,
} from './sentencePieces.ts';

type Told<C extends Part['construction']> = (part: Extract<Part, { construction: C }>, drawers: Drawers) => Piece[];

const SIDES_OF_SHAPE: Readonly<Record<string, readonly string[]>> = {
  disc: ['near', 'far', 'both'],
  dumbbell: ['top', 'bottom', 'axis'],
  'bead-chain': ['top', 'bottom', 'axis'],
  plastic: ['top', 'bottom', 'axis'],
  stalked: ['top', 'bottom', 'axis'],
};

const ball: Told<'ball'> = (part, drawers) => [
  words('ball', 'shape'),
  'of',
  material([...names(drawers.weights.filter((item) => item.form === part.shape)), ...solidNames()]),
  ',',
  relation('diameter', 'diameter'),
  'across, centred',
  relation('at', 'place'),
  ',',
  ...(part.shape === 'cone'
    ? [
        relation('front', 'front', 'half as wide'),
        'wide in front,',
        relation('length', 'length', '0.8 of that'),
        'long, with',
      ]
    : []),
  ...(part.shape === 'bead' || part.shape === 'cone'
    ? [relation('bore', 'bore', 'the usual bore')]
    : [side(...(SIDES_OF_SHAPE[part.shape] ?? []))]),
  ...(part.shape === 'bead' ? [',', { kind: 'yes' as const, key: 'slotted', label: 'slotted', empty: 'whole' }] : []),
  ...(part.shape === 'dumbbell' ? [', its faces', words('ball', 'faces', 'round')] : []),
  ...(part.shape === 'stalked'
    ? [
        ', on stalks of',
        relation('stalk', 'stalk', 'twice that'),
        'to the',
        words('ball', 'toward', 'rear'),
        ', each',
        angle('30 deg'),
        'off the shank',
      ]
    : []),
  ', weighing',
  { kind: 'quantity', key: 'mass', label: 'weighed mass', empty: 'as computed' },
];

/** The key its thickness is said by. */
const breadthKey = (part: Part): string => (has(part, 'strand') ? 'strand' : has(part, 'width') ? 'width' : 'diameter');

const wrap: Told<'wrap'> = (part, drawers) => [
  material([
    ...names(drawers.wound),
    ...names(drawers.weights.filter((item) => item.form === 'wire')),
    'lead-free wire',
    'copper',
    'brass wire',
    'stainless wire',
    'lead wire',
  ]),
  ',',
  THICK,
  ...(has(part, 'profile')
    ? [0, 1, 2].flatMap((i): Piece[] => [
        relation(`profile[${String(i)}]`, ['rear', 'middle', 'front'][i] ?? 'diameter'),
      ])
    : [relation(breadthKey(part), breadthKey(part))]),
  ', from',
  relation('from', 'from'),
  'to',
  relation('to', 'to', 'as the turns run'),
  'in',
  count('turns', 'turns', 'touching'),
  'turns',
  DETAILS,
  ...(has(part, 'strand') ? ['pitch', relation('pitch', 'pitch', 'as it comes'), ',', layers(2), 'layer,'] : []),
  'wound',
  words('wrap', 'direction', 'with'),
  ...(part.role === 'underbody'
    ? ['on', words('wrap', 'on', 'bare'), 'shank']
    : [', turns', words('wrap', 'density', 'usual'), ', thick', relation('thickness', 'thickness', 'as it comes')]),
  ...(part.role === 'rib'
    ? [', the hackle', words('wrap', 'over', 'hackle'), ', binding', otherPart('binds[0]', 'what it binds', 'nothing')]
    : []),
  ...(part.role === 'head' || part.role === 'body'
    ? [
        ', past eyes',
        { kind: 'yes' as const, key: 'crossed', label: 'crossed between them', empty: 'round the shank alone' },
      ]
    : []),
  ...(part.role === 'body' || part.role === 'collar'
    ? [
        ', fur brought on',
        words('wrap', 'dubbed', 'as usual'),
        ', with',
        material(names(drawers.wound), { key: 'with', label: 'second fur in the loop', empty: 'nothing else' }),
      ]
    : []),
];

const bundle: Told<'bundle'> = (part, drawers) => [
  AMOUNT,
  amount(part),
  material(names(drawers.bundles)),
  ', tied in',
  relation('at', 'tie-in'),
  ',',
  side('top', 'bottom', 'near', 'far', 'both', 'around'),
  '; it',
  ...reach(part),
  DETAILS,
  'butts',
  relation('buttsTo', 'butts', 'run along the shank'),
  ', set at',
  angle('its usual angle'),
  'to the',
  words('bundle', 'toward', 'rear'),
  ', tips',
  words('bundle', 'ends', 'natural'),
  ',',
  { kind: 'yes', key: 'stacked', label: 'stacked', empty: 'as it comes' },
  ',',
  SUPPORT,
  ...(part.role === 'legs' ? [', held', words('bundle', 'held', 'bound')] : []),
  ...(part.role === 'tail'
    ? [', butts', { kind: 'yes' as const, key: 'buttsWrapped', label: 'wrapped', empty: 'as they lie' }]
    : []),
];

const feather: Told<'feather'> = (part, drawers) => [
  words('feather', 'form', 'pair'),
  'of',
  material(names(drawers.feathers)),
  ',',
  ...(part.form === 'slips'
    ? [
        'married, top to bottom,',
        { kind: 'colours' as const, key: 'married', label: 'married strands', empty: 'of one' },
        ',',
      ]
    : []),
  count('perSide', 'feathers a side', part.form === 'tips' ? '2' : '1'),
  'a side,',
  relation('width', 'width', 'as wide as it comes'),
  'wide, tied in',
  relation('at', 'tie-in'),
  ',',
  side('top', 'bottom', 'near', 'far', 'both'),
  ', lying',
  words('feather', 'lie', 'as usual'),
  '; it',
  ...reach(part),
  DETAILS,
  'set at',
  angle('its usual angle'),
  ', bound by',
  otherPart('boundBy', 'the rib that binds it', 'no rib'),
  ',',
  SUPPORT,
];

const strip: Told<'strip'> = (part, drawers) => [
  material(names(drawers.strips)),
  ',',
  relation('width', 'width', '3 mm'),
  'wide, tied in',
  relation('at', 'tie-in'),
  ',',
  side('top', 'bottom', 'near', 'far'),
  ', bound again',
  relation('boundAt[0]', 'second binding', 'nowhere'),
  'and by',
  otherPart('boundBy', 'the rib that binds it', 'no rib'),
  '; it',
  ...reach(part),
  DETAILS,
  'its end cut',
  words('strip', 'ends', 'square'),
  ', bound first at the',
  words('strip', 'first', 'rear'),
  ', hide',
  relation('thickness', 'thickness', 'as it comes'),
  'thick, hair',
  relation('hair', 'hair', 'as it comes'),
  ', set at',
  angle('0 deg'),
  ',',
  SUPPORT,
];

const hackle: Told<'hackle'> = (part, drawers) => [
  ...(has(part, 'from') ? ['palmered in'] : [choice('style', 'style', COLLARS, 'collar'), 'of']),
  count('turns', 'turns', 'usual'),
  'turns of',
  material(names(drawers.hackles)),
  ...(has(part, 'from')
    ? [', from', relation('from', 'from'), 'to', relation('to', 'to')]
    : [',', relation('at', 'place')]),
  ',',
  FIBRE,
  relation(has(part, 'tip') ? 'tip' : 'fibre', has(part, 'tip') ? 'tips' : 'fibre'),
  DETAILS,
  'tied in by the',
  words('hackle', 'by', 'tip'),
  ',',
  count('feathers', 'feathers', '1'),
  'together',
  ...(part.style === 'throat' ? [',', side('bottom', 'top')] : []),
];

const spun: Told<'spun'> = (part, drawers) => [
  DOSE('the usual amount'),
  'of',
  material(names(drawers.spun)),
  ', flared from',
  relation('from', 'from'),
  'to',
  relation('to', 'to'),
  ', trimmed to',
  relation('diameter', 'diameter', 'nothing'),
  'across,',
  relation('flatBelow', 'flat below', 'round below'),
  ...(part.flatBelow === undefined ? [] : ['under the shank']),
  ', tips',
  relation('tip', 'tips', 'trimmed off'),
  DETAILS,
  'denser on the near side by',
  { kind: 'share', key: 'lean', label: 'lean', empty: '0' },
  ', banded, rear to front,',
  { kind: 'colours', key: 'bands', label: 'bands of colour', empty: 'in one colour' },
];

const sheet: Told<'sheet'> = (part, drawers) => [
  material(names(drawers.sheets)),
  ',',
  relation('width', 'width'),
  'wide,',
  relation('thickness', 'thickness', 'as thick as it comes'),
  ',',
  { kind: 'yes', key: 'doubled', label: 'doubled', empty: 'single' },
  ', folded from',
  relation('from', 'from'),
  'to',
  relation('to', 'to'),
  ',',
  side('top', 'bottom', 'near', 'far', 'both'),
  DETAILS,
  'tied in first at the',
  words('sheet', 'first', 'rear'),
  ', its ends',
  relation('pads', 'left as pads', 'cut off'),
  ...(part.pads === undefined ? [] : ['long, cut', words('sheet', 'padCut', 'square')]),
];

const coat: Told<'coat'> = () => [
  layers(4),
  'coats of',
  choice('material', 'material', Object.keys(COATS), 'varnish'),
  'over',
  { kind: 'part', key: 'over', label: 'what it covers' },
];

const SENTENCES: { readonly [C in Part['construction']]: Told<C> } = {
  ball,
  wrap,
  bundle,
  feather,
  strip,
  hackle,
  spun,
  sheet,
  coat,
};

/** The sentence a part is told in: words with blanks, by construction. @param drawers whose materials are offered */
export const sentenceOf = (part: Part, drawers: Drawers): Piece[] =>
  (SENTENCES[part.construction] as Told<Part['construction']>)(part, drawers);

const KEY_WORDS: Readonly<Record<string, string>> = {
  at: 'tie-in',
  boundAt: 'bound again',
  buttsTo: 'butts',
  hair: 'hair',
};

/** A key of the file as a tier says it: `boundAt[0]` is where a strip is bound again. */
export function keyWords(part: Part, key: string): string {
  if (key === 'at' && part.construction === 'ball') return 'centre';
  const name = key.replace(/\[\d+\]$/, '');
  if (name === 'profile') return ['rear', 'middle', 'front'][Number(/\d+/.exec(key)?.[0])] ?? name;
  return KEY_WORDS[name] ?? name;
}
