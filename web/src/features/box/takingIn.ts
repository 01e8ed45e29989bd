import type { FlyFile } from '@jobbet/core/pattern';
import { api } from '../../shared/api/client.ts';
import type { Incoming } from './importing.ts';

/** What is to become of a file whose name is taken. */
export type Answer = 'both' | 'replace' | 'skip';

/**
 * Takes files into the box one after the other.
 * @param answers for each of `incoming.known`, in its order
 * @param onProgress told how many are in after each
 * @returns how many were taken in
 */
export async function takeIn(
  { fresh, known }: Incoming,
  answers: readonly Answer[],
  onProgress: (done: number) => void,
): Promise<number> {
  let done = 0;
  const one = async (work: Promise<unknown>): Promise<void> => {
    await work;
    onProgress(++done);
  };
  for (const file of fresh) await one(api.create(file));
  for (const [i, { file, stored }] of known.entries()) {
    const answer = answers[i] ?? 'both';
    if (answer === 'both') await one(api.create({ ...file, name: `${file.name}, imported` }));
    if (answer === 'replace' && stored) await one(replace(stored.id, file));
  }
  return done;
}

/** Saves over the newest revision, whatever it is by now; what is replaced stays in the history. */
async function replace(id: string, file: FlyFile): Promise<void> {
  const { revision } = await api.fly(id);
  await api.save(id, file, revision, 'saved');
}
