import { withKey, withPart } from '../../edit/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import type { LaidFly, LaidPart } from '../../model/index.ts';
import { eyesWithin, isPalmer, isRib, needsNoThread, overlapMm, tieInMm } from '../constraints.ts';
import { partName } from '../partName.ts';
import { twiceDone } from '../twice.ts';
import type { Way, WayOption, WaysOf } from './types.ts';

/** A key of one part in one of several words; the first is what an unsaid key means. */
function keyWay(
  { file }: LaidFly,
  part: LaidPart,
  key: string,
  words: string,
  options: readonly WayOption[],
  usual = options[0]?.value,
): Way {
  const { id } = part.file;
  const written = (part.file as unknown as Readonly<Record<string, unknown>>)[key];
  return {
    key: `${key} ${id}`,
    words: `${partName(id)} ${words}`,
    now: typeof written === 'string' ? written : (usual ?? ''),
    options,
    take: (value) => withPart(file, id, (each) => withKey(each, key, value === usual ? undefined : value)),
  };
}

const WIRE: readonly WayOption[] = [
  {
    value: 'bare',
    words: 'on the bare shank',
    says: 'It slides home and lies close; glue and the thread over it hold it.',
  },
  { value: 'thread', words: 'over thread', says: 'It grips as it is wound; a little thicker, and it does not slide.' },
];

/** Weight wire before the thread or after it, where nothing that needs thread comes before it. */
const wireWays: WaysOf = (laid) => {
  const threaded = laid.parts.findIndex((part) => !needsNoThread(part));
  return laid.parts
    .slice(0, threaded < 0 ? undefined : threaded)
    .filter(({ file }) => file.role === 'underbody')
    .map((part) => keyWay(laid, part, 'on', 'wound', WIRE));
};

const GLUE: readonly WayOption[] = [
  { value: 'dry', words: 'thread alone', says: 'Quick; heavy eyes turn sooner or later.' },
  { value: 'glued', words: 'a drop of superglue', says: 'Nothing turns any more, and nothing can be moved.' },
];

const glueWays: WaysOf = ({ file, parts }) =>
  parts.some((part) => part.built.ball?.sided === true || part.file.role === 'underbody')
    ? [
        {
          key: 'glue',
          words: 'eyes and wire held by',
          now: file.finish?.glueOnThread === true ? 'glued' : 'dry',
          options: GLUE,
          take: (value) => ({ ...file, finish: { ...file.finish, glueOnThread: value === 'glued' } }),
        },
      ]
    : [];

const RIB: readonly WayOption[] = [
  { value: 'with', words: 'as the body is', says: 'Lies close along it; on floss and tinsel it looks the neater.' },
  { value: 'counter', words: 'against the body', says: 'Crosses every turn and binds it: for herl and for hackles.' },
];
const OVER: readonly WayOption[] = [
  { value: 'hackle', words: 'over it', says: 'Binds the stem at every crossing; wants wiggling through the fibres.' },
  { value: 'under', words: 'under it', says: 'Nothing is caught; the stem lies open to teeth.' },
];

const ribWays: WaysOf = (laid) =>
  laid.parts.filter(isRib).flatMap((rib) => {
    const crossed = laid.parts.some((part) => isPalmer(part) && overlapMm(part, rib) > 0.5);
    return [
      keyWay(laid, rib, 'direction', 'wound', RIB),
      ...(crossed ? [keyWay(laid, rib, 'over', 'and the hackle', OVER)] : []),
    ];
  });

const REAR: WayOption = {
  value: 'rear',
  words: 'at the rear',
  says: 'Everything behind is bound once and for all; it is pulled over and tied down in front.',
};
const FRONT: WayOption = {
  value: 'front',
  words: 'in front',
  says: 'Its length is seen before it is bound behind; the thread has to go back through the fur.',
};
const FOLD_FRONT: WayOption = {
  value: 'front',
  words: 'in front',
  says: 'The fold lies behind; for a case that is left long over the thorax.',
};

/** Which end of a strip or of what is folded is tied in first. */
const endWays: WaysOf = (laid) =>
  laid.parts.flatMap((part) => {
    const how = twiceDone(part, laid);
    if (!how) return [];
    if (part.file.construction === 'sheet') return [keyWay(laid, part, 'first', 'tied in first', [REAR, FOLD_FRONT])];
    const asRear =
      part.file.construction === 'strip' ? { ...part, file: { ...part.file, first: 'rear' as const } } : part;
    const under = twiceDone(asRear, laid)?.covers.length ?? 0;
    return under === 0 ? [] : [keyWay(laid, part, 'first', 'bound first', [REAR, FRONT])];
  });

