import type { Drawers } from '../drawers/index.ts';
import { withKey, withPart } from '../edit/index.ts';
import { balanceModel, layFly, type LaidFly, type LaidPart, sideHold, sinkSpeed } from '../model/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { findWeights, type Wish } from '../study/index.ts';
import { partName } from '../tying/index.ts';
import { METRIC, saying, type Style } from '../units/index.ts';
import type { Fished } from './fished.ts';
import { sideAreaMm2 } from './traits.ts';

/** One thing that may be changed of a fly, by what was seen of it and lost. */
export interface Change {
  readonly words: string;
  /** What it goes by. */
  readonly because: string;
  /** The fly so changed; null where there is nothing to show but the words. */
  readonly file: FlyFile | null;
  /** The figure it moves, and those it must not move, each before and after. */
  readonly moves: string;
  readonly keeps: string;
}

/** What was counted and seen of one fly. */
interface Told {
  readonly hours: number;
  readonly takes: number;
  readonly touches: number;
  readonly fouled: number;
  readonly onBed: number;
  readonly seen: string;
}

const told = (fished: readonly Fished[]): Told => ({
  hours: fished.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
  takes: fished.reduce((sum, { takes }) => sum + takes, 0),
  touches: fished.reduce((sum, { touches }) => sum + touches, 0),
  fouled: fished.reduce((sum, { fouled }) => sum + fouled, 0),
  onBed: fished.flatMap(({ lost }) => lost).filter((how) => how === 'bed').length,
  seen: fished.map(({ rod }) => `${rod.seen ?? ''} ${rod.note ?? ''}`.toLowerCase()).join(' '),
});

/** What trails beyond the bend is left so much of its way beyond it; a length so much of itself. */
const [LESS_BEYOND, LESS_LONG] = [0.75, 0.85] as const;
const BEYOND = /^(\w[\w.-]*) \+ ([\d.]+) (\w+)$/;

/** A soft part a little shorter, as a relation; null where it has no length of its own. */
function shorter(laid: LaidFly, part: LaidPart): FlyFile | null {
  const { id } = part.file;
  const { tip, length } = part.file as { tip?: string; length?: string };
  const beyond = tip === undefined ? null : BEYOND.exec(tip);
  const { shankMm } = laid.platform;
  const round = (value: number): string => String(Math.round(100 * value) / 100);
  const change = (key: string, text: string): FlyFile => withPart(laid.file, id, (each) => withKey(each, key, text));
  if (beyond) {
    const [, from = '', by = '', unit = ''] = beyond;
    return change('tip', `${from} + ${round(LESS_BEYOND * Number(by))} ${unit}`);
  }
  return length === undefined || shankMm <= 0
    ? null
    : change('length', `${round((LESS_LONG * part.extent.lengthMm) / shankMm)} shank`);
}

const SOFT: ReadonlySet<string> = new Set(['bundle', 'strip', 'feather', 'feathers', 'hackle', 'wing']);
const trailing = ({ parts }: LaidFly): LaidPart[] =>
  parts
    .filter(({ file }) => file.role === 'tail' || file.role === 'wing' || SOFT.has(file.construction))
    .sort((one, other) => other.extent.endMm - one.extent.endMm);

/** What a change moves, and what it leaves. */
function figuresOf(before: LaidFly, file: FlyFile, drawers: Drawers, style: Style): Pick<Change, 'moves' | 'keeps'> {
  const after = layFly(file, drawers);
  if (!after.ok) return { moves: '', keeps: '' };
  const { speed, mass } = saying(style);
  const holds = (laid: LaidFly): string => {
    const { holdsTo } = sideHold(balanceModel(laid), laid.tight);
    return holdsTo === null ? 'any current' : speed(holdsTo);
  };
  const pair = (name: string, of: (laid: LaidFly) => string): string => {
    const [was, is] = [of(before), of(after.value)];
    return was === is ? `${name} ${is} as before` : `${name} ${is} instead of ${was}`;
  };
  return {
    moves: [
      pair('sinks', (laid) => speed(sinkSpeed(laid))),
      pair('silhouette', (laid) => `${String(Math.round(sideAreaMm2(laid)))} mm²`),
      pair('weighs', (laid) => mass(laid.dryMg)),
    ].join(', '),
    keeps: [pair('rides', (laid) => laid.tight.ride), pair('holds to', holds)].join(', '),
  };
}

