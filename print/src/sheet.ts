import { type SheetPaper, sheetPages, sheetOf } from '@jobbet/core/tying';
import type { Drawers } from '@jobbet/core/drawers';
import type { SolvedFly } from '@jobbet/core/model';
import { pagesPdf } from './pdf.ts';
import { printedWidth } from './textWidth.ts';

/** The tying sheet of a solved fly as a PDF, on one page where it fits. */
export function sheetPdf(
  solved: SolvedFly,
  drawers: Pick<Drawers, 'threads'>,
  paper: Omit<SheetPaper, 'textWidth'>,
): Promise<Buffer> {
  const sheet = sheetOf(solved, paper.style, drawers, { beginner: paper.beginner === true });
  return pagesPdf(
    sheetPages(sheet, solved.laid, { ...paper, textWidth: printedWidth() }),
    `${sheet.name}: tying sheet`,
  );
}
