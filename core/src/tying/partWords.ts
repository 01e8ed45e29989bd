import { DOSES, TIE_IN } from '../data/tying.ts';
import { solidNamed } from '../data/solids.ts';
import type { PartOf } from '../file/parts.ts';
import type { LaidFly, LaidPart } from '../solve/layFly.ts';
import { windingOf } from '../solve/cutLength.ts';
import { formatNumber, type Style } from '../units/format.ts';
import { saying } from '../units/saying.ts';
import { tieInMm } from './constraints.ts';
import type { Move } from './order.ts';
import type { Step, ThreadState } from './step.ts';

/** What a step says of one part; the rest follows from the move itself. */
export type PartWords = Pick<
  Step,
  'how' | 'measure' | 'inHand' | 'tool' | 'face' | 'torque' | 'glue' | 'proof' | 'end' | 'look' | 'wrong' | 'caution'
> & { readonly state: ThreadState };

const NOTHING: PartWords = {
  how: [],
  measure: null,
  inHand: [],
  tool: null,
  face: null,
  torque: null,
  glue: null,
  proof: null,
  end: null,
  look: [],
  wrong: null,
  caution: null,
  state: 'flat',
};

interface Told {
  readonly move: Move;
  readonly laid: LaidFly;
  readonly style: Style;
  readonly length: (mm: number) => string;
  /** A place as a tier says it: its station and what is there. */
  readonly place: (mm: number) => string;
  /** Words for what hangs and must be kept out of the way. */
  readonly hanging: readonly LaidPart[];
}

const SIDE_WORDS: Readonly<Record<string, string>> = {
  top: 'on top',
  bottom: 'on the point side',
  near: 'on the near side',
  far: 'on the far side',
  both: 'on both sides',
  around: 'round the shank',
  axis: 'round the shank',
};
const sideWords = ({ file }: LaidPart): string =>
  SIDE_WORDS[file.side ?? ''] ?? (file.role === 'throat' || file.role === 'legs' ? 'on the point side' : 'on top');

const LEAD = 'Lead: wash your hands, keep it out of mouths; some waters ban it, look up the local rules.';
const GLUE = 'Superglue: open a window, mind eyes and fingers.';
const BLADE = 'The blade cuts toward nobody’s fingers.';
const TORQUE = 'Hold it a little toward you: the thread brings it round to where it belongs.';
const TUG = 'Tug at it: it must not turn or slide.';

const relationOf = (part: LaidPart, ...keys: readonly string[]): string | null => {
  const file = part.file as unknown as Readonly<Record<string, unknown>>;
  const text = keys.map((key) => file[key]).find((each) => typeof each === 'string');
  return typeof text === 'string' ? text : null;
};

/** Past the bend where its tip lies behind it, else its free length. */
function tipMeasure({ move: { part }, laid }: Told): PartWords['measure'] {
  const { tipMm, lengthMm } = part.extent;
  const { bend } = laid.platform.landmarksMm;
  const relation = relationOf(part, 'tip', 'length', 'fibre');
  if (tipMm !== null && tipMm > bend + 0.5 && relation?.startsWith('bend') === true)
    return { mm: tipMm - bend, words: 'past the bend', relation };
  return { mm: lengthMm, words: 'from the tie-in to the tip', relation };
}

const turnWords = (turns: number, style: Style): string =>
  `${formatNumber(turns, Math.abs(turns - Math.round(turns)) < 0.05 ? 0 : 1, style)} ${Math.abs(turns - 1) < 0.05 ? 'turn' : 'turns'}`;

