import type { FlyFile } from '../../pattern/index.ts';
import { moved, type WayOption, type WaysOf } from './types.ts';

const BEFORE: WayOption = {
  value: 'before',
  words: 'before the wing',
  says: 'The wing lies over its butts; a smaller head.',
};
const AFTER: WayOption = {
  value: 'after',
  words: 'after the wing',
  says: 'It veils the base of the wing; the head grows.',
};
const BETWEEN: WayOption = {
  value: 'between',
  words: 'between two wings',
  says: 'It parts the under-wing from the wing; its butts are covered, and it stays round.',
};

const WINGS: ReadonlySet<string> = new Set(['underwing', 'wing', 'overwing']);

const placed = (file: FlyFile, throat: number, value: string): FlyFile => {
  const wings = file.parts.flatMap((part, i) => (WINGS.has(part.role) ? [i] : []));
  const [first, last] = [wings[0] ?? 0, wings.at(-1) ?? 0];
  return moved(file, throat, value === 'after' ? last : first, value !== 'before');
};

/** Where the throat comes among the wings. */
export const throatWays: WaysOf = ({ file }) => {
  const throat = file.parts.findIndex((part) => part.role === 'throat');
  const wings = file.parts.flatMap((part, i) => (WINGS.has(part.role) ? [i] : []));
  if (throat < 0 || wings.length === 0) return [];
  const behind = wings.filter((at) => at < throat).length;
  return [
    {
      key: 'throat',
      words: 'throat',
      now: behind === 0 ? 'before' : behind === wings.length ? 'after' : 'between',
      options: wings.length > 1 ? [BEFORE, BETWEEN, AFTER] : [BEFORE, AFTER],
      take: (value) => placed(file, throat, value),
    },
  ];
};
