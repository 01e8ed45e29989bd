import { figureOf, readTypedNumber } from '@jobbet/core/units';
import { reportChecked } from '@jobbet/core/checks';
import { type Drawers } from '@jobbet/core/drawers';
import {
  corrected,
  gaugeCard,
  PROOF_MM,
  type CardOptions,
  gaugeStrip,
  HOLDS,
  runFly,
  type Hold,
  readSizes,
  type RunSize,
} from '@jobbet/core/study';
import { PAPERS, type Page, type Paper, pageSvg } from '@jobbet/core/drawing';
import { good, type Outcome, faultLine } from '@jobbet/core/base';
import { pagesPdf } from '@jobbet/print/pdf';
import { answer, drawersIn, refuse, solveOptions, sourcesOf, type SolveOptions } from './sources.ts';
import type { Terminal } from './terminal.ts';

interface SizesAsked extends SolveOptions {
  readonly sizes: readonly RunSize[];
  readonly hold: Hold;
  readonly drawers: Drawers;
}

/** Reads the words after `run` or `gauge`; says what is wrong with them and answers null. @param further options of its own */
function sizesAsked(
  command: string,
  args: readonly string[],
  further: Readonly<Record<string, string>>,
  terminal: Terminal,
): SizesAsked | null {
  const refused = (words: string): null => {
    refuse(words, terminal);
    return null;
  };
  const options = solveOptions(command, args, { sizes: 'sizes such as 4,6,8', hold: HOLDS.join('|'), ...further });
  if (typeof options === 'string') return refused(options);
  const { more, drawersFile } = options;
  const hold = HOLDS.find((each) => each === (more.get('hold') ?? 'shape'));
  const sizes = readSizes(more.get('sizes') ?? '');
  if (!hold) return refused(`--hold is one of ${HOLDS.join(', ')}`);
  if (!sizes.ok) return refused(sizes.faults.map((fault) => `--sizes ${faultLine(fault)}`).join('\n'));
  const drawers = drawersIn(drawersFile, terminal);
  return drawers && { ...options, sizes: sizes.value, hold, drawers };
}

/** A fly on several sizes, one solve object for each. */
export function runSizes(args: readonly string[], terminal: Terminal): number {
  const asked = sizesAsked('run', args, {}, terminal);
  if (!asked) return 2;
  const { sizes, hold, drawers } = asked;
  return answer(
    sourcesOf(asked, terminal),
    asked,
    ({ laid }) => {
      const flies = runFly(laid.file, sizes, hold, drawers);
      if (!flies.ok) return flies;
      return good(
        flies.value.map(({ size, solved, weight, notes }) => ({
          size: size.text,
          ...reportChecked(solved, { drawers }),
          weightTaken: weight,
          runNotes: notes,
        })),
      );
    },
    terminal,
  );
}

/** Reads how a card is printed; a sentence where it does not read. */
function cardAsked(more: ReadonlyMap<string, string>): (CardOptions & { format: string; page: number }) | string {
  const format = more.get('format') ?? 'pdf';
  const paper = more.get('paper') ?? 'a4';
  const hand = more.get('hand') ?? 'right';
  const page = Number(more.get('page') ?? '1');
  const measured = figureOf(readTypedNumber(more.get('measured') ?? String(PROOF_MM)));
  const correction = measured === null ? null : corrected(measured, 1);
  if (format !== 'pdf' && format !== 'svg') return '--format is pdf or svg';
  if (!(paper in PAPERS)) return `--paper is one of ${Object.keys(PAPERS).join(', ')}`;
  if (hand !== 'right' && hand !== 'left') return '--hand is right or left';
  if (!(Number.isInteger(page) && page >= 1)) return '--page is the number of a page, 1 for the first';
  if (correction === null)
    return `--measured is what the ${String(PROOF_MM)} mm bar of the last print measured, in mm; further off than a printer is, so turn its fitting off`;
  return { format, page, paper: paper as Paper, hand, correction };
}

const CARD_OPTIONS = {
  format: 'pdf|svg',
  paper: Object.keys(PAPERS).join('|'),
  hand: 'right|left',
  page: 'the number of a page',
  measured: 'millimetres',
};

/** The gauge card of a fly on several sizes, true to scale: all pages as PDF, or one as SVG. */
export async function runGauge(args: readonly string[], terminal: Terminal): Promise<number> {
  const asked = sizesAsked('gauge', args, CARD_OPTIONS, terminal);
  if (!asked) return 2;
  const card = cardAsked(asked.more);
  if (typeof card === 'string') return refuse(card, terminal);
  if (asked.files.length + Number(asked.stdin) !== 1) return refuse('gauge takes one pattern file', terminal);
  let pages: readonly Page[] = [];
  let name = '';
  const take = ({ laid }: { readonly laid: Parameters<typeof gaugeStrip>[0] }): Outcome<readonly unknown[]> => {
    const flies = runFly(laid.file, asked.sizes, asked.hold, asked.drawers);
    if (!flies.ok) return flies;
    name = laid.file.name;
    pages = gaugeCard(
      name,
      flies.value.map(({ solved }) => gaugeStrip(solved.laid)),
      card,
    );
    return good([]);
  };
  const code = answer(sourcesOf(asked, terminal), asked, take, { ...terminal, out: () => undefined });
  if (code !== 0) return code;
  const page = pages[card.page - 1];
  if (!page) return refuse(`--page ${String(card.page)}: the card has ${String(pages.length)}`, terminal);
  terminal.out(card.format === 'svg' ? pageSvg(page) : await pagesPdf(pages, `${name}: gauge card`));
  return 0;
}
