import type { Item } from './items.ts';

/** How broad words are printed, mm. @param sizeMm of the type */
export type TextWidth = (text: string, sizeMm: number, bold: boolean) => number;

/** Words of one kind within a paragraph. */
export interface Run {
  readonly text: string;
  readonly bold?: boolean;
  /** 0 black, 1 white. */
  readonly grey?: number;
}

/** Something as high as it is, to be put anywhere on a page. */
export interface Block {
  readonly heightMm: number;
  readonly put: (x: number, y: number) => Item[];
}

/** From one line to the next, in sizes of the type; and where the first stands under its top. */
const LEADING = 1.22;
const RISE = 0.92;

type Piece = Run & { readonly x: number };

/** A paragraph set ragged in a measure. A word that is longer than that stands out of it, whole. */
export function paragraph(runs: readonly Run[], widthMm: number, sizeMm: number, textWidth: TextWidth): Block {
  const lines: Piece[][] = [[]];
  let x = 0;
  for (const run of runs) {
    const bold = run.bold === true;
    const blank = textWidth(' ', sizeMm, bold);
    for (const word of run.text.split(/\s+/).filter((each) => each !== '')) {
      const broad = textWidth(word, sizeMm, bold);
      const line = lines.at(-1) ?? [];
      const at = line.length === 0 ? 0 : x + blank;
      if (line.length > 0 && at + broad > widthMm) {
        lines.push([{ ...run, text: word, x: 0 }]);
        x = broad;
        continue;
      }
      const last = line.at(-1);
      // Words of one run on one line are one piece, so that they can be read and copied as such.
      if (last && last.bold === run.bold && last.grey === run.grey)
        line[line.length - 1] = { ...last, text: `${last.text} ${word}` };
      else line.push({ ...run, text: word, x: at });
      x = at + broad;
    }
  }
  const filled = lines.filter((line) => line.length > 0);
  return {
    heightMm: filled.length * LEADING * sizeMm,
    put: (left, top) =>
      filled.flatMap((line, i) =>
        line.map(({ text, bold, grey, x: at }): Item => ({
          kind: 'text',
          at: [left + at, top + (i * LEADING + RISE) * sizeMm],
          text,
          size: sizeMm,
          ...(bold === undefined ? {} : { bold }),
          ...(grey === undefined ? {} : { grey }),
        })),
      ),
  };
}

/** Blocks one under another. */
export const stacked = (blocks: readonly Block[], betweenMm = 0): Block => ({
  heightMm: blocks.reduce((sum, each) => sum + each.heightMm, 0) + betweenMm * Math.max(0, blocks.length - 1),
  put: (x, y) => {
    let at = y;
    return blocks.flatMap((each) => {
      const items = each.put(x, at);
      at += each.heightMm + betweenMm;
      return items;
    });
  },
});

/** Blocks side by side, each at its own distance from the left. */
export const beside = (blocks: readonly (readonly [x: number, block: Block])[]): Block => ({
  heightMm: Math.max(0, ...blocks.map(([, block]) => block.heightMm)),
  put: (left, top) => blocks.flatMap(([x, block]) => block.put(left + x, top)),
});

/** A hairline across a measure, with room over and under it. */
export const hairline = (widthMm: number, roomMm: number): Block => ({
  heightMm: 2 * roomMm,
  put: (x, y) => [
    {
      kind: 'line',
      points: [
        [x, y + roomMm],
        [x + widthMm, y + roomMm],
      ],
      width: 0.1,
      grey: 0.6,
    },
  ],
});
