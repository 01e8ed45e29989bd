import { useMemo } from 'react';
import useSWR from 'swr';
import { api, type StoredOuting } from '../../shared/api/client.ts';
import { OUTINGS } from '../../shared/api/keys.ts';

const NONE: readonly StoredOuting[] = [];

/** Outings as they were last fetched, but those in the trash. */
export function useOutingsKept(): readonly StoredOuting[] {
  const { data } = useSWR<StoredOuting[], unknown>(OUTINGS, api.outings, { revalidateOnFocus: false });
  return useMemo(() => data?.filter(({ deletedAt }) => deletedAt === null) ?? NONE, [data]);
}

/** The last day each fly was fished, by its id: `2026-10-24`. */
export function lastOutOf(outings: readonly Pick<StoredOuting, 'record'>[]): ReadonlyMap<string, string> {
  const last = new Map<string, string>();
  for (const { record } of outings)
    for (const { fly } of record.rods)
      if (fly !== undefined && record.date > (last.get(fly) ?? '')) last.set(fly, record.date);
  return last;
}

/** The last day each fly of the box was fished. */
export function useLastOut(): ReadonlyMap<string, string> {
  const outings = useOutingsKept();
  return useMemo(() => lastOutOf(outings), [outings]);
}
