import { bad, good, type Fault, type Outcome } from '../base/index.ts';
import { readNumber } from '../units/index.ts';
import { COLUMNS } from './columns.ts';
import { type DrawerItem, type DrawerName, type MaterialItem, type Mixed } from './items.ts';

/**
 * Materials that are mixed of others by weight: two furs for one loop, plume with flash. Their figures are the means of what they are mixed of,
 * and what is tied of them is taken from that.
 */

const LIKE = 'write it as 60 % seal-type dubbing, orange; 40 % rabbit dubbing';

/** What a material is mixed of, as a cell writes it: `60 % seal-type dubbing, orange; 40 % rabbit dubbing`. */
export const writeMix = (mix: readonly Mixed[]): string =>
  mix
    .map(
      ({ of, share, colour }) =>
        `${String(Math.round(share * 1e4) / 100)} % ${of}${colour === undefined ? '' : `, ${colour}`}`,
    )
    .join('; ');

/** Reads what a material is mixed of; the shares are of the weight, and brought to a whole where they are none. */
export function readMix(text: string): Outcome<Mixed[]> {
  const mixed: Mixed[] = [];
  for (const each of text.split(';').map((one) => one.trim())) {
    if (each === '') continue;
    const number = readNumber(each, 0);
    const rest = number === null ? '' : each.slice(number.end).trim();
    const [of = '', colour = ''] = rest
      .replace(/^%/, '')
      .split(',')
      .map((word) => word.trim());
    if (number === null || number.ask !== undefined || !rest.startsWith('%') || of === '' || !(number.value > 0))
      return bad({ path: 'mix', code: 'syntax', message: `"${each}" is no share of a material; ${LIKE}` });
    mixed.push({ of, share: number.value / 100, ...(colour === '' ? {} : { colour }) });
  }
  const sum = mixed.reduce((all, { share }) => all + share, 0);
  if (mixed.length === 1)
    return bad({ path: 'mix', code: 'range', message: `"${text}" is one material; a mix is of two and more; ${LIKE}` });
  return good(mixed.map((each) => ({ ...each, share: Math.round((each.share / sum) * 1e4) / 1e4 })));
}

const isMaterial = (item: DrawerItem): item is MaterialItem => 'construction' in item;
const isNamed = (item: DrawerItem, name: string): boolean =>
  [item.name, ...(item.also ?? [])].some((each) => each.toLowerCase() === name.trim().toLowerCase());

/** What a material is mixed of, item by item; those that do not lie there, or are mixed themselves, are left out. */
export const mixedOf = <T extends DrawerItem>(
  item: T,
  all: readonly T[],
): { readonly item: T; readonly mixed: Mixed }[] =>
  isMaterial(item)
    ? (item.mix ?? []).flatMap((mixed) => {
        const found = all.find(
          (each) =>
            isMaterial(each) &&
            each.construction === item.construction &&
            each.mix === undefined &&
            isNamed(each, mixed.of),
        );
        return found ? [{ item: found, mixed }] : [];
      })
    : [];

/** What of a mix does not lie in the drawers. @param all the items of its drawer */
export function mixFaults(item: DrawerItem, all: readonly DrawerItem[]): Fault[] {
  if (!isMaterial(item) || item.mix === undefined) return [];
  const found = new Set(mixedOf<DrawerItem>(item, all).map(({ mixed }) => mixed));
  return item.mix.flatMap((mixed, i): Fault[] =>
    found.has(mixed)
      ? []
      : [
          {
            path: `mix[${String(i)}].of`,
            code: 'unknown-name',
            message: `there is no "${mixed.of}" in the drawers that is made into the same and not mixed itself; lay it in first`,
          },
        ],
  );
}

type Figures = Readonly<Record<string, unknown>>;

/** Figures that are means of others: all that a material has as numbers, but for how it is bought. */
const FIGURES = COLUMNS.materials.filter(
  ({ kind, key }) => ['number', 'share', 'length'].includes(kind) && !['count', 'price', 'glowMin'].includes(key),
);

/** A mean by weight; the density is that of the volumes together. */
function meanOf(key: string, parts: readonly { readonly value: number; readonly share: number }[]): number {
  const whole = parts.reduce((sum, { share }) => sum + share, 0);
  const mean =
    key === 'density'
      ? whole / parts.reduce((sum, { value, share }) => sum + share / value, 0)
      : parts.reduce((sum, { value, share }) => sum + value * share, 0) / whole;
  return Math.round(mean * 1e6) / 1e6;
}

/** A material with the figures of what it is mixed of; itself where it is not mixed, or they are the same already. @param all the items of its drawer */
export function mixedFigures<T extends DrawerItem>(item: T, all: readonly T[]): T {
  const of = mixedOf(item, all);
  const mix = isMaterial(item) ? (item.mix ?? []) : [];
  if (mix.length === 0 || of.length < mix.length) return item;
  const figures = FIGURES.flatMap(({ key }): [string, number][] => {
    const parts = of.flatMap(({ item: one, mixed: { share } }) => {
      const value = (one as Figures)[key];
      return typeof value === 'number' ? [{ value, share }] : [];
    });
    return parts.length === of.length ? [[key, meanOf(key, parts)]] : [];
  });
  if (figures.every(([key, value]) => (item as Figures)[key] === value)) return item;
  return { ...item, ...Object.fromEntries(figures) };
}

/** All items with the figures of what they are mixed of. */
export const withMixes = <I extends { readonly drawer: DrawerName; readonly item: DrawerItem }>(
  items: readonly I[],
): I[] => {
  const materials = items.flatMap(({ drawer, item }) => (drawer === 'materials' ? [item] : []));
  return items.map((each) => {
    const item = each.drawer === 'materials' ? mixedFigures(each.item, materials) : each.item;
    return item === each.item ? each : { ...each, item };
  });
};
