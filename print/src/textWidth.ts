import type { TextWidth } from '@jobbet/core/drawing';
import PDFDocument from 'pdfkit';
import { registerFaces, widthOf } from './faces.ts';

/** Measures words as they are printed, each word once. */
export function printedWidth(): TextWidth {
  const document = new PDFDocument({ autoFirstPage: false });
  registerFaces(document);
  const known = new Map<string, number>();
  return (text, sizeMm, bold) => {
    const key = `${bold ? 'b' : 'p'}${text}`;
    let perMm = known.get(key);
    if (perMm === undefined) {
      perMm = widthOf(document.fontSize(1), text, bold ? 'bold' : 'plain');
      known.set(key, perMm);
    }
    return perMm * sizeMm;
  };
}
