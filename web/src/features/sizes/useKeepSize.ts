import type { FlyFile } from '@jobbet/core/pattern';
import { nameOf } from '@jobbet/core/study';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { useFlies } from '../../shared/api/listed.ts';
import { say } from '../../shared/ui/toast.ts';
import type { Column } from './RunTable.tsx';

/** Makes a size a fly of its own that knows whose run it is of, or brings it up to that run again. */
export function useKeepSize(): (column: Column, file: FlyFile, id: string) => void {
  const navigate = useNavigate();
  const { flies } = useFlies();
  return ({ answer, saved, size }, file, id) => {
    if (!answer?.ok) return;
    const sizeOf = { fly: file.name, id, size: size.text };
    const made = { ...answer.file, name: saved?.name ?? nameOf(file, size), sizeOf };
    const before = flies?.find((each) => each.id === saved?.id);
    (before ? api.save(before.id, made, before.revision, 'saved') : api.create(made))
      .then(async (stored) => {
        await mutate('flies');
        const told = before ? 'is as the run has it; its history keeps what it was.' : 'is in the box.';
        say(`${stored.name} ${told}`, { name: 'Open it', run: () => void navigate(`/fly/${stored.id}`) });
      })
      .catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not saved.'));
  };
}
