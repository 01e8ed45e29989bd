import type { Drawers } from '@jobbet/core/drawers';
import { type Hand, PAPERS, type Paper } from '@jobbet/core/drawing';
import { sheetOf, stageSvgs, sheetHtml, sheetMarkdown } from '@jobbet/core/tying';
import { METRIC } from '@jobbet/core/units';
import type { SolvedFly } from '@jobbet/core/model';
import { sheetPdf } from '@jobbet/print/sheet';
import { refuse, runOver } from './sources.ts';
import type { Terminal } from './terminal.ts';

const FORMATS = ['md', 'html', 'json', 'pdf'] as const;
type Format = (typeof FORMATS)[number];

const CHOICES = {
  '--format': { usual: 'md', of: FORMATS },
  '--paper': { usual: 'a4', of: Object.keys(PAPERS) },
  '--hand': { usual: 'right', of: ['right', 'left'] },
} as const;

interface Asked {
  readonly format: Format;
  readonly paper: Paper;
  readonly hand: Hand;
  readonly rest: readonly string[];
}

/** Takes the sheet's own options out of what was typed; a sentence where one does not read. */
function asked(args: readonly string[]): Asked | string {
  const rest: string[] = [];
  const taken = new Map<string, string>();
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] ?? '';
    if (!(arg in CHOICES)) {
      rest.push(arg);
      continue;
    }
    const { of } = CHOICES[arg as keyof typeof CHOICES];
    const value = args[++i] ?? '';
    if (!(of as readonly string[]).includes(value)) return `${arg} is one of ${of.join(', ')}`;
    taken.set(arg, value);
  }
  const chosen = (option: keyof typeof CHOICES): string => taken.get(option) ?? CHOICES[option].usual;
  return {
    format: chosen('--format') as Format,
    paper: chosen('--paper') as Paper,
    hand: chosen('--hand') as Hand,
    rest,
  };
}

function written(solved: SolvedFly, drawers: Drawers, { format, hand }: Asked): unknown {
  const sheet = sheetOf(solved, METRIC, drawers);
  if (format === 'json') return sheet;
  return format === 'md' ? sheetMarkdown(sheet) : sheetHtml(sheet, METRIC, stageSvgs(solved.laid, sheet, hand));
}

/** The tying sheet of each fly, as Markdown, a page of HTML, or JSON; of one fly as a PDF to print. */
export async function runSheet(args: readonly string[], terminal: Terminal): Promise<number> {
  const options = asked(args);
  if (typeof options === 'string') return refuse(options, terminal);
  if (options.format !== 'pdf')
    return runOver('sheet', options.rest, (solved, drawers) => written(solved, drawers, options), terminal);
  const flies: (readonly [SolvedFly, Drawers])[] = [];
  const keep = (solved: SolvedFly, drawers: Drawers): null => {
    flies.push([solved, drawers]);
    return null;
  };
  const code = runOver('sheet', options.rest, keep, { ...terminal, out: () => undefined });
  if (code !== 0) return code;
  const [fly, another] = flies;
  if (!fly || another) return refuse('a PDF is of one fly: name one pattern file', terminal);
  terminal.out(await sheetPdf(...fly, options));
  return 0;
}
