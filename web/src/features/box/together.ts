import { mutate } from 'swr';
import { api, type ListedFly } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';
import { saveKept } from './saveKept.ts';

/** `Slate Runner`, `2 flies`. */
export const called = (flies: readonly ListedFly[]): string =>
  flies.length === 1 ? (flies[0]?.name ?? '') : `${String(flies.length)} flies`;

const be = (flies: readonly ListedFly[]): string => (flies.length === 1 ? 'is' : 'are');

/** Does something that takes the server, and says so where it fails. */
export function doing(work: Promise<void>): void {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It did not work.'));
}

/** Does something with flies of the box, and lists what became of them, whether all of it went well or not. */
async function listing(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } finally {
    await mutate('flies');
  }
}

/** Puts flies in the trash; one word takes all of them back. */
export async function removeFlies(flies: readonly ListedFly[]): Promise<void> {
  await listing(async () => {
    for (const { id } of flies) await api.remove(id);
  });
  const back = (): Promise<void> =>
    listing(async () => {
      for (const { id } of flies) await api.undelete(id);
    });
  say(`${called(flies)} ${be(flies)} in the trash.`, { name: 'Undo', run: () => doing(back()) });
}

export async function copyFlies(flies: readonly ListedFly[]): Promise<void> {
  let made = '';
  await listing(async () => {
    for (const { id, name } of flies) {
      const { file } = await api.fly(id);
      made = (await api.create({ ...file, name: `${name}, copy` })).name;
    }
  });
  say(flies.length === 1 ? `${made} is in the box.` : `Copies of ${called(flies)} are in the box.`);
}

/** Keeps flies together by a word, or by none. */
export async function groupFlies(flies: readonly ListedFly[], word: string): Promise<void> {
  await listing(async () => {
    for (const { id } of flies) {
      const { file, revision } = await api.fly(id);
      const { group: before, ...rest } = file;
      const group = word.trim();
      if ((before ?? '') !== group) await api.save(id, group === '' ? rest : { ...rest, group }, revision, 'saved');
    }
  });
}

/** So long between one file and the next, ms: a browser takes several at once for one. */
const APART_MS = 250;

/** Saves the pattern file of each, one after another. */
export async function saveFiles(flies: readonly ListedFly[]): Promise<void> {
  for (const [i, fly] of flies.entries()) {
    if (i > 0) await new Promise((go) => setTimeout(go, APART_MS));
    saveKept(fly);
  }
}
