import type { TextWidth } from '@jobbet/core/drawing';
import PDFDocument from 'pdfkit';
import { fontFile } from './pdf.ts';

/** Measures words as they are printed, each word once. */
export function printedWidth(): TextWidth {
  const document = new PDFDocument({ autoFirstPage: false });
  document.registerFont('plain', fontFile('plain'));
  document.registerFont('bold', fontFile('bold'));
  const known = new Map<string, number>();
  return (text, sizeMm, bold) => {
    const key = `${bold ? 'b' : 'p'}${text}`;
    let perMm = known.get(key);
    if (perMm === undefined) {
      perMm = document
        .font(bold ? 'bold' : 'plain')
        .fontSize(1)
        .widthOfString(text);
      known.set(key, perMm);
    }
    return perMm * sizeMm;
  };
}
