import {
  PAPERS,
  type Item,
  type Page,
  type Paper,
  beside,
  hairline,
  paragraph,
  stacked,
  type Block,
  type Run,
  type TextWidth,
  PaperSurface,
  type Hand,
} from '../../drawing/index.ts';
import type { LaidFly } from '../../model/index.ts';
import { StagePainter } from '../stage.ts';
import type { Step } from '../step.ts';
import { METRIC, type Style } from '../../units/index.ts';
import type { TyingSheet } from './sheet.ts';
import { measureLine, saidOnce } from './write.ts';

export interface SheetPaper {
  readonly paper: Paper;
  /** The side the eye of the hook points to. */
  readonly hand: Hand;
  readonly style?: Style;
  /** Techniques are written out where they are first needed. */
  readonly beginner?: boolean;
  readonly textWidth: TextWidth;
}

const MARGIN = 11;
const FOOT = 5;
const BETWEEN = 6;
const GREY = 0.35;
/** Type that is tried for one page, the largest that fits is taken; where none does, several pages in a type that reads well. mm */
const SIZES = [3.3, 3.1, 2.9, 2.7, 2.55];
const COMFORTABLE = 3.1;
/** Stage drawings, mm and px to the mm. */
const STAGE = { widthMm: 27, heightMm: 11, pxPerMm: 5 } as const;
const NUMBER_MM = 5;

/** What is set once for a page. */
interface Setting {
  readonly sheet: TyingSheet;
  /** What is to be minded in each step. */
  readonly minded: readonly (readonly string[])[];
  readonly painter: StagePainter;
  readonly style: Style;
  readonly textWidth: TextWidth;
  readonly size: number;
}

const set = ({ size, textWidth }: Setting, runs: readonly Run[], widthMm: number, larger = 1): Block =>
  paragraph(runs, widthMm, size * larger, textWidth);

const titled = (setting: Setting, title: string, lines: readonly (readonly Run[])[], widthMm: number): Block[] =>
  lines.length === 0
    ? []
    : [
        set(setting, [{ text: title, bold: true }], widthMm, 1.1),
        hairline(widthMm, 0.4),
        ...lines.map((runs) => set(setting, runs, widthMm)),
      ];

/** Everything that is not a step: in three columns over the steps. */
function table(setting: Setting, widthMm: number): Block {
  const { sheet } = setting;
  const [first, second] = [0.42 * widthMm, 0.26 * widthMm];
  const third = widthMm - first - second - 2 * BETWEEN;
  const materials = sheet.materials.map(({ part, words, cut }): Run[] => [
    ...(part === null ? [] : [{ text: `${part}:`, bold: true }]),
    { text: words },
    ...(cut === null ? [] : [{ text: `cut ${cut}`, bold: true }]),
  ]);
  const proportions = sheet.proportions.map(({ part, figure, relation }): Run[] => [
    { text: part, bold: true },
    { text: figure },
    ...(relation === null ? [] : [{ text: relation, grey: GREY }]),
  ]);
  const plain = (lines: readonly string[]): Run[][] => lines.map((text) => [{ text }]);
  return beside([
    [0, stacked(titled(setting, 'On the table', materials, first), 0.4)],
    [first + BETWEEN, stacked(titled(setting, 'Proportions', proportions, second), 0.4)],
    [
      first + second + 2 * BETWEEN,
      stacked(
        [
          stacked(titled(setting, 'In the water', plain(sheet.does), third), 0.4),
          stacked(titled(setting, 'Take care', plain(sheet.cautions), third), 0.4),
        ],
        2,
      ),
    ],
  ]);
}

function stage({ painter }: Setting, step: Step): Block {
  const { widthMm, heightMm, pxPerMm } = STAGE;
  return {
    heightMm,
    put: (x, y) => {
      const surface = new PaperSurface(1 / pxPerMm, [x, y]);
      painter.paint(surface, step, widthMm * pxPerMm, heightMm * pxPerMm);
      return surface.items;
    },
  };
}

function stepBlock(setting: Setting, step: Step, i: number, widthMm: number): Block {
  const left = NUMBER_MM + STAGE.widthMm + 2;
  const measure = measureLine(step, setting.style);
  const minor = setting.minded[i]?.join(' ') ?? '';
  const words: Run[] = [
    { text: step.title, bold: true },
    ...(measure === '' ? [] : [{ text: `${measure}.` }]),
    { text: step.how.join(' ') },
    ...(minor === '' ? [] : [{ text: minor, grey: GREY }]),
  ];
  const number = set(setting, [{ text: String(i + 1), bold: true }], NUMBER_MM, 1.15);
  // Turning the hook over and back changes nothing on the fly that a drawing would show.
  if (step.key.startsWith('turn/'))
    return stacked([
      hairline(widthMm, 0.7),
      beside([
        [0, number],
        [NUMBER_MM, set(setting, words, widthMm - NUMBER_MM)],
      ]),
    ]);
  return stacked([
    hairline(widthMm, 0.7),
    beside([
      [0, number],
      [NUMBER_MM, stage(setting, step)],
      [left, set(setting, words, widthMm - left)],
    ]),
  ]);
}

