import type { LengthFound } from '@jobbet/core/photo';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import { proxy } from 'comlink';
import { useState } from 'react';
import { useBench } from '../../fly/store.ts';
import { api, RequestError, type StoredSpecimen } from '../../shared/api/client.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { say } from '../../shared/ui/toast.ts';
import {
  type Landmarks,
  measuresTold,
  type Photo,
  photoFrom,
  type PhotoView,
  VIEW_WORDS,
  withoutPhoto,
  withPhoto,
} from './photo.ts';
import type { AspectAnswer, inspectReckon, PhotoAnswer } from './reckon.ts';
import { changeSpecimen } from './useSpecimens.ts';

const reckoner = reckonerOf<ReturnType<typeof inspectReckon>>('inspect');

const find = (file: FlyFile, drawers: Drawers, picture: Blob, onStep: (share: number) => void): Promise<PhotoAnswer> =>
  reckoner.long<PhotoAnswer>(drawers, async (handlers) => handlers.find(file, picture, proxy(onStep)));
const findAspect = (
  file: FlyFile,
  drawers: Drawers,
  picture: Blob,
  view: Exclude<PhotoView, 'side'>,
): Promise<AspectAnswer> =>
  reckoner.long<AspectAnswer>(drawers, async (handlers) => handlers.findAspect(file, picture, view));
const remeasure = (file: FlyFile, drawers: Drawers, photo: Photo): Promise<readonly LengthFound[]> =>
  reckoner.long<readonly LengthFound[]>(drawers, async (handlers) => handlers.remeasure(file, photo));

const wordsOf = (error: unknown): string =>
  error instanceof RequestError && error.faults.length > 0
    ? error.faults.map(({ message }) => `The picture ${message}.`).join(' ')
    : error instanceof Error
      ? error.message
      : 'It was not kept.';

interface PhotoWork {
  /** What is being done, in words, and how much of it is; null when nothing is. */
  readonly working: { readonly words: string; readonly share: number } | null;
  /** Why the last picture was not taken, and the way to lay its landmarks by hand where it can be read; null where it was. */
  readonly refused: { readonly words: string; readonly byHand: (() => void) | null } | null;
  /** @param simulated whether a stand-in rendered it */
  readonly take: (picture: Blob, view?: PhotoView, simulated?: boolean) => void;
  readonly move: (landmarks: Landmarks) => void;
  /** Lengths by so many mm a pixel; null: by its own hook. */
  readonly scale: (mmPerPx: number | null) => void;
  /** Puts away the photograph that is looked at; null where there is none. */
  readonly drop: (() => void) | null;
}

const spot = ([x, y]: readonly [number, number]): [number, number] => [
  Math.round(x * 10) / 10,
  Math.round(y * 10) / 10,
];

/** No hook is found in a picture; where that can be read, it may be laid by hand. */
class NotFound extends Error {
  readonly isRead: boolean;
  constructor(why: string, isRead: boolean) {
    super(why);
    this.isRead = isRead;
  }
}

/** A photograph and what it tells. */
interface Taken {
  readonly photo: Photo;
  readonly lengths: readonly LengthFound[];
  readonly notes: readonly string[];
}

/** Where the fly lies in a picture, with what is told by it. @throws with the words of why it is not found */
async function foundIn(
  file: FlyFile,
  drawers: Drawers,
  picture: Blob,
  view: PhotoView,
  onStep: (share: number) => void,
): Promise<Omit<Taken, 'photo'> & { readonly photo: Omit<Photo, 'file' | 'view'> }> {
  if (view !== 'side') {
    const answer = await findAspect(file, drawers, picture, view);
    if (!answer.ok) throw new Error(answer.why);
    const { landmarks, contour, notes } = answer.found;
    const { eye, bend, left, right } = landmarks;
    const marks = {
      eye: spot(eye),
      bend: spot(bend),
      ...(left && right ? { left: spot(left), right: spot(right) } : {}),
    };
    return {
      photo: { landmarks: marks, contour: contour.map(spot) },
      lengths: [],
      notes,
    };
  }
  const answer = await find(file, drawers, picture, onStep);
  if (!answer.ok) throw new NotFound(answer.why, answer.isRead);
  const { landmarks, contour, lengths, notes, scaledBy, mmPerPx } = answer.found;
  const { eye, bend, point } = landmarks;
  if (!eye || !bend)
    throw new NotFound('Eye and bend cannot both be told in it: lay the fly so that both stand clear.', true);
  const marks = { eye: spot(eye.at), bend: spot(bend.at), ...(point ? { point: spot(point.at) } : {}) };
  const told = { beyond: { ...answer.beyond }, ...(scaledBy === 'card' ? { mmPerPx } : {}) };
  return { photo: { landmarks: marks, contour: contour.map(spot), ...told }, lengths, notes };
}

