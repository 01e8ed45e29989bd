import type { Construction } from '../pattern/index.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import { formatNumber, type Style, saying } from '../units/index.ts';
import type { BuildUp } from './buildUp.ts';
import type { Move } from './order.ts';
import { ballWords } from './words/ball.ts';
import { coatWords, sheetWords, spunWords } from './words/covers.ts';
import { clumpWords, featherWords, stripWords } from './words/free.ts';
import type { PartWords, Told } from './words/told.ts';
import { hackleWords, wrapWords } from './words/wound.ts';

export { type PartWords } from './words/told.ts';

const WORDS: Readonly<Record<Construction, (told: Told) => PartWords>> = {
  ball: ballWords,
  wrap: wrapWords,
  bundle: clumpWords,
  feather: featherWords,
  strip: stripWords,
  hackle: hackleWords,
  spun: spunWords,
  sheet: sheetWords,
  coat: coatWords,
};

/** What is there when a part is tied: what is caught and not wound yet, and how a body is built up over it. */
export interface Standing {
  readonly hanging: readonly LaidPart[];
  readonly buildUp: BuildUp | null;
}

/** What a tier is told of one move. */
export function wordsOf(move: Move, laid: LaidFly, style: Style, { hanging, buildUp }: Standing): PartWords {
  const { length } = saying(style);
  const { shankMm, landmarksMm } = laid.platform;
  const place = (mm: number): string => {
    if (Math.abs(mm - landmarksMm.bend) < 0.3) return 'the bend';
    if (mm > landmarksMm.bend) return `${length(mm - landmarksMm.bend)} round the bend`;
    return `station ${formatNumber((10 * mm) / shankMm, 1, style)}`;
  };
  const words = WORDS[move.part.file.construction]({ move, laid, style, length, place, buildUp });
  const aside = hanging.filter((part) => part !== move.part).map((part) => part.file.id);
  const piece = move.part.file.continues;
  return {
    ...words,
    how: [
      ...(piece === undefined || move.does === 'wind'
        ? []
        : [`Take up the ${piece} again: it is one piece with this.`]),
      ...words.how,
      ...(move.part.file.note === undefined ? [] : [move.part.file.note]),
    ],
    look: [...words.look, ...(aside.length === 0 ? [] : [`Keep the ${aside.join(' and the ')} out of the turns.`])],
  };
}
