import { useRef, useState } from 'react';
import type { StoredSpecimen } from '../../shared/api/client.ts';
import { afterShown, fromWhere, type PhotoView, shownOf, type Shown } from './photo.ts';
import { usePhoto } from './usePhoto.ts';

const SHOWS: Readonly<Record<PhotoView, Shown>> = {
  side: 'photograph',
  top: 'from above',
  front: 'from the front',
};

/** How the fly that is looked at is photographed, and which of its photographs is shown. @param known what is measured on the pattern */
export function usePhotographing(here: StoredSpecimen | undefined, known: ReadonlySet<string>) {
  const [shown, setShown] = useState<Shown>('photograph');
  const [asking, setAsking] = useState(false);
  const [from, setFrom] = useState<PhotoView>('side');
  const files = useRef<HTMLInputElement>(null);
  const photo = usePhoto(here, known, fromWhere(shown));
  const ask = (): void => setAsking(true);
  return {
    shown,
    setShown,
    photo,
    files,
    /** From where the next picture that is chosen was taken. */
    from,
    ask,
    /** Shows the next of what there is; null where there is but the plan. */
    turn: here && shownOf(here.record).length > 1 ? () => setShown(afterShown(here.record, shown)) : null,
    /** What its dialog does; null while it is not open. */
    asked: asking
      ? {
          onChoose: (view: PhotoView): void => {
            setFrom(view);
            setShown(SHOWS[view]);
            files.current?.click();
          },
          onTake: (picture: Blob, view: PhotoView, simulated: boolean): void => {
            setShown(SHOWS[view]);
            photo.take(picture, view, simulated);
          },
          onClose: (): void => setAsking(false),
        }
      : null,
  };
}
