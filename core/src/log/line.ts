import { bad, good, nearest, type Outcome } from '../base/index.ts';
import type { Loss, Rod } from '../records/index.ts';
import { parseQuantity } from '../units/index.ts';

/** What one line of writing comes to: the fields it fills, and how long the fly was fished where only that is said. */
export interface LineRead {
  readonly rod: Rod;
  readonly minutes: number | null;
}

const NUMBERS: Readonly<Record<string, number>> = {
  no: 0,
  none: 0,
  a: 1,
  an: 1,
  one: 1,
  once: 1,
  two: 2,
  twice: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  'a dozen': 12,
};
const NUMBER = `(\\d+|${Object.keys(NUMBERS)
  .sort((a, b) => b.length - a.length)
  .join('|')})`;
const numberOf = (text: string): number => NUMBERS[text] ?? Number(text);

const CLOCK = '([01]?\\d|2[0-3])[:.]([0-5]\\d)';
const clockText = (hours: string, minutes: string): string => `${hours.padStart(2, '0')}:${minutes}`;

const MANNERS: readonly (readonly [pattern: RegExp, manner: string])[] = [
  [/^(swung|swinging|on the swing|swing)$/, 'swing'],
  [/^(stripped|stripping|strip)$/, 'strip'],
  [/^(dead[- ]drift(ed)?|drifted|under a float)$/, 'dead-drift'],
  [/^(jigged|jigging|jig)$/, 'jig'],
  [/^(on the dangle|hung on the dangle|dangled|hung)$/, 'hang'],
  [/^(counted down)$/, 'count-down'],
];

const LOST: readonly (readonly [pattern: RegExp, how: Loss])[] = [
  [/\b(bed|bottom|rock|rocks|stone|stones|boulder|snag)\b/, 'bed'],
  [/\b(tree|trees|wood|branch|branches|bush|alder|alders|willow)\b/, 'wood'],
  [/\b(fish|fishes|salmon|trout|pike)\b/, 'fish'],
  [/\b(knot|tippet)\b/, 'knot'],
  [/\b(unravell?ed|fell apart|came apart|unwound)\b/, 'unraveled'],
  [/\b(hook|bend|point|straightened|opened|broke at the bend)\b/, 'hook'],
];

/** What a piece of a line may say: true where it said it. */
type Saying = (piece: string, into: Into) => boolean;

class Into {
  minutes: number | null = null;
  rod: { -readonly [K in keyof Rod]: Rod[K] } = {};
  readonly seen: string[] = [];
}

const withNumber =
  (pattern: RegExp, put: (count: number, into: Into) => void): Saying =>
  (piece, into) => {
    const found = pattern.exec(piece);
    if (!found) return false;
    put(numberOf(found[1] ?? 'one'), into);
    return true;
  };

/** `40 min`, `1 h 20`, `1.5 hours`, `half an hour`. */
const howLong: Saying = (piece, into) => {
  const plain = piece.replace(/^for /, '');
  const words = { 'half an hour': 30, 'an hour': 60, 'an hour and a half': 90, 'a quarter of an hour': 15 }[plain];
  const both = /^(\d+) ?h(?:ours?|rs?)? ?(\d{1,2})(?: ?m(?:in(?:utes?)?)?)?$/.exec(plain);
  const one = /^(\d+(?:[.,]\d+)?) ?(min|mins|minutes?|m|h|hrs?|hours?)$/.exec(plain);
  const number = one ? Number((one[1] ?? '').replace(',', '.')) : Number.NaN;
  const minutes =
    words ??
    (both ? 60 * Number(both[1]) + Number(both[2]) : one ? number * ((one[2] ?? '').startsWith('h') ? 60 : 1) : null);
  if (minutes === null || Number.isNaN(minutes)) return false;
  into.minutes = Math.round(minutes);
  return true;
};

/** `15:10 to 16:00`, `from 15.10 till 16.00`. */
const fromTo: Saying = (piece, into) => {
  const found = new RegExp(`^(?:from )?${CLOCK} ?(?:-|–|to|till|until) ?${CLOCK}$`).exec(piece);
  if (!found) return false;
  const [, fromHours = '', fromMinutes = '', toHours = '', toMinutes = ''] = found;
  into.rod.from = clockText(fromHours, fromMinutes);
  into.rod.to = clockText(toHours, toMinutes);
  return true;
};

/** `landed one of 62 cm`, `2 landed`, `landed a fish of 4 lb`. */
const landed: Saying = (piece, into) => {
  const found =
    new RegExp(`^landed ${NUMBER}(?: fish(?:es)?)?(?: of (.+))?$`).exec(piece) ??
    new RegExp(`^${NUMBER}(?: fish(?:es)?)? landed()$`).exec(piece);
  if (!found) return false;
  const [, count = 'one', size = ''] = found;
  const of = (kind: 'length' | 'mass'): boolean => size !== '' && parseQuantity(kind, size).ok;
  const each = of('length') ? { length: size } : of('mass') ? { weight: size } : {};
  into.rod.landed = [...(into.rod.landed ?? []), ...Array.from({ length: numberOf(count) }, () => each)];
  if (size !== '' && Object.keys(each).length === 0) into.seen.push(piece);
  return true;
};

