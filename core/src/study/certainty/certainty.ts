import { balanceModel, restAndSink, sideHold, tightKeel, type BalanceModel, type LaidFly } from '../../model/index.ts';

/** The figures of the verdict that rest on what is not certain. Speeds mm/s, masses mg, the trim in degrees. */
export const CERTAIN = ['holds', 'trim', 'sink', 'dry', 'casting', 'submerged'] as const;
export type Certain = (typeof CERTAIN)[number];

/** How far off a figure may be: a standard deviation, in its own unit. */
export interface CertainOf {
  readonly value: number;
  readonly off: number;
  /** The same as a share of it; null of an angle, of which that says nothing. */
  readonly share: number | null;
  /** What it rests on, the most telling first, each with how far it alone moves it. */
  readonly by: readonly { readonly words: string; readonly off: number }[];
}

/** What one tool would settle: the figure it tells most about, and how far that may be off before and after. */
export interface Settles {
  readonly tool: Tool;
  readonly figure: Certain;
  readonly off: number;
  readonly left: number;
}

/** How far to trust a fly's figures, and what would settle them, the most telling first. Null where a figure is not there, or any is held. */
export interface Certainty {
  readonly figures: Readonly<Record<Certain, CertainOf | null>>;
  readonly settles: readonly Settles[];
}

export type Tool = 'jar' | 'scale' | 'caliper' | 'photograph';

type Figures = Readonly<Record<Certain, number | null>>;

/** What is changed of a fly to see what hangs on it; factors of one change nothing. */
interface Change {
  /** Times every load of the water, as it is sunk and as it is pushed from the side. */
  readonly sinking?: number;
  readonly pushing?: number;
  readonly trailing?: number;
  readonly cover?: number;
  /** Times the mass of balls that nobody weighed, their volume left. */
  readonly balls?: number;
  /** Times mass and volume of what is soft or wound, and of a platform of nominal wire. */
  readonly materials?: number;
  readonly wire?: number;
}

interface Input {
  readonly words: string;
  readonly tool: Tool;
  readonly changeOf: (laid: LaidFly) => Change;
}

const timed = (laid: LaidFly): boolean => laid.file.measured?.dragFactor !== undefined;

/** What the figures rest on, and by how much each of it is off: a standard deviation. From "What to believe" in docs/model.md. */
const INPUTS: readonly Input[] = [
  // A timed sink has settled both drags as it sinks; what pushes from the side it has not.
  {
    words: 'drag of the water',
    tool: 'jar',
    changeOf: (laid) => ({ sinking: timed(laid) ? 1 : 1.1, pushing: 1.1 }),
  },
  { words: 'drag of what trails', tool: 'jar', changeOf: (laid) => ({ trailing: timed(laid) ? 1 : 1.5 }) },
  { words: 'how much soft parts cover', tool: 'photograph', changeOf: () => ({ cover: 1.25 }) },
  // Bought eyes have flat or drilled faces: 0.6 to 0.8 of the full solid, or all of it.
  { words: 'eyes and beads nobody weighed', tool: 'scale', changeOf: () => ({ balls: 0.8 }) },
  { words: 'what its materials weigh', tool: 'scale', changeOf: () => ({ materials: 1.2 }) },
  {
    words: 'wire nobody measured',
    tool: 'caliper',
    changeOf: ({ platform }) => ({ wire: platform.nominal.wire ? 1.04 ** 2 : 1 }),
  },
];

function weighed(laid: LaidFly, { balls = 1, materials = 1, wire = 1 }: Change) {
  const lumps = [
    ...laid.platform.lumps.map((lump) => ({ lump, mass: wire, volume: wire })),
    ...laid.thread.lumps.map((lump) => ({ lump, mass: 1, volume: 1 })),
    ...laid.parts.flatMap(({ built }) => {
      const { ball } = built;
      const [mass, volume] = ball ? [ball.weighed ? 1 : balls, 1] : [materials, materials];
      return built.lumps.map((lump) => ({ lump, mass, volume }));
    }),
  ];
  const { density } = laid.water;
  return {
    dryMg: lumps.reduce((sum, { lump, mass }) => sum + mass * lump.massMg, 0),
    weights: lumps.map(({ lump, mass, volume }) => ({
      submergedMg: mass * lump.massMg - density * volume * lump.volumeMm3,
      at: lump.centroid,
    })),
  };
}

