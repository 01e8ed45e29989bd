import type { FlyFile } from '../pattern/index.ts';

export interface Difference {
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

/** Keys of the file that are not the word for what they hold. */
const KEYS: Readonly<Record<string, string>> = {
  intent: 'meant',
  longX: 'X long',
  heavyX: 'X heavy',
  perSide: 'feathers a side',
  buttsTo: 'butts',
  boundAt: 'second binding',
  sizeOf: 'size of',
  mutes: 'left as it is',
  measured: 'measured',
};

/** A key in words: `hairLength` is "hair length". */
const keyIn = (key: string): string =>
  KEYS[key] ?? key.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);

/** A value in words, never as it stands in the file. */
function words(value: unknown): string {
  if (value === undefined || value === null) return 'none';
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(words).join(', ');
  if (typeof value === 'object')
    return Object.entries(value)
      .map(([key, each]) => `${keyIn(key)} ${words(each)}`)
      .join(', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'number' ? String(value) : (value as string);
}

/** What is left as it is by its reasons, and a size of a run by the fly and the size: codes and ids say nothing to a tier. */
const told = ({ mutes, sizeOf, ...rest }: Partial<FlyFile>): object => ({
  ...rest,
  ...(mutes === undefined ? {} : { mutes: mutes.map(({ reason }) => reason) }),
  ...(sizeOf === undefined ? {} : { sizeOf: `${sizeOf.fly}, ${sizeOf.size}` }),
});

function flat(value: object, prefix: string): Map<string, unknown> {
  const out = new Map<string, unknown>();
  for (const [key, each] of Object.entries(value) as [string, unknown][]) {
    const name = prefix === '' ? keyIn(key) : `${prefix}, ${keyIn(key)}`;
    if (typeof each === 'object' && each !== null && !Array.isArray(each))
      flat(each, name).forEach((inner, path) => out.set(path, inner));
    else out.set(name, each);
  }
  return out;
}

/** What differs between two states of a fly, part by part, in words. */
export function diffFlies(before: FlyFile, after: FlyFile): Difference[] {
  const { parts: partsBefore, ...restBefore } = before;
  const { parts: partsAfter, ...restAfter } = after;
  const found: Difference[] = [];
  const compare = (a: object, b: object, prefix: string): void => {
    const [was, is] = [flat(a, prefix), flat(b, prefix)];
    for (const key of new Set([...was.keys(), ...is.keys()])) {
      const [then, now] = [words(was.get(key)), words(is.get(key))];
      if (then !== now) found.push({ what: key, before: then, after: now });
    }
  };
  compare(told(restBefore), told(restAfter), '');
  for (const id of new Set([...partsBefore, ...partsAfter].map((part) => part.id))) {
    const [was, is] = [partsBefore.find((part) => part.id === id), partsAfter.find((part) => part.id === id)];
    if (was && is) compare(was, is, id);
    else found.push({ what: id, before: was ? 'tied in' : 'none', after: is ? 'tied in' : 'none' });
  }
  const order = (parts: FlyFile['parts']): string => parts.map((part) => part.id).join(', ');
  if (
    partsBefore.length === partsAfter.length &&
    order(partsBefore) !== order(partsAfter) &&
    found.every((each) => each.before !== 'tied in')
  )
    found.push({ what: 'tying order', before: order(partsBefore), after: order(partsAfter) });
  return found;
}

/** One difference as a sentence: `tail, length: 1 shank became 1.2 shank`. */
export function differenceWords({ what, before, after }: Difference): string {
  if (after === 'tied in' && before === 'none') return `${what} tied in`;
  if (before === 'tied in' && after === 'none') return `${what} taken off`;
  if (before === 'none') return `${what}: ${after}`;
  return after === 'none' ? `${what}: no longer ${before}` : `${what}: ${before} became ${after}`;
}
