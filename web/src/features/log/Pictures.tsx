import type { OutingFile } from '@jobbet/core/records';
import { type RefObject, useState } from 'react';
import { api, type StoredOuting } from '../../shared/api/client.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { say } from '../../shared/ui/toast.ts';
import { changed } from './outings.ts';

const withPhotos = (record: OutingFile, photos: readonly string[]): OutingFile => {
  const { photos: _were, ...others } = record;
  return photos.length === 0 ? others : { ...others, photos: [...photos] };
};

/** Keeps pictures on the shelf of the house and with the outing; says which could not be. */
export async function takePictures(stored: StoredOuting, list: FileList | null): Promise<void> {
  const files = [...(list ?? [])];
  const kept: string[] = [];
  for (const file of files) {
    try {
      kept.push((await api.keepPicture(file)).file);
    } catch (error) {
      say(`${file.name}: ${error instanceof Error ? error.message : 'it was not kept.'}`);
    }
  }
  if (kept.length === 0) return;
  const photos = [...new Set([...(stored.record.photos ?? []), ...kept])];
  const [fault] = changed(
    stored,
    withPhotos(stored.record, photos),
    `${String(kept.length)} ${kept.length === 1 ? 'picture is' : 'pictures are'} kept with the outing.`,
  );
  if (fault) say(fault.message);
}

/** The pictures of an outing, small; one is opened large, and put away there. */
export function Pictures({
  stored,
  input,
}: {
  readonly stored: StoredOuting;
  readonly input: RefObject<HTMLInputElement | null>;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const photos = stored.record.photos ?? [];
  return (
    <>
      {photos.map((file, i) => (
        <button
          key={file}
          type="button"
          aria-label={`Picture ${String(i + 1)} of the outing`}
          className="inline-block align-middle mx-0.5 border border-hair hover:border-ink"
          onClick={() => setOpen(file)}
        >
          <img src={`/api/${file}`} alt="" className="h-7 w-10 object-cover" />
        </button>
      ))}{' '}
      <button
        type="button"
        className="text-label text-ink2 hover:text-ink underline decoration-dotted"
        onClick={() => input.current?.click()}
      >
        {photos.length === 0 ? 'add pictures' : 'more'}
      </button>
      <FilesInput
        ref={input}
        label="Pictures of the outing"
        accept="image/png,image/jpeg,image/webp"
        onTake={(list) => void takePictures(stored, list)}
      />
      {open !== null && (
        <DialogBox open wide title="A picture of the outing" onClose={() => setOpen(null)}>
          <img src={`/api/${open}`} alt="Kept with the outing" className="max-h-[60vh] mx-auto" />
          <button
            type="button"
            className="sheet-button mt-2"
            onClick={() => {
              changed(
                stored,
                withPhotos(
                  stored.record,
                  photos.filter((each) => each !== open),
                ),
                'The picture is put away.',
              );
              setOpen(null);
            }}
          >
            Put it away
          </button>
        </DialogBox>
      )}
    </>
  );
}