const NO_WISH: Wish = { ride: null, holdsMmS: null, sinkMmS: null, lead: false, from: 'sold' };

/** The lightest weights that do what is wished; null where none do. */
function weighted(laid: LaidFly, drawers: Drawers, wish: Partial<Wish>) {
  const search = findWeights(laid, drawers, { ...NO_WISH, ...wish });
  for (;;) {
    const step = search.next();
    if (step.done === true) return step.value.met ? (step.value.found[0] ?? null) : null;
  }
}

/** A fly that came to the bed often enough fishes there; one that never did may want weight. */
const LEAST_FOULED = 2;
const SHORT_TAKES = 2;

type Suggestion = Omit<Change, 'moves' | 'keeps'>;

/** What trails too far: it wraps about the bend, or fish take it short. */
function lengthOf(laid: LaidFly, { fouled, touches, takes }: Told): Suggestion[] {
  const [longest] = trailing(laid);
  const tail = trailing(laid).find(({ file }) => file.role === 'tail') ?? longest;
  const offered: Suggestion[] = [];
  if (longest && fouled >= LEAST_FOULED) {
    const file = shorter(laid, longest);
    offered.push({
      words: `Shorten the ${partName(longest.file.id)}`,
      because: `it fouled ${String(fouled)} times: what trails furthest wraps about the bend; a stiffer support under it is the other way`,
      file,
    });
  }
  if (tail && touches >= SHORT_TAKES * (takes + 1))
    offered.push({
      words: `Shorten the ${partName(tail.file.id)}`,
      because: `${String(touches)} touches that did not hold to ${String(takes)} takes: they take it short`,
      file: shorter(laid, tail),
    });
  return offered;
}

/** Which way up it is, and how deep it goes. */
function weightOf(laid: LaidFly, drawers: Drawers, { onBed, seen }: Told): Suggestion[] {
  const offered: Suggestion[] = [];
  const found = (words: string, because: string, wish: Partial<Wish>): void => {
    const with_ = weighted(laid, drawers, wish);
    if (with_) offered.push({ words: `${words}: ${with_.words}`, because, file: with_.file });
  };
  const sinks = sinkSpeed(laid);
  if (onBed > 0 && laid.tight.ride !== 'point-up')
    found('Turn its point up', `${String(onBed)} lost on the bed: with its point up a touch is no snag`, {
      ride: 'point-up',
    });
  if (/on its side|rolled|turned over|spun/.test(seen)) {
    const { holdsTo } = sideHold(balanceModel(laid), laid.tight);
    const { ride } = laid.tight;
    found('Hold it upright', 'it was seen on its side', {
      ride: ride === 'point-up' || ride === 'point-down' ? ride : null,
      holdsMmS: 1.3 * (holdsTo ?? sinks),
    });
  }
  if (/not deep|too high|never (got|came) down|over their heads/.test(seen)) {
    const { ride } = laid.tight;
    found('More weight', 'it was seen too high', {
      ride: ride === 'point-up' || ride === 'point-down' ? ride : null,
      sinkMmS: [1.15 * sinks, 1.4 * sinks],
    });
  }
  return offered;
}

/**
 * What may be changed of a fly, the one thing that is most worth trying first: by what was lost and seen, never by how many took it.
 * @param fished what was fished of this fly alone
 */
export function changesFor(
  laid: LaidFly,
  fished: readonly Fished[],
  drawers: Drawers,
  style: Style = METRIC,
): readonly Change[] {
  const all = told(fished);
  const offered: Suggestion[] = [
    ...lengthOf(laid, all),
    ...weightOf(laid, drawers, all),
    ...(/followed|turned away|refused|came and looked/.test(all.seen)
      ? [
          {
            words: 'Another shade, or a slimmer collar',
            because: 'fish followed and turned: what they saw of it near by was not it',
            file: null,
          },
        ]
      : []),
  ];
  return offered.map((each) => ({
    ...each,
    ...(each.file ? figuresOf(laid, each.file, drawers, style) : { moves: '', keeps: '' }),
  }));
}
