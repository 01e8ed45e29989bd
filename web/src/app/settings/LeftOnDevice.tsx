import { dateAndTime } from '../../shared/ui/dates.ts';
import { readFlyValue } from '@jobbet/core/pattern';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { dropLeft, keepLeft, leftDrafts, type LeftDraft } from '../../fly/drafts.ts';
import { slug } from '../../shared/ui/saveFile.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';

const nameOf = ({ draft }: LeftDraft): string =>
  typeof draft.file['name'] === 'string' && draft.file['name'] !== '' ? draft.file['name'] : 'a fly without a name';

/** Work that never reached the box and that no window is on: it is put in the box, saved as a file, or thrown away. */
export function LeftOnDevice() {
  const [left, setLeft] = useState(() => leftDrafts());
  const navigate = useNavigate();
  if (left.length === 0) return null;
  const drop = (each: LeftDraft): void => {
    dropLeft(each);
    setLeft(leftDrafts());
  };
  const putInBox = async (each: LeftDraft): Promise<void> => {
    const read = readFlyValue(each.draft.file);
    if (!read.ok) throw new Error(`${nameOf(each)} does not read: save it as a file and mend it there.`);
    const made = await api.create({ ...read.value, name: `${nameOf(each)}, from this device`.slice(0, 120) });
    drop(each);
    await mutate('flies');
    void navigate(`/fly/${made.id}`);
  };
  return (
    <section aria-label="Left on this device" className="py-3 border-t border-hair">
      <h2 className="text-part font-bold mb-1">Left on this device</h2>
      <p className="mb-2">
        Work that did not reach the box. It is taken up by itself when its fly is opened, if that can be.
      </p>
      <ul className="flex flex-col gap-2">
        {left.map((each) => (
          <li key={each.key} className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <span className="w-full">
              <b>{nameOf(each)}</b> <span className="italic text-ink2">{dateAndTime(each.draft.at)}</span>
            </span>
            <button
              type="button"
              className="underline"
              onClick={() => {
                putInBox(each).catch((error: unknown) =>
                  say(error instanceof Error ? error.message : 'It did not work.'),
                );
              }}
            >
              put it in the box as a new fly
            </button>
            <button
              type="button"
              className="underline"
              onClick={() =>
                saveFile(`${slug(nameOf(each))}.fly.json`, `${JSON.stringify(each.draft.file, null, 2)}\n`)
              }
            >
              save it as a file
            </button>
            <button
              type="button"
              className="underline"
              onClick={() => {
                drop(each);
                say(`What was left of ${nameOf(each)} is thrown away.`, {
                  name: 'Undo',
                  run: () => {
                    keepLeft(each);
                    setLeft(leftDrafts());
                  },
                });
              }}
            >
              throw it away
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
