import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { CommonRule } from './CommonRule.tsx';

const SCALE = { left: 150, frontMm: 6, rearMm: 60, scale: 4.4 };

/** The rule with nothing on it, and the two ways to begin. */
export function EmptyBox({ onNew }: { readonly onNew: () => void }) {
  const examples = async (): Promise<void> => {
    await api.examples();
    await mutate('flies');
  };
  return (
    <div className="flex-1 flex flex-col">
      <CommonRule {...SCALE} />
      <div className="p-10 max-w-lg">
        <p className="text-sentence mb-4">
          The box is empty. Lay out a fly, drop pattern files here, or look at what the boathouse ties.
        </p>
        <div className="flex gap-3">
          <button type="button" className="sheet-button primary" onClick={onNew}>
            Lay out a new fly
          </button>
          <button type="button" className="sheet-button" onClick={() => void examples()}>
            Open the boathouse examples
          </button>
        </div>
      </div>
    </div>
  );
}
