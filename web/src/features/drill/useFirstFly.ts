import { firstFly } from '@jobbet/core/drill';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';

/** Opens the first fly at the vise; it is laid in the box where it is not there yet. */
export function useFirstFly(): () => void {
  const navigate = useNavigate();
  const open = async (): Promise<void> => {
    const file = firstFly();
    const there = (await api.flies()).find(({ name }) => name === file.name);
    const id = there?.id ?? (await api.create(file)).id;
    await mutate('flies');
    await navigate(`/fly/${id}/vise`);
  };
  return () => {
    open().catch((error: unknown) => say(error instanceof Error ? error.message : 'It could not be opened.'));
  };
}
