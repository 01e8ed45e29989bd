import { readRelation, withKey, withPart } from '../../edit/index.ts';
import { type Part, pullRelation } from '../../pattern/index.ts';
import type { LaidFly, LaidPart } from '../../model/index.ts';
import type { Way, WayOption, WaysOf } from './types.ts';

/** Diameters at rear, middle and front as shares of the thickest. Judgement; every one is changed by hand afterwards. */
const TAPERS: readonly (WayOption & { readonly shares: readonly [rear: number, middle: number, front: number] })[] = [
  {
    value: 'level',
    words: 'level',
    says: 'As thick all along; a rib goes evenly by itself.',
    shares: [1, 1, 1],
  },
  {
    value: 'cigar',
    words: 'cigar',
    says: 'Thin at both ends: neat at the tag, and room at the head.',
    shares: [0.6, 1, 0.6],
  },
  {
    value: 'carrot',
    words: 'carrot',
    says: 'Rises to the front: butts and wing are hidden in it, and the head wants care.',
    shares: [0.5, 0.75, 1],
  },
];

/** Diameters within this share of one another are one. */
const ALIKE = 0.06;

const diameters = ({ extent }: LaidPart): readonly (readonly [key: string, mm: number])[] =>
  Object.entries(extent.lengths).flatMap(([key, reading]) =>
    key === 'diameter' || key.startsWith('profile[') ? [[key, reading.mm] as const] : [],
  );

/** Which taper three diameters make, rear to front; `own` where none of them. */
export function taperOf(rear: number, middle: number, front: number): string {
  const most = Math.max(rear, middle, front);
  if (Math.min(rear, middle, front) >= most * (1 - ALIKE)) return 'level';
  if (middle === most && rear < most * (1 - ALIKE) && front < most * (1 - ALIKE)) return 'cigar';
  return front === most && rear < middle && middle < front ? 'carrot' : 'own';
}

function tapered(laid: LaidFly, part: LaidPart, value: string): LaidFly['file'] {
  const taper = TAPERS.find((each) => each.value === value);
  const [thickest] = [...diameters(part)].sort((a, b) => b[1] - a[1]);
  if (!taper || !thickest) return laid.file;
  const [key, mm] = thickest;
  const written = part.file as Readonly<Record<string, unknown>>;
  const text = key === 'diameter' ? written['diameter'] : (written['profile'] as readonly string[])[Number(key[8])];
  if (typeof text !== 'string') return laid.file;
  const relation = readRelation({ text, type: 'length' });
  if (!relation) return laid.file;
  const scaled = taper.shares.map((share) =>
    share === 1 ? text : pullRelation(relation, (share - 1) * mm, laid.measures, mm),
  );
  return withPart(laid.file, part.file.id, (each): Part => {
    const bare = withKey(withKey(each, 'profile', undefined), 'diameter', undefined);
    return value === 'level'
      ? withKey(bare, 'diameter', text)
      : scaled.reduce((sum, one, i) => withKey(sum, `profile[${String(i)}]`, one), bare);
  });
}

/** How a wound body swells along the shank. */
export const taperWays: WaysOf = (laid) =>
  laid.parts.flatMap((part): Way[] => {
    if (part.file.construction !== 'wrap' || part.file.role !== 'body') return [];
    const found = diameters(part).map(([, mm]) => mm);
    const [rear, middle, front] = found.length === 1 ? [found[0], found[0], found[0]] : found;
    if (rear === undefined || middle === undefined || front === undefined) return [];
    const now = taperOf(rear, middle, front);
    return [
      {
        key: `taper ${part.file.id}`,
        words: `${part.file.id} shaped`,
        now,
        options:
          now === 'own' ? [...TAPERS, { value: 'own', words: 'its own way', says: 'As it is written.' }] : TAPERS,
        take: (value) => tapered(laid, part, value),
      },
    ];
  });