function head(setting: Setting, widthMm: number): Block {
  const { sheet } = setting;
  return stacked(
    [
      set(setting, [{ text: sheet.name, bold: true }], widthMm, 2),
      set(setting, [{ text: sheet.hook }, { text: `version ${sheet.id}`, grey: GREY }], widthMm),
      ...(sheet.notes === null ? [] : [set(setting, [{ text: sheet.notes }], widthMm)]),
    ],
    0.6,
  );
}

interface Column {
  readonly blocks: Block[];
  heightMm: number;
}

/** Blocks in order into columns of given heights, two to a page; the last page's are made even. */
function columnsOf(blocks: readonly Block[], roomOf: (page: number) => number): Column[] {
  const columns: Column[] = [{ blocks: [], heightMm: 0 }];
  for (const block of blocks) {
    const now = columns.at(-1);
    if (!now) break;
    const room = roomOf(Math.floor((columns.length - 1) / 2));
    if (now.blocks.length > 0 && now.heightMm + block.heightMm > room)
      columns.push({ blocks: [block], heightMm: block.heightMm });
    else {
      now.blocks.push(block);
      now.heightMm += block.heightMm;
    }
  }
  return evened(columns);
}

function evened(columns: readonly Column[]): Column[] {
  const first = columns.length - (columns.length % 2 === 0 ? 2 : 1);
  const last = columns.slice(first).flatMap((column) => column.blocks);
  const heights = last.map((block) => block.heightMm);
  const total = heights.reduce((sum, each) => sum + each, 0);
  let [cut, left] = [0, 0];
  while (cut < last.length && left + (heights[cut] ?? 0) / 2 < total / 2) left += heights[cut++] ?? 0;
  const column = (blocks: Block[]): Column => ({
    blocks,
    heightMm: blocks.reduce((sum, each) => sum + each.heightMm, 0),
  });
  return [...columns.slice(0, first), column(last.slice(0, cut)), column(last.slice(cut))];
}

/** The sheet in one size of type: what puts down each page, so that only the size that is taken is drawn. */
function setPages(setting: Setting, widthMm: number, heightMm: number): (() => Item[])[] {
  const room = widthMm - 2 * MARGIN;
  const foot = heightMm - MARGIN - FOOT;
  const top = stacked([head(setting, room), table(setting, room)], 2);
  const column = (room - BETWEEN) / 2;
  const under = MARGIN + top.heightMm + 2;
  const columns = columnsOf(
    setting.sheet.steps.map((step, i) => stepBlock(setting, step, i, column)),
    (page) => foot - (page === 0 ? under : MARGIN),
  );
  return Array.from({ length: Math.ceil(columns.length / 2) }, (_, page) => () => [
    ...(page === 0 ? top.put(MARGIN, MARGIN) : []),
    ...columns
      .slice(2 * page, 2 * page + 2)
      .flatMap(({ blocks }, i) => stacked(blocks).put(MARGIN + i * (column + BETWEEN), page === 0 ? under : MARGIN)),
  ]);
}

/**
 * The tying sheet as pages to print: on one page where it fits in a type that can be read, else on as many as it takes.
 * @param laid the fly the sheet is of, for its drawings
 */
export function sheetPages(sheet: TyingSheet, laid: LaidFly, options: SheetPaper): readonly Page[] {
  const { paper, hand, style = METRIC, textWidth } = options;
  const [widthMm, heightMm] = PAPERS[paper];
  const painter = new StagePainter(laid, hand);
  const minded = saidOnce(sheet.steps);
  const inSize = (size: number): (() => Item[])[] =>
    setPages({ sheet, minded, painter, style, textWidth, size }, widthMm, heightMm);
  const fits = SIZES.find((size) => inSize(size).length === 1);
  const pages = inSize(fits ?? COMFORTABLE);
  return pages.map((put, i) => ({
    widthMm,
    heightMm,
    correction: 1,
    items: [
      ...put(),
      {
        kind: 'text',
        at: [widthMm - MARGIN, heightMm - MARGIN],
        text: `${sheet.name}, ${sheet.id}${pages.length > 1 ? `, page ${String(i + 1)} of ${String(pages.length)}` : ''}`,
        size: 2.6,
        grey: GREY,
        anchor: 'end',
      },
    ],
  }));
}
