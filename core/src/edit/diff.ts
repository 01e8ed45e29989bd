import type { FlyFile } from '../pattern/index.ts';

export interface Difference {
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

const words = (value: unknown): string =>
  value === undefined
    ? 'none'
    : typeof value === 'string'
      ? value
      : typeof value === 'number' || typeof value === 'boolean'
        ? String(value)
        : JSON.stringify(value);

function flat(value: object, prefix: string): Map<string, unknown> {
  const out = new Map<string, unknown>();
  for (const [key, each] of Object.entries(value) as [string, unknown][]) {
    const name = prefix === '' ? key : `${prefix}, ${key}`;
    if (typeof each === 'object' && each !== null && !Array.isArray(each))
      flat(each, name).forEach((inner, path) => out.set(path, inner));
    else out.set(name, each);
  }
  return out;
}

/** What differs between two states of a fly, part by part, in the words of the file. */
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
  compare(restBefore, restAfter, '');
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
