import { hairline, type Page, PAPERS, paragraph, stacked, type Block, type Item } from '../drawing/index.ts';
import { formatMass, formatSpeed } from '../units/index.ts';
import type { PrepPaper } from './pages.ts';
import type { BatchReport, RowReport } from './report.ts';

/** A label for the fly box, mm: as broad as a row of a box that holds size 6. */
const LABEL = { width: 42, height: 17, pad: 1.6, type: 2.9 } as const;
const MARGIN = 12;
const GREY = 0.35;
const CUT = { width: 0.1, grey: 0.55 } as const;

const words = ({ figure, unit }: { readonly figure: string; readonly unit: string }): string => `${figure} ${unit}`;

/** What a label says of a fly: its name, on what and how many, its weight, how it rides and sinks. */
function labelBlock({ name, count, ride, sink_mm_s: sink, weight_mg: mg }: RowReport, paper: PrepPaper): Block {
  const { style, textWidth } = paper;
  const [title = name, ...on] = name.split(', ');
  const width = LABEL.width - 2 * LABEL.pad;
  const rides = ride === 'undecided' ? 'rides either way up' : `rides ${ride}`;
  return stacked(
    [
      paragraph([{ text: title, bold: true }], width, LABEL.type * 1.15, textWidth),
      paragraph(
        [{ text: `${on.join(', ')}${on.length > 0 ? ', ' : ''}${String(count)} of them`, grey: GREY }],
        width,
        LABEL.type * 0.85,
        textWidth,
      ),
      hairline(width, 0.4),
      paragraph(
        [{ text: words(formatMass(mg, style)), bold: true }, { text: rides }],
        width,
        LABEL.type * 0.95,
        textWidth,
      ),
      paragraph(
        [{ text: sink === null ? 'floats' : `sinks ${words(formatSpeed(sink, style))}` }],
        width,
        LABEL.type * 0.95,
        textWidth,
      ),
    ],
    0.2,
  );
}

/** Where a label is cut out. */
const outline = (x: number, y: number, height: number): Item => ({
  kind: 'line',
  points: [
    [x, y],
    [x + LABEL.width, y],
    [x + LABEL.width, y + height],
    [x, y + height],
  ],
  close: true,
  ...CUT,
});

/** Labels for the fly box at true size, one for each row of a batch, with lines to cut along. Higher where a name needs more than a line. */
export function labelPages(report: BatchReport, paper: PrepPaper): readonly Page[] {
  const [widthMm, heightMm] = PAPERS[paper.paper];
  const blocks = report.rows.map((row) => labelBlock(row, paper));
  const height = Math.max(LABEL.height, ...blocks.map(({ heightMm: high }) => high + 2 * LABEL.pad));
  const across = Math.floor((widthMm - 2 * MARGIN) / LABEL.width);
  const down = Math.floor((heightMm - 2 * MARGIN) / height);
  const pages = Array.from({ length: Math.ceil(blocks.length / (across * down)) }, (_, i) =>
    blocks.slice(i * across * down, (i + 1) * across * down),
  );
  return pages.map((own): Page => ({
    widthMm,
    heightMm,
    correction: 1,
    items: own.flatMap((block, i) => {
      const x = MARGIN + (i % across) * LABEL.width;
      const y = MARGIN + Math.floor(i / across) * height;
      return [outline(x, y, height), ...block.put(x + LABEL.pad, y + LABEL.pad)];
    }),
  }));
}