function ball(told: Told): PartWords {
  const { move, laid, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'ball'>;
  const size = length(part.extent.lengthMm);
  const lead = solidNamed(file.material ?? '')?.lead === true || /lead(?!-free)/i.test(file.material ?? '');
  const base: PartWords = {
    ...NOTHING,
    inHand: [`${size} ${part.built.material} ${file.shape.replace('-', ' ')}`],
    caution: lead ? LEAD : null,
    end: 'final',
  };
  if (file.shape === 'bead' || file.shape === 'cone')
    return {
      ...base,
      how: [
        'Slide it over the point, the small hole first.',
        'Push it home against the eye before the thread goes on.',
      ],
      wrong: 'A bead that does not pass the barb: flatten the barb first.',
    };
  if (file.shape === 'disc')
    return {
      ...base,
      how: [`Glue one to each side at ${place(tieInMm(part))}, on what is finished.`],
      glue: 'superglue or resin',
      caution: GLUE,
      look: ['From the front: both at one height.'],
    };
  const front = laid.headMm;
  return {
    ...base,
    how: [
      `Set it ${sideWords(part)} with its middle at ${place(tieInMm(part))}, ${length(tieInMm(part))} behind the eye.`,
      'Six turns one way across, six the other, then turns round under it, between eyes and shank.',
      'A drop of superglue into the crossing turns where the fly is to last.',
    ],
    measure: { mm: tieInMm(part), words: 'from the eye to the middle of the eyes', relation: file.at ?? null },
    torque: 'Hold the pair turned a little toward you: the thread turns it away.',
    glue: laid.file.finish?.glueOnThread === true ? 'a drop of superglue on the crossing turns' : null,
    proof: 'Take one ball and try to turn it: the pair must not give.',
    look: ['From the front: level.', 'From above: square to the shank.'],
    wrong:
      front > part.extent.startMm - 0.2
        ? 'They sit on the head space: nothing can be tied in front of them.'
        : 'Eyes that sit askew lean the fly to one side.',
    caution: lead ? LEAD : laid.file.finish?.glueOnThread === true ? GLUE : null,
    state: 'spun',
  };
}

function wrap(told: Told): PartWords {
  const { move, style, length, place } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  const winding = windingOf(part);
  const begin = tieInMm(part);
  const end = Math.abs(begin - startMm) > Math.abs(begin - endMm) ? startMm : endMm;
  const forward = end < begin;
  const turns = part.built.turns ?? winding?.turns ?? 0;
  const counter = file.direction === 'counter';
  if (file.role === 'underbody')
    return {
      ...NOTHING,
      inHand: [`${part.built.material}, ${length(winding?.strandMm ?? 0)} thick`],
      how: [
        `${turnWords(turns, style)}, touching, from ${place(begin)} to ${place(end)}.`,
        'Break the ends off short, press them down, push the coils home.',
        'Ramp both ends with thread, then bind the wire crosswise.',
      ],
      measure: {
        mm: Math.abs(endMm - startMm),
        words: 'of shank under wire',
        relation: relationOf(part, 'turns', 'from'),
      },
      tool: 'old clippers, never the scissors',
      proof: 'Push at the coils with a nail: they must not slide.',
      look: ['No gap between turns.'],
      wrong: 'A bare step at its end shows through the body.',
      caution: /lead(?!-free)/i.test(file.material ?? '') ? LEAD : null,
      end: 'final',
    };
  const catchIt = [
    `Tie in ${part.built.material} at ${place(begin)}, ${turnWords(TIE_IN.turns, style)} of thread.`,
    ...(file.role === 'rib' ? ['On the side away from you, so that its first half turn goes under.'] : []),
  ];
  if (does === 'catch')
    return {
      ...NOTHING,
      how: [...catchIt, 'Let it hang behind the bend.'],
      end: 'trimmed later',
      proof: TUG,
      look: ['Its end lies along the shank, not across.'],
    };
  const directed = counter
    ? `Wind it the other way from the body, so that its turns cross what it binds instead of sinking between.`
    : `Wind it ${forward ? 'forward' : 'backward'} away from you over the top.`;
  const made = [
    directed,
    `${turnWords(turns, style)} to ${place(end)}${turns > 0 && file.role === 'rib' ? `, ${length((endMm - startMm) / turns)} apart` : ''}.`,
    'Tie off with firm turns, trim the end close.',
  ];
  return {
    ...NOTHING,
    how: does === 'wind' ? made : [...catchIt, ...made],
    measure: { mm: endMm - startMm, words: 'of shank covered', relation: relationOf(part, 'diameter', 'turns', 'to') },
    tool: /wire|metal/i.test(part.built.material) ? 'old clippers at its end' : null,
    end: 'final',
    proof: file.role === 'rib' ? 'Run a nail along it: no turn may shift.' : null,
    look:
      file.role === 'rib'
        ? ['Even steps, even on the taper.']
        : ['No bare thread between turns.', 'Fibres stroked back every few turns.'],
    wrong:
      file.role === 'rib'
        ? 'A last turn crowded onto the head.'
        : 'Wound into the head space: the head will be too large.',
    caution: null,
    state: 'flat',
  };
}

/** How much of it, as a tier takes it between the fingers. */
function amount({ move: { part }, length }: Told): string {
  const file = part.file as PartOf<'bundle'>;
  if (file.strands !== undefined) return `${String(file.strands)} strands`;
  if (file.dose !== undefined)
    return /^a |^half/.test(file.dose)
      ? file.dose
      : `a ${file.dose} (${length(DOSES[file.dose.toLowerCase()]?.pinchMm ?? 0)} squeezed)`;
  return `${length(part.extent.lengths['pinch']?.mm ?? 0)} squeezed`;
}

/** Cut stuff is left long; tips that grew are as they stay. */
const isCut = (part: LaidPart): boolean => {
  const form = part.built.forms[0];
  return form?.kind === 'bundle' && (form.manner === 'strand' || form.manner === 'tubing' || form.manner === 'leg');
};

function clump(told: Told): PartWords {
  const { move, laid, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'bundle'>;
  const cut = isCut(part);
  const butts = part.extent.buttsToMm;
  const wing = ['wing', 'underwing', 'overwing'].includes(file.role);
  return {
    ...NOTHING,
    inHand: [
      `${part.built.material}${file.colour === undefined ? '' : `, ${file.colour}`}: ${amount(told)}`,
      ...(file.stacked === true ? ['tips levelled in the stacker'] : []),
    ],
    how: [
      `Measure it against the fly: its tip comes ${length(part.extent.lengthMm)} from ${place(tieInMm(part))}.`,
      `Pinch it ${sideWords(part)}, two soft turns, then ${String(TIE_IN.turns)} firm ones at ${place(tieInMm(part))}.`,
      butts === null
        ? 'Trim the butts on a slant.'
        : `Bind the butts along the shank to ${place(butts)} and trim them there.`,
      ...(file.support === 'turn-under' ? ['One turn of thread under it lifts it clear of the bend.'] : []),
      ...(file.side === 'both' ? ['Half of it on each side.'] : []),
    ],
    measure: tipMeasure(told),
    tool: file.stacked === true ? 'stacker' : null,
    torque: file.side === undefined || file.side === 'top' ? TORQUE : null,
    proof: 'Tug on it: nothing comes out.',
    end: cut ? 'trimmed later' : 'final',
    look: [
      wing ? 'From above: straight over the shank.' : 'In line with the shank.',
      ...(file.side === 'both' ? ['Both sides the same length.'] : []),
    ],
    wrong:
      file.role === 'tail' && part.extent.tipMm !== null && part.extent.tipMm > laid.platform.landmarksMm.rear
        ? 'Longer it wraps round the bend.'
        : wing
          ? 'More hair than this makes a head too large.'
          : null,
    state: wing ? 'spun' : 'flat',
  };
}

function feather(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'feather'>;
  const pair = file.form === undefined || file.form === 'pair' || file.form === 'slips' || file.form === 'tips';
  const width = part.extent.lengths['width']?.mm;
  return {
    ...NOTHING,
    inHand: [
      `${part.built.material}${file.colour === undefined ? '' : `, ${file.colour}`}: ${file.form === 'slips' ? 'a slip from a left and one from a right quill' : pair ? 'a matched pair' : 'one'}${width === undefined ? '' : `, ${length(width)} wide`}`,
    ],
    how: [
      `Measure it: the tip ${length(part.extent.lengthMm)} from ${place(tieInMm(part))}.`,
      file.form === 'slips'
        ? 'Hold both by their tips, a soft loop over them, straight down: they fold, they do not roll.'
        : `Set it ${sideWords(part)}, ${String(TIE_IN.turns)} firm turns on the stem.`,
    ],
    measure: tipMeasure(told),
    face:
      file.lie === 'sides' || file.role === 'cheek' ? 'shiny side out' : pair ? 'dull sides together' : 'shiny side up',
    torque: TORQUE,
    proof: pair ? 'Divider or ring across both tips: the same length.' : TUG,
    end: 'final',
    look: ['From the front: upright, neither rolled.', 'From the far side: as long as the near one.'],
    wrong:
      file.form === 'slips'
        ? 'A slip that splits was pinched beside the shank instead of over it.'
        : 'A stem that is not stripped far enough turns.',
    caution: 'Feathers from legal sources only.',
    state: 'flat',
  };
}

function strip(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'strip'>;
  const at = tieInMm(part);
  const binds = part.extent.bindingsMm.filter((each) => Math.abs(each - at) > 0.5);
  return {
    ...NOTHING,
    inHand: [
      `${part.built.material}, ${length(part.extent.lengths['width']?.mm ?? 3)} wide, hair lying aft`,
      'hair parted and skinned off the first 2 to 3 mm',
    ],
    how: [
      `Tie the bare hide in at ${place(at)}, ${sideWords(part)}, six firm turns on hide only.`,
      ...binds.map((each) => `Part the hair at ${place(each)} and bind it there.`),
      ...(file.boundBy === undefined
        ? []
        : [`It is bound down by the ${file.boundBy}, wound through its parted hair.`]),
    ],
    measure: tipMeasure(told),
    tool: 'blade for the hide, from the skin side',
    face: 'hide toward the shank',
    torque: TORQUE,
    proof: TUG,
    end: 'final',
    look: ['Hide flat, not rolled.', 'Hair clear of the turns.', 'In line with the shank.'],
    wrong: 'A longer strip fouls the bend.',
    caution: BLADE,
    state: 'spun',
  };
}

function hackle(told: Told): PartWords {
  const { move, style, length, place } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'hackle'>;
  const turns = part.built.turns ?? 0;
  const palmer = file.from !== undefined;
  const by = file.by ?? (palmer ? 'tip' : 'base');
  const catchIt = [
    `Tie it in by the ${by} at ${place(tieInMm(part))}, ${String(TIE_IN.turns)} turns on the bare stem.`,
  ];
  if (does === 'catch')
    return {
      ...NOTHING,
      inHand: [`${part.built.material}, fibres ${length(part.extent.lengthMm)}`],
      how: [...catchIt, 'Let it hang behind.'],
      face: 'dull side toward you',
      proof: TUG,
    };
  const toMm = palmer ? move.toMm : part.extent.startMm;
  return {
    ...NOTHING,
    inHand: does === 'wind' ? [] : [`${part.built.material}, fibres ${length(part.extent.lengthMm)}`],
    how: [
      ...(does === 'wind' ? [] : catchIt),
      file.style === 'throat'
        ? `${turnWords(turns, style)}, then draw the fibres down and bind them below.`
        : `${turnWords(turns, style)}${palmer ? ` to ${place(toMm)}` : ', each in front of the last'}, stroking the fibres back at each.`,
      'Tie off on the stem, trim it close.',
    ],
    measure: { mm: part.extent.lengthMm, words: 'of fibre', relation: relationOf(part, 'fibre', 'tip') },
    tool: 'hackle pliers',
    face: 'dull side aft, so that the fibres lean back',
    proof: null,
    end: 'final',
    look: ['No fibre tied down.', 'All round alike.'],
    wrong: by === 'tip' ? 'A thin tip breaks: then by the base.' : 'A thick stem makes a bump under the head.',
    caution: 'Pliers under tension: mind your eyes.',
    state: 'spun',
  };
}

function spun(told: Told): PartWords {
  const { move, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'spun'>;
  const across = part.extent.lengths['diameter']?.mm;
  return {
    ...NOTHING,
    inHand: [`${part.built.material}${file.dose === undefined ? '' : `: ${file.dose} a clump`}`, 'underfur combed out'],
    how: [
      `On bare thread from ${place(part.extent.endMm)} forward: two loose turns round a clump, pull, and it flares round the shank.`,
      'Pack each clump against the last; go through it with the thread, not over it.',
      `Up to ${place(part.extent.startMm)}.`,
    ],
    measure:
      across === undefined
        ? { mm: part.extent.lengthMm, words: 'of tips left', relation: relationOf(part, 'tip') }
        : { mm: across, words: 'across when trimmed', relation: relationOf(part, 'diameter') },
    tool: 'blade or curved scissors to trim',
    proof: 'Twist it: it must not turn on the shank.',
    end: 'trimmed later',
    look: [
      'From the front: as much near as far.',
      ...(file.flatBelow === undefined || file.flatBelow === false ? [] : ['Flat below, clear of the point.']),
    ],
    wrong: 'Trimmed into the gap is safe, left in it the point is covered.',
    caution: BLADE,
    state: 'flat',
  };
}

function sheet(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'sheet'>;
  return {
    ...NOTHING,
    inHand: [`${part.built.material}, ${length(part.extent.lengths['width']?.mm ?? 0)} wide`],
    how: [
      `Tie it in at ${place(part.extent.endMm)}, fold it forward over what is done, bind it at ${place(part.extent.startMm)}.`,
      ...(file.doubled === true ? ['Double it back once.'] : []),
    ],
    measure: { mm: part.extent.endMm - part.extent.startMm, words: 'covered', relation: relationOf(part, 'width') },
    face: 'shiny side out',
    proof: TUG,
    end: 'final',
    look: ['From above: even on both sides.'],
    wrong: 'Pulled too hard it narrows.',
    state: 'flat',
  };
}

function coat(told: Told): PartWords {
  const file = told.move.part.file as PartOf<'coat'>;
  return {
    ...NOTHING,
    how: [
      `${String(file.layers ?? 1)} thin ${file.layers === undefined || file.layers === 1 ? 'coat' : 'coats'} of ${told.move.part.built.material} over the ${file.over}.`,
    ],
    end: 'final',
    look: ['The eye of the hook is clear.'],
    caution: 'Varnish, resin and solvent: air, gloves, and glasses against the lamp.',
  };
}

const WORDS: Readonly<Record<string, (told: Told) => PartWords>> = {
  ball,
  wrap,
  bundle: clump,
  feather,
  strip,
  hackle,
  spun,
  sheet,
  coat,
};

/** What a tier is told of one move. @param hanging parts that are caught and not wound yet */
export function wordsOf(move: Move, laid: LaidFly, style: Style, hanging: readonly LaidPart[]): PartWords {
  const { length } = saying(style);
  const { shankMm, landmarksMm } = laid.platform;
  const place = (mm: number): string => {
    if (Math.abs(mm - landmarksMm.bend) < 0.3) return 'the bend';
    if (mm > landmarksMm.bend) return `${length(mm - landmarksMm.bend)} round the bend`;
    return `station ${formatNumber((10 * mm) / shankMm, 1, style)}`;
  };
  const words = WORDS[move.part.file.construction]?.({ move, laid, style, length, place, hanging }) ?? NOTHING;
  const aside = hanging.filter((part) => part !== move.part).map((part) => part.file.id);
  const piece = move.part.file.continues;
  return {
    ...words,
    how: [
      ...(piece === undefined || move.does === 'wind'
        ? []
        : [`Take up the ${piece} again: it is one piece with this.`]),
      ...words.how,
      ...(move.part.file.note === undefined ? [] : [move.part.file.note]),
    ],
    look: [...words.look, ...(aside.length === 0 ? [] : [`Keep the ${aside.join(' and the ')} out of the turns.`])],
  };
}
