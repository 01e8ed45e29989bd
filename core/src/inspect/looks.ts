import type { LaidFly, LaidPart } from '../model/index.ts';
import { partName } from '../tying/index.ts';

/** Something a tier looks at, or tugs, on a finished fly. */
export interface Look {
  /** As a specimen names it. */
  readonly key: string;
  /** What is done, and what is to be seen. */
  readonly words: string;
  /** The part it is of; null where it is of the whole fly. */
  readonly part: string | null;
  /** Where on the fly one looks, mm aft of the eye and over the shank; null where all over it. */
  readonly at: readonly [x: number, z: number] | null;
}

/** What a look came to; a specimen may say it in other words. */
export const LOOKED = ['good', 'not so'] as const;

const FEATHERS_IN_PAIRS: ReadonlySet<string> = new Set(['pair', 'slips', 'tips']);

/** Looks at one part, as what it is. */
function ofPart({ file, centroid }: LaidPart): readonly Look[] {
  const { id, role, construction } = file;
  const name = partName(id);
  const look = (what: string, words: string): Look => ({
    key: `${id} ${what}`,
    words,
    part: id,
    at: [centroid[0], centroid[2]],
  });
  if (construction === 'ball' && role === 'eyes')
    return [
      look('turns', `tug the ${name}: they do not turn`),
      look('level', `${name} from the front: level, and square to the shank`),
    ];
  if (role === 'tail') return [look('holds', `tug the ${name}: it stays where it was bound`)];
  if (construction === 'feather' && FEATHERS_IN_PAIRS.has(file.form ?? 'single'))
    return [look('alike', `${name} against the ring: alike, as long and as high on either side`)];
  if (role === 'wing' || role === 'underwing') {
    const lies = 'side' in file && file.side === 'bottom' ? 'straight below' : 'on top';
    return [look(lies, `${name} from the front: ${lies} still, after the pull of the thread`)];
  }
  if (role === 'rib') return [look('even', `${name}: turns as far apart as the body tapers, the last as the first`)];
  if (role === 'legs') return [look('short', `${name}: short of the gap, so that the point stays bare`)];
  if (construction === 'spun' || role === 'collar' || role === 'hackle')
    return [look('round', `${name} from the ring: as dense all round`)];
  return [];
}

/** In which order one looks: what may come off first, then what stands askew, then what is not even. */
const ORDER: readonly string[] = [
  'holds',
  'turns',
  'on top',
  'straight below',
  'alike',
  'level',
  'round',
  'even',
  'short',
];
const rank = ({ key }: Look): number => ORDER.findIndex((what) => key.endsWith(` ${what}`));

/** The ring lies so far ahead of where the shank begins, mm. */
const RING_MM = 1.2;

/** The looks a tier takes at a finished fly, in the order he takes them. */
export function looksOf(laid: LaidFly): readonly Look[] {
  const ofParts = laid.parts.flatMap(ofPart);
  return [
    ...ofParts.sort((one, other) => rank(one) - rank(other)),
    ...(laid.headMm > 0
      ? [
          {
            key: 'head',
            words: 'the head: round, no bare thread, no more of it than was planned',
            part: null,
            at: [laid.headMm / 2, 0] as const,
          },
        ]
      : []),
    { key: 'strays', words: 'no stray fibres, none bound down, none over the ring', part: null, at: null },
    {
      key: 'ring',
      words: 'the ring: clear of glue, its gap covered',
      part: null,
      at: [Math.min(0, laid.platform.landmarksMm.eye) - RING_MM, 0],
    },
  ];
}
