import type { Drawers } from '@jobbet/core/drawers';
import { type Hand, PAPERS, type Paper } from '@jobbet/core/drawing';
import { sheetOf, stageSvgs, sheetHtml, sheetMarkdown } from '@jobbet/core/tying';
import { METRIC } from '@jobbet/core/units';
import type { SolvedFly } from '@jobbet/core/model';
import { sheetPdf } from '@jobbet/print/sheet';
import { refuse, runOver, solveOptions, type SolveOptions } from './sources.ts';
import type { Terminal } from './terminal.ts';

const FORMATS = ['md', 'html', 'json', 'pdf'] as const;
type Format = (typeof FORMATS)[number];

const CHOICES = {
  format: { usual: 'md', of: FORMATS },
  paper: { usual: 'a4', of: Object.keys(PAPERS) },
  hand: { usual: 'right', of: ['right', 'left'] },
  for: { usual: 'tier', of: ['tier', 'beginner'] },
} as const;
type Choice = keyof typeof CHOICES;

interface Asked extends SolveOptions {
  readonly format: Format;
  readonly paper: Paper;
  readonly hand: Hand;
  readonly beginner: boolean;
}

/** Reads the words after `sheet`; a sentence where one does not read. */
function asked(args: readonly string[]): Asked | string {
  const choices = Object.entries(CHOICES) as [Choice, (typeof CHOICES)[Choice]][];
  const further = Object.fromEntries(choices.map(([name, { of }]) => [name, of.join('|')]));
  const options = solveOptions('sheet', args, further);
  if (typeof options === 'string') return options;
  const chosen = (name: Choice): string => options.more.get(name) ?? CHOICES[name].usual;
  const off = choices.find(([name, { of }]) => !(of as readonly string[]).includes(chosen(name)));
  if (off) return `--${off[0]} is one of ${off[1].of.join(', ')}`;
  return {
    ...options,
    format: chosen('format') as Format,
    paper: chosen('paper') as Paper,
    hand: chosen('hand') as Hand,
    beginner: chosen('for') === 'beginner',
  };
}

function written(solved: SolvedFly, drawers: Drawers, { format, hand, beginner }: Asked): unknown {
  const sheet = sheetOf(solved, METRIC, drawers, { beginner });
  if (format === 'json') return sheet;
  return format === 'md' ? sheetMarkdown(sheet) : sheetHtml(sheet, METRIC, stageSvgs(solved.laid, sheet, hand));
}

/** The tying sheet of each fly, as Markdown, a page of HTML, or JSON; of one fly as a PDF to print. */
export async function runSheet(args: readonly string[], terminal: Terminal): Promise<number> {
  const options = asked(args);
  if (typeof options === 'string') return refuse(options, terminal);
  if (options.format !== 'pdf')
    return runOver(options, (solved, drawers) => written(solved, drawers, options), terminal);
  const flies: (readonly [SolvedFly, Drawers])[] = [];
  const keep = (solved: SolvedFly, drawers: Drawers): null => {
    flies.push([solved, drawers]);
    return null;
  };
  const code = runOver(options, keep, { ...terminal, out: () => undefined });
  if (code !== 0) return code;
  const [fly, another] = flies;
  if (!fly || another) return refuse('a PDF is of one fly: name one pattern file', terminal);
  const { paper, hand, beginner } = options;
  terminal.out(await sheetPdf(...fly, { paper, hand, beginner }));
  return 0;
}
