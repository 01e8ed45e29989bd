import type { FlyFile } from '../file/schema.ts';
import { boundsOf } from '../geometry/bounds.ts';
import type { SolvedFly } from '../solve/solveFly.ts';
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

/** The figures the Box lists of a solved fly. */
export function summarise({ laid, balance }: SolvedFly): FlySummary {
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  return {
    platform: platformWords(laid.file.platform),
    ride: balance.tight.ride,
    heelDeg: balance.tight.heelDeg,
    sinkMmS: balance.sink?.terminal ?? null,
    sinkClass: balance.sink?.class ?? null,
    dryMg: laid.dryMg,
    holdsToMmS: balance.hold.holdsTo,
    parts: laid.parts.length,
    shankMm: laid.platform.shankMm,
    gapMm: laid.platform.gapMm,
    frontMm: bounds.front,
    rearMm: bounds.rear,
    topMm: bounds.top,
    bottomMm: bounds.bottom,
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
    packet: packet?.trim().toLowerCase() ?? null,
    denier: file.thread?.denier ?? null,
    school: file.school?.trim().toLowerCase() ?? null,
    materials: small(parts.map((part) => part.material)),
    made: [...new Set(parts.map((part) => part.construction))],
    sizeOf: file.sizeOf?.id === undefined ? null : { id: file.sizeOf.id, size: file.sizeOf.size },
  };
}
