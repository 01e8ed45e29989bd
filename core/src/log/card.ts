import { flyFigure, type Hand, type Item, type Page, paintFly, PaperSurface, viewOf } from '../drawing/index.ts';
import { boundsOf, type LaidFly } from '../model/index.ts';

/** Two cards to a page: half a sheet each, mm. */
const CARD = { widthMm: 148, heightMm: 105, margin: 6 } as const;
const ROW = { topMm: 21, heightMm: 19.5 } as const;
/** So many flies stand on a card; a fly is drawn at its own size, or smaller where it is larger than its place, which is told. */
const MOST_FLIES = 4;
const FLY_MM = 56;
const FLY_HIGH_MM = 18.5;
const PX_PER_MM = 10;
const GREY = 0.45;

const text = (at: readonly [number, number], words: string, size: number, more: object = {}): Item => ({
  kind: 'text',
  at: [at[0], at[1]],
  text: words.slice(0, 120),
  size,
  ...more,
});
const line = (from: readonly [number, number], to: readonly [number, number], width = 0.15, grey = GREY): Item => ({
  kind: 'line',
  points: [
    [from[0], from[1]],
    [to[0], to[1]],
  ],
  width,
  grey,
});
/** A box to tick. */
const box = (x: number, y: number, side = 3.4): Item => ({
  kind: 'line',
  points: [
    [x, y],
    [x + side, y],
    [x + side, y - side],
    [x, y - side],
    [x, y],
  ],
  width: 0.2,
  grey: 0.2,
});

/** How large a fly is drawn: 1 is its own size. */
function sizeOf(laid: LaidFly): number {
  const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  return Math.min(1, FLY_MM / (rear - front), FLY_HIGH_MM / (top - bottom));
}

/** A fly from the side, its eye to the right or left. */
function drawn(laid: LaidFly, at: readonly [x: number, y: number], hand: Hand): readonly Item[] {
  const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const surface = new PaperSurface(1 / PX_PER_MM, at);
  const px = PX_PER_MM * sizeOf(laid);
  const across = ((rear + front) / 2) * px;
  const view = viewOf(
    'profile',
    (FLY_MM / 2) * PX_PER_MM + (hand === 'right' ? across : -across),
    (ROW.heightMm / 2) * PX_PER_MM + ((top + bottom) / 2) * px,
    px,
    hand,
  );
  paintFly(surface, flyFigure(laid), view, {
    mode: 'silhouette',
    ink: '#333333',
    sheet: '#ffffff',
    dark: false,
    sections: laid.sections,
  });
  return surface.items;
}

/** A run of boxes under a word. */
const boxes = (x: number, y: number, words: string, count: number): readonly Item[] => [
  text([x, y - 4], words, 2.2, { grey: GREY }),
  ...Array.from({ length: count }, (_, i) => box(x + i * 4.4, y)),
];

/** The place of one fly: its number, itself, and what is ticked of it. */
function row({ name, laid }: TakenAlong, number: number, y: number, hand: Hand): readonly Item[] {
  const left = CARD.margin + 6 + FLY_MM + 3;
  const [upper, lower] = [y + 11.6, y + 18.4];
  const size = laid ? sizeOf(laid) : 1;
  const smaller = size < 1 ? `, drawn at ${String(Math.round(100 * size))} %` : '';
  return [
    line([CARD.margin, y], [CARD.widthMm - CARD.margin, y]),
    text([CARD.margin, y + 6], String(number), 4.2, { bold: true }),
    ...(laid ? drawn(laid, [CARD.margin + 6, y], hand) : []),
    text([left, y + 4], `${name}${smaller}`, 2.8, { bold: true }),
    ...boxes(left, upper, 'takes', 5),
    ...boxes(left + 24, upper, 'touches', 5),
    ...boxes(left + 48, upper, 'fouled', 4),
    ...written(left, lower, 10, 'from'),
    ...written(left + 12, lower, 10, 'to'),
    ...(['bed', 'fish', 'wood', 'knot'] as const).flatMap((how, i) => boxes(left + 24 + i * 7.4, lower, how, 1)),
    ...written(left + 54, lower, CARD.widthMm - CARD.margin - left - 54, 'seen'),
  ];
}

/** A line to write on under a word. */
const written = (x: number, y: number, long: number, words: string): readonly Item[] => [
  text([x, y - 4], words, 2.2, { grey: GREY }),
  line([x, y], [x + long, y], 0.2),
];

/** A fly that is taken along; one that does not lay out has its place all the same. */
export interface TakenAlong {
  readonly name: string;
  readonly laid: LaidFly | null;
}

function card(flies: readonly TakenAlong[], first: number, title: string, topMm: number, hand: Hand): readonly Item[] {
  const blanks = ['level', 'clear to', 'light', 'from', 'to'];
  const room = (CARD.widthMm - 2 * CARD.margin) / blanks.length;
  return [
    text([CARD.margin, topMm + 9], title, 4.2, { bold: true }),
    text([CARD.widthMm - CARD.margin, topMm + 9], 'at the water', 3, { grey: GREY, anchor: 'end' }),
    ...blanks.flatMap((name, i) => [
      text([CARD.margin + i * room, topMm + 16], name, 2.4, { grey: GREY }),
      line([CARD.margin + i * room + 11, topMm + 16.4], [CARD.margin + (i + 1) * room - 3, topMm + 16.4], 0.2),
    ]),
    ...flies.flatMap((fly, i) => row(fly, first + i, topMm + ROW.topMm + i * ROW.heightMm, hand)),
    line(
      [CARD.margin, topMm + ROW.topMm + flies.length * ROW.heightMm],
      [CARD.widthMm - CARD.margin, topMm + ROW.topMm + flies.length * ROW.heightMm],
    ),
  ];
}

/** Cards for the water, two to a page: the flies that are taken along at their own size, with boxes to tick and lines to write on. */
export function outingCards(flies: readonly TakenAlong[], title: string, hand: Hand = 'right'): readonly Page[] {
  const cards = Array.from({ length: Math.max(1, Math.ceil(flies.length / MOST_FLIES)) }, (_, i) => ({
    first: 1 + i * MOST_FLIES,
    flies: flies.slice(i * MOST_FLIES, (i + 1) * MOST_FLIES),
  }));
  return Array.from({ length: Math.ceil(cards.length / 2) }, (_, page): Page => ({
    widthMm: CARD.widthMm,
    heightMm: 2 * CARD.heightMm,
    correction: 1,
    items: [
      ...cards
        .slice(2 * page, 2 * page + 2)
        .flatMap(({ first, flies: own }, i) => card(own, first, title, i * CARD.heightMm, hand)),
      line([0, CARD.heightMm], [CARD.widthMm, CARD.heightMm], 0.1, 0.7),
    ],
  }));
}
