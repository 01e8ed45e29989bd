import { api, type ListedFly } from '../../shared/api/client.ts';
import { slug } from '../../shared/ui/saveFile.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';

/** Saves the pattern file of a fly as it is kept, whether it reads or not. */
export function saveKept({ id, name }: ListedFly): void {
  api
    .fileText(id)
    .then((text) => saveFile(`${slug(name)}.fly.json`, text))
    .catch((error: unknown) => say(error instanceof Error ? error.message : 'It did not work.'));
}
