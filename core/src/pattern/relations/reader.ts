import { askedBack, mmPerUnit, MM_PER } from '../../units/index.ts';
import { editDistance, suggestion } from '../../base/index.ts';
import { LANDMARKS, PROPERTIES, QUANTITIES, isReserved, type QuantityName } from '../../data/index.ts';
import type { Anchor, Factor, LengthForm, Reference, Term, Unit } from './ast.ts';
import { RelationError, tokenize, type Token } from './tokens.ts';

const find = <T extends string>(names: readonly T[], word: string): T | undefined =>
  names.find((name) => name.toLowerCase() === word.toLowerCase());

/** One walk over the tokens of a relation. Methods follow the grammar of relations, one production each. */
export class Reader {
  private at = 0;
  private bands = 0;
  readonly references: Reference[] = [];
  private readonly text: string;
  private readonly tokens: readonly Token[];

  constructor(text: string) {
    this.text = text;
    this.tokens = tokenize(text);
  }

  get position(): number {
    return this.peek().start;
  }
  get lastEnd(): number {
    return this.tokens[this.at - 1]?.end ?? 0;
  }
  get done(): boolean {
    return this.peek().kind === 'end';
  }

  peek(ahead = 0): Token {
    return this.tokens[Math.min(this.at + ahead, this.tokens.length - 1)] ?? { kind: 'end', start: 0, end: 0 };
  }

  isWord(word: string, ahead = 0): boolean {
    const token = this.peek(ahead);
    return token.kind === 'word' && token.word.toLowerCase() === word;
  }

  isSign(sign: string): boolean {
    const token = this.peek();
    return token.kind === 'sign' && token.sign === sign;
  }

  take(word: string): boolean {
    if (!this.isWord(word)) return false;
    this.at++;
    return true;
  }

  takeSign(sign: string): boolean {
    if (!this.isSign(sign)) return false;
    this.at++;
    return true;
  }

  refuse(what: string): never {
    const token = this.peek();
    const found = token.kind === 'end' ? 'the end' : `"${this.text.slice(token.start, token.end)}"`;
    throw new RelationError('syntax', `expected ${what}, found ${found} in "${this.text}"`);
  }

  expect(word: string): void {
    if (!this.take(word)) this.refuse(`"${word}"`);
  }

  oneBandOnly(): void {
    if (++this.bands > 1) throw new RelationError('syntax', `"${this.text}" holds more than one band; one is meant`);
  }

  number(): number {
    const token = this.peek();
    if (token.kind !== 'number') this.refuse('a number');
    this.at++;
    return token.value;
  }

  factor(): Factor {
    const start = this.position;
    const low = this.number();
    if (!(this.isSign('..') && this.peek(1).kind === 'number'))
      return { low, high: low, span: { start, end: this.lastEnd } };
    const before = this.at;
    this.at++;
    const high = this.number();
    const unitFollows = this.peek().kind === 'word' || this.isSign('"') || this.isSign('*') || this.done;
    if (!unitFollows) {
      this.at = before;
      return { low, high: low, span: { start, end: this.lastEnd } };
    }
    this.oneBandOnly();
    if (high < low)
      throw new RelationError(
        'range',
        `the band in "${this.text}" ends below its beginning; write the smaller figure first`,
      );
    return { low, high, span: { start, end: this.lastEnd } };
  }

  partId(): string {
    const token = this.peek();
    if (token.kind !== 'word') this.refuse('the name of a part');
    if (isReserved(token.word) && token.word.toLowerCase() !== 'body') this.refuse('the name of a part');
    this.at++;
    this.references.push({ id: token.word, start: token.start, end: token.end });
    return token.word;
  }

  quantity(): QuantityName | null {
    const token = this.peek();
    if (token.kind !== 'word') return null;
    if (this.isWord('head') && this.isWord('space', 1)) {
      this.at += 2;
      return 'headSpace';
    }
    const name = find(QUANTITIES, token.word);
    if (name === undefined) return null;
    this.at++;
    return name;
  }

  unit(): Unit {
    if (this.takeSign('"')) return { kind: 'absolute', mm: MM_PER.in, text: 'in' };
    const token = this.peek();
    if (token.kind !== 'word')
      throw new RelationError(
        'no-unit',
        `"${this.text}" has no unit; write mm, in, shank, gap or the name of a part after the number`,
      );
    const asked = askedBack(token.word);
    if (asked !== null) throw new RelationError('ambiguous', asked);
    const mm = mmPerUnit(token.word);
    if (mm !== null) {
      this.at++;
      return { kind: 'absolute', mm, text: token.word };
    }
    if (this.take('turns')) return { kind: 'turns' };
    const name = this.quantity();
    if (name !== null) return { kind: 'quantity', name };
    this.refuseLandmark(token.word);
    return { kind: 'part', id: this.partId() };
  }

  refuseLandmark(word: string): void {
    const landmark = find(LANDMARKS, word);
    if (landmark !== undefined)
      throw new RelationError(
        'syntax',
        `${landmark} is a place, not a length; a length is written like "1.2 shank" or "31 mm"`,
      );
  }

