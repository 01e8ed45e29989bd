import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import useSWR from 'swr';
import { api, type StoredFly } from '../api/client.ts';

interface OneOfBoxProps {
  /** What is shown of the fly the address names, beside all others. */
  readonly children: (fly: StoredFly, flies: readonly StoredFly[]) => ReactNode;
}

/** One fly as it lies in the box with all others, or a word while or why it is not there. */
export function OneOfBox({ children }: OneOfBoxProps) {
  const { id = '' } = useParams();
  const { data, error } = useSWR<StoredFly[], unknown>('flies', api.flies);
  const fly = data?.find((each) => each.id === id);
  if (fly) return children(fly, data ?? []);
  return (
    <main className="p-6 text-ink2" role={data || error !== undefined ? 'alert' : 'status'}>
      {data
        ? 'There is no such fly in the box.'
        : error === undefined
          ? 'Fetching the fly'
          : 'The box cannot be fetched.'}
    </main>
  );
}
