import type { Anchor, Factor, PositionRelation, Relation, Span, Term } from './ast.ts';
import { parseLength, parsePosition } from './parse.ts';
import type { MeasureResult } from './types.ts';

/** What the words of a relation come to on a fly: sizes of units, and where places are. mm */
export type Scale = Pick<MeasureResult, 'unitMm' | 'anchorMm'>;

/** The number in a relation that a pull changes: the relation comes to `value × sizeMm` and what does not change. */
export interface Pulled {
  readonly value: number;
  readonly sizeMm: number;
  /** What one of it is called: `shank`, `mm`, `station`. */
  readonly unit: string;
  /** Whether the number is a measure of its own and no share of anything. */
  readonly absolute: boolean;
  /** The most the number can be, where the relation has a limit. */
  readonly most?: number;
  /** The relation with another number, in words of the tier's own where they are given (`¾`). */
  readonly write: (value: number, words?: string) => string;
}

/** A number for a relation: never in exponent form. */
const written = (value: number, step: number): string => String(Number((Math.round(value / step) * step).toFixed(3)));

const splice = (text: string, span: Span, replacement: string): string =>
  text.slice(0, span.start) + replacement + text.slice(span.end);

/** Factors are written to 0.01, millimetres to 0.1, inches to 1/64. */
const stepOf = (term: Term): number => (term.unit.kind === 'absolute' ? (term.unit.mm > 5 ? 1 / 64 : 0.1) : 0.01);

const unitOf = ({ unit }: Term): string =>
  unit.kind === 'absolute'
    ? unit.text
    : unit.kind === 'quantity'
      ? unit.name
      : unit.kind === 'part'
        ? unit.id
        : 'turns';

/** A text with its factor moved so that its middle is `value`; a band moves whole, and nothing goes below zero. */
function withFactor(text: string, factor: Factor, value: number, step: number, at: Span, words?: string): string {
  const half = (factor.high - factor.low) / 2;
  const low = Math.max(0, value - half);
  const number = half > 0 ? `${written(low, step)}..${written(low + 2 * half, step)}` : (words ?? written(low, step));
  return factor.span
    ? splice(text, factor.span, number)
    : splice(text, { start: at.start, end: at.start }, `${number} `);
}

const middle = (factor: Factor): number => (factor.low + factor.high) / 2;

function inTerm(text: string, term: Term, scale: Scale): Pulled | null {
  const size = scale.unitMm(term);
  if (size === null || size === 0) return null;
  return {
    value: term.sign * middle(term.factor),
    sizeMm: size,
    unit: unitOf(term),
    absolute: term.unit.kind === 'absolute',
    write: (value, words) => withFactor(text, term.factor, term.sign * value, stepOf(term), term.span, words),
  };
}

/** The offset of a place turns over its sign where a pull takes it through zero (`bend + 2 mm` to `bend - 1 mm`). */
function inOffset(relation: PositionRelation, term: Term, scale: Scale): Pulled | null {
  const pulled = inTerm(relation.text, term, scale);
  if (!pulled || term.factor.low !== term.factor.high) return pulled;
  const write = (value: number, words?: string): string => {
    if (value * term.sign >= 0) return pulled.write(value, words);
    const signAt = relation.text.slice(0, term.span.start).search(/[-+−]\s*$/);
    const turned = pulled.write(-value, words);
    return splice(turned, { start: signAt, end: signAt + 1 }, value < 0 ? '-' : '+');
  };
  return { ...pulled, write };
}

function moved(text: string, from: Span, anchor: string, mm: number): string {
  if (Math.abs(mm) < 0.05) return text;
  return splice(text, from, `${anchor} ${mm < 0 ? '-' : '+'} ${written(Math.abs(mm), 0.1)} mm`);
}

/** A place as it is written. */
function anchorText(anchor: Anchor): string | null {
  if (anchor.kind === 'landmark') return anchor.name;
  if (anchor.kind === 'property') return `${anchor.id}.${anchor.property}`;
  return anchor.kind === 'station' && anchor.factor.low === anchor.factor.high
    ? `station ${written(anchor.factor.low, 0.01)}`
    : null;
}

const inMm = (write: (mm: number) => string): Pulled => ({ value: 0, sizeMm: 1, unit: 'mm', absolute: true, write });

/** Between two places the nearer one takes over: `point + 1 mm`. */
function inBetween(relation: PositionRelation, a: Anchor, b: Anchor, scale: Scale): Pulled {
  const ends = [a, b].map((anchor) => ({ words: anchorText(anchor), mm: scale.anchorMm(anchor) }));
  const [first, second] = ends;
  const whole = relation.text.slice(relation.anchorSpan.start, relation.anchorSpan.end);
  if (!first?.words || first.mm === null || !second?.words || second.mm === null)
    return inMm((mm) => moved(relation.text, relation.anchorSpan, whole, mm));
  const [oneMm, otherMm, half] = [first.mm, second.mm, (first.mm + second.mm) / 2];
  return inMm((mm) => {
    const at = half + mm;
    const nearer = Math.abs(at - oneMm) <= Math.abs(at - otherMm) ? first : second;
    if (Math.abs(mm) < 0.05) return relation.text;
    const from = nearer === first ? oneMm : otherMm;
    return Math.abs(at - from) < 0.05
      ? splice(relation.text, relation.anchorSpan, nearer.words ?? '')
      : moved(relation.text, relation.anchorSpan, nearer.words ?? '', at - from);
  });
}

