import type { Construction } from '../pattern/index.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import { type Style, saying } from '../units/index.ts';
import type { BuildUp } from './buildUp.ts';
import { tiesIn, type Move } from './order.ts';
import { partName } from './partName.ts';
import { atPlace, placeWords } from './places.ts';
import { ballWords } from './words/ball.ts';
import { coatWords, sheetWords, spunWords } from './words/covers.ts';
import { clumpWords, featherWords, stripWords } from './words/free.ts';
import type { PartWords, Told } from './words/told.ts';
import { hackleWords } from './words/hackle.ts';
import { wrapWords } from './words/wound.ts';

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
  /** Before the thread is started. */
  readonly bare: boolean;
}

/** What a tier is told of one move. */
export function wordsOf(move: Move, laid: LaidFly, style: Style, { hanging, buildUp, bare }: Standing): PartWords {
  const { spoken } = saying(style);
  const { file } = move.part;
  const place = placeWords(laid, style, file.id);
  const words = WORDS[file.construction]({
    move,
    laid,
    style,
    length: spoken,
    place,
    at: (mm) => atPlace(place(mm)),
    buildUp,
    bare,
  });
  const aside = hanging.filter((part) => part !== move.part).map((part) => partName(part.file.id));
  return {
    ...words,
    inHand: tiesIn(move) ? words.inHand : [],
    how: [
      ...(move.does === 'on' && file.continues !== undefined
        ? [`Take up the ${partName(file.continues)} that was left: it is the same piece, and is not tied in again.`]
        : []),
      ...words.how,
      ...(file.note === undefined || move.does === 'catch' ? [] : [file.note]),
    ],
    look: [...words.look, ...(aside.length === 0 ? [] : [`Keep the ${aside.join(' and the ')} out of the turns.`])],
  };
}