const BUTTS: readonly WayOption[] = [
  { value: 'run', words: 'run along the shank', says: 'The body lies even over them; a little more weight.' },
  {
    value: 'wrapped',
    words: 'run along the shank, wrapped',
    says: 'Thread edge to edge over them: the firmest and the smoothest underbody; a minute more, and thread that weighs.',
  },
  { value: 'cut', words: 'cut at the tie-in', says: 'A thin body; a step at the rear that thread has to fill.' },
];

/** Whether butts run along the shank under the body or are cut where they are tied in. */
const buttWays: WaysOf = (laid) =>
  laid.parts.flatMap((part): Way[] => {
    const { file, extent } = part;
    if (file.construction !== 'bundle' || file.role !== 'tail' || extent.buttsToMm === null) return [];
    const cut = Math.abs(extent.buttsToMm - tieInMm(part)) < 0.5;
    const own = !cut && file.buttsTo !== undefined;
    return [
      {
        key: `butts ${file.id}`,
        words: `${partName(file.id)} butts`,
        now: cut ? 'cut' : own ? 'own' : file.buttsWrapped === true ? 'wrapped' : 'run',
        options: own
          ? [...BUTTS, { value: 'own', words: `to ${file.buttsTo ?? ''}`, says: 'As it is written.' }]
          : BUTTS,
        take: (value) =>
          withPart(laid.file, file.id, (each) =>
            withKey(
              withKey(each, 'buttsTo', value === 'cut' ? file.at : undefined),
              'buttsWrapped',
              value === 'wrapped' ? true : undefined,
            ),
          ),
      },
    ];
  });

const TIPS: readonly WayOption[] = [
  { value: 'natural', words: 'as they grew', says: 'Thins out to nothing; moves more.' },
  { value: 'stacked', words: 'levelled in the stacker', says: 'Neat and even; ends in a line like a brush.' },
];
const SUPPORT: readonly WayOption[] = [
  { value: 'none', words: 'nothing', says: 'Free to move, and to wrap round the bend.' },
  { value: 'turn-under', words: 'a turn of thread under it', says: 'Lifts it a little; costs nothing.' },
  { value: 'dam', words: 'a bump behind it', says: 'Props plume and fur; thickens the rear.' },
  { value: 'loop', words: 'a loop of stiff line', says: 'Keeps a long tail off the bend; stiff, and it shows.' },
];

const tipWays: WaysOf = (laid) =>
  laid.parts.flatMap((part): Way[] => {
    const { file, built } = part;
    const [form] = built.forms;
    const hair = file.construction === 'bundle' && form?.kind === 'bundle' && form.manner === 'hair';
    return [
      ...(hair
        ? [
            {
              key: `tips ${file.id}`,
              words: `${partName(file.id)} tips`,
              now: file.stacked === true ? 'stacked' : 'natural',
              options: TIPS,
              take: (value: string): FlyFile =>
                withPart(laid.file, file.id, (each) =>
                  withKey(each, 'stacked', value === 'stacked' ? true : undefined),
                ),
            },
          ]
        : []),
      ...(file.role === 'tail' && (file.construction === 'bundle' || file.construction === 'strip')
        ? [keyWay(laid, part, 'support', 'held up by', SUPPORT)]
        : []),
    ];
  });

const DUBBED: readonly WayOption[] = [
  { value: 'rope', words: 'as a rope', says: 'Even and firm; thick where you twist it thick.' },
  { value: 'touch', words: 'touched on', says: 'So thin that the thread shows through: waxed thread, fur brushed on.' },
  { value: 'loop', words: 'in a loop', says: 'Fibres stand out all round; bulky, and the strongest.' },
  { value: 'split', words: 'in split thread', says: 'As a loop, without its bulk; wants a flat thread.' },
];

const dubbedWays: WaysOf = (laid) =>
  laid.parts
    .filter(({ built }) => built.forms.some((form) => form.kind === 'wound' && form.manner === 'dubbing'))
    .map((part) => {
      const two = part.file.construction === 'wrap' && part.file.with !== undefined;
      const usual = two ? 'loop' : /loose/i.test(part.built.figuredAs) ? 'split' : 'rope';
      // Two furs laid on each other want something to lie between.
      const options = two ? DUBBED.filter(({ value }) => value === 'loop' || value === 'split') : DUBBED;
      return keyWay(laid, part, 'dubbed', 'dubbed', options, usual);
    });

