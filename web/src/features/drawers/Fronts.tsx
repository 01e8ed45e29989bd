import { DRAWERS, type DrawerName } from '@jobbet/core/drawers';
import { Link } from 'react-router';

/** The fronts of the drawers, each by its label; beats are records, and have a drawer all the same. */
const FRONTS = [...DRAWERS, 'beats'] as const;

/** The fronts of all drawers, the open one before the others. */
export const Fronts = ({ open }: { readonly open: DrawerName | 'beats' }) => (
  <nav aria-label="Drawers" className="flex flex-wrap gap-1 -mb-px">
    {FRONTS.map((each) => (
      <Link
        key={each}
        to={`/drawers/${each}`}
        aria-current={each === open ? 'page' : undefined}
        className={`px-3 py-1 border rounded-t-[3px] ${each === open ? 'border-ink border-b-sheet font-bold' : 'border-hair text-ink2 hover:text-ink bg-sunk'}`}
      >
        {each}
      </Link>
    ))}
  </nav>
);
