import { withKey, withPart } from '../edit/relations.ts';
import type { Part } from '../file/parts.ts';
import type { FlyFile } from '../file/schema.ts';

/** One way of doing a thing about which tiers differ, and what it gives and costs. */
export interface WayOption {
  readonly value: string;
  readonly words: string;
  readonly says: string;
}

/** A thing about which tiers differ, as this fly has it. */
export interface Way {
  readonly key: string;
  readonly words: string;
  readonly now: string;
  readonly options: readonly WayOption[];
}

type Coats = NonNullable<NonNullable<FlyFile['finish']>['coats']>;

const SEALS: readonly (WayOption & { readonly coats: Coats })[] = [
  { value: 'bare', words: 'left bare', says: 'Quick; the whip alone holds it.', coats: [] },
  { value: 'cement', words: 'cement', says: 'Soaks into the turns, stays thin and dull.', coats: ['cement'] },
  {
    value: 'superglue',
    words: 'superglue, then varnish',
    says: 'Hard at once; the varnish gives it a skin and a shine.',
    coats: ['superglue', 'varnish'],
  },
  {
    value: 'varnish',
    words: 'varnish, three coats',
    says: 'Deep and smooth; an hour between coats.',
    coats: ['varnish', 'varnish', 'varnish'],
  },
  {
    value: 'resin',
    words: 'resin',
    says: 'Thick and clear in seconds; larger, and it wants the lamp.',
    coats: ['resin'],
  },
];

const WHIPS: readonly WayOption[] = [
  { value: '1', words: 'once', says: 'Enough where the head is glued.' },
  { value: '2', words: 'twice', says: 'Holds without glue; a little more head.' },
];

const BY: readonly WayOption[] = [
  { value: 'tip', words: 'by the tip', says: 'The thin end lies under; a weak tip breaks.' },
  { value: 'base', words: 'by the base', says: 'Strong; the stem is thick where it begins.' },
];

const PALMERS: readonly WayOption[] = [
  {
    value: 'front',
    words: 'from the front, the rib back through it',
    says: 'The rib binds every turn; nothing to catch at the rear.',
  },
  {
    value: 'rear',
    words: 'from the rear, the rib after it',
    says: 'Fibres grow toward the front; the rib is wriggled through.',
  },
  {
    value: 'along',
    words: 'from the rear, along the rib',
    says: 'Stem and rib lie side by side; as many turns as the rib has.',
  },
];

const THROATS: readonly WayOption[] = [
  { value: 'before', words: 'before the wing', says: 'The wing lies over its butts; a smaller head.' },
  { value: 'after', words: 'after the wing', says: 'It veils the base of the wing; the head grows.' },
];

const palmerOf = (file: FlyFile): Extract<Part, { construction: 'hackle' }> | undefined =>
  file.parts.find(
    (part): part is Extract<Part, { construction: 'hackle' }> =>
      part.construction === 'hackle' && part.from !== undefined,
  );
const ribOf = (file: FlyFile): Extract<Part, { construction: 'wrap' }> | undefined =>
  file.parts.find(
    (part): part is Extract<Part, { construction: 'wrap' }> => part.construction === 'wrap' && part.role === 'rib',
  );
const isRear = (place: string | undefined): boolean => /^(bend|tag|butt|tail|barb|point|body\.rear)/.test(place ?? '');
const places = (file: FlyFile): { throat: number; wing: number } => ({
  throat: file.parts.findIndex((part) => part.role === 'throat'),
  wing: file.parts.findIndex((part) => part.role === 'wing'),
});

function palmerNow(file: FlyFile): string {
  const [palmer, rib] = [palmerOf(file), ribOf(file)];
  if (!isRear(palmer?.from)) return 'front';
  return rib?.turns !== undefined && rib.turns === palmer?.turns ? 'along' : 'rear';
}

/** The things about which tiers differ that this fly has, as it is tied now. */
export function waysOf(file: FlyFile): Way[] {
  const coats = (file.finish?.coats ?? []).join();
  const seal = SEALS.find((each) => each.coats.join() === coats);
  const { throat, wing } = places(file);
  const collars = file.parts.filter((part) => part.construction === 'hackle' && part.from === undefined);
  return [
    ...(palmerOf(file) ? [{ key: 'palmer', words: 'palmered', now: palmerNow(file), options: PALMERS }] : []),
    ...collars.map((part): Way => ({
      key: `by ${part.id}`,
      words: `${part.id} tied in`,
      now: part.construction === 'hackle' ? (part.by ?? 'base') : 'base',
      options: BY,
    })),
    ...(throat >= 0 && wing >= 0
      ? [{ key: 'throat', words: 'throat', now: throat < wing ? 'before' : 'after', options: THROATS }]
      : []),
    { key: 'whips', words: 'whipped', now: String(file.finish?.whips ?? 1), options: WHIPS },
    {
      key: 'seal',
      words: 'head',
      now: seal?.value ?? 'own',
      options: seal
        ? SEALS
        : [...SEALS, { value: 'own', words: (file.finish?.coats ?? []).join(', '), says: 'As it is written.' }],
    },
  ];
}

function moved(file: FlyFile, from: number, beside: number, after: boolean): FlyFile {
  const parts = [...file.parts];
  const [part] = parts.splice(from, 1);
  if (!part) return file;
  const at = beside - (from < beside ? 1 : 0);
  parts.splice(at + (after ? 1 : 0), 0, part);
  return { ...file, parts };
}

/** A palmer wound the other way: its ends change places, and it is tied in before the body or after it. */
function palmered(file: FlyFile, way: string): FlyFile {
  const [palmer, rib] = [palmerOf(file), ribOf(file)];
  if (!palmer) return file;
  const fromRear = way !== 'front';
  const turned =
    isRear(palmer.from) === fromRear
      ? file
      : withPart(file, palmer.id, (part) => withKey(withKey(part, 'from', palmer.to), 'to', palmer.from));
  const counted =
    way === 'along' && rib?.turns !== undefined
      ? withPart(turned, palmer.id, (part) => withKey(part, 'turns', rib.turns))
      : turned;
  const body = counted.parts.findIndex((part) => part.role === 'body');
  const at = counted.parts.findIndex((part) => part.id === palmer.id);
  if (body < 0 || at < body === fromRear) return counted;
  return moved(counted, at, body, !fromRear);
}

/** A fly tied in another way. A key or value that is none of its ways leaves it as it is. */
export function withWay(file: FlyFile, key: string, value: string): FlyFile {
  const way = waysOf(file).find((each) => each.key === key);
  if (!way?.options.some((option) => option.value === value) || value === way.now) return file;
  if (key === 'palmer') return palmered(file, value);
  if (key === 'throat') {
    const { throat, wing } = places(file);
    return moved(file, throat, wing, value === 'after');
  }
  if (key === 'whips') return { ...file, finish: { ...file.finish, whips: Number(value) } };
  if (key === 'seal') {
    const coats = SEALS.find((each) => each.value === value)?.coats;
    return coats ? { ...file, finish: { ...file.finish, coats: [...coats] } } : file;
  }
  return withPart(file, key.replace(/^by /, ''), (part) => withKey(part, 'by', value));
}
