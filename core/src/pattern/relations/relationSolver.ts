import { LANDMARKS, QUANTITIES } from '../../data/index.ts';
import { type FaultCode, type Fault, suggestion } from '../../base/index.ts';
import type { Anchor, Factor, LengthRelation, PositionRelation, Term } from './ast.ts';
import type { MeasuredPart, MeasureFrame, Reading, SpanPart } from './types.ts';

/** A relation that comes to nothing sensible; caught where solving began and told as a fault. */
export class MeasureError extends Error {
  readonly fault: Fault;
  constructor(path: string, code: FaultCode, message: string) {
    super(message);
    this.fault = { path, code, message };
  }
}

/** A relation that leans on a part which did not read; the fault is that part's and already told. */
export class UnreadError extends Error {}

/** The part and key a relation stands in, for errors and for `turns` and `against`; its words are made where they are needed. */
export interface Field {
  readonly part: MeasuredPart | null;
  readonly key: string;
  /** Where it stands in the file, of what is no part. */
  readonly path?: string;
}
/** The field's place in the file, as faults tell it. */
export const pathOf = ({ part, key, path }: Field): string => (part ? `${part.path}.${key}` : (path ?? key));
const labelOf = ({ part, key }: Field): string => (part ? `${part.id}.${key}` : key);

/** What relations ask of parts; answered by `PartEdges`, which in turn asks relations. */
export interface EdgeReader {
  front(part: MeasuredPart): Reading;
  rear(part: MeasuredPart): Reading;
  tip(part: MeasuredPart, field: Field): Reading;
  free(part: MeasuredPart): Reading;
  along(part: MeasuredPart): number;
}

export const SLACK_MM = 1e-9;
export const keyOf = (id: string): string => id.toLowerCase();
export const exact = (mm: number, text: string): Reading => ({ mm, low: mm, high: mm, pieces: [{ text, mm }] });
export const fieldOf = (part: MeasuredPart, key: string): Field => ({ part, key });

const HEAD: Field = { part: null, key: 'head' };
const HEAD_SPACE: Field = { part: null, key: 'headSpace', path: 'platform.headSpace' };

/** A bead so near the eye sits against it, mm. */
const AT_EYE_MM = 0.6;

/** Solves relations, each once; a relation that leans on itself is a cycle and is refused by its path. */
export class RelationSolver {
  private readonly memo = new Map<MeasuredPart | null, Map<string, Reading>>();
  private readonly open: Field[] = [];
  private readonly parts: ReadonlyMap<string, MeasuredPart>;
  private readonly frame: MeasureFrame;
  private readonly unread: ReadonlySet<string>;
  private readonly edges: EdgeReader;

  constructor(frame: MeasureFrame, parts: readonly MeasuredPart[], unread: ReadonlySet<string>, edges: EdgeReader) {
    this.frame = frame;
    this.parts = new Map(parts.map((part) => [keyOf(part.id), part]));
    this.unread = unread;
    this.edges = edges;
  }

  /** Solves a node of the graph once. @param toldAt where a loop through it is told */
  private node(at: Field, toldAt: Field, solve: () => Reading): Reading {
    let memo = this.memo.get(at.part);
    if (!memo) this.memo.set(at.part, (memo = new Map<string, Reading>()));
    const known = memo.get(at.key);
    if (known) return known;
    const met = this.open.findIndex(({ part, key }) => part === at.part && key === at.key);
    if (met >= 0) {
      const loop = [...this.open.slice(met), at].map(labelOf);
      throw new MeasureError(pathOf(toldAt), 'cycle', `leans on itself: ${loop.join(' → ')}`);
    }
    this.open.push(at);
    try {
      const reading = solve();
      memo.set(at.key, reading);
      return reading;
    } finally {
      this.open.pop();
    }
  }

  partOf(id: string, field: Field): MeasuredPart {
    const part = this.parts.get(keyOf(id));
    if (part) return part;
    if (this.unread.has(keyOf(id))) throw new UnreadError(id);
    const names = [...[...this.parts.values()].map((each) => each.id), ...LANDMARKS, ...QUANTITIES];
    throw new MeasureError(pathOf(field), 'unknown-name', `unknown name "${id}"${suggestion(id, names)}`);
  }

