import { CAUTIONS } from '../data/index.ts';
import {
  beside,
  type Block,
  hairline,
  type Page,
  type Paper,
  PAPERS,
  paragraph,
  type Run,
  stacked,
  type TextWidth,
} from '../drawing/index.ts';
import { partName } from '../tying/index.ts';
import { formatLength, formatNumber, type Style } from '../units/index.ts';
import { boughtWords, type NeedReport } from './needReport.ts';
import type { PrepReport } from './prep.ts';
import type { BatchReport } from './report.ts';

/** On what, and in which units, a prep sheet is set. */
export interface PrepPaper {
  readonly paper: Paper;
  readonly style: Style;
  readonly textWidth: TextWidth;
}

const MARGIN = 12;
const FOOT = 6;
const BETWEEN = 8;
const GREY = 0.35;
const TYPE = 3.1;
const LEFT_SHARE = 0.6;
/** A box to tick, mm. */
const TICK = 2.6;

const length = (mm: number, style: Style): string => {
  const { figure, unit } = formatLength(mm, style);
  return `${figure} ${unit}`;
};
const named = ({ material, colour }: Pick<PrepReport, 'material' | 'colour'>): string =>
  colour === null ? material : `${material}, ${colour}`;

/** An empty box before what is to be done. */
const tick: Block = {
  heightMm: TICK,
  put: (x, y) => [
    {
      kind: 'line',
      points: [
        [x, y + 0.6],
        [x + TICK, y + 0.6],
        [x + TICK, y + 0.6 + TICK],
        [x, y + 0.6 + TICK],
      ],
      close: true,
      width: 0.2,
      grey: 0,
    },
  ],
};

/** A run of pieces in words: how many of what length, from what, and what is left of that. */
const runWords = ({ pieces, cut_mm: cut, from, of, leftover, points }: PrepReport, style: Style): readonly Run[] => [
  { text: formatNumber(pieces, 0, style), bold: true },
  ...(cut === null ? [] : [{ text: `of ${length(cut, style)}`, bold: true }]),
  ...(from === null
    ? []
    : [
        {
          text:
            from === 'to buy'
              ? 'to be bought first'
              : `from piece ${from}${of === null ? '' : `, ${length(of, style)}`}`,
        },
      ]),
  ...points.map(({ as, at_mm: at }) => ({
    text: `marked at ${length(at, style)}, where it goes on as ${partName(as)}`,
  })),
  ...(leftover === null ? [] : [{ text: `left: ${leftover}`, grey: GREY }]),
];

/** What is made ready of one item: what is done to it and looked for in it, then a line with a box for each thing that is done. */
function readyBlock(own: readonly PrepReport[], widthMm: number, { style, textWidth }: PrepPaper): Block {
  const set = (runs: readonly Run[], width: number): Block => paragraph(runs, width, TYPE, textWidth);
  const [first] = own;
  if (!first) return stacked([]);
  const ticked = (runs: readonly Run[]): Block =>
    beside([
      [0, tick],
      [TICK + 1.6, set(runs, widthMm - TICK - 1.6)],
    ]);
  const look = first.lookFor === null ? '' : `; look for ${first.lookFor}`;
  return stacked(
    [
      hairline(widthMm, 0.7),
      set(
        [
          { text: `${named(first)}:`, bold: true },
          { text: `${first.what}${look}`, grey: GREY },
        ],
        widthMm,
      ),
      ...(first.doFirst === null ? [] : [ticked([{ text: `first: ${first.doFirst}` }])]),
      ...own.map((each) => ticked(runWords(each, style))),
      ...(first.byproduct === null ? [] : [set([{ text: `left: ${first.byproduct}`, grey: GREY }], widthMm)]),
    ],
    0.5,
  );
}

/** How much of an item is bought, as it is sold, for how much, and by when. */
function buyWords(need: NeedReport, style: Style): string {
  const { item, colour, soldAs, price, runsOutAt, discontinued } = need;
  const of = named({ material: item, colour });
  const many = boughtWords(need) ?? 'more';
  return [
    `${many}${soldAs === null || need.buy === null ? '' : ' of'} ${of}`,
    ...(price === null ? [] : [formatNumber(price, 2, style)]),
    `before fly ${String(runsOutAt?.fly ?? 1)}`,
    ...(discontinued ? ['not made any more'] : []),
  ].join(', ');
}