  term(sign: 1 | -1): Term {
    const start = this.position;
    let factor: Factor = { low: 1, high: 1, span: null };
    let unit: Unit;
    if (this.peek().kind === 'number') {
      factor = this.factor();
      if (!this.take('x')) this.takeSign('*');
      unit = this.unit();
    } else {
      const name = this.quantity();
      const token = this.peek();
      if (name === null && token.kind === 'word') this.refuseLandmark(token.word);
      if (name === null && token.kind !== 'word') this.refuse('a length');
      unit = name === null ? { kind: 'part', id: this.partId() } : { kind: 'quantity', name };
      this.refuseProperty();
    }
    const span = { start, end: this.lastEnd };
    return { factor, unit, sign, span, text: this.text.slice(span.start, span.end) };
  }

  refuseProperty(): void {
    if (!this.isSign('.')) return;
    throw new RelationError('syntax', `"${this.text}" names a place; a length is written without the dot`);
  }

  offsets(): Term[] {
    const terms: Term[] = [];
    for (;;) {
      if (this.takeSign('+')) terms.push(this.term(1));
      else if (this.takeSign('-')) terms.push(this.term(-1));
      else return terms;
    }
  }

  sum(): Term[] {
    return [this.term(1), ...this.offsets()];
  }

  length(): LengthForm {
    if (this.take('at')) {
      this.expect('most');
      return { form: 'at-most', terms: this.sum() };
    }
    if (this.take('same')) {
      this.expect('as');
      return { form: 'same-as', id: this.partId() };
    }
    const low = this.sum();
    if (!this.takeSign('..')) return { form: 'sum', terms: low };
    this.oneBandOnly();
    return { form: 'band', low, high: this.sum() };
  }

  along(factor: Factor): Anchor {
    this.expect('way');
    this.expect('along');
    return { kind: 'along', factor, id: this.partId() };
  }

  anchor(): Anchor {
    const token = this.peek();
    if (token.kind === 'number') {
      const factor = this.factor();
      if (this.isWord('way')) return this.along(factor);
      if (this.isWord('station'))
        throw new RelationError(
          'syntax',
          `write "station ${this.text.slice(token.start, token.end)}", the number after the word`,
        );
      throw new RelationError(
        'syntax',
        `"${this.text}" is a length; a position begins at a place, like "bend + ${this.text}"`,
      );
    }
    if (token.kind !== 'word') this.refuse('a place such as bend, station 2 or wing.tip');
    return this.wordAnchor(token);
  }

  private wordAnchor(token: Extract<Token, { kind: 'word' }>): Anchor {
    if (this.take('station')) return { kind: 'station', factor: this.factor() };
    if (this.take('between')) {
      const a = this.anchor();
      this.expect('and');
      this.oneBandOnly();
      return { kind: 'between', a, b: this.anchor() };
    }
    if (this.take('half')) return this.along({ low: 0.5, high: 0.5, span: { start: token.start, end: token.end } });
    if (this.take('against')) return { kind: 'against', id: this.take('eye') ? 'eye' : this.partId() };
    if (this.take('round')) return { kind: 'round', terms: this.sum() };
    const dotted =
      this.peek(1).kind === 'sign' &&
      this.tokens[this.at + 1]?.start === token.end &&
      this.text[token.end] === '.' &&
      this.text[token.end + 1] !== '.';
    const landmark = find(LANDMARKS, token.word);
    if (landmark !== undefined && !dotted) {
      this.at++;
      return { kind: 'landmark', name: landmark };
    }
    return this.propertyAnchor(token, dotted);
  }

  private propertyAnchor(token: Extract<Token, { kind: 'word' }>, dotted: boolean): Anchor {
    const rest = this.text.slice(token.end).trim();
    if (!dotted) {
      const quantity = find(QUANTITIES, token.word);
      if (quantity !== undefined && quantity !== 'body') {
        throw new RelationError(
          'syntax',
          `${quantity} is a length, not a place; did you mean "eye + ${this.text.trim()}"?`,
        );
      }
      const meant = LANDMARKS.find(
        (name) => name !== token.word.toLowerCase() && editDistance(name, token.word.toLowerCase()) === 1,
      );
      if (meant !== undefined)
        throw new RelationError('unknown-name', `unknown place "${token.word}"; did you mean "${meant}"?`);
      const place = token.word.toLowerCase() === 'body' ? `${token.word}.rear` : `${token.word}.tip`;
      throw new RelationError(
        'syntax',
        `"${token.word}" is a length here; did you mean "${`${place} ${rest}`.trim()}"?`,
      );
    }
    const id = this.partId();
    this.takeSign('.');
    const property = this.peek();
    const name = property.kind === 'word' ? find(PROPERTIES, property.word) : undefined;
    if (name === undefined) {
      const wrong = property.kind === 'word' ? property.word : '';
      throw new RelationError(
        'unknown-name',
        `"${id}" has no "${wrong}"${suggestion(wrong, PROPERTIES) || '; it has front, rear, tip and mid'}`,
      );
    }
    this.at++;
    return { kind: 'property', id, property: name };
  }

  finish(): void {
    if (this.done) return;
    if (this.isSign('..'))
      throw new RelationError(
        'syntax',
        `the band in "${this.text}" is not one; a band joins two numbers or two lengths`,
      );
    const token = this.peek();
    if (token.kind === 'word' && isReserved(token.word)) this.refuse('the end of the relation');
    this.refuse('+, - or the end');
  }
}
