import { formatLength, type Style } from '../../../units/index.ts';
import type { Item } from '../../../drawing/index.ts';
import type { GaugeBar, GaugeStrip, GaugeTick } from './strip.ts';

/** Bare paper at either end of a strip, mm. */
export const PAD = 7;

const ROW = 4.6;
const LABEL = 2.3;
const WORDS = 2.8;
/** Breadth of a letter as a share of its size, for a semi-condensed face. */
const LETTER = 0.45;
const TITLE = 11;
const TITLE_SIZE = 3.8;
const MEASURES_SIZE = 2.6;
const LONGEST_LABEL = 18;
/** From one name of a tick to the next, and where the first stands, mm. */
const LABEL_ROW = 2.9;
const FIRST_LABEL = 6;
/** Bars behind the last tick begin at once under the edge, mm. */
const FIRST_BAR = 7;
const SAME_MM = 0.5;

type Point = readonly [x: number, y: number];
type LineItem = Extract<Item, { readonly kind: 'line' }>;
type TextItem = Extract<Item, { readonly kind: 'text' }>;

export const path = (points: readonly Point[], width: number, more: Partial<LineItem> = {}): LineItem => ({
  kind: 'line',
  points,
  width,
  grey: 0,
  ...more,
});
export const stroke = (from: Point, to: Point, width: number, more: Partial<LineItem> = {}): LineItem =>
  path([from, to], width, more);
export const words = (at: Point, text: string, size: number, more: Partial<TextItem> = {}): TextItem => ({
  kind: 'text',
  at,
  text,
  size,
  ...more,
});

const box = (x: number, y: number, width: number, height: number): readonly Point[] => [
  [x, y],
  [x + width, y],
  [x + width, y + height],
  [x, y + height],
];

const widthOf = (text: string, size: number): number => text.length * size * LETTER;

/** The first names of a tick, and how many more there are. */
function labelOf({ names }: GaugeTick): string {
  let shown = names.length;
  const told = (): string =>
    names.slice(0, shown).join(', ') + (shown < names.length ? ` +${String(names.length - shown)}` : '');
  while (shown > 1 && told().length > LONGEST_LABEL) shown--;
  const text = told();
  return text.length > LONGEST_LABEL ? `${text.slice(0, LONGEST_LABEL - 1)}…` : text;
}

/** Where things lie on one strip, mm from its upper left corner. */
interface Ground {
  readonly widthMm: number;
  readonly hand: 'right' | 'left';
  readonly style: Style;
  /** mm across the strip of a place along the shank. */
  readonly x: (mm: number) => number;
}

export interface StripOptions {
  /** Breadth of the strip; what reaches beyond it is cut off and says so. mm */
  readonly widthMm: number;
  /** How high it may be at most. mm */
  readonly mostMm: number;
  readonly hand: 'right' | 'left';
  readonly style: Style;
}

export interface DrawnStrip {
  readonly heightMm: number;
  readonly items: readonly Item[];
}

/**
 * One strip, its upper edge the one that is held along the shank: ticks and their names, bars, the hook, and what it is.
 */
export function drawStrip(strip: GaugeStrip, { widthMm, mostMm, hand, style }: StripOptions): DrawnStrip {
  const x = (mm: number): number => {
    const fromEye = PAD - strip.frontMm + mm;
    return hand === 'right' ? widthMm - fromEye : fromEye;
  };
  const ground: Ground = { widthMm, hand, style, x };
  const { items: ticks, deepMm } = drawTicks(strip, ground);
  // What lies behind the last tick stands beside the names, the rest under them.
  const last = Math.max(...strip.ticks.map(({ mm }) => mm));
  const isBehind = ({ fromMm, toMm }: GaugeBar): boolean => Math.min(fromMm, toMm) > last - SAME_MM;
  const [behind, under] = [strip.bars.filter(isBehind), strip.bars.filter((bar) => !isBehind(bar))];
  const foot = 2.5 + strip.topMm - strip.bottomMm + 2 + TITLE;
  // A fly of very many parts has its rows closer, so that its strip is whole on a page.
  const rowFor = (from: number, count: number): number => Math.min(ROW, (mostMm - from - foot) / Math.max(1, count));
  const [rearRow, row] = [rowFor(FIRST_BAR, behind.length), rowFor(deepMm, under.length)];
  const bars = [
    ...behind.map((bar, i) => drawBar(bar, FIRST_BAR + i * rearRow, ground)),
    ...under.map((bar, i) => drawBar(bar, deepMm + (i + 1) * row, ground)),
  ];
  const below = Math.max(deepMm + under.length * row, FIRST_BAR + (behind.length - 1) * rearRow);
  const axis = below + 2.5 + strip.topMm;
  const title = titleOf(strip, style);
  const hookMm = Math.max(
    0,
    ...strip.wires.flatMap(({ points }) => points.map(([mm]) => mm)),
    strip.tube?.lengthMm ?? 0,
  );
  const beside = widthMm - (PAD - strip.frontMm + hookMm) > title.wideMm + 7;
  const heightMm = beside ? Math.max(axis - strip.bottomMm + 3, below + TITLE) : axis - strip.bottomMm + 2 + TITLE;
  return {
    heightMm,
    items: [
      ...bars.flatMap((bar) => bar.under),
      ...ticks,
      ...bars.flatMap((bar) => bar.over),
      ...drawPlatform(strip, x, axis),
      ...drawTitle(title, heightMm, ground),
      path(box(0, 0, widthMm, heightMm), 0.12, { grey: 0.45, close: true }),
    ],
  };
}

