import type { FlyFile } from '@jobbet/core/pattern';
import useSWR from 'swr';
import { api, type ListedFly, type SoundFly, type StoredFly } from './client.ts';

/** Whether a fly of the list can be solved; one that cannot has no figures. */
export const isSound = (fly: ListedFly): fly is SoundFly => fly.broken === null;

/** All flies in the box as lists have them; undefined until they are here, with why where they cannot be had. */
export function useFlies(wanted = true): { readonly flies: readonly ListedFly[] | undefined; readonly error: unknown } {
  const { data, error } = useSWR<ListedFly[], unknown>(wanted ? 'flies' : null, api.flies);
  return { flies: data, error };
}

/** A fly of the list with its file, as it was saved last; undefined until it is here. @param fly none for nothing */
export function useFlyOf(fly: ListedFly | null | undefined): StoredFly | undefined {
  const { data } = useSWR<StoredFly, unknown>(
    fly ? `file/${fly.id}/${String(fly.revision)}` : null,
    () => api.fly(fly?.id ?? ''),
    { revalidateOnFocus: false, revalidateIfStale: false, revalidateOnReconnect: false },
  );
  return data;
}

/** The pattern files of all flies of the box, by id; undefined until they are here. */
export function useFlyFiles(): Readonly<Record<string, FlyFile>> | undefined {
  const { flies } = useFlies();
  const key = flies?.map(({ id, revision }) => `${id}/${String(revision)}`).join();
  const { data } = useSWR<Record<string, FlyFile>, unknown>(
    key === undefined ? null : `files/${key}`,
    async () => {
      const all = await Promise.all((flies ?? []).map(({ id }) => api.fly(id)));
      return Object.fromEntries(all.map(({ id, file }) => [id, file]));
    },
    // A fly that is saved meanwhile does not close what is read.
    { keepPreviousData: true },
  );
  return data;
}
