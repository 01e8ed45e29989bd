import type { Page } from '@jobbet/core/drawing';
import type { Drawers } from '@jobbet/core/drawers';
import { solveFly } from '@jobbet/core/model';
import { sheetOf, sheetPages, type SheetPaper } from '@jobbet/core/tying';
import { api, type ListedFly, type Watching } from '../../shared/api/client.ts';

/**
 * The tying sheets of several flies as pages to print, one fly after another; what does not lay out is left out.
 * @returns null where it was stopped
 */
export async function sheetsOf(
  flies: readonly ListedFly[],
  drawers: Drawers,
  paper: SheetPaper,
  { signal, onShare }: Watching,
): Promise<readonly Page[] | null> {
  const pages: Page[] = [];
  for (const [i, { id }] of flies.entries()) {
    if (signal?.aborted === true) return null;
    const solved = solveFly((await api.fly(id)).file, drawers);
    if (solved.ok) {
      const sheet = sheetOf(solved.value, paper.style, drawers, { beginner: paper.beginner === true });
      pages.push(...sheetPages(sheet, solved.value.laid, paper));
    }
    onShare?.((i + 1) / flies.length);
  }
  return pages;
}
