import type { SpecimenReport } from '@jobbet/core/inspect';
import type { LaidFly } from '@jobbet/core/model';
import type { SpecimenFile } from '@jobbet/core/records';
import { type RefObject, useEffect } from 'react';
import { leaveLongWork } from '../../shared/solve/solver.ts';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { Board } from './Board.tsx';
import type { PhotoView, Shown } from './photo.ts';
import type { usePhoto } from './usePhoto.ts';

/** The first of what was dropped, pasted or chosen. */
export function takeFirst(files: FileList | null | undefined, take: (picture: Blob) => void): void {
  const [first] = files ?? [];
  if (first) take(first);
}

interface LookedProps {
  readonly record: SpecimenFile;
  readonly plan: LaidFly;
  readonly tied: LaidFly | null;
  readonly told: SpecimenReport | null;
  readonly photo: ReturnType<typeof usePhoto>;
  readonly files: RefObject<HTMLInputElement | null>;
  /** From where the next picture that is chosen was taken. */
  readonly from: PhotoView;
  readonly shown: Shown;
  readonly looking: boolean;
  readonly onShown: (shown: Shown) => void;
}

/** The fly that is looked at, and where a photograph of it is taken in: chosen, or pasted. */
export function Looked({ record, plan, tied, told, photo, files, from, shown, looking, onShown }: LookedProps) {
  const { silhouette = null, views = [] } = told ?? {};
  const { take } = photo;
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      if (event.target instanceof HTMLInputElement) return;
      takeFirst(event.clipboardData?.files, take);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [take]);
  return (
    <>
      <Board
        {...{ plan, tied, record, views, silhouette, shown, looking, onShown }}
        onMove={photo.move}
        onScale={photo.scale}
      >
        <PhotoSaid working={photo.working} refused={photo.refused} />
      </Board>
      <FilesInput
        ref={files}
        label="Photograph of the fly"
        accept="image/png,image/jpeg,image/webp"
        onTake={(taken) => takeFirst(taken, (picture) => take(picture, from))}
      />
    </>
  );
}

/** How far a photograph is, or why it was not taken. */
const PhotoSaid = ({ working, refused }: Pick<ReturnType<typeof usePhoto>, 'working' | 'refused'>) => (
  <>
    {working !== null && (
      <p role="status" className="absolute left-3 bottom-2 bg-sheet px-2 py-1 border border-rule flex gap-3">
        {working.words}
        <progress
          className="w-24 self-center accent-[var(--measure)]"
          value={working.share}
          aria-label="looked through"
        />
        <button type="button" className="text-ink2 hover:text-ink" onClick={leaveLongWork}>
          Stop
        </button>
      </p>
    )}
    {refused !== null && (
      <p role="alert" className="absolute left-3 right-3 bottom-2 bg-warnwash text-warn px-2 py-1">
        {refused.words}
        {refused.byHand && (
          <button type="button" className="sheet-button ml-3" onClick={refused.byHand}>
            Lay its landmarks by hand
          </button>
        )}
      </p>
    )}
  </>
);
