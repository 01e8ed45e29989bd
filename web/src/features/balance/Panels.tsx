import { Link, useNavigate } from 'react-router';
import { useOffered } from '../../shared/commands/useKeys.ts';

export const PANELS = ['brings', 'find', 'hands', 'curves'] as const;
export type Panel = (typeof PANELS)[number];

const NAMES: Readonly<Record<Panel, readonly [name: string, key: string]>> = {
  brings: ['What each part brings', 'w'],
  find: ['Find weights', 'f'],
  hands: ['Scatter of your hands', 's'],
  curves: ['Pulled and sinking', 'c'],
};

/** The row of what may stand under the tipping weight, each with its key; pressed again it goes back to the first. */
interface PanelKeysProps {
  readonly fly: string;
  readonly panel: Panel;
  readonly onPanel: (panel: Panel) => void;
}

export function PanelKeys({ fly, panel, onPanel }: PanelKeysProps) {
  const navigate = useNavigate();
  const seen = `/fly/${fly}/balance/seen`;
  useOffered('balance panels', [
    {
      name: 'As the fish has it',
      group: 'Balance',
      keys: 'v',
      run: () => {
        void navigate(seen);
      },
    },
    ...PANELS.map((each) => ({
      name: NAMES[each][0],
      group: 'Balance',
      keys: NAMES[each][1],
      run: () => {
        onPanel(each === panel ? 'brings' : each);
      },
    })),
  ]);
  return (
    <p
      className="px-4 py-1.5 border-b border-hair shrink-0 flex gap-5"
      role="group"
      aria-label="Under the tipping weight"
    >
      {PANELS.map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={each === panel}
          className={each === panel ? 'font-semibold' : 'text-ink2 hover:text-ink underline underline-offset-2'}
          onClick={() => {
            onPanel(each);
          }}
        >
          {NAMES[each][0]} <span className="plain-key">{NAMES[each][1].toUpperCase()}</span>
        </button>
      ))}
      <Link to={seen} className="text-ink2 hover:text-ink underline underline-offset-2">
        As the fish has it <span className="plain-key">V</span>
      </Link>
    </p>
  );
}
