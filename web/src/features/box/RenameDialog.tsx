import { mutate } from 'swr';
import { api, type ListedFly } from '../../shared/api/client.ts';
import { WordDialog } from '../../shared/ui/WordDialog.tsx';

export function RenameDialog({ fly, onClose }: { readonly fly: ListedFly; readonly onClose: () => void }) {
  return (
    <WordDialog
      title="Rename the fly"
      label="name"
      most={120}
      first={fly.name}
      doing={() => 'Rename'}
      onKeep={async (name) => {
        const { file, revision } = await api.fly(fly.id);
        await api.save(fly.id, { ...file, name }, revision, 'saved');
        await mutate('flies');
      }}
      onClose={onClose}
    />
  );
}
