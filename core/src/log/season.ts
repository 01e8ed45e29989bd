import { formatNumber, METRIC, type Style } from '../units/index.ts';
import type { OutingFile } from '../records/index.ts';
import { fishedOf } from './fished.ts';
import { hoursWords } from './words.ts';

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => '---'), ...rows]
    .map((cells) => `| ${cells.map((cell) => cell.replaceAll('|', '\\|').replaceAll('\n', ' ')).join(' | ')} |`)
    .join('\n');

/** A season in words, as Markdown: its outings by day, and what each kind of group told. @param told what is said of groups, a heading each */
export function seasonMarkdown(
  outings: readonly OutingFile[],
  nameOf: (fly: string) => string,
  told: readonly { readonly title: string; readonly words: readonly string[] }[],
  style: Style = METRIC,
): string {
  const rows = outings.map((outing) => {
    const fished = fishedOf(outing);
    const all = fished.ok ? fished.value : [];
    const sum = (of: (each: (typeof all)[number]) => number): number => all.reduce((so, each) => so + of(each), 0);
    return {
      minutes: sum(({ minutes }) => minutes),
      takes: sum(({ takes }) => takes),
      lost: sum(({ lost }) => lost.length),
      cells: [
        outing.date,
        outing.beat,
        outing.gauge?.level ?? '',
        hoursWords(sum(({ minutes }) => minutes) / 60, style),
        String(sum(({ takes }) => takes)),
        String(sum(({ lost }) => lost.length)),
        [...new Set(outing.rods.map((rod) => nameOf(rod.fly ?? rod.specimen ?? '')))].join(', '),
        fished.ok ? (outing.note ?? '') : (fished.faults[0]?.message ?? ''),
      ],
    };
  });
  const all = (of: (row: (typeof rows)[number]) => number): number => rows.reduce((so, row) => so + of(row), 0);
  const hours = all(({ minutes }) => minutes) / 60;
  return [
    '# The season',
    `${String(outings.length)} outings, ${hoursWords(hours, style)}, ${String(all(({ takes }) => takes))} takes (${formatNumber(hours > 0 ? all(({ takes }) => takes) / hours : 0, 2, style)} an hour), ${String(all(({ lost }) => lost))} flies lost.`,
    table(
      ['day', 'beat', 'level', 'fished', 'takes', 'lost', 'flies', 'note'],
      rows.map(({ cells }) => cells),
    ),
    ...told.map(({ title, words }) => `## ${title}\n\n${words.map((each) => `- ${each}`).join('\n')}`),
    '',
  ].join('\n\n');
}