/** Soft parts that cover so many times as much, never wholly. */
function covering(model: BalanceModel, times: number): BalanceModel['table'] {
  const { opacity, softness } = model.table;
  return {
    ...model.table,
    opacity: opacity.map((each, i) => ((softness[i] ?? 0) > 0 ? Math.min(Math.max(each, 0.99), times * each) : each)),
  };
}

function figuresWith(laid: LaidFly, change: Change): Figures {
  const own = balanceModel(laid);
  const { sinking = 1, pushing = 1, trailing = 1, cover = 1, materials = 1 } = change;
  const { dryMg, weights } = weighed(laid, change);
  const model: BalanceModel = {
    ...own,
    weights,
    table: cover === 1 ? own.table : covering(own, cover),
    dragFactor: sinking * (own.dragFactor ?? 1),
    softDrag: trailing,
  };
  const keel = tightKeel(model);
  // A load so many times as strong is what a keel so many times as weak feels.
  const felt = { ...keel, momentMgMm: keel.momentMgMm / pushing, lateralMgMm: keel.lateralMgMm / pushing };
  const { sink, trim } = restAndSink(model);
  return {
    holds: keel.heelDeg === null ? null : sideHold(model, felt).holdsTo,
    trim: trim.noseDownDeg,
    sink: sink?.terminal ?? null,
    dry: dryMg,
    casting: dryMg + materials * (laid.castingMg - laid.dryMg),
    submerged: weights.reduce((sum, { submergedMg }) => sum + submergedMg, 0),
  };
}

const LEAST_TOLD = 1e-6;

/** @param offs how far each input alone moves the figure */
function certainOf(figure: Certain, value: number | null, offs: readonly number[]): CertainOf | null {
  if (value === null) return null;
  const off = Math.hypot(...offs);
  const by = INPUTS.map(({ words }, i) => ({ words, off: offs[i] ?? 0 }))
    .filter((each) => each.off > LEAST_TOLD)
    .sort((a, b) => b.off - a.off);
  return { value, off, share: figure === 'trim' ? null : off / Math.max(Math.abs(value), LEAST_TOLD), by };
}

/** A degree of trim counts as much as so much of another figure, when tools are compared. */
const TRIM_SHARE = 1 / 45;
const TOOLS: readonly Tool[] = ['jar', 'scale', 'caliper', 'photograph'];
/** What a tool must take off a figure to be worth its time, as a share. */
const WORTH_IT = 0.01;

/**
 * How far off a fly's figures may be by what they rest on, and what would settle them.
 * Each input is moved by its standard deviation alone and the fly solved again; what they move adds up as squares do.
 */
export function certaintyOf(laid: LaidFly): Certainty {
  const own = figuresWith(laid, {});
  const moved = INPUTS.map((input) => figuresWith(laid, input.changeOf(laid)));
  const offsOf = (figure: Certain): number[] =>
    moved.map((other) => {
      const [was, is] = [own[figure], other[figure]];
      // A fly that now holds to any current, or floats: as far off as the figure is large.
      return was === null ? 0 : is === null ? Math.abs(was) : Math.abs(is - was);
    });
  const offs = Object.fromEntries(CERTAIN.map((figure) => [figure, offsOf(figure)])) as Record<Certain, number[]>;
  const figures = Object.fromEntries(
    CERTAIN.map((figure) => [figure, certainOf(figure, own[figure], offs[figure])]),
  ) as Record<Certain, CertainOf | null>;
  const settles = TOOLS.flatMap((tool): (Settles & { readonly gain: number })[] => {
    const each = CERTAIN.flatMap((figure) => {
      const certain = figures[figure];
      if (!certain) return [];
      const left = Math.hypot(...offs[figure].filter((_, i) => INPUTS[i]?.tool !== tool));
      const unit = figure === 'trim' ? TRIM_SHARE : 1 / Math.max(Math.abs(certain.value), LEAST_TOLD);
      return [{ tool, figure, off: certain.off, left, gain: (certain.off - left) * unit }];
    }).sort((a, b) => b.gain - a.gain);
    return each.slice(0, 1).filter(({ gain }) => gain > WORTH_IT);
  }).sort((a, b) => b.gain - a.gain);
  return { figures, settles: settles.map(({ tool, figure, off, left }) => ({ tool, figure, off, left })) };
}
