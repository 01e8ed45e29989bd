import { useLocation } from 'react-router';
import { useOffered } from '../commands/useKeys.ts';
import { useToast } from './toast.ts';

/** Where the line stands: over the name in the bar, clear of the views; at the vise, whose bar tells the steps, over the foot. */
const PLACES = { bar: 'top-1 left-20', foot: 'bottom-2 left-1/2 -translate-x-1/2' } as const;

/** One line of what was done or went wrong; while it offers something, Ctrl+Z does it. */
export function Toasts() {
  const { toast, clear } = useToast();
  const place = PLACES[useLocation().pathname.endsWith('/vise') ? 'foot' : 'bar'];
  const run = (): void => {
    toast?.action?.run();
    clear();
  };
  return (
    <div role="status" className={`fixed ${place} z-40 max-w-[calc(100vw-6rem)] no-print pointer-events-none`}>
      {toast && (
        <div className="flex items-center gap-4 bg-ink text-sheet border border-sheet/40 px-4 py-1.5">
          <span>{toast.words}</span>
          {toast.action && (
            <>
              <UndoKey name={toast.action.name} run={run} />
              <button
                type="button"
                className="font-bold underline underline-offset-2 pointer-events-auto"
                onClick={run}
              >
                {toast.action.name}
              </button>
            </>
          )}
          <button type="button" className="pointer-events-auto" aria-label="Dismiss" onClick={clear}>
            ×
          </button>
        </div>
      )}
    </div>
  );
}

function UndoKey({ name, run }: { readonly name: string; readonly run: () => void }) {
  useOffered('toast', [{ name, group: 'Now', keys: 'ctrl+z or z', run }]);
  return null;
}
