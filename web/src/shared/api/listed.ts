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
