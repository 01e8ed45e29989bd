import type { FlyFile } from '@jobbet/core';
import { HOOK_SIZES } from '@jobbet/core/data/hooks';
import { newFly } from '@jobbet/core/edit/presets';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../api/client.ts';
import { DialogSheet } from '../ui/Sheet.tsx';

type Hook = Extract<FlyFile['platform'], { kind: 'single' | 'double' }>;

/** A name and a hook: all a new fly needs. */
export function NewFlyDialog({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [hook, setHook] = useState<Hook>({
    kind: 'single',
    size: '6',
    longX: 3,
    eye: 'straight',
    bend: 'round',
    barb: 'pinched',
  });
  const [problem, setProblem] = useState<string | null>(null);
  const make = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      const fly = await api.create(newFly(name.trim() || 'Unnamed fly', hook));
      await mutate('flies');
      onClose();
      void navigate(`/fly/${fly.id}`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be made.');
    }
  };
  const label = 'flex flex-col gap-0.5 text-label italic text-ink2';
  const box = 'h-8 px-2 border border-rule bg-sheet text-row not-italic text-ink';
  return (
    <DialogSheet title="Lay out a new fly" open onClose={onClose}>
      <form
        onSubmit={(event) => {
          void make(event);
        }}
        className="grid grid-cols-2 gap-x-4 gap-y-3"
      >
        <label className={`${label} col-span-2`}>
          Name
          <input
            autoFocus
            className={box}
            maxLength={120}
            value={name}
            placeholder="Unnamed fly"
            onChange={(event) => {
              setName(event.target.value);
            }}
          />
        </label>
        <label className={label}>
          Hook
          <select
            className={box}
            value={hook.kind}
            onChange={(event) => {
              setHook({ ...hook, kind: event.target.value as 'single' | 'double' });
            }}
          >
            <option value="single">single</option>
            <option value="double">double</option>
          </select>
        </label>
        <label className={label}>
          Size
          <select
            className={box}
            value={hook.size}
            onChange={(event) => {
              setHook({ ...hook, size: event.target.value });
            }}
          >
            {HOOK_SIZES.map((size) => (
              <option key={size}>{size}</option>
            ))}
          </select>
        </label>
        <label className={label}>
          Shank
          <select
            className={box}
            value={hook.longX}
            onChange={(event) => {
              setHook({ ...hook, longX: Number(event.target.value) });
            }}
          >
            {[-2, -1, 0, 1, 2, 3, 4, 5, 6].map((x) => (
              <option key={x} value={x}>
                {x === 0 ? 'standard' : `${String(Math.abs(x))}X ${x > 0 ? 'long' : 'short'}`}
              </option>
            ))}
          </select>
        </label>
        <label className={label}>
          Eye
          <select
            className={box}
            value={hook.eye}
            onChange={(event) => {
              setHook({ ...hook, eye: event.target.value as 'up' });
            }}
          >
            {['straight', 'up', 'down', 'looped-up', 'looped-down'].map((eye) => (
              <option key={eye}>{eye}</option>
            ))}
          </select>
        </label>
        {problem !== null && (
          <p role="alert" className="col-span-2 text-warn">
            {problem}
          </p>
        )}
        <div className="col-span-2">
          <button type="submit" className="sheet-button primary">
            Lay it out
          </button>
        </div>
      </form>
    </DialogSheet>
  );
}