/** `lost on the bed`, `lost two in the trees`, `broke off on a fish`, `came unravelled`. */
const lost: Saying = (piece, into) => {
  const found =
    new RegExp(`^(?:fly |flies )?(?:lost|broke off|broken off|left)(?: ${NUMBER})?\\b(.*)$`).exec(piece) ??
    /^()((?:came |fell )(?:unravell?ed|apart)|unravell?ed|hook (?:opened|straightened|broke)|knot (?:gave|slipped))$/.exec(
      piece,
    );
  if (!found) return false;
  const [, count = '', rest = ''] = found;
  const how = LOST.find(([pattern]) => pattern.test(rest))?.[1];
  if (how === undefined) return false;
  const losses = Array.from({ length: count === '' ? 1 : numberOf(count) }, () => ({ how }));
  into.rod.lost = [...(into.rod.lost ?? []), ...losses];
  return true;
};

/** `fouled 3 times`, `tail wrapped the bend twice`: what is wrapped is seen besides. */
const fouled: Saying = (piece, into) => {
  const plain = new RegExp(`^fouled(?: ${NUMBER}(?: times?)?)?$`).exec(piece);
  const wrapped = new RegExp(`\\b(?:wrapped|fouled|caught)\\b.*?(?:\\b${NUMBER}(?: times)?)?$`).exec(piece);
  if (!plain && !wrapped) return false;
  into.rod.fouled = (into.rod.fouled ?? 0) + numberOf((plain ?? wrapped)?.[1] ?? 'once');
  if (!plain) into.seen.push(piece);
  return true;
};

const manner: Saying = (piece, into) => {
  const found = MANNERS.find(([pattern]) => pattern.test(piece));
  if (found) into.rod.manner = found[1];
  return found !== undefined;
};

/** `on the intermediate`, `floating line`, `sink tip of 3 m`. */
const line: Saying = (piece, into) => {
  const found = /^(?:on )?(?:a |an |the )?((?:floating|intermediate|sinking|sink[- ]?tip)\b.*)$/.exec(piece);
  if (!found) return false;
  into.rod.line = (found[1] ?? '').replace(/ line$/, '').replace(/^sink ?-?tip/, 'sink tip');
  return true;
};

const SAYINGS: readonly Saying[] = [
  fromTo,
  howLong,
  withNumber(new RegExp(`^${NUMBER} takes?$`), (count, into) => {
    into.rod.takes = count;
  }),
  withNumber(/^(nothing|blank|not a touch)$/, (_count, into) => {
    into.rod.takes = 0;
    into.rod.touches = 0;
  }),
  withNumber(new RegExp(`^${NUMBER} (?:touch|touches|plucks?|knocks?|short takes?|tugs?)$`), (count, into) => {
    into.rod.touches = count;
  }),
  withNumber(new RegExp(`^${NUMBER} casts?$`), (count, into) => {
    into.rod.casts = count;
  }),
  withNumber(/^(?:count|counted) ?(?:to )?(\d+)(?: ?s| seconds)?$/, (count, into) => {
    into.rod.count = `${String(count)} s`;
  }),
  landed,
  lost,
  fouled,
  manner,
  line,
];

/** The fly that is meant by the beginning of a line: the longest name it begins with, whatever its case. */
function flyOf(text: string, names: readonly string[]): string | null {
  const plain = text.toLowerCase();
  return (
    [...names]
      .sort((a, b) => b.length - a.length)
      .find((name) => plain === name.toLowerCase() || plain.startsWith(`${name.toLowerCase()} `)) ?? null
  );
}

/** Commas part what is said, but for one between two figures; so do semicolons and full stops at the end. */
const piecesOf = (text: string): string[] =>
  text
    .split(/[;,](?!\d)(?! ?\d+ ?(?:mm|in)\/s)|\.(?=\s|$)/)
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '');

/**
 * Reads a line as one writes it on the bank: `Slate Runner, 40 min, 2 takes, lost on the bed`. What is none of the fields is kept as seen.
 * @param names of the flies of the box
 */
export function readLogLine(text: string, names: readonly string[]): Outcome<LineRead> {
  const [first = '', ...rest] = piecesOf(text);
  if (first === '')
    return bad({ path: '', code: 'syntax', message: 'write the fly first: Slate Runner, 40 min, 2 takes' });
  const fly = flyOf(first, names);
  if (fly === null) {
    const near = nearest(first, names);
    return bad({
      path: 'fly',
      code: 'unknown-name',
      message: `"${first}" is no fly of the box${near === null ? '' : `: ${near}`}`,
    });
  }
  const into = new Into();
  into.rod.fly = fly;
  const after = first.slice(fly.length).trim();
  for (const piece of after === '' ? rest : [after, ...rest]) {
    const plain = piece.toLowerCase().replace(/^and /, '');
    if (!SAYINGS.some((says) => says(plain, into))) into.seen.push(piece);
  }
  const takes = Math.max(into.rod.takes ?? 0, into.rod.landed?.length ?? 0);
  return good({
    rod: {
      ...into.rod,
      ...(takes > 0 ? { takes } : {}),
      ...(into.seen.length > 0 ? { seen: into.seen.join(', ') } : {}),
    },
    minutes: into.minutes,
  });
}
