import { MM_PER } from '@jobbet/core/units';
import type { Item, Page } from '@jobbet/core/drawing';
import PDFDocument from 'pdfkit';
import { registerFaces, widthOf, writeText, type Face } from './faces.ts';

const PT_PER_MM = 72 / MM_PER.in;

/**
 * Pages as one PDF: vectors true to scale, the typeface embedded.
 * @param title of the document
 */
export function pagesPdf(pages: readonly Page[], title: string): Promise<Buffer> {
  const document = new PDFDocument({ autoFirstPage: false, info: { Title: title }, compress: true });
  const chunks: Buffer[] = [];
  const done = new Promise<Buffer>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => {
      resolve(Buffer.concat(chunks));
    });
    document.on('error', reject);
  });
  registerFaces(document);
  for (const { widthMm, heightMm, correction, items } of pages) {
    document.addPage({ size: [widthMm * PT_PER_MM, heightMm * PT_PER_MM], margin: 0 });
    document.scale(PT_PER_MM * correction);
    for (const item of items) put(document, item);
  }
  document.end();
  return done;
}

type Shape = Extract<Item, { kind: 'shape' }>;
type Ball = Extract<Item, { kind: 'ball' }>;

function putShape(
  document: PDFKit.PDFDocument,
  { at: [x, y], path, fill, stroke, width = 0, alpha = 1, dash }: Shape,
): void {
  document.save().translate(x, y).path(path);
  if (fill !== undefined) document.fillOpacity(alpha).fill(fill);
  else if (stroke !== undefined) {
    document.lineWidth(width).lineCap('round').lineJoin('round').strokeOpacity(alpha);
    if (dash?.[0] !== undefined) document.dash(dash[0], { space: dash[1] ?? dash[0] });
    document.stroke(stroke);
  }
  document.restore();
}

/** Where the light falls on a ball, and how far its tints reach, in radii. */
const LIT = { x: -0.28, y: -0.36, reach: 1.5 } as const;

function putBall(document: PDFKit.PDFDocument, { at: [x, y], r, stops: [light, base, dark, edge] }: Ball): void {
  const [lx, ly] = [x + LIT.x * r, y + LIT.y * r];
  const tints = document.radialGradient(lx, ly, 0, lx, ly, LIT.reach * r);
  tints.stop(0, light).stop(0.35, base).stop(0.8, dark).stop(1, edge);
  document.save().circle(x, y, r).fill(tints).restore();
}

function put(document: PDFKit.PDFDocument, item: Item): void {
  if (item.kind === 'line') {
    const level = Math.round(item.grey * 255);
    document.save().lineWidth(item.width).lineJoin('round').lineCap('butt').strokeColor([level, level, level]);
    if (item.dash) document.dash(item.dash[0], { space: item.dash[1] });
    item.points.forEach(([x, y], i) => (i === 0 ? document.moveTo(x, y) : document.lineTo(x, y)));
    if (item.close) document.closePath();
    document.stroke().restore();
    return;
  }
  if (item.kind === 'shape') {
    putShape(document, item);
    return;
  }
  if (item.kind === 'ball') {
    putBall(document, item);
    return;
  }
  const { text, size, anchor = 'start', upward = false, grey = 0 } = item;
  const [x, y] = item.at;
  const level = Math.round(grey * 255);
  const face: Face = item.bold === true ? 'bold' : 'plain';
  document.save().fontSize(size).fillColor([level, level, level]);
  if (upward) document.rotate(-90, { origin: [x, y] });
  const width = widthOf(document, text, face);
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  writeText(document, text, face, [left, y]);
  document.restore();
}
