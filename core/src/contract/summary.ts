import type { FlyFile } from '../pattern/index.ts';
import { boundsOf, type SolvedFly } from '../model/index.ts';
import type { FlySummary, Listed } from './stored.ts';

/** `single 6, 3X long`: the platform in a few words. */
export function platformWords(platform: FlyFile['platform']): string {
  if (platform.kind === 'tube' || platform.kind === 'shank') return `${platform.kind} ${platform.length}`;
  const long = platform.longX ?? 0;
  const heavy = platform.heavyX ?? 0;
  const words = [`${platform.kind} ${platform.size ?? platform.shank ?? ''}`.trim()];
  if (long !== 0) words.push(`${String(Math.abs(long))}X ${long > 0 ? 'long' : 'short'}`);
  if (heavy !== 0) words.push(`${String(Math.abs(heavy))}X ${heavy > 0 ? 'heavy' : 'fine'}`);
  if (platform.eye?.startsWith('looped') === true) words.push('looped eye');
  return words.join(', ');
}

/** Six figures are more than anyone reads, and a third of what would go over the wire. */
const short = (figure: number): number => Number(figure.toPrecision(6));
const shortOrNone = (figure: number | null | undefined): number | null =>
  figure === null || figure === undefined ? null : short(figure);

/** The figures the Box lists of a solved fly, each to six figures. */
export function summarise({ laid, balance }: SolvedFly): FlySummary {
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  return {
    platform: platformWords(laid.file.platform),
    ride: balance.tight.ride,
    heelDeg: shortOrNone(balance.tight.heelDeg),
    sinkMmS: shortOrNone(balance.sink?.terminal),
    sinkClass: balance.sink?.class ?? null,
    dryMg: short(laid.dryMg),
    holdsToMmS: shortOrNone(balance.hold.holdsTo),
    parts: laid.parts.length,
    shankMm: short(laid.platform.shankMm),
    gapMm: shortOrNone(laid.platform.gapMm),
    frontMm: short(bounds.front),
    rearMm: short(bounds.rear),
    topMm: short(bounds.top),
    bottomMm: short(bounds.bottom),
  };
}

/** What lists have of a fly besides its figures. */
export function listedOf(file: FlyFile): Listed {
  const { platform, parts } = file;
  const packet = platform.kind === 'tube' || platform.kind === 'shank' ? platform.hook?.packet : platform.packet;
  const small = (words: readonly (string | undefined)[]): string[] => [
    ...new Set(words.flatMap((word) => (word === undefined ? [] : [word.trim().toLowerCase()]))),
  ];
  return {
    meant: file.intent?.ride ?? null,
    balls: parts.some((part) => part.construction === 'ball' && part.shape !== 'bead'),
    words: small(parts.flatMap((part) => [part.id, part.material, part.colour])).join(' '),
    group: file.group?.trim() ?? null,
    packet: packet?.trim().toLowerCase() ?? null,
    denier: file.thread?.denier ?? null,
    school: file.school?.trim().toLowerCase() ?? null,
    materials: small(parts.map((part) => part.material)),
    made: [...new Set(parts.map((part) => part.construction))],
    sizeOf: file.sizeOf?.id === undefined ? null : { id: file.sizeOf.id, size: file.sizeOf.size },
  };
}
