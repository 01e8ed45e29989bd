import type { PositionRelation } from './ast.ts';
import {
  exact,
  fieldOf,
  MeasureError,
  pathOf,
  RelationSolver,
  SLACK_MM,
  type EdgeReader,
  type Field,
} from './relationSolver.ts';
import type {
  FibresPart,
  FreePart,
  MeasuredPart,
  MeasureFrame,
  OverPart,
  PartExtent,
  Reading,
  SpanPart,
} from './types.ts';

/** Where parts begin and end, their tips and free lengths, each read from the relations that say so. */
export class PartEdges implements EdgeReader {
  readonly relations: RelationSolver;

  constructor(frame: MeasureFrame, parts: readonly MeasuredPart[], unread: ReadonlySet<string>) {
    this.relations = new RelationSolver(frame, parts, unread, this);
  }

  private place(relation: PositionRelation, part: MeasuredPart, key: string): Reading {
    return this.relations.place(relation, fieldOf(part, key));
  }

  private ends(part: SpanPart): readonly [Reading, Reading] {
    const from = this.place(part.from, part, 'from');
    if (part.to) {
      const to = this.place(part.to, part, 'to');
      return from.mm <= to.mm ? [from, to] : [to, from];
    }
    const turnsLength = (part.turns ?? 0) * this.relations.pitch(part, fieldOf(part, 'turns')).mm;
    return [
      from,
      {
        mm: from.mm + turnsLength,
        low: from.mm + turnsLength,
        high: from.mm + turnsLength,
        pieces: [...from.pieces, { text: `${String(part.turns ?? 0)} turns`, mm: turnsLength }],
      },
    ];
  }

  /** mm of shank that a ball takes up. */
  along(part: MeasuredPart): number {
    if (part.shape !== 'ball') return 0;
    return part.along
      ? this.relations.length(part.along, fieldOf(part, 'length')).mm
      : part.alongOfDiameter * this.free(part).mm;
  }

  private covered(part: OverPart): MeasuredPart | null {
    return part.over === null ? null : this.relations.partOf(part.over, fieldOf(part, 'over'));
  }

  front(part: MeasuredPart): Reading {
    if (part.shape === 'span') return this.ends(part)[0];
    if (part.shape === 'over') {
      const covered = this.covered(part);
      return covered ? this.front(covered) : exact(0, 'eye');
    }
    const at = this.place(part.at, part, 'at');
    if (part.shape === 'ball') return exact(at.mm - this.along(part) / 2, `${part.id}.front`);
    if (part.shape === 'fibres') {
      const to = part.to ? this.place(part.to, part, 'to') : at;
      return at.mm <= to.mm ? at : to;
    }
    const butts = part.buttsTo ? this.place(part.buttsTo, part, 'buttsTo').mm : at.mm;
    return exact(Math.min(at.mm, butts, ...this.bindings(part)), `${part.id}.front`);
  }

  rear(part: MeasuredPart): Reading {
    if (part.shape === 'span') return this.ends(part)[1];
    if (part.shape === 'over') {
      const covered = this.covered(part);
      return covered ? this.rear(covered) : this.relations.head(fieldOf(part, 'over'));
    }
    const at = this.place(part.at, part, 'at');
    if (part.shape === 'ball') return exact(at.mm + this.along(part) / 2, `${part.id}.rear`);
    if (part.shape === 'fibres') {
      if (!part.to) return exact(at.mm + part.widthMm, `${part.id}.rear`);
      const to = this.place(part.to, part, 'to');
      return at.mm <= to.mm ? to : at;
    }
    const bindings = this.bindings(part);
    return bindings.length === 0 ? at : exact(Math.max(at.mm, ...bindings), `${part.id}.rear`);
  }

  bindings(part: FreePart): number[] {
    return part.boundAt.map((relation, i) => this.place(relation, part, `boundAt[${String(i)}]`).mm);
  }