const LAYERS: readonly WayOption[] = [
  { value: 'once', words: 'once', says: 'Thin; the underbody has to be smooth, for it shows every ridge.' },
  {
    value: 'back',
    words: 'to the rear and back',
    says: 'In at the front and off at the front: no lump behind, no gap shows.',
  },
];

/** Tinsel wound once, or in at the front, to the rear and back over itself. */
const tinselWays: WaysOf = (laid) =>
  laid.parts.flatMap((part): Way[] => {
    const { file, built } = part;
    const flat = built.forms.some((form) => form.kind === 'wound' && form.manner === 'flat');
    if (file.construction !== 'wrap' || file.role !== 'body' || !flat || file.to === undefined) return [];
    const { from, to } = file;
    return [
      {
        key: `layers ${file.id}`,
        words: `${partName(file.id)} wound`,
        now: file.layers === 2 ? 'back' : 'once',
        options: LAYERS,
        take: (value) =>
          withPart(laid.file, file.id, (each) => {
            const turned = withKey(withKey(each, 'from', to), 'to', from);
            return withKey(turned, 'layers', value === 'back' ? 2 : undefined);
          }),
      },
    ];
  });

const CROSSED: readonly WayOption[] = [
  { value: 'round', words: 'round the shank alone', says: 'Quick; from the front the head is flat between the eyes.' },
  {
    value: 'crossed',
    words: 'crossed between the eyes',
    says: 'Round from every side, and the eyes sit in it; more fur, and a turn too many hides them.',
  },
];

/** A head or body of fur or chenille wound past eyes: round the shank alone, or crossed between them. */
const crossedWays: WaysOf = (laid) =>
  laid.parts
    .filter((part) => eyesWithin(part, laid) !== null)
    .map((part): Way => {
      const { id } = part.file;
      return {
        key: `crossed ${id}`,
        words: `${partName(id)} wound`,
        now: part.file.construction === 'wrap' && part.file.crossed === true ? 'crossed' : 'round',
        options: CROSSED,
        take: (value) =>
          withPart(laid.file, id, (each) => withKey(each, 'crossed', value === 'crossed' ? true : undefined)),
      };
    });

const HELD: readonly WayOption[] = [
  { value: 'bound', words: 'bound on', says: 'They lie back along the body; the simplest.' },
  {
    value: 'crossed',
    words: 'by crossing turns',
    says: 'They stand out square to the shank; soft ones stay where they are put.',
  },
  {
    value: 'doubled',
    words: 'folded over the thread',
    says: 'None pulls out, and both ends come out alike; a fold that is seen unless something covers it.',
  },
];

const legWays: WaysOf = (laid) =>
  laid.parts
    .filter(({ file }) => file.construction === 'bundle' && file.role === 'legs')
    .map((part) => keyWay(laid, part, 'held', 'held', HELD));

const ROUND: readonly WayOption[] = [
  {
    value: 'top',
    words: 'on top',
    says: 'Leaves belly and point free; half of what goes round looks as full from the side.',
  },
  {
    value: 'around',
    words: 'all round the hook',
    says: 'The same from every side, and pulses; more of it, and it covers the point.',
  },
];

/** Fur and plume as a wing or collar: on top of the hook, or tied all round it. */
const roundWays: WaysOf = (laid) =>
  laid.parts
    .filter(({ file, built }) => {
      const [form] = built.forms;
      const furry = form?.kind === 'bundle' && (form.manner === 'plume' || form.manner === 'hair');
      return (
        file.construction === 'bundle' && furry && WORN_ROUND.has(file.role) && TOP_OR_ROUND.has(file.side ?? 'top')
      );
    })
    .map((part) => keyWay(laid, part, 'side', 'tied', ROUND));

const WORN_ROUND: ReadonlySet<string> = new Set(['wing', 'underwing', 'overwing']);
const TOP_OR_ROUND: ReadonlySet<string> = new Set(['top', 'around']);

/** How things are held, begun and laid, about which tiers differ. */
export const handlingWays: WaysOf = (laid) =>
  [
    wireWays,
    glueWays,
    endWays,
    tinselWays,
    dubbedWays,
    crossedWays,
    ribWays,
    buttWays,
    tipWays,
    legWays,
    roundWays,
  ].flatMap((ways) => ways(laid));
