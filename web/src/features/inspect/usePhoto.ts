import type { LengthFound } from '@jobbet/core/photo';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import { useState } from 'react';
import { useBench } from '../../fly/store.ts';
import { api, RequestError, type StoredSpecimen } from '../../shared/api/client.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { say } from '../../shared/ui/toast.ts';
import { type Landmarks, measuresTold, type Photo, sideOf, withoutPhoto, withPhoto } from './photo.ts';
import type { inspectReckon, PhotoAnswer } from './reckon.ts';
import { changeSpecimen } from './useSpecimens.ts';

const reckoner = reckonerOf<ReturnType<typeof inspectReckon>>('inspect');

const find = (file: FlyFile, drawers: Drawers, picture: Blob): Promise<PhotoAnswer> =>
  reckoner.long<PhotoAnswer>(drawers, async (handlers) => handlers.find(file, picture));
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
  readonly take: (picture: Blob) => void;
  readonly move: (landmarks: Landmarks) => void;
  readonly drop: (() => void) | null;
}

const spot = ([x, y]: readonly [number, number]): [number, number] => [
  Math.round(x * 10) / 10,
  Math.round(y * 10) / 10,
];

/** A photograph found and kept, as a finished fly has it, and what it tells. @throws with the words of why it was not */
async function takenIn(
  file: FlyFile,
  drawers: Drawers,
  picture: Blob,
  onWork: (words: string) => void,
): Promise<{ readonly photo: Photo; readonly lengths: readonly LengthFound[]; readonly notes: readonly string[] }> {
  onWork('Looking for the fly in the picture');
  const answer = await find(file, drawers, picture);
  if (!answer.ok) throw new Error(answer.why);
  const { landmarks, contour, lengths, notes } = answer.found;
  const { eye, bend, point } = landmarks;
  if (!eye || !bend) throw new Error('Eye and bend cannot both be told in it: lay the fly so that both stand clear.');
  onWork('Keeping the picture');
  const kept = await api.keepPicture(picture);
  return {
    photo: {
      file: kept.file,
      view: 'side',
      landmarks: { eye: spot(eye.at), bend: spot(bend.at), ...(point ? { point: spot(point.at) } : {}) },
      contour: contour.map(spot),
    },
    lengths,
    notes,
  };
}

/** Takes a photograph of the fly that is looked at, moves its landmarks, puts it away. @param known what is measured on the pattern */
export function usePhoto(here: StoredSpecimen | undefined, known: ReadonlySet<string>): PhotoWork {
  const id = useBench((state) => state.id);
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const [working, setWorking] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const number = String(here?.record.number ?? 1);
  const photo = here ? sideOf(here.record) : null;

  const keep = (specimen: string, words: string, taken: Photo, lengths: readonly LengthFound[]): void =>
    changeSpecimen(id, specimen, words, (now) => withPhoto(now, taken, measuresTold(lengths, known)));
  const takeIn = async (specimen: string, picture: Blob): Promise<void> => {
    setRefused(null);
    try {
      const taken = await takenIn(file, drawers, picture, setWorking);
      keep(specimen, `A photograph of fly ${number}`, taken.photo, taken.lengths);
      if (taken.notes.length > 0) say(`${taken.notes.join('; ')}.`);
    } catch (error) {
      setRefused(wordsOf(error));
    } finally {
      setWorking(null);
    }
  };
  return {
    working,
    refused,
    take: (picture) => {
      if (here) void takeIn(here.id, picture);
    },
    move: (landmarks) => {
      if (!here || !photo) return;
      const moved = { ...photo, landmarks };
      remeasure(file, drawers, moved)
        .then((lengths) => keep(here.id, `Landmarks of fly ${number}`, moved, lengths))
        .catch((error: unknown) => say(wordsOf(error)));
    },
    drop:
      here && photo
        ? () => changeSpecimen(id, here.id, `The photograph of fly ${number} is put away`, withoutPhoto)
        : null,
  };
}
