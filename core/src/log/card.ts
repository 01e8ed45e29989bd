import { flyFigure, type Hand, type Item, type Page, paintFly, PaperSurface, viewOf } from '../drawing/index.ts';
import { boundsOf, type LaidFly } from '../model/index.ts';

/** Two cards to a page: half a sheet each, mm. */
const CARD = { widthMm: 148, heightMm: 105, margin: 6 } as const;
const ROW = { topMm: 21, heightMm: 19.5 } as const;
/** So many flies stand on a card; a fly is drawn at its own size, and cut where it is longer than its place. */
const MOST_FLIES = 4;
const FLY_MM = 46;
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

/** A fly from the side at its own size, its eye to the right or left. */
function drawn(laid: LaidFly, at: readonly [x: number, y: number], hand: Hand): readonly Item[] {
  const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const surface = new PaperSurface(1 / PX_PER_MM, at);
  const across = ((rear + front) / 2) * PX_PER_MM;
  const view = viewOf(
    'profile',
    (FLY_MM / 2) * PX_PER_MM + (hand === 'right' ? across : -across),
    (ROW.heightMm / 2 + (top + bottom) / 2) * PX_PER_MM,
    PX_PER_MM,
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
  text([x, y - 4.6], words, 2.2, { grey: GREY }),
  ...Array.from({ length: count }, (_, i) => box(x + i * 4.4, y)),
];

/** The place of one fly: its number, itself, and what is ticked of it. */
function row({ name, laid }: TakenAlong, number: number, y: number, hand: Hand): readonly Item[] {
  const left = CARD.margin + 6 + FLY_MM + 3;
  const [upper, lower] = [y + 7.4, y + 15.4];
  return [
    line([CARD.margin, y], [CARD.widthMm - CARD.margin, y]),
    text([CARD.margin, y + 6], String(number), 4.2, { bold: true }),
    ...(laid ? drawn(laid, [CARD.margin + 6, y], hand) : []),
    text([CARD.margin + 6, y + ROW.heightMm - 1], name, 2.6, { bold: true }),
    ...boxes(left, upper, 'takes', 5),
    ...boxes(left + 25, upper, 'touches', 5),
    ...boxes(left + 50, upper, 'fouled', 4),
    text([left, lower - 4.6], 'from', 2.2, { grey: GREY }),
    line([left, lower], [left + 11, lower], 0.2),
    text([left + 13, lower - 4.6], 'to', 2.2, { grey: GREY }),
    line([left + 13, lower], [left + 24, lower], 0.2),
    ...(['bed', 'fish', 'wood', 'knot'] as const).flatMap((how, i) => [
      text([left + 26 + i * 8, lower - 4.6], how, 2.2, { grey: GREY }),
      box(left + 26 + i * 8, lower),
    ]),
    text([left + 59, lower - 4.6], 'seen', 2.2, { grey: GREY }),
    line([left + 59, lower], [CARD.widthMm - CARD.margin, lower], 0.2),
  ];
}

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
