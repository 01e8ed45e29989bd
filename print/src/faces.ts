import { createRequire } from 'node:module';

const FONTS = {
  plain: 'SofiaSansSemiCondensed-Regular.ttf',
  bold: 'SofiaSansSemiCondensed-Bold.ttf',
  arabic: 'NotoSansArabic-Regular.ttf',
  emoji: 'NotoEmoji-Regular.ttf',
} as const;
export type Face = keyof typeof FONTS;

/** Where a typeface lies. */
const fontFile = (face: Face): string => createRequire(import.meta.url).resolve(`@jobbet/print/fonts/${FONTS[face]}`);

/** Makes the typefaces known to a document; only those that are written with are embedded. */
export function registerFaces(document: PDFKit.PDFDocument): void {
  for (const face of Object.keys(FONTS) as Face[]) document.registerFont(face, fontFile(face));
}

/** A piece of text in one typeface. */
interface Run {
  readonly text: string;
  readonly face: Face;
}

const ARABIC = /\p{Script_Extensions=Arabic}/u;
/** Pictures and flags; the signs that texts use as letters are none. */
const EMOJI = /[\p{Extended_Pictographic}\p{Regional_Indicator}](?<![©®™])/u;
/** What goes on in the typeface of what stands before it. */
const BETWEEN = /^[\s\p{M}]+$/u;

const graphemes = new Intl.Segmenter('en', { granularity: 'grapheme' });

const faceOf = (grapheme: string, usual: Face): Face =>
  ARABIC.test(grapheme) ? 'arabic' : EMOJI.test(grapheme) ? 'emoji' : usual;

/** Text in runs of the typefaces that have it. Between two words of one run a space is of that run, so that words of a script that runs to the left stay in their order. */
export function runsOf(text: string, usual: Face): readonly Run[] {
  const runs: { text: string; face: Face }[] = [];
  for (const { segment } of graphemes.segment(text)) {
    const last = runs.at(-1);
    const face = last?.face === 'arabic' && BETWEEN.test(segment) ? 'arabic' : faceOf(segment, usual);
    if (last?.face === face) last.text += segment;
    else runs.push({ text: segment, face });
  }
  return runs;
}

/** No features asked for: so that a run is laid out as a whole, from its right where its script runs so. */
const WHOLE: PDFKit.Mixins.TextOptions = { features: [] };

/** Breadth of a text in the size the document has now. */
export const widthOf = (document: PDFKit.PDFDocument, text: string, usual: Face): number =>
  runsOf(text, usual).reduce((sum, run) => sum + document.font(run.face).widthOfString(run.text, WHOLE), 0);

/** Writes a text on its baseline, run by run. */
export function writeText(
  document: PDFKit.PDFDocument,
  text: string,
  usual: Face,
  [x, y]: readonly [number, number],
): void {
  let left = x;
  for (const run of runsOf(text, usual)) {
    document.font(run.face).text(run.text, left, y, { ...WHOLE, lineBreak: false, baseline: 'alphabetic' });
    left += document.widthOfString(run.text, WHOLE);
  }
}
