import { bad, good, type Outcome } from '../base/index.ts';
import { type Blob, blobsOf } from './blobs.ts';
import { cardAmong, rulerAmong } from './card.ts';
import { type Cover, coverOf, thresholdOf } from './cover.ts';
import { apartFromGround, type Apart } from './ground.ts';
import { type Box, type Colours, coloursOf, cropped, type Picture, widened } from './picture.ts';

/** Patches smaller than this share of the largest are dust. */
const DUST = 0.02;
const MARGIN_PX = 30;

/** Why nothing is measured in a picture. */
export const cannot = (message: string): Outcome<never> => bad({ path: 'photo', code: 'picture', message });

/** What of a picture is fly, in the box it lies in. */
export interface Seen {
  readonly apart: Apart;
  readonly shrunk: number;
  readonly blobs: readonly Blob[];
  /** Of all patches that are no dust. */
  readonly tight: Box;
  readonly box: Box;
  readonly cover: Cover;
  readonly held: boolean;
  /** The smaller picture it is told by. */
  readonly colours: Colours;
  /** Whether a ruler lies beside the fly. */
  readonly byRuler: boolean;
  /** mm a pixel of the smaller picture, by a card that lies beside the fly; null where none does. */
  readonly byCard: number | null;
}

const boxOf = (blobs: readonly Blob[]): Box => ({
  left: Math.min(...blobs.map(({ box }) => box.left)),
  top: Math.min(...blobs.map(({ box }) => box.top)),
  right: Math.max(...blobs.map(({ box }) => box.right)),
  bottom: Math.max(...blobs.map(({ box }) => box.bottom)),
});

/** Less of a picture than this is no fly that could be measured. */
const LEAST_SHARE = 0.002;
/** Two patches whose areas are so near and that lie so far apart are two flies. */
const TWO = { area: 0.45, apart: 0.2 } as const;

const apartBy = (one: Box, other: Box): number =>
  Math.max(one.left - other.right, other.left - one.right, one.top - other.bottom, other.top - one.bottom);

/** Tells the fly from its ground. @returns what of the picture is fly, or why none can be told, and what to do */
export function seenIn(picture: Picture): Outcome<Seen> {
  const colours = coloursOf(picture);
  const apart = apartFromGround(colours);
  const threshold = thresholdOf(apart);
  const found = blobsOf(apart, 12, threshold);
  const card = cardAmong(found, apart.width, apart.height);
  const ruler = rulerAmong(found, apart.width, apart.height);
  const all = [card?.blob, ruler].reduce<readonly Blob[]>(
    (left, beside) => (beside ? apartFrom(left, beside) : left),
    found.blobs,
  );
  const [main] = all;
  if (!main || main.area < LEAST_SHARE * apart.width * apart.height)
    return cannot(
      'no fly stands out from its ground: lay it on plain paper of another colour, in even light, and larger in the picture',
    );
  const blobs = all.filter(({ area }) => area > DUST * main.area);
  const second = blobs.find(
    (each) =>
      each !== main &&
      each.onBorder === 0 &&
      each.area > TWO.area * main.area &&
      apartBy(each.box, main.box) >
        (TWO.apart * Math.hypot(main.box.right - main.box.left, main.box.bottom - main.box.top)) / 2,
  );
  if (second) return cannot('two flies lie there: photograph one at a time, with nothing beside it');
  const tight = boxOf(blobs);
  const box = widened(tight, MARGIN_PX, apart);
  return good({
    apart,
    colours,
    shrunk: colours.shrunk,
    blobs,
    tight,
    box,
    cover: coverOf(cropped(apart, box), threshold),
    held: blobs.some(({ onBorder }) => onBorder > 0),
    byRuler: ruler !== null,
    byCard: card && card.mmPerPx,
  });
}

/** Everything but a card or a ruler, and what of its printing lies within it. */
const apartFrom = (blobs: readonly Blob[], card: Blob): readonly Blob[] =>
  blobs.filter(
    ({ box }) =>
      box.left < card.box.left || box.top < card.box.top || box.right > card.box.right || box.bottom > card.box.bottom,
  );

/** A place of the smaller picture in the one it was made from: a pixel's middle stays its middle. */
export const toPicture = ([x, y]: readonly [number, number], by: number): readonly [number, number] => [
  (x + 0.5) * by - 0.5,
  (y + 0.5) * by - 0.5,
];