/**
 * Ticks and their names, each a row lower than the one in front of it: read without turning the card, since a name lies toward the front, where
 * every other leader has ended already.
 */
function drawTicks(
  strip: GaugeStrip,
  { x, widthMm, hand }: Ground,
): { readonly items: Item[]; readonly deepMm: number } {
  const ticks = [...strip.ticks].sort((a, b) => a.mm - b.mm);
  const forward = hand === 'right' ? 1 : -1;
  const leaders: Item[] = [];
  const names = ticks.flatMap((tick, i): Item[] => {
    const at = x(tick.mm);
    const y = FIRST_LABEL + i * LABEL_ROW;
    const label = labelOf(tick);
    const wide = widthOf(label, LABEL);
    leaders.push(
      path(
        [
          [at, 0],
          [at, y - 0.8],
          [at + 0.9 * forward, y - 0.8],
        ],
        0.15,
        { name: `tick ${tick.names.join(', ')}` },
      ),
    );
    // Where the strip ends too soon for it the name is moved back over its leader.
    const room = hand === 'right' ? widthMm - 1 - at : at - 1;
    const start = at + forward * Math.min(1.3, room - wide);
    return [
      ...(room < wide + 1.3
        ? [stroke([start, y - 0.8], [start + forward * wide, y - 0.8], LABEL * 0.9, { grey: 1 })]
        : []),
      words([start, y], label, LABEL, { anchor: hand === 'right' ? 'start' : 'end' }),
    ];
  });
  return { items: [...leaders, ...names], deepMm: FIRST_LABEL + (ticks.length - 1) * LABEL_ROW + 1 };
}

/** A length with its ends and words, and under all else the line from its end to the edge. */
function drawBar(
  bar: GaugeBar,
  y: number,
  { x, widthMm, style, hand }: Ground,
): { readonly under: readonly Item[]; readonly over: readonly Item[] } {
  const inside = (across: number): number => Math.max(1, Math.min(widthMm - 1, across));
  const [from, to] = [inside(x(bar.fromMm)), inside(x(bar.toMm))];
  const cut = Math.abs(to - x(bar.toMm)) > 0.01;
  const { figure, unit } = formatLength(bar.lengthMm, style);
  const text = `${bar.name} ${figure} ${unit}${cut ? ' (ends beyond the strip)' : ''}`;
  const wide = widthOf(text, WORDS);
  const [left, right] = [Math.min(from, to), Math.max(from, to)];
  // Where it does not fit over its bar it stands aft of it, or ahead where the strip ends.
  const fits = wide < right - left - 1;
  const aftRoom = hand === 'right' ? left : widthMm - right;
  const toLeft = (hand === 'right') === wide + 2 < aftRoom;
  const start = fits ? (left + right - wide) / 2 : toLeft ? left - 1.2 - wide : right + 1.2;
  const baseline = fits ? y - 0.7 : y + 0.9;
  const place = bar.place && !cut;
  return {
    under: place ? [stroke([to, 3.4], [to, y], 0.1, { grey: 0.55, dash: [0.8, 0.8] })] : [],
    over: [
      stroke([start - 0.3, baseline - 0.9], [start + wide + 0.3, baseline - 0.9], WORDS * 0.8, { grey: 1 }),
      stroke([from, y], [to, y], 0.25, { name: `bar ${bar.name}` }),
      stroke([from, y - 1], [from, y + 1], 0.25),
      ...(cut ? [] : [stroke([to, y - 1], [to, y + 1], 0.25)]),
      ...(place ? [stroke([to, 0], [to, 3.4], 0.35)] : []),
      words([start + wide / 2, baseline], text, WORDS, { anchor: 'middle' }),
    ],
  };
}

/** Hook, shank or tube; a dark edge round light wire, so that steel laid on it is seen to cover it. */
function drawPlatform({ tube, wires }: GaugeStrip, x: Ground['x'], axis: number): Item[] {
  const half = (tube?.outsideMm ?? 0) / 2;
  const across = tube ? [x(0), x(tube.lengthMm)] : [];
  const outline = tube
    ? [path(box(Math.min(...across), axis - half, tube.lengthMm, 2 * half), 0.25, { close: true, name: 'tube' })]
    : [];
  return [
    ...outline,
    ...wires.flatMap(({ points, diameterMm }): Item[] => {
      const line = points.map(([mm, z]): Point => [x(mm), axis - z]);
      return [path(line, diameterMm), path(line, Math.max(0.1, diameterMm - 0.25), { grey: 0.8 })];
    }),
  ];
}

interface Title {
  readonly lines: readonly [string, string];
  readonly wideMm: number;
}

function titleOf(strip: GaugeStrip, style: Style): Title {
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  const gap = strip.gapMm === null ? '' : `, gap ${length(strip.gapMm)}`;
  const measures = `shank ${strip.nominal ? '≈ ' : ''}${length(strip.shankMm)}${gap}`;
  const wideMm = Math.max(widthOf(strip.platform, TITLE_SIZE), widthOf(measures, MEASURES_SIZE));
  return { lines: [strip.platform, measures], wideMm };
}

/** What the strip is of, at the foot of its far end: beside the hook, or under one that reaches there. */
function drawTitle({ lines: [platform, measures] }: Title, heightMm: number, { widthMm, hand }: Ground): Item[] {
  const [side, anchor] = hand === 'right' ? [4, 'start' as const] : [widthMm - 4, 'end' as const];
  return [
    words([side, heightMm - 6.2], platform, TITLE_SIZE, { bold: true, anchor }),
    words([side, heightMm - 2.4], measures, MEASURES_SIZE, { anchor }),
  ];
}
