import { readNumber } from '../../units/index.ts';
import type { FaultCode } from '../../base/index.ts';

export type Token =
  | { readonly kind: 'number'; readonly value: number; readonly start: number; readonly end: number }
  | { readonly kind: 'word'; readonly word: string; readonly start: number; readonly end: number }
  | {
      readonly kind: 'sign';
      readonly sign: '+' | '-' | '..' | '.' | '"' | '*';
      readonly start: number;
      readonly end: number;
    }
  | { readonly kind: 'end'; readonly start: number; readonly end: number };

/** A relation that does not read; caught where parsing began and turned into a fault. */
export class RelationError extends Error {
  readonly code: FaultCode;
  constructor(code: FaultCode, message: string) {
    super(message);
    this.code = code;
  }
}

const WORD = /[A-Za-z](?:[A-Za-z0-9]|-(?=[A-Za-z0-9]))*/y;
const SIGNS: Readonly<Record<string, '+' | '-' | '.' | '"' | '*'>> = {
  '+': '+',
  '-': '-',
  '−': '-',
  '.': '.',
  '"': '"',
  '″': '"',
  '×': '*',
  '*': '*',
};

function signAt(text: string, at: number): Token {
  if (text.startsWith('..', at)) return { kind: 'sign', sign: '..', start: at, end: at + 2 };
  const sign = SIGNS[text[at] ?? ''];
  if (sign === undefined) throw new RelationError('syntax', `cannot read "${text[at] ?? ''}" in "${text}"`);
  if (sign === '-' && at > 0 && !/\s/.test(text[at - 1] ?? '')) {
    throw new RelationError('syntax', `write a blank before the minus in "${text}"`);
  }
  return { kind: 'sign', sign, start: at, end: at + 1 };
}

/** Cuts a relation into numbers, words and signs. @throws RelationError for a sign no relation holds or an ambiguous number. */
export function tokenize(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    if (/\s/.test(text[at] ?? '')) {
      at++;
      continue;
    }
    const number = readNumber(text, at);
    if (number) {
      if (number.ask !== undefined) throw new RelationError('ambiguous', number.ask);
      tokens.push({ kind: 'number', value: number.value, start: at, end: number.end });
    } else {
      WORD.lastIndex = at;
      const word = WORD.exec(text)?.[0];
      tokens.push(word === undefined ? signAt(text, at) : { kind: 'word', word, start: at, end: at + word.length });
    }
    at = tokens.at(-1)?.end ?? text.length;
  }
  tokens.push({ kind: 'end', start: text.length, end: text.length });
  return tokens;
}