  private fixed(value: number | null, name: string, field: Field): Reading {
    if (value === null)
      throw new MeasureError(
        pathOf(field),
        'unknown-name',
        `${this.frame.platform} has no ${name}; measure from the eye, a station or the bend`,
      );
    return exact(value, name);
  }

  private bodyParts(field: Field): MeasuredPart[] {
    const bodies = [...this.parts.values()].filter((part) => part.role === 'body');
    if (bodies.length === 0)
      throw new MeasureError(pathOf(field), 'unknown-name', 'no part has the role body, so "body" measures nothing');
    return bodies;
  }

  private quantity(name: string, field: Field): Reading {
    const { lengthsMm } = this.frame;
    if (name === 'headSpace') return this.headSpace();
    if (name === 'body') {
      return exact(this.bodyEdge('rear', field).mm - this.bodyEdge('front', field).mm, 'body');
    }
    return this.fixed(lengthsMm[name as keyof typeof lengthsMm], name, field);
  }

  private bodyEdge(edge: 'front' | 'rear', field: Field): Reading {
    const edges = this.bodyParts(field).map(
      (part) => (edge === 'front' ? this.edges.front(part) : this.edges.rear(part)).mm,
    );
    return exact(edge === 'front' ? Math.min(...edges) : Math.max(...edges), `body.${edge}`);
  }

  unitSize(term: Term, field: Field): number {
    const { unit } = term;
    if (unit.kind === 'absolute') return unit.mm;
    if (unit.kind === 'quantity') return this.quantity(unit.name, field).mm;
    if (unit.kind === 'part') return this.edges.free(this.partOf(unit.id, field)).mm;
    if (field.part?.shape !== 'span' || field.key !== 'to') {
      throw new MeasureError(
        pathOf(field),
        'syntax',
        'turns measure only the far end of wound work; write a length instead',
      );
    }
    return this.pitch(field.part, field).mm;
  }

  pitch(part: SpanPart, field: Field): Reading {
    if (!part.pitch)
      throw new MeasureError(
        pathOf(field),
        'missing',
        'has no pitch or strand, so its turns have no length; add "pitch" or "strand"',
      );
    return this.length(part.pitch, fieldOf(part, part.lengths['pitch'] ? 'pitch' : 'strand'));
  }

  private addTerms(base: Reading, terms: readonly Term[], field: Field): Reading {
    let { mm, low, high } = base;
    const pieces = [...base.pieces];
    for (const term of terms) {
      const size = this.unitSize(term, field);
      const ends = [term.sign * term.factor.low * size, term.sign * term.factor.high * size].sort((a, b) => a - b);
      const middle = (term.sign * (term.factor.low + term.factor.high) * size) / 2;
      mm += middle;
      low += ends[0] ?? 0;
      high += ends[1] ?? 0;
      pieces.push({ text: term.sign < 0 ? `− ${term.text}` : term.text, mm: middle });
    }
    return { mm, low, high, pieces, ...(base.roundMm === undefined ? {} : { roundMm: base.roundMm }) };
  }

  private sum(terms: readonly Term[], field: Field): Reading {
    return this.addTerms({ mm: 0, low: 0, high: 0, pieces: [] }, terms, field);
  }

  length(relation: LengthRelation, field: Field): Reading {
    return this.node(field, field, () => {
      const { tree } = relation;
      let reading: Reading;
      if (tree.form === 'sum') reading = this.sum(tree.terms, field);
      else if (tree.form === 'same-as')
        reading = { ...exact(this.edges.free(this.partOf(tree.id, field)).mm, relation.text) };
      else if (tree.form === 'at-most') {
        const top = this.sum(tree.terms, field).mm;
        reading = {
          mm: 0.9 * top,
          low: 0,
          high: top,
          pieces: [{ text: `0.9 of ${relation.text.replace(/^\s*at most\s+/i, '')}`, mm: 0.9 * top }],
        };
      } else {
        const [low, high] = [this.sum(tree.low, field).mm, this.sum(tree.high, field).mm];
        if (high < low)
          throw new MeasureError(
            pathOf(field),
            'range',
            `the band runs from ${low.toFixed(1)} down to ${high.toFixed(1)} mm; write the smaller first`,
          );
        reading = {
          mm: (low + high) / 2,
          low,
          high,
          pieces: [{ text: `middle of ${relation.text.trim()}`, mm: (low + high) / 2 }],
        };
      }
      if (reading.mm < -SLACK_MM)
        throw new MeasureError(
          pathOf(field),
          'negative',
          `comes to ${reading.mm.toFixed(1)} mm; a length cannot be below zero`,
        );
      return reading;
    });
  }

