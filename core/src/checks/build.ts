import {
  buttAdvice,
  FELT_SHARE,
  profilesOf,
  STEP_MM,
  unevenUnder,
  type Uneven,
  tieInMm,
  movesOf,
  type Move,
  threadOf,
  partName,
} from '../tying/index.ts';
import { HEAD_WIRES } from '../data/index.ts';
import { withKey, withPart } from '../edit/index.ts';
import type { LaidFly } from '../model/index.ts';
import { formatNumber } from '../units/index.ts';
import { found, type Checking, type Check, type Found } from './types.ts';

const mm = (value: number): string => `${formatNumber(value, 1)} mm`;
const tenths = (value: number): number => Math.round(value * 10) / 10;

interface Growth {
  readonly moves: readonly Move[];
  readonly profiles: readonly Float64Array[];
}
const grown = new WeakMap<LaidFly, Growth>();

/** The fly as it grows, worked out once for all checks. */
function growthOf(laid: LaidFly): Growth {
  const known = grown.get(laid);
  if (known) return known;
  const moves = movesOf(laid);
  const growth = { moves, profiles: profilesOf(laid, moves, threadOf(laid.file)) };
  grown.set(laid, growth);
  return growth;
}

/** Jumps and dips under each wound body, of one kind. */
function underBodies(fly: Checking, kind: Uneven['kind']): Found[] {
  const { laid, file, limit } = fly;
  const { moves, profiles } = growthOf(laid);
  return moves.flatMap(({ part: body, does }, i): Found[] => {
    const profile = profiles[i];
    if (body.file.role !== 'body' || body.file.construction !== 'wrap' || does === 'catch' || !profile) return [];
    const worst = unevenUnder(laid, body, profile, limit('share'))
      .filter((each) => each.kind === kind)
      .sort((x, y) => y.share - x.share)[0];
    if (!worst) return [];
    const short = laid.parts.find(
      (part) => part.extent.buttsToMm === null && tieInMm(part) > worst.atMm && buttAdvice(laid, part) !== null,
    );
    const advice = short && buttAdvice(laid, short);
    return [
      found(
        'note',
        body,
        `under the ${partName(body.file.id)} the diameter ${kind === 'step' ? 'jumps' : 'dips'} by ${formatNumber(100 * worst.share, 0)} % at ${mm(worst.atMm)}`,
        {
          figure: worst.share,
          limit: limit('share'),
          atMm: worst.atMm,
          fix:
            short && advice
              ? {
                  words: `run the butts of ${partName(short.file.id)} to ${advice.words}`,
                  file: withPart(file, short.file.id, (each) => withKey(each, 'buttsTo', advice.words)),
                }
              : null,
        },
      ),
    ];
  });
}

/** mm of head space for the last turns and the whip, and for each part bound at its rear. Judgement. */
const HEAD_NEEDS = { threadMm: 1.2, partMm: 0.35 } as const;

/** How the fly is built up: what lies uneven under a body, and the room and size of the head. */
export const BUILD: readonly Check[] = [
  {
    code: 'bulk.step',
    costs: 'looks',
    reason: 'Butts that end before they meet the weight or the front leave a step; tinsel and floss show it.',
    limits: { share: { value: FELT_SHARE, means: 'jump of the diameter within a wire’s width' } },
    find: (fly) => underBodies(fly, 'step'),
  },
  {
    code: 'bulk.valley',
    costs: 'looks',
    reason: 'A dip between butts and weight takes the body down with it.',
    limits: { share: { value: FELT_SHARE, means: 'dip of the diameter' } },
    find: (fly) => underBodies(fly, 'valley'),
  },
  {
    code: 'bulk.head-space',
    costs: 'strength',
    reason: 'What is bound at the head needs room for its turns, and the whip for its own.',
    limits: {
      thread: { value: HEAD_NEEDS.threadMm, means: 'mm for the head and the whip' },
      part: { value: HEAD_NEEDS.partMm, means: 'mm for each part bound there' },
    },
    find: ({ laid, limit }) => {
      if (laid.headSpaceMm <= 0) return [];
      const there = laid.parts.filter(
        (part) => part.file.construction !== 'ball' && Math.abs(tieInMm(part) - laid.headMm) < 1,
      );
      const need = limit('thread') + there.length * limit('part');
      // Held against what a rule shows, with a wire's breadth of slack.
      if (tenths(laid.headSpaceMm) + laid.platform.windMm >= tenths(need)) return [];
      return [
        found(
          'warn',
          null,
          `${mm(laid.headSpaceMm)} are left for the head, and ${there.map((part) => part.file.id).join(', ')} are still bound there: ${mm(need)}`,
          {
            figure: laid.headSpaceMm,
            limit: need,
            atMm: laid.headMm,
            fix: {
              words: `leave ${mm(need)}`,
              file: {
                ...laid.file,
                platform: { ...laid.file.platform, headSpace: `${formatNumber(Math.ceil(need * 10) / 10, 1)} mm` },
              },
            },
          },
        ),
      ];
    },
  },
  {
    code: 'bulk.head-large',
    costs: 'looks',
    reason: 'What lies under the thread makes the head larger than it is meant to be.',
    limits: { over: { value: 1.25, means: 'times the diameter that is meant' } },
    find: ({ laid, limit }) => {
      if (laid.file.head === undefined || laid.thread.headMm === null) return [];
      const profile = growthOf(laid).profiles.at(-1);
      const [from, to] = laid.thread.headMm;
      const meant = laid.platform.headMm(HEAD_WIRES[laid.file.head]);
      const under = profile ? Math.max(...profile.slice(Math.round(from / STEP_MM), Math.round(to / STEP_MM) + 1)) : 0;
      const figure = under / meant;
      if (figure <= limit('over')) return [];
      return [
        found('note', null, `${mm(under)} lie under a head that is meant to be ${mm(meant)} across`, {
          figure,
          limit: limit('over'),
          atMm: (from + to) / 2,
        }),
      ];
    },
  },
];
