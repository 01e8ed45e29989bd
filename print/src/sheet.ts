import type { SheetPaper } from '@jobbet/core/sheet/pages';
import { sheetPages } from '@jobbet/core/sheet/pages';
import { sheetOf } from '@jobbet/core/sheet/sheet';
import type { Drawers } from '@jobbet/core/drawers/tables';
import type { SolvedFly } from '@jobbet/core/solve/solveFly';
import { pagesPdf } from './pdf.ts';
import { printedWidth } from './textWidth.ts';

/** The tying sheet of a solved fly as a PDF, on one page where it fits. */
export function sheetPdf(
  solved: SolvedFly,
  drawers: Pick<Drawers, 'threads'>,
  paper: Omit<SheetPaper, 'textWidth'>,
): Promise<Buffer> {
  const sheet = sheetOf(solved, paper.style, drawers);
  return pagesPdf(
    sheetPages(sheet, solved.laid, { ...paper, textWidth: printedWidth() }),
    `${sheet.name}: tying sheet`,
  );
}
