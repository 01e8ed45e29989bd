import type { Page } from '@jobbet/core/drawing';
import { pageSvg } from '@jobbet/core/drawing';
import { countCards, type Counted, type Moment, sectionPage } from '@jobbet/core/water';
import { api } from '../../shared/api/client.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import type { Drawers } from '@jobbet/core/drawers';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { working } from '../../shared/ui/work.ts';
import type { Question, Shown, waterReckon } from './reckon.ts';

const reckoner = reckonerOf<ReturnType<typeof waterReckon>>('water');

/** A moment in section as a page. */
export const sectionOf = (
  { file, beat, style }: Question,
  shown: Shown,
  moment: Moment,
  words: readonly string[],
): Page =>
  sectionPage({ name: file.name, beat: beat.name, asked: shown.asked, moments: shown.moments, moment, words }, style);

/** Saves the section as a drawing. */
export const saveSection = (question: Question, page: Page): void =>
  saveFile(`${slug(question.file.name)}-${slug(question.beat.name)}.svg`, pageSvg(page), 'image/svg+xml');

/** Counts the fly down on every line, and saves the card. */
export async function saveCard(question: Question, drawers: Drawers): Promise<void> {
  const { file, beat, style } = question;
  const pdf = await working('Counting it down', async (watching) => {
    const counted = await reckoner.long<Counted | null>(drawers, async (handlers) => handlers.counts(question));
    if (!counted) throw new Error('It cannot be counted down so.');
    return api.printPdf(`${file.name}: count it down`, countCards(file.name, beat.name, counted, style), watching);
  });
  saveFile(`${slug(file.name)}-count-down.pdf`, pdf);
  say('The count-down card is saved.');
}