function inPlace(relation: PositionRelation, scale: Scale): Pulled | null {
  const { anchor, anchorSpan, text, offsets } = relation;
  const last = offsets.at(-1);
  if (last) return inOffset(relation, last, scale);
  const factored = (factor: Factor, sizeMm: number | null, unit: string): Pulled | null =>
    sizeMm === null || Math.abs(sizeMm) < 1e-6
      ? null
      : {
          value: middle(factor),
          sizeMm,
          unit,
          absolute: false,
          write: (value, words) => withFactor(text, factor, value, 0.01, anchorSpan, words),
        };
  /** What lies between nought and one of a place that is counted. */
  const one = (at: (n: number) => Anchor): number | null => {
    const [from, to] = [scale.anchorMm(at(0)), scale.anchorMm(at(1))];
    return from === null || to === null ? null : to - from;
  };
  const plain = (n: number): Factor => ({ low: n, high: n, span: null });
  if (anchor.kind === 'station')
    return factored(
      anchor.factor,
      one((n) => ({ ...anchor, factor: plain(n) })),
      'station',
    );
  if (anchor.kind === 'along')
    return factored(
      anchor.factor,
      one((n) => ({ ...anchor, factor: plain(n) })),
      `of the way along ${anchor.id}`,
    );
  const round = anchor.kind === 'round' ? anchor.terms.at(-1) : undefined;
  if (round) return inTerm(text, round, scale);
  if (anchor.kind === 'between') return inBetween(relation, anchor.a, anchor.b, scale);
  return inMm((mm) => moved(text, anchorSpan, text.slice(anchorSpan.start, anchorSpan.end), mm));
}

/**
 * The number of a relation that changes when what it says is pulled: the last one written. A bare `gap` gets one, `tail.tip` becomes
 * `tail.tip + n mm`, `same as tail` becomes `n tail`, a band moves whole, `at most` stops at its limit.
 * @param freeMm the length it comes to now, mm
 * @returns null where nothing can be changed
 */
export function pulledNumber(relation: Relation, scale: Scale, freeMm: number): Pulled | null {
  if (relation.type === 'position') return inPlace(relation, scale);
  const { tree, text } = relation;
  if (tree.form === 'same-as')
    return freeMm <= 0
      ? null
      : {
          value: 1,
          sizeMm: freeMm,
          unit: tree.id,
          absolute: false,
          write: (value, words) => `${words ?? written(Math.max(0, value), 0.01)} ${tree.id}`,
        };
  if (tree.form === 'at-most') {
    const [top, only] = [freeMm / 0.9, tree.terms.length === 1 ? tree.terms[0] : undefined];
    if (top <= 0) return null;
    const share = only ? middle(only.factor) : 1;
    return {
      value: 0.9 * share,
      most: share,
      sizeMm: top / share,
      unit: only ? unitOf(only) : 'mm',
      absolute: false,
      write: (value) => {
        const kept = Math.max(0, Math.min(share, value));
        return only ? `${written(kept, 0.01)} ${unitOf(only)}` : `${written(kept * top, 0.1)} mm`;
      },
    };
  }
  if (tree.form === 'sum') {
    const last = tree.terms.at(-1);
    return last ? inTerm(text, last, scale) : null;
  }
  const [low, high] = [tree.low.at(-1), tree.high.at(-1)].map((term) => (term ? inTerm(text, term, scale) : null));
  if (!low || !high) return null;
  return {
    ...high,
    write: (value) => {
      const delta = (value - high.value) * high.sizeMm;
      // From the back, so that places in the text before it still hold.
      const after = high.write(value);
      const term = tree.low.at(-1);
      return term ? (inTerm(after, term, scale)?.write(low.value + delta / low.sizeMm) ?? after) : after;
    },
  };
}

/** Rewrites a relation so that it comes out `deltaMm` longer or further back: the number changes, the relation stays. */
export function pullRelation(relation: Relation, deltaMm: number, scale: Scale, freeMm: number): string {
  const pulled = pulledNumber(relation, scale, freeMm);
  return pulled ? pulled.write(pulled.value + deltaMm / pulled.sizeMm) : relation.text;
}

/** The size in mm of one arrow-key step of a relation: 0.05 of a factor, 0.5 mm or 1/64 in of a measure. */
export function nudgeMm(relation: Relation, { unitMm }: Pick<Scale, 'unitMm'>): number {
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
