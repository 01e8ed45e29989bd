import { Link, useNavigate } from 'react-router';
import { bound } from '../../shared/commands/commands.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { PANEL, SEEN } from './commands.ts';

export const PANELS = ['brings', 'find', 'hands', 'curves'] as const satisfies readonly (keyof typeof PANEL)[];
export type Panel = (typeof PANELS)[number];

interface PanelKeysProps {
  readonly fly: string;
  readonly panel: Panel;
  readonly onPanel: (panel: Panel) => void;
}

/** The row of what may stand under the tipping weight, each with its key; pressed again it goes back to the first. */
export function PanelKeys({ fly, panel, onPanel }: PanelKeysProps) {
  const navigate = useNavigate();
  const seen = `/fly/${fly}/balance/seen`;
  const put = (each: Panel) => () => onPanel(each === panel ? 'brings' : each);
  useOffered('balance panels', [
    ...bound(SEEN, { seen: () => void navigate(seen) }),
    ...bound(PANEL, { brings: put('brings'), find: put('find'), hands: put('hands'), curves: put('curves') }),
  ]);
  return (
    <p
      className="sticky top-0 bottom-0 z-10 bg-sheet px-4 py-1.5 border-b border-hair shrink-0 flex flex-wrap gap-x-1.5 gap-y-1"
      role="group"
      aria-label="Under the tipping weight"
    >
      {PANELS.map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={each === panel}
          className={`px-1 border-b-2 ${each === panel ? 'bg-pick text-on-pick border-ink font-semibold' : 'border-transparent text-ink2 hover:text-ink'}`}
          onClick={() => onPanel(each)}
        >
          {PANEL[each].name} <span className="plain-key">{PANEL[each].keys.toUpperCase()}</span>
        </button>
      ))}
      <Link to={seen} className="px-1 text-ink2 hover:text-ink">
        {SEEN.seen.name} <span className="plain-key">V</span>
      </Link>
    </p>
  );
}
