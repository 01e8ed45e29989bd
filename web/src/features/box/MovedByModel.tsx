import useSWR from 'swr';
import { MovedFlies } from '../../fly/MovedFlies.tsx';
import { api } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';

/** What a newer Jobbet tells otherwise of the flies that were there before it: their earlier figures beside the new ones, until seen. */
export function MovedByModel() {
  const { data, mutate } = useSWR('moved', () => api.moved());
  if (data === undefined || data.length === 0) return null;
  const seen = async (): Promise<void> => {
    try {
      await api.seenMoved();
      await mutate([], { revalidate: false });
    } catch {
      say('That could not be kept: is the server running?');
    }
  };
  return (
    <MovedFlies
      words="This version of Jobbet reckons some things otherwise than the one before."
      changes={data}
      onSeen={() => void seen()}
    />
  );
}
