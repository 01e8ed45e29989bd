import { withKey, withPart, addPart, freezeDependants, removePart } from '../../edit/index.ts';
import type { Part, FlyFile } from '../../pattern/index.ts';
import type { LaidFly } from '../../model/index.ts';
import { moved, type Way, type WayOption, type WaysOf } from './types.ts';

type Hackle = Extract<Part, { construction: 'hackle' }>;
type Wrap = Extract<Part, { construction: 'wrap' }>;

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
  {
    value: 'open',
    words: 'open through a bushy body, no rib',
    says: 'Quick and loose; the stem sinks between the tufts, and nothing else holds it.',
  },
];

const BY: readonly WayOption[] = [
  { value: 'tip', words: 'by the tip', says: 'The thin end lies under; a weak tip breaks.' },
  { value: 'base', words: 'by the butt', says: 'Strong; the stem is thick where it begins.' },
];

/** A rib for a palmer that has none, until the tier picks his own. */
const USUAL_RIB = { material: 'oval tinsel', strand: '0.4 mm', turns: 5 } as const;

const palmerOf = (file: FlyFile): Hackle | undefined =>
  file.parts.find((part): part is Hackle => part.construction === 'hackle' && part.from !== undefined);
const ribOf = (file: FlyFile): Wrap | undefined =>
  file.parts.find((part): part is Wrap => part.construction === 'wrap' && part.role === 'rib');
const isRear = (place: string | undefined): boolean => /^(bend|tag|butt|tail|barb|point|body\.rear)/.test(place ?? '');

/** Stem and rib side by side: as many turns, the same way round. */
const isAlong = (palmer: Hackle | undefined, rib: Wrap): boolean =>
  rib.turns !== undefined && rib.turns === palmer?.turns && rib.direction !== 'counter';

function palmerNow(file: FlyFile): string {
  const [palmer, rib] = [palmerOf(file), ribOf(file)];
  if (!rib) return 'open';
  if (!isRear(palmer?.from)) return 'front';
  return isAlong(palmer, rib) ? 'along' : 'rear';
}

const indexOf = (file: FlyFile, id: string): number => file.parts.findIndex((part) => part.id === id);

/** With a rib from the rear of the palmer to its front, caught before the body is wound. */
function ribbed(file: FlyFile, palmer: Hackle): FlyFile {
  if (ribOf(file)) return file;
  const [rear, front] = isRear(palmer.from) ? [palmer.from, palmer.to] : [palmer.to, palmer.from];
  const body = file.parts.findIndex((part) => part.role === 'body');
  const rib = {
    id: 'rib',
    role: 'rib',
    construction: 'wrap',
    direction: 'counter',
    from: rear ?? 'bend',
    ...(front === undefined ? {} : { to: front }),
    ...USUAL_RIB,
  } satisfies Wrap;
  return addPart(file, rib, Math.max(0, body)).file;
}

/** The rib as the way has it: along it the hackle has its turns; else it crosses the hackle. */
function besideRib(file: FlyFile, palmer: Hackle, way: string): FlyFile {
  const rib = ribOf(file);
  if (!rib) return file;
  if (way === 'along') {
    const counted = withPart(file, palmer.id, (part) => withKey(part, 'turns', rib.turns));
    return withPart(counted, rib.id, (part) => withKey(part, 'direction', undefined));
  }
  return isAlong(palmer, rib) ? withPart(file, rib.id, (part) => withKey(part, 'direction', 'counter')) : file;
}

/** A palmer wound another way: its ends change places, it is tied in before the body or after it, with its rib or without one. */
function palmered(laid: LaidFly, palmer: Hackle, way: string): FlyFile {
  const rib = ribOf(laid.file);
  const bare = rib ? removePart(freezeDependants(laid, rib.id), rib.id) : laid.file;
  const held = way === 'open' ? bare : ribbed(laid.file, palmer);
  const fromRear = way !== 'front';
  const turned =
    isRear(palmer.from) === fromRear
      ? held
      : withPart(held, palmer.id, (part) => withKey(withKey(part, 'from', palmer.to), 'to', palmer.from));
  const counted = besideRib(turned, palmer, way);
  const body = counted.parts.findIndex((part) => part.role === 'body');
  const at = indexOf(counted, palmer.id);
  if (body < 0 || at < body === fromRear) return counted;
  return moved(counted, at, body, !fromRear);
}

/** How hackles are wound and by which end they are tied in. */
export const hackleWays: WaysOf = (laid) => {
  const { file } = laid;
  const palmer = palmerOf(file);
  const collars = file.parts.filter(
    (part): part is Hackle => part.construction === 'hackle' && part.from === undefined,
  );
  return [
    ...(palmer
      ? [
          {
            key: 'palmer',
            words: 'palmered',
            now: palmerNow(file),
            options: PALMERS,
            take: (value: string) => palmered(laid, palmer, value),
          },
        ]
      : []),
    ...collars.map((part): Way => ({
      key: `by ${part.id}`,
      words: `${part.id} tied in`,
      now: part.by ?? 'tip',
      options: BY,
      take: (value) => withPart(file, part.id, (each) => withKey(each, 'by', value)),
    })),
  ];
};
