/**
 * Schools: named sets of default relations with bands and reasons. A fly follows one, any part may leave it, and people disagree, so several
 * are given. A rule may name two ways (`1.5..2 shank or bend + 0.5..0.75 shank`); the one a part is told by is the one it is held to.
 */
export const SLOTS = [
  'tail',
  'shortTail',
  'body',
  'palmer',
  'throat',
  'collar',
  'outerCollar',
  'underwing',
  'wing',
  'overwing',
  'roof',
  'strip',
  'legs',
] as const;
export type SlotName = (typeof SLOTS)[number];

/** A slot as a tier says it. @example slotWords('outerCollar') // 'outer collar' */
export const slotWords = (slot: SlotName): string => slot.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

export interface School extends Readonly<Partial<Record<SlotName | `${SlotName}Why`, string | undefined>>> {
  readonly name: string;
  readonly also?: readonly string[] | undefined;
  readonly means: string;
  readonly head?: 'small' | 'neat' | 'bold' | undefined;
  readonly headSpace?: string | undefined;
}

const NIPPED = 'longer moves more, but is nipped behind the hook and wraps round the bend';
const LEGS = 'longer legs catch the bend';
const TIP = 'a tip of colour past the bend, and no tail that swings';
const OUTER = 'softer than the collar behind it: it folds back over that and hides where it was tied';
const LEVEL = 'the tips end together, so that the fish takes the hook with them';

export const SCHOOLS: readonly School[] = [
  {
    name: 'Compact',
    also: ['compact'],
    means: 'bottom flies for fish that school and nip',
    tail: '0.8 gap..1.1 body',
    tailWhy: NIPPED,
    shortTail: '0.4..1 gap',
    shortTailWhy: TIP,
    body: 'barb',
    bodyWhy: 'a body that ends above the barb leaves the bend clear',
    wing: 'tail.tip',
    wingWhy: LEVEL,
    collar: '0.8..1.3 gap',
    collarWhy: 'fibres that hide the eyes and leave the point free',
    legs: 'at most gap',
    legsWhy: LEGS,
    head: 'neat',
    headSpace: '0.12 shank',
  },
  {
    name: 'Mobile',
    also: ['mobile'],
    means: 'streamers and leeches that work at the slightest pull',
    tail: '0.85 body..1.6 shank',
    tailWhy: NIPPED,
    body: 'bend',
    bodyWhy: 'the tail swings from where the shank ends',
    palmer: '1.3..1.8 gap',
    palmerWhy: 'long enough to breathe, short enough to leave the point free',
    collar: '1.3..2 gap',
    collarWhy: 'a veil over the body; longer slows the fly and hides the hook',
    outerCollar: '1.5..2.6 gap',
    outerCollarWhy: OUTER,
    wing: '1.2..1.9 shank',
    wingWhy: NIPPED,
    legs: 'at most gap',
    legsWhy: LEGS,
    head: 'neat',
    headSpace: '0.1 shank',
  },
  {
    name: 'Long strip',
    also: ['long-strip'],
    means: 'strips of fur on the hide, bound at the rear or by the rib',
    strip: '1.5..2 shank or bend + 0.5..0.75 shank',
    stripWhy: 'shorter does not swim; longer fouls the bend',
    overwing: '0.5 tail',
    overwingWhy: 'half the tail: it shades the strip and does not hold it down',
    body: 'bend',
    bodyWhy: 'the strip is bound down where the shank ends',
    legs: 'at most gap',
    legsWhy: LEGS,
    head: 'neat',
    headSpace: '0.18 shank',
  },
  {
    name: 'Hairwing, long',
    also: ['hairwing-long'],
    means: 'salmon hairwings whose wing covers the tail',
    tail: '1 body',
    tailWhy: 'a tail as long as the body balances the wing',
    body: 'point',
    bodyWhy: 'the body ends above the point, so that the bend is clear',
    wing: 'tail.tip + 2..5 mm',
    wingWhy: 'a little past the tail: the fly ends in one soft point',
    throat: 'tag.front',
    throatWhy: 'the throat reaches the tag and no further',
    collar: '0.4..0.6 wing',
    collarWhy: 'half the wing veils the body',
    head: 'small',
    headSpace: '0.1 shank',
  },
  {
    name: 'Hairwing, veiled',
    also: ['hairwing-veiled'],
    means: 'salmon hairwings with an under-wing and a long collar',
    tail: 'rear',
    tailWhy: 'to the bend, no further: the wing does the moving',
    body: 'point',
    bodyWhy: 'the body ends above the point',
    underwing: '0.85..0.95 wing',
    underwingWhy: 'it carries the wing and stays hidden beneath it',
    wing: '1.4..1.9 shank',
    wingWhy: 'level with the veil, past the bend',
    collar: '0.5..0.65 shank',
    collarWhy: 'to half the wing, wound over all else',
    outerCollar: '0.5..0.8 shank',
    outerCollarWhy: OUTER,
    head: 'small',
    headSpace: '0.1 shank',
  },
  {
    name: 'Built wing',
    also: ['built-wing'],
    means: 'wings of paired slips or tips set over a slim body',
    tail: '0.5..1 shank or rear',
    tailWhy: 'its tip marries the wing’s',
    body: 'bend',
    bodyWhy: 'the body runs to the tag',
    underwing: 'bend',
    underwingWhy: 'it props the wing and stops at the tail’s root',
    wing: 'tail.tip or 1.6..2 shank',
    wingWhy: 'slips marry the tail’s tip; four tips reach a body beyond the bend',
    roof: 'between bend and tail.tip',
    roofWhy: 'it lies along the wing’s back and sheds water; past the tail it lifts',
    throat: 'between point and barb',
    throatWhy: 'short of the point, so that it does not guard it',
    head: 'small',
    headSpace: '0.1 shank',
  },
  {
    name: 'Nymph-lure',
    also: ['nymph-lure'],
    means: 'large nymphs and leeches fished slowly',
    tail: '0.85 body..1.2 shank',
    tailWhy: NIPPED,
    shortTail: '0.5..1.2 gap',
    shortTailWhy: TIP,
    body: 'bend',
    bodyWhy: 'the abdomen fills the shank',
    collar: '0.8..1.2 gap',
    collarWhy: 'legs, not a skirt',
    legs: 'at most gap',
    legsWhy: LEGS,
    head: 'neat',
    headSpace: '0.1 shank',
  },
];
