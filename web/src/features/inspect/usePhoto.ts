import type { LengthFound } from '@jobbet/core/photo';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
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

const find = (file: FlyFile, drawers: Drawers, picture: Blob): Promise<PhotoAnswer> =>
  reckoner.long<PhotoAnswer>(drawers, async (handlers) => handlers.find(file, picture));
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
  /** What is being done, in words; null when nothing is. */
  readonly working: string | null;
  /** Why the last picture was not taken; null where it was. */
  readonly refused: string | null;
  /** @param simulated whether a stand-in rendered it */
  readonly take: (picture: Blob, view?: PhotoView, simulated?: boolean) => void;
  readonly move: (landmarks: Landmarks) => void;
  /** Puts away the photograph that is looked at; null where there is none. */
  readonly drop: (() => void) | null;
}

const spot = ([x, y]: readonly [number, number]): [number, number] => [
  Math.round(x * 10) / 10,
  Math.round(y * 10) / 10,
];

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
  const answer = await find(file, drawers, picture);
  if (!answer.ok) throw new Error(answer.why);
  const { landmarks, contour, lengths, notes } = answer.found;
  const { eye, bend, point } = landmarks;
  if (!eye || !bend) throw new Error('Eye and bend cannot both be told in it: lay the fly so that both stand clear.');
  const marks = { eye: spot(eye.at), bend: spot(bend.at), ...(point ? { point: spot(point.at) } : {}) };
  return { photo: { landmarks: marks, contour: contour.map(spot) }, lengths, notes };
}

/**
 * Takes a photograph of the fly that is looked at, moves its landmarks, puts it away.
 * @param known what is measured on the pattern @param from which of its photographs is looked at
 */
export function usePhoto(here: StoredSpecimen | undefined, known: ReadonlySet<string>, from: PhotoView): PhotoWork {
  const id = useBench((state) => state.id);
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const [working, setWorking] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const number = String(here?.record.number ?? 1);
  const photo = here ? photoFrom(here.record, from) : null;

  const keep = (specimen: string, words: string, taken: Photo, lengths: readonly LengthFound[]): void =>
    changeSpecimen(id, specimen, words, (now) => withPhoto(now, taken, measuresTold(lengths, known)));
  const takeIn = async (specimen: string, picture: Blob, view: PhotoView, simulated: boolean): Promise<void> => {
    setRefused(null);
    try {
      setWorking('Looking for the fly in the picture');
      const found = await foundIn(file, drawers, picture, view);
      setWorking('Keeping the picture');
      const kept = await api.keepPicture(picture);
      const taken: Photo = { ...found.photo, file: kept.file, view, ...(simulated ? { simulated } : {}) };
      keep(specimen, `A photograph of fly ${number} ${VIEW_WORDS[view]}`, taken, found.lengths);
      if (found.notes.length > 0) say(`${found.notes.join('; ')}.`);
    } catch (error) {
      setRefused(wordsOf(error));
    } finally {
      setWorking(null);
    }
  };
  return {
    working,
    refused,
    take: (picture, view = 'side', simulated = false) => {
      if (here) void takeIn(here.id, picture, view, simulated);
    },
    move: (landmarks) => {
      if (!here || !photo) return;
      const moved = { ...photo, landmarks };
      if (from !== 'side') {
        keep(here.id, `Landmarks of fly ${number}`, moved, []);
        return;
      }
      remeasure(file, drawers, moved)
        .then((lengths) => keep(here.id, `Landmarks of fly ${number}`, moved, lengths))
        .catch((error: unknown) => say(wordsOf(error)));
    },
    drop:
      here && photo
        ? () =>
            changeSpecimen(id, here.id, `The photograph of fly ${number} is put away`, (now) => withoutPhoto(now, from))
        : null,
  };
}
