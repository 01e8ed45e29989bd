import { capital } from '../base/index.ts';

const NTH = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth'];

/** A part as it is spoken of: without dashes, a number told as the how-manieth. @example partName('tail-2') // 'second tail' */
export function partName(id: string): string {
  const plain = id.replaceAll('-', ' ').replace(/([a-z])(\d+)$/i, '$1 $2');
  const [, words = '', digit = ''] = /^(.*?) ?([2-9])$/.exec(plain) ?? [];
  return words === '' ? plain : `${NTH[Number(digit)] ?? ''} ${words}`;
}

/** `is` of one thing, `are` of several. @example `the legs ${be('legs')} tied in` */
export const be = (id: string): string => (/[^s]s$/.test(partName(id)) ? 'are' : 'is');

/** With a capital, as a heading. @example partTitle('over-wing') // 'Over wing' */
export function partTitle(id: string): string {
  return capital(partName(id));
}

const EDGE = /([A-Za-z][A-Za-z0-9-]*)\.(front|rear|tip|mid)/;
const OF_EDGE: Readonly<Record<string, (name: string) => string>> = {
  front: (name) => `the front of the ${name}`,
  rear: (name) => `the rear of the ${name}`,
  tip: (name) => `the ${name}’s tip`,
  mid: (name) => `the middle of the ${name}`,
};
const SIDE_OF: Readonly<Record<string, string>> = { rear: 'behind', front: 'in front of' };

/**
 * A relation as a tier says it.
 * @example relationWords('eyes.rear + 6 mm') // '6 mm behind the eyes'
 * @example relationWords('tail.tip') // 'the tail’s tip'
 * @example relationWords('0.85..1.6 shank') // '0.85 to 1.6 shank'
 */
export function relationWords(text: string): string {
  const told = text.replace(/ ?\.\. ?/g, ' to ');
  const [, id, edge, sign, more] = new RegExp(`^${EDGE.source} ?([+-])? ?(.*)$`).exec(told) ?? [];
  const beside = edge === undefined ? undefined : SIDE_OF[edge];
  const outward = (edge === 'rear' && sign === '+') || (edge === 'front' && sign === '-');
  if (id !== undefined && beside !== undefined && outward && more !== undefined && more !== '')
    return `${more} ${beside} the ${partName(id)}`;
  if (id !== undefined && beside !== undefined && sign === undefined && more === '')
    return `${beside} the ${partName(id)}`;
  return told.replace(
    new RegExp(EDGE.source, 'g'),
    (whole, name: string, at: string) => OF_EDGE[at]?.(partName(name)) ?? whole,
  );
}
