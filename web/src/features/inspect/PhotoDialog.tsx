import type { Drawers } from '@jobbet/core/drawers';
import type { LaidFly } from '@jobbet/core/model';
import { useEffect, useRef, useState } from 'react';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { type CameraPort, DeviceCamera, hasCamera, SimulatedCamera } from './cameras.ts';
import { PHOTO_VIEWS, type PhotoView, VIEW_WORDS } from './photo.ts';

interface PhotoDialogProps {
  readonly plan: LaidFly;
  readonly drawers: Drawers;
  readonly number: number;
  readonly onChoose: (view: PhotoView) => void;
  readonly onTake: (picture: Blob, view: PhotoView, simulated: boolean) => void;
  readonly onClose: () => void;
}

const HOW: Readonly<Record<PhotoView, string>> = {
  side: 'On plain paper of another colour, in even light, a finger’s breadth of ground all round. A bank card beside it, whole in the picture, sets the scale; else its own hook does.',
  top: 'From straight above, eye and tail whole in the picture: left and right of the hook, how the eyes stand.',
  front: 'Straight into the ring, the bend below: how the eyes stand about the shank, how even the head is all round.',
};

/** From where a fly is photographed, and by what: a picture that is there, the camera, or a stand-in for it. */
export function PhotoDialog({ plan, drawers, number, onChoose, onTake, onClose }: PhotoDialogProps) {
  const [view, setView] = useState<PhotoView>('side');
  const [live, setLive] = useState(false);
  const [why, setWhy] = useState<string | null>(null);
  const shoot = (port: CameraPort): void => {
    port
      .shot()
      .then((picture) => {
        onTake(picture, view, port.simulated);
        onClose();
      })
      .catch((reason: unknown) => setWhy(reason instanceof Error ? reason.message : 'It was not taken.'));
  };
  return (
    <DialogBox title={`A photograph of fly ${String(number)}`} open onClose={onClose}>
      <fieldset className="flex gap-5">
        <legend className="sr-only">From where</legend>
        {PHOTO_VIEWS.map((each) => (
          <label key={each} className="flex gap-1.5 items-baseline">
            <input type="radio" name="from where" checked={view === each} onChange={() => setView(each)} />
            {VIEW_WORDS[each]}
          </label>
        ))}
      </fieldset>
      <p className="text-ink2 my-3">{HOW[view]}</p>
      {live ? (
        <Live onWhy={setWhy} onShoot={shoot} />
      ) : (
        <p className="flex flex-wrap gap-2">
          <button
            type="button"
            className="sheet-button primary"
            onClick={() => {
              onChoose(view);
              onClose();
            }}
          >
            Choose a picture
          </button>
          {hasCamera() && (
            <button type="button" className="sheet-button" onClick={() => setLive(true)}>
              By the camera
            </button>
          )}
          <button
            type="button"
            className="sheet-button"
            title="renders the fly as it might come out of your hands"
            onClick={() => shoot(new SimulatedCamera(plan, drawers, view, number))}
          >
            By the stand-in, simulated
          </button>
        </p>
      )}
      {why !== null && (
        <p role="alert" className="mt-3 text-warn">
          {why}
        </p>
      )}
    </DialogBox>
  );
}

/** What the camera sees, until it is taken. */
function Live({
  onWhy,
  onShoot,
}: {
  readonly onWhy: (why: string) => void;
  readonly onShoot: (port: CameraPort) => void;
}) {
  const video = useRef<HTMLVideoElement>(null);
  const [port] = useState(() => new DeviceCamera());
  useEffect(() => {
    if (video.current)
      port
        .open(video.current)
        .catch(() => onWhy('The camera cannot be used: does another program hold it, or was it not allowed?'));
    return () => port.close();
  }, [port, onWhy]);
  return (
    <>
      <video ref={video} muted playsInline className="w-full bg-sunk" aria-label="what the camera sees" />
      <p className="mt-2">
        <button type="button" className="sheet-button primary" onClick={() => onShoot(port)}>
          Take it
        </button>
      </p>
    </>
  );
}
