import { useSettings } from '../settings/settings.ts';

/** Lines, dressed or silhouette. */
export function ModeKeys() {
  const { mode, set } = useSettings();
  return (
    <div
      className="absolute right-4 top-2.5 z-10 flex gap-3 items-baseline no-print"
      role="group"
      aria-label="How the fly is drawn"
    >
      {(['lines', 'dressed', 'silhouette'] as const).map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={mode === each}
          className={mode === each ? 'font-bold border-b-2 border-ink' : 'text-ink2 hover:text-ink'}
          onClick={() => {
            set({ mode: each });
          }}
        >
          {each}
        </button>
      ))}
      <span className="plain-key" aria-hidden="true">
        V
      </span>
    </div>
  );
}
