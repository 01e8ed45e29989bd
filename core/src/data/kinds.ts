import { remembering } from '../base/index.ts';

/** What the words of a material say it is, whatever else they say: the first rule that fits counts. */
type Rule<K extends string> = readonly [words: RegExp, kind: K];

export const WOUND_MANNERS = [
  'floss',
  'flat',
  'oval',
  'chenille',
  'bristle',
  'long',
  'dubbing',
  'brush',
  'herl',
  'plume',
  'quill',
  'yarn',
  'thread',
] as const;
export type WoundManner = (typeof WOUND_MANNERS)[number];

/** Wound as one metal strand, or in one of the manners of the drawer. */
export type WoundKind = WoundManner | 'wire';

/** `brush` before `wire`, since brushes are spun on wire; `quill` before `herl`, since quills are stripped of their herl. */
const WOUND_KINDS: readonly Rule<WoundKind>[] = [
  [/\b(brush|loop|spun|composite)/, 'brush'],
  [/\bwire\b/, 'wire'],
  [/\blong.{0,8}(chenille|fibre|fiber)|\bstreamer chenille/, 'long'],
  [/\b(bristle|sparkle|crystal|tinsel|mylar|pearl)\w* chenille/, 'bristle'],
  [/\bchenille/, 'chenille'],
  [/\b(dubb|underfur|fur\b|seal|fleece)/, 'dubbing'],
  [/\b(quill|biot)/, 'quill'],
  [/\bherl/, 'herl'],
  [/\b(marabou|plume|pheasant tail|tail fibre|swan|goose shoulder)/, 'plume'],
  [/\bflat braid/, 'flat'],
  [/\b(oval|round tinsel|twist|braid)/, 'oval'],
  [/\b(tinsel|mylar|pearl|film|foil|flash|metallised|holographic|strand|raffia|latex)/, 'flat'],
  [/\b(floss|silk)/, 'floss'],
  [/\b(yarn|wool|mohair)/, 'yarn'],
  [/\bthread/, 'thread'],
];

export type BundleManner = 'plume' | 'hair' | 'strand' | 'leg' | 'tubing';

const BUNDLE_KINDS: readonly Rule<BundleManner>[] = [
  [/\b(tubing|tube braid)/, 'tubing'],
  [/\b(rubber|silicone|legs?)\b/, 'leg'],
  [/\b(flash|tinsel|film|mylar|pearl|foil|metallised|holographic)/, 'strand'],
  [/\b(marabou|plume)/, 'plume'],
  [/\b(hair|fur|bucktail|tail|wool|yarn|fibres?|fibers?|barbs?|floss|whisk)/, 'hair'],
];

const kindIn = <K extends string>(rules: readonly Rule<K>[]) =>
  remembering((words: string | undefined): K | null => {
    const plain = words?.toLowerCase() ?? '';
    return rules.find(([pattern]) => pattern.test(plain))?.[1] ?? null;
  });

/** @example woundKind('fine copper wire') // 'wire' */
export const woundKind = kindIn(WOUND_KINDS);

/** @example bundleKind('pearl flash') // 'strand' */
export const bundleKind = kindIn(BUNDLE_KINDS);
