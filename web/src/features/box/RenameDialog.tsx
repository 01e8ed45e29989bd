import { useState } from 'react';
import { mutate } from 'swr';
import { api, type ListedFly } from '../../shared/api/client.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';

export function RenameDialog({ fly, onClose }: { readonly fly: ListedFly; readonly onClose: () => void }) {
  const [name, setName] = useState(fly.name);
  const [problem, setProblem] = useState<string | null>(null);
  const rename = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      const { file, revision } = await api.fly(fly.id);
      await api.save(fly.id, { ...file, name: name.trim() }, revision, 'saved');
      await mutate('flies');
      onClose();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It was not renamed.');
    }
  };
  return (
    <DialogBox title="Rename the fly" open onClose={onClose}>
      <form onSubmit={(event) => void rename(event)} className="flex gap-3">
        <input
          aria-label="name"
          maxLength={120}
          required
          className="flex-1 h-8 px-2 border border-rule bg-sheet text-row"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button type="submit" className="sheet-button primary" disabled={name.trim() === ''}>
          Rename
        </button>
      </form>
      {problem !== null && (
        <p role="alert" className="mt-2 text-warn">
          {problem}
        </p>
      )}
    </DialogBox>
  );
}
