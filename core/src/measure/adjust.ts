import type { Factor, Relation, Span, Term } from './ast.ts';
import { parseLength, parsePosition } from './parse.ts';

/** A number for a relation: factors to 0.01, millimetres to 0.1, never in exponent form. */
const written = (value: number, step: number): string => String(Number((Math.round(value / step) * step).toFixed(3)));

const splice = (text: string, span: Span, replacement: string): string =>
  text.slice(0, span.start) + replacement + text.slice(span.end);

const stepOf = (term: Term): number => (term.unit.kind === 'absolute' ? (term.unit.mm > 5 ? 1 / 64 : 0.1) : 0.01);

function moveFactor(text: string, factor: Factor, by: number, step: number, fallback: Span): string {
  const low = Math.max(0, factor.low + by);
  const high = low + (factor.high - factor.low);
  const number = factor.low === factor.high ? written(low, step) : `${written(low, step)}..${written(high, step)}`;
  return factor.span
    ? splice(text, factor.span, number)
    : splice(text, { start: fallback.start, end: fallback.start }, `${number} `);
}

function moveTerm(text: string, term: Term, deltaMm: number, unitMm: number): string {
  return moveFactor(text, term.factor, (term.sign * deltaMm) / unitMm, stepOf(term), term.span);
}

const appended = (text: string, deltaMm: number): string =>
  Math.abs(deltaMm) < 0.05 ? text : `${text} ${deltaMm < 0 ? '-' : '+'} ${written(Math.abs(deltaMm), 0.1)} mm`;

/** The offset turns over its sign where a pull takes it through zero (`bend + 2 mm` to `bend - 1 mm`). */
function movePositionTerm(
  relation: Extract<Relation, { type: 'position' }>,
  term: Term,
  deltaMm: number,
  unitMm: number,
): string {
  const next = term.sign * ((term.factor.low + term.factor.high) / 2) * unitMm + deltaMm;
  const plain = term.factor.low === term.factor.high;
  if (next * term.sign >= 0 || !plain) return moveTerm(relation.text, term, deltaMm, unitMm);
  const number = written(Math.abs(next) / unitMm, stepOf(term));
  const signAt = relation.text.slice(0, term.span.start).search(/[-+−]\s*$/);
  const turned = term.factor.span
    ? splice(relation.text, term.factor.span, number)
    : splice(relation.text, { start: term.span.start, end: term.span.start }, `${number} `);
  return splice(turned, { start: signAt, end: signAt + 1 }, next < 0 ? '-' : '+');
}

/**
 * Rewrites a relation so that it comes out `deltaMm` longer or further back: the number changes, the relation stays.
 * A bare `gap` becomes `n gap`, `tail.tip` becomes `tail.tip + n mm`, `same as tail` becomes `n tail`, a band moves whole, `at most` stops at its limit.
 * @param unitMm size of one of a term's unit in mm, null when it cannot be known
 * @param freeMm for `same as`, the length it has now
 */
export function pullRelation(
  relation: Relation,
  deltaMm: number,
  unitMm: (term: Term) => number | null,
  freeMm: number,
): string {
  if (relation.type === 'length') {
    const { tree, text } = relation;
    if (tree.form === 'same-as') return freeMm <= 0 ? text : `${written((freeMm + deltaMm) / freeMm, 0.01)} ${tree.id}`;
    if (tree.form === 'at-most') {
      const top = freeMm / 0.9;
      return freeMm + deltaMm > top
        ? text
        : text.replace(/^\s*at most\s+/i, '').replace(/^/, `${written((freeMm + deltaMm) / top, 0.01)} `);
    }
    if (tree.form === 'band')
      return [tree.low, tree.high].reduceRight((moved, terms) => moveLast(moved, terms, deltaMm, unitMm), text);
    return moveLast(text, tree.terms, deltaMm, unitMm);
  }
  const last = relation.offsets.at(-1);
  if (last) {
    const size = unitMm(last);
    return size === null || size === 0 ? relation.text : movePositionTerm(relation, last, deltaMm, size);
  }
  if (relation.anchor.kind === 'station') {
    const station = unitMm({
      factor: { low: 1, high: 1, span: null },
      unit: { kind: 'quantity', name: 'shank' },
      sign: 1,
      span: relation.anchorSpan,
      text: 'shank',
    });
    return station === null
      ? relation.text
      : moveFactor(relation.text, relation.anchor.factor, (deltaMm * 10) / station, 0.01, relation.anchorSpan);
  }
  return appended(relation.text, deltaMm);
}

function moveLast(
  text: string,
  terms: readonly Term[],
  deltaMm: number,
  unitMm: (term: Term) => number | null,
): string {
  const last = terms.at(-1);
  const size = last ? unitMm(last) : null;
  return !last || size === null || size === 0 ? text : moveTerm(text, last, deltaMm, size);
}

/** The size in mm of one arrow-key step of a relation: 0.05 of a factor, 0.5 mm or 1/64 in of a measure. */
export function nudgeMm(relation: Relation, unitMm: (term: Term) => number | null): number {
  const terms =
    relation.type === 'position' ? relation.offsets : relation.tree.form === 'sum' ? relation.tree.terms : [];
  const last = terms.at(-1);
  if (!last) return 0.5;
  if (last.unit.kind === 'absolute') return last.unit.mm > 5 ? last.unit.mm / 64 : 0.5;
  return 0.05 * (unitMm(last) ?? 10);
}

/** Rewrites every mention of part `from` to `to` in a relation of either type; the text is returned unchanged when it does not read. */
export function renameIn(text: string, from: string, to: string): string {
  const read = [parsePosition(text), parseLength(text)].find((each) => each.ok);
  if (!read?.ok) return text;
  const mentions = read.relation.references.filter((reference) => reference.id.toLowerCase() === from.toLowerCase());
  return [...mentions].reverse().reduce((result, mention) => splice(result, mention, to), text);
}