/** A picture that is to be taken in. */
interface Offered {
  readonly picture: Blob;
  readonly view: PhotoView;
  /** Whether a stand-in rendered it. */
  readonly simulated: boolean;
  /** Whether its landmarks are laid by hand: the hook was not found in it. */
  readonly byHand: boolean;
}

const BY_HAND = 'pull eye, bend and point to where they are: what is measured goes by them';

/** What of the fly is seen, its landmarks about where they are: to be laid by hand. @throws with the words of why nothing is seen */
async function seenIn(file: FlyFile, drawers: Drawers, picture: Blob): ReturnType<typeof foundIn> {
  const { photo } = await foundIn(file, drawers, picture, 'top', () => undefined);
  const { left: _left, right: _right, ...landmarks } = photo.landmarks ?? { eye: [0, 0], bend: [0, 0] };
  return { photo: { ...photo, landmarks }, lengths: [], notes: [BY_HAND] };
}

/** Takes pictures in for a fly. @param keep keeps what was found of one */
function useTaking(keep: (specimen: string, taken: Photo, lengths: readonly LengthFound[]) => void) {
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const [working, setWorking] = useState<PhotoWork['working']>(null);
  const [refused, setRefused] = useState<PhotoWork['refused']>(null);
  const onStep = (share: number): void => setWorking((now) => now && { ...now, share });
  const takeIn = async (specimen: string, offered: Offered): Promise<void> => {
    const { picture, view, simulated, byHand } = offered;
    setRefused(null);
    try {
      setWorking({ words: 'Looking for the fly in the picture', share: 0 });
      const found = byHand ? await seenIn(file, drawers, picture) : await foundIn(file, drawers, picture, view, onStep);
      setWorking({ words: 'Keeping the picture', share: 1 });
      const kept = await api.keepPicture(picture);
      keep(specimen, { ...found.photo, file: kept.file, view, ...(simulated ? { simulated } : {}) }, found.lengths);
      if (found.notes.length > 0) say(`${found.notes.join('; ')}.`);
    } catch (error) {
      const again =
        error instanceof NotFound && error.isRead ? () => void takeIn(specimen, { ...offered, byHand: true }) : null;
      setRefused({ words: wordsOf(error), byHand: again });
    } finally {
      setWorking(null);
    }
  };
  return { working, refused, takeIn };
}

/**
 * Takes a photograph of the fly that is looked at, moves its landmarks, puts it away.
 * @param known what is measured on the pattern @param from which of its photographs is looked at
 */
export function usePhoto(here: StoredSpecimen | undefined, known: ReadonlySet<string>, from: PhotoView): PhotoWork {
  const id = useBench((state) => state.id);
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const number = String(here?.record.number ?? 1);
  const photo = here ? photoFrom(here.record, from) : null;
  const keep = (specimen: string, words: string, taken: Photo, lengths: readonly LengthFound[]): void =>
    changeSpecimen(id, specimen, words, (now) => withPhoto(now, taken, measuresTold(lengths, known)));
  const { working, refused, takeIn } = useTaking((specimen, taken, lengths) =>
    keep(specimen, `A photograph of fly ${number} ${VIEW_WORDS[taken.view]}`, taken, lengths),
  );
  /** Measures a photograph of which something is told otherwise. */
  const again = (told: Photo, words: string): void => {
    if (!here) return;
    const measured = from === 'side' ? remeasure(file, drawers, told) : Promise.resolve([]);
    measured.then((lengths) => keep(here.id, words, told, lengths)).catch((error: unknown) => say(wordsOf(error)));
  };
  return {
    working,
    refused,
    take: (picture, view = 'side', simulated = false) => {
      if (here) void takeIn(here.id, { picture, view, simulated, byHand: false });
    },
    move: (landmarks) => {
      if (photo) again({ ...photo, landmarks }, `Landmarks of fly ${number}`);
    },
    scale: (mmPerPx) => {
      if (!photo) return;
      const { mmPerPx: _was, ...kept } = photo;
      again(mmPerPx === null ? kept : { ...kept, mmPerPx }, `The scale of fly ${number}`);
    },
    drop:
      here && photo
        ? () =>
            changeSpecimen(id, here.id, `The photograph of fly ${number} is put away`, (now) => withoutPhoto(now, from))
        : null,
  };
}