/** What all that is to be bought costs, where a price is known of any of it. */
function buyTotal(needs: readonly NeedReport[], style: Style): string[] {
  const priced = needs.flatMap(({ price }) => price ?? []);
  if (priced.length === 0) return [];
  const total = formatNumber(
    priced.reduce((sum, price) => sum + price, 0),
    2,
    style,
  );
  return [
    priced.length === needs.length ? `together ${total}` : `together ${total}, of ${String(priced.length)} of them`,
  ];
}

/** The flies, what is to be bought, the evenings and what to take care with, beside what is made ready. */
function sideBlock(report: BatchReport, widthMm: number, { style, textWidth }: PrepPaper): Block {
  const short = report.needs.filter(({ runsOutAt }) => runsOutAt !== null);
  const set = (runs: readonly Run[], larger = 1): Block => paragraph(runs, widthMm, TYPE * larger, textWidth);
  const section = (title: string, lines: readonly string[]): Block[] =>
    lines.length === 0
      ? []
      : [
          stacked(
            [set([{ text: title, bold: true }], 1.1), hairline(widthMm, 0.5), ...lines.map((text) => set([{ text }]))],
            0.4,
          ),
        ];
  const evenings = [...new Set(report.time.schedule.flatMap(({ evening }) => evening ?? []))].map((evening) => {
    const own = report.time.schedule.filter((each) => each.evening === evening && each.kind === 'hands');
    const flies = own.flatMap(({ fly, step }) => (step === 'tie' && fly !== null ? [fly] : []));
    return `${evening}, ${own[0]?.start.slice(11, 16) ?? ''} to ${own.at(-1)?.end.slice(11, 16) ?? ''}: flies ${flies.join(', ')}`;
  });
  return stacked(
    [
      ...section(
        'The flies',
        report.rows.map(
          ({ name, count, spoilt }) =>
            `${String(count)} ${name}${spoilt > 0 ? ` and ${String(spoilt)} for those that are spoilt` : ''}`,
        ),
      ),
      ...section('To buy', [...short.map((need) => buyWords(need, style)), ...buyTotal(short, style)]),
      ...section('Evenings', evenings),
      ...section('Take care', [CAUTIONS.points, CAUTIONS.blade, CAUTIONS.coats]),
    ],
    3,
  );
}

const UNDER_HEAD = 3;
const APART = 1.2;

/** Blocks in order onto pages. @param first where the first begins on its page, mm @param foot where pages end */
function paged(blocks: readonly Block[], first: number, foot: number): readonly (readonly Block[])[] {
  const pages: Block[][] = [[]];
  let at = first;
  for (const block of blocks) {
    if (at + block.heightMm > foot && (pages.at(-1)?.length ?? 0) > 0) {
      pages.push([]);
      at = MARGIN;
    }
    pages.at(-1)?.push(block);
    at += block.heightMm + APART;
  }
  return pages;
}

/**
 * The prep sheet of a batch as pages to print: everything that is made ready before the first hook is in the vise, each with a box to tick;
 * beside it the flies, what is to be bought, the evenings.
 */
export function prepPages(report: BatchReport, paper: PrepPaper): readonly Page[] {
  const [widthMm, heightMm] = PAPERS[paper.paper];
  const room = widthMm - 2 * MARGIN;
  const left = LEFT_SHARE * room;
  const head = paragraph(
    [{ text: `${report.name}: made ready beforehand`, bold: true }],
    room,
    2 * TYPE,
    paper.textWidth,
  );
  const items = [...new Set(report.prep.map(named))];
  const blocks = items.map((item) =>
    readyBlock(
      report.prep.filter((each) => named(each) === item),
      left,
      paper,
    ),
  );
  const pages = paged(blocks, MARGIN + head.heightMm + UNDER_HEAD, heightMm - MARGIN - FOOT);
  const side = sideBlock(report, room - left - BETWEEN, paper);
  return pages.map((own, i): Page => {
    const top = i === 0 ? MARGIN + head.heightMm + UNDER_HEAD : MARGIN;
    return {
      widthMm,
      heightMm,
      correction: 1,
      items: [
        ...(i === 0 ? [...head.put(MARGIN, MARGIN), ...side.put(MARGIN + left + BETWEEN, top)] : []),
        ...stacked(own, APART).put(MARGIN, top),
        {
          kind: 'text',
          at: [widthMm - MARGIN, heightMm - MARGIN],
          text: `${report.name}${pages.length > 1 ? `, page ${String(i + 1)} of ${String(pages.length)}` : ''}`,
          size: 2.6,
          grey: GREY,
          anchor: 'end',
        },
      ],
    };
  });
}
