import { faultLine } from '@jobbet/core/base';
import type { Drawers } from '@jobbet/core/drawers';
import { readDocumentText } from '@jobbet/core/document';
import { outingCards, seasonMarkdown } from '@jobbet/core/log';
import { layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { OUTING_KIND, type OutingFile, readOutingTable, writeOutingTable } from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import { api, type StoredOuting } from '../../shared/api/client.ts';
import { cellsOf, csvText } from '../../shared/ui/csv.ts';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { working } from '../../shared/ui/work.ts';
import type { LogAnswer } from './reckon.ts';
import { fileOf } from './writing.ts';
import { longDay } from '../../shared/ui/dates.ts';
import { BY_WORDS } from './words.ts';

type Files = Readonly<Record<string, FlyFile>>;
const named =
  (files: Files) =>
  (fly: string): string =>
    files[fly]?.name ?? fly;

/** Saves the card that is taken to the water: the flies of an outing at their own size, with boxes to tick. */
export async function saveCard(
  record: OutingFile,
  files: Files,
  drawers: Drawers,
  hand: 'right' | 'left',
): Promise<void> {
  const flies = record.rods.map((rod) => {
    const file = fileOf(rod, files);
    const laid = file ? layFly(file, drawers) : null;
    return { name: file?.name ?? rod.fly ?? '', laid: laid?.ok === true ? laid.value : null };
  });
  const title = `${record.beat}, ${longDay(record.date)}`;
  const pdf = await working('Setting the card', (watching) =>
    api.printPdf(title, outingCards(flies, title, hand), watching),
  );
  saveFile(`${slug(`${record.date} ${record.beat}`)}-card.pdf`, pdf);
  say('The card is saved: two to a page, at their own size.');
}

/** Saves all outings as a table, a row a fly. */
export const saveTable = (outings: readonly StoredOuting[], files: Files): void =>
  saveFile(
    'outings.csv',
    csvText(
      writeOutingTable(
        outings.map(({ record }) => record),
        named(files),
      ),
    ),
    'text/csv',
  );

/** Saves the season in words. */
export const saveSeason = (
  outings: readonly StoredOuting[],
  files: Files,
  answer: LogAnswer | null,
  style: Style,
): void =>
  saveFile(
    'season.md',
    seasonMarkdown(
      outings.map(({ record }) => record),
      named(files),
      (answer?.told ?? []).map(({ by, words, together }) => ({
        title: `What worked, ${BY_WORDS[by]}`,
        words: [...words, together],
      })),
      style,
    ),
    'text/markdown',
  );

/** What files come to, before any of it is kept: the outings that read, and what did not. */
export interface Incoming {
  readonly outings: readonly OutingFile[];
  readonly reasons: readonly string[];
}

/** A fly by its name is the one of the box, where there is one. */
function ofBox(outing: OutingFile, files: Files): OutingFile {
  const ids = new Map(Object.entries(files).map(([id, { name }]) => [name.toLowerCase(), id]));
  return {
    ...outing,
    rods: outing.rods.map((rod) =>
      rod.fly === undefined ? rod : { ...rod, fly: ids.get(rod.fly.toLowerCase()) ?? rod.fly },
    ),
  };
}

/** Reads outings out of files and tables. A fly that is not in the box is named, and its rows are kept by its name. */
export async function readIncoming(list: readonly File[], files: Files): Promise<Incoming> {
  const outings: OutingFile[] = [];
  const reasons: string[] = [];
  for (const file of list) {
    const text = await file.text();
    const of = (words: readonly string[]): void => {
      reasons.push(...words.map((each) => `${file.name}: ${each}`));
    };
    if (/\.(csv|tsv|txt)$/i.test(file.name)) {
      const read = readOutingTable(cellsOf(text));
      if (read.ok) {
        outings.push(...read.value.outings);
        of(read.value.faults.map(faultLine));
      } else of(read.faults.map(faultLine));
    } else {
      const read = readDocumentText(OUTING_KIND, text);
      if (read.ok) outings.push(read.value);
      else of(read.faults.map(faultLine));
    }
  }
  const mapped = outings.map((outing) => ofBox(outing, files));
  const unknown = new Set(
    mapped.flatMap(({ rods }) => rods.flatMap(({ fly }) => (fly !== undefined && !files[fly] ? [fly] : []))),
  );
  reasons.push(...[...unknown].map((name) => `"${name}" is no fly of the box: what it did is kept by its name`));
  return { outings: mapped, reasons };
}