  /** The free length of a part, or what its id means as a length: fibre, span, diameter. */
  free(part: MeasuredPart): Reading {
    if (part.shape === 'ball') return this.relations.length(part.diameter, fieldOf(part, 'diameter'));
    if (part.shape === 'span' || part.shape === 'over') return exact(this.rear(part).mm - this.front(part).mm, part.id);
    const stated = part.shape === 'free' ? part.length : part.fibre;
    const key = part.shape === 'free' ? 'length' : 'fibre';
    if (stated) {
      const reading = this.relations.length(stated, fieldOf(part, key));
      if (part.shape === 'fibres' || part.boundAt.length === 0) return reading;
      return this.shifted(reading, this.rear(part).mm - this.tieIn(part), fieldOf(part, key));
    }
    if (!part.tip) throw new MeasureError(part.path, 'missing', `needs "${key}" or "tip"`);
    const tip = this.place(part.tip, part, 'tip');
    const rear = this.rear(part).mm;
    const reach = this.reach(part);
    const forward = reach < 0;
    if (forward ? tip.mm > rear + SLACK_MM : tip.mm < rear - SLACK_MM) {
      throw new MeasureError(
        `${part.path}.tip`,
        'order',
        `the tip (${tip.mm.toFixed(1)} mm) is ${forward ? 'behind' : 'ahead of'} where it is bound (${rear.toFixed(1)} mm); move one of them`,
      );
    }
    const off = (mm: number): number => Math.max(0, (mm - rear) / reach);
    const [low, high] = forward ? [tip.high, tip.low] : [tip.low, tip.high];
    return { mm: off(tip.mm), low: off(low), high: off(high), pieces: tip.pieces };
  }

  private tieIn(part: FreePart): number {
    return this.place(part.at, part, 'at').mm;
  }

  private reach(part: FreePart | FibresPart): number {
    return part.reach(this.place(part.at, part, 'at').roundMm ?? 0);
  }

  private shifted(reading: Reading, boundMm: number, field: Field): Reading {
    if (reading.mm < boundMm - SLACK_MM) {
      throw new MeasureError(
        pathOf(field),
        'order',
        `is ${reading.mm.toFixed(1)} mm, shorter than the ${boundMm.toFixed(1)} mm from its tie-in to its last binding`,
      );
    }
    const less = (mm: number): number => Math.max(0, mm - boundMm);
    return {
      mm: less(reading.mm),
      low: less(reading.low),
      high: less(reading.high),
      pieces: [...reading.pieces, { text: 'bound along the shank', mm: -boundMm }],
    };
  }

  tip(part: MeasuredPart, field: Field): Reading {
    if (part.shape === 'span' && part.tip) return this.place(part.tip, part, 'tip');
    if (part.shape === 'ball' || part.shape === 'span' || part.shape === 'over')
      throw new MeasureError(pathOf(field), 'unknown-name', `"${part.id}" has no tip; it has front, rear and mid`);
    return exact(this.rear(part).mm + this.free(part).mm * this.reach(part), `${part.id}.tip`);
  }

  private tipMm(part: MeasuredPart, endMm: number, freeMm: number): number | null {
    if (part.shape === 'free' || part.shape === 'fibres') return endMm + freeMm * this.reach(part);
    return part.shape === 'span' && part.tip ? this.place(part.tip, part, 'tip').mm : null;
  }

  extent(part: MeasuredPart): PartExtent {
    const free = this.free(part);
    const readings: Record<string, Reading> = {};
    const lengths: Record<string, Reading> = {};
    for (const [key, relation] of Object.entries(part.lengths))
      readings[key] = lengths[key] = this.relations.length(relation, fieldOf(part, key));
    for (const [key, relation] of Object.entries(part.places)) readings[key] = this.place(relation, part, key);
    const startMm = this.front(part).mm;
    const endMm = this.rear(part).mm;
    const freeShape = part.shape === 'free' ? part : null;
    const roundMm = part.shape === 'span' || part.shape === 'over' ? 0 : (this.place(part.at, part, 'at').roundMm ?? 0);
    return {
      startMm,
      endMm,
      lengthMm: free.mm,
      roundMm,
      lengths,
      readings,
      tipMm: this.tipMm(part, endMm, free.mm),
      bandMm: free.low === free.high ? null : [free.low, free.high],
      buttsToMm: freeShape?.buttsTo ? this.place(freeShape.buttsTo, part, 'buttsTo').mm : null,
      bindingsMm: freeShape ? [this.tieIn(freeShape), ...this.bindings(freeShape)].sort((a, b) => a - b) : [],
    };
  }
}
