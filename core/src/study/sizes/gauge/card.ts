import { METRIC, type Style } from '../../../units/index.ts';
import { drawStrip, PAD, stroke, words, type DrawnStrip } from './drawStrip.ts';
import { PAPERS, shifted, type Item, type Page, type Paper } from '../../../drawing/index.ts';
import type { GaugeStrip } from './strip.ts';

export interface CardOptions {
  readonly paper: Paper;
  /** The side the eye of the hook points to: a right-handed tier has it at his right. */
  readonly hand?: 'right' | 'left';
  /** How much larger to draw, so that a bar that came out short comes out right; 1 for nothing. */
  readonly correction?: number;
  readonly style?: Style;
}

/** The bar a print is proved with, mm. */
export const PROOF_MM = 50;
/** A printer that is further off than this is set to fit the page, which is to be turned off instead. */
const MOST_CORRECTION = 0.12;

const MARGIN = 10;
const HEADER = 11;
const FOOTER = 16;
const BETWEEN = 4;
const NARROWEST = 84;

/**
 * The correction that makes the next print true.
 * @param measuredMm what the proof bar measured on a print
 * @param now the correction that print was made with
 * @returns null where the measure is too far off to come from a printer's play
 */
export function corrected(measuredMm: number, now: number): number | null {
  const next = (now * PROOF_MM) / measuredMm;
  return measuredMm > 0 && Math.abs(next - 1) <= MOST_CORRECTION ? next : null;
}

/** The bar that proves the print, and what to do with it. */
function proof(width: number, y: number): Item[] {
  const end = MARGIN + PROOF_MM;
  const ticks = Array.from({ length: 6 }, (_, i) => MARGIN + i * 10);
  const told = `This bar is ${String(PROOF_MM)} mm long. Where it is not, write what it measures under “printed bar” and print again.`;
  return [
    stroke([MARGIN, y], [end, y], 0.3, { name: 'proof' }),
    ...ticks.map((at, i) => stroke([at, y - (i % 5 === 0 ? 2.4 : 1.4)], [at, y], 0.2)),
    words([end + 4, y - 0.2], told, 3),
    words([width - MARGIN, y + 4], 'Print at actual size, nothing fitted to the page.', 3, {
      grey: 0.35,
      anchor: 'end',
    }),
  ];
}

/** Strips in columns, each where it comes to stand highest, in as few pages as they need; in their order from the top. */
function arranged(strips: readonly DrawnStrip[], columns: number, stripWidth: number, foot: number): Item[][] {
  const pages: Item[][] = [];
  let ends: number[] = [];
  for (const strip of strips) {
    let column = highest(ends);
    if (ends.length === 0 || (ends[column] ?? 0) + strip.heightMm > foot) {
      ends = Array.from({ length: columns }, () => MARGIN + HEADER);
      pages.push([]);
      column = 0;
    }
    const top = ends[column] ?? 0;
    pages.at(-1)?.push(...strip.items.map((item) => shifted(item, MARGIN + column * (stripWidth + BETWEEN), top)));
    ends[column] = top + strip.heightMm + BETWEEN;
  }
  return pages;
}

/** Which column ends highest; the first of those that end alike. */
const highest = (ends: readonly number[]): number => ends.indexOf(Math.min(...ends));

/**
 * A gauge card at true scale: a strip for each hook, to be cut out and held against it, as many pages as they take.
 * The pages lie broadside where a strip is longer than the paper is wide.
 * @param name of the fly
 */
export function gaugeCard(name: string, strips: readonly GaugeStrip[], options: CardOptions): readonly Page[] {
  const { paper, hand = 'right', correction = 1, style = METRIC } = options;
  const [short, long] = PAPERS[paper];
  const needed = Math.max(NARROWEST, ...strips.map((strip) => strip.rearMm - strip.frontMm + 2 * PAD));
  const broadside = needed > short / correction - 2 * MARGIN;
  const [widthMm, heightMm] = broadside ? [long, short] : [short, long];
  const [width, height] = [widthMm / correction, heightMm / correction];
  const room = width - 2 * MARGIN;
  const columns = Math.max(1, Math.floor((room + BETWEEN) / (needed + BETWEEN)));
  const stripWidth = Math.min((room - (columns - 1) * BETWEEN) / columns, Math.max(needed, 110));
  const mostMm = height - 2 * MARGIN - HEADER - FOOTER;
  const drawn = strips.map((strip) => drawStrip(strip, { widthMm: stripWidth, mostMm, hand, style }));
  const pages = arranged(drawn, columns, stripWidth, height - MARGIN - FOOTER);
  const made = correction === 1 ? '' : `, corrected × ${correction.toFixed(3)}`;
  return pages.map((items, i) => ({
    widthMm,
    heightMm,
    correction,
    items: [
      words([MARGIN, MARGIN + 5], `${name}: gauge card`, 5, { bold: true }),
      words([width - MARGIN, MARGIN + 5], `page ${String(i + 1)} of ${String(pages.length)}${made}`, 3, {
        grey: 0.35,
        anchor: 'end',
      }),
      ...items,
      ...proof(width, height - MARGIN - 6),
    ],
  }));
}
