import { setSettings, useSettings } from '../../shared/settings/settings.ts';

interface ModeKeysProps {
  readonly fishing: boolean;
  readonly onFishing: (fishing: boolean) => void;
}

const pressed = (yes: boolean): string => (yes ? 'font-bold border-b-2 border-ink' : 'text-ink2 hover:text-ink');

/** As tied or as it fishes; lines, dressed or silhouette. */
export function ModeKeys({ fishing, onFishing }: ModeKeysProps) {
  const { mode } = useSettings();
  return (
    <div
      className="absolute right-4 top-2.5 z-10 flex gap-3 items-baseline no-print bg-sheet/70"
      role="group"
      aria-label="How the fly is drawn"
    >
      {[false, true].map((each) => (
        <button
          key={String(each)}
          type="button"
          aria-pressed={fishing === each}
          className={pressed(fishing === each)}
          onClick={() => onFishing(each)}
        >
          {each ? 'as it fishes' : 'as tied'}
        </button>
      ))}
      <span className="plain-key" aria-hidden="true">
        R
      </span>
      <span className="border-l border-rule self-stretch" aria-hidden="true" />
      {(['lines', 'dressed', 'silhouette'] as const).map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={mode === each}
          className={pressed(mode === each)}
          onClick={() => setSettings({ mode: each })}
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