  anchor(anchor: Anchor, text: string, field: Field): Reading {
    switch (anchor.kind) {
      case 'landmark':
        return anchor.name === 'head'
          ? { ...this.head(field), pieces: [{ text, mm: this.head(field).mm }] }
          : this.fixed(this.frame.landmarksMm[anchor.name], anchor.name, field);
      case 'station':
        return this.scaled(anchor.factor, 0, this.frame.lengthsMm.shank / 10, text);
      case 'property':
        return this.property(anchor.id, anchor.property, text, field);
      case 'between': {
        const [a, b] = [this.anchor(anchor.a, '', field).mm, this.anchor(anchor.b, '', field).mm];
        return { mm: (a + b) / 2, low: Math.min(a, b), high: Math.max(a, b), pieces: [{ text, mm: (a + b) / 2 }] };
      }
      case 'along': {
        const part = this.partOf(anchor.id, field);
        const rear = this.edges.rear(part).mm;
        return this.scaled(anchor.factor, rear, this.edges.tip(part, field).mm - rear, text);
      }
      case 'against': {
        const half = field.part ? this.edges.along(field.part) / 2 : 0;
        return exact((anchor.id === 'eye' ? 0 : this.edges.rear(this.partOf(anchor.id, field)).mm) + half, text);
      }
      case 'round': {
        const along = this.sum(anchor.terms, field).mm;
        if (along < 0) throw new MeasureError(pathOf(field), 'negative', 'round needs a length of zero or more');
        return { ...exact(this.frame.roundX(along), text), roundMm: along };
      }
    }
  }

  private scaled(factor: Factor, originMm: number, unitMm: number, text: string): Reading {
    const [low, high] = [originMm + factor.low * unitMm, originMm + factor.high * unitMm];
    const mm = (low + high) / 2;
    return { mm, low: Math.min(low, high), high: Math.max(low, high), pieces: [{ text, mm }] };
  }

  private property(id: string, property: 'front' | 'rear' | 'tip' | 'mid', text: string, field: Field): Reading {
    if (id.toLowerCase() === 'body' && (property === 'front' || property === 'rear'))
      return this.bodyEdge(property, field);
    const part = this.partOf(id, field);
    if (property === 'tip') return exact(this.edges.tip(part, field).mm, text);
    if (property === 'front') return exact(this.edges.front(part).mm, text);
    if (property === 'rear') return exact(this.edges.rear(part).mm, text);
    return exact((this.edges.front(part).mm + this.edges.rear(part).mm) / 2, text);
  }

  place(relation: PositionRelation, field: Field): Reading {
    return this.node(field, field, () =>
      this.addTerms(
        this.anchor(relation.anchor, relation.text.slice(relation.anchorSpan.start, relation.anchorSpan.end), field),
        relation.offsets,
        field,
      ),
    );
  }

  /** Bare shank left for the head: as written, none behind a bead, the usual one otherwise. */
  headSpace(): Reading {
    const { headSpace, defaultHeadSpaceMm } = this.frame;
    if (headSpace) return this.length(headSpace, HEAD_SPACE);
    return this.beadAtEye() ? exact(0, 'no head space behind a bead') : exact(defaultHeadSpaceMm, 'head space');
  }

  /** The bead that sits against the eye; one that is set back leaves bare wire in front, and the head counts from the eye. */
  private beadAtEye(): MeasuredPart | null {
    const { beadId } = this.frame;
    const bead = beadId === null ? undefined : this.parts.get(keyOf(beadId));
    return bead && this.edges.front(bead).mm < AT_EYE_MM ? bead : null;
  }

  head(field: Field): Reading {
    return this.node(HEAD, field, () => {
      const bead = this.beadAtEye();
      const space = this.headSpace().mm;
      return exact(bead ? this.edges.rear(bead).mm + space : space, 'head');
    });
  }
}
