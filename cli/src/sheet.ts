import { sheetOf } from '@jobbet/core/sheet/sheet';
import { sheetHtml, sheetMarkdown } from '@jobbet/core/sheet/write';
import { refuse, runOver, type Terminal } from './sources.ts';

const FORMATS = ['md', 'html', 'json'] as const;

/** The tying sheet of each fly, as Markdown, a page of HTML, or JSON. */
export function runSheet(args: readonly string[], terminal: Terminal): number {
  const at = args.indexOf('--format');
  const word = at < 0 ? 'md' : (args[at + 1] ?? '');
  const format = FORMATS.find((each) => each === word);
  if (!format) return refuse(`--format is one of ${FORMATS.join(', ')}`, terminal);
  const rest = at < 0 ? args : [...args.slice(0, at), ...args.slice(at + 2)];
  return runOver(
    'sheet',
    rest,
    (solved) => {
      const sheet = sheetOf(solved);
      return format === 'json' ? sheet : format === 'md' ? sheetMarkdown(sheet) : sheetHtml(sheet);
    },
    terminal,
  );
}
