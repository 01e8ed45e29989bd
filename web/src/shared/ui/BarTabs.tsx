import { Link, useLocation, useNavigate } from 'react-router';
import { useOffered } from '../commands/useKeys.ts';
import { create } from 'zustand';
import { Menu } from './Menu.tsx';

/** A view that stands beside others in a bar, and the digit that leads there. */
export interface BarTab {
  readonly key: string;
  readonly name: string;
  readonly to: string;
  /** What the way there is called among the commands. */
  readonly command: string;
  /** What else it is looked for by. */
  readonly also: string;
}

interface BarTabsProps {
  /** Under which name its commands stand. */
  readonly source: 'fly' | 'house';
  readonly label: string;
  readonly tabs: readonly BarTab[];
}

/** Where the list of views is open: the bar of a fly that is fetched gives way to that of the fly, and the list stays. */
const useOpenAt = create<{ readonly path: string | null }>()(() => ({ path: null }));

const within = ({ to }: BarTab, path: string): boolean => path === to || (to !== '/' && path.startsWith(`${to}/`));

/** The tab a path belongs to: the one that leads furthest along it. */
export const tabAt = (tabs: readonly BarTab[], path: string): BarTab | undefined =>
  tabs.filter((tab) => within(tab, path)).sort((a, b) => b.to.length - a.to.length)[0];

/** The views beside this one: digits walk them. In a narrow window they are one word that opens the list. */
export function BarTabs({ source, label, tabs }: BarTabsProps) {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const openAt = useOpenAt(({ path }) => path);
  const here = tabAt(tabs, pathname);
  useOffered(
    source,
    tabs.map(({ key, command, also, to }) => ({
      name: command,
      also,
      group: source === 'fly' ? 'Fly' : 'Anywhere',
      keys: key,
      run: () => void navigate(to),
    })),
  );
  return (
    <>
      <nav aria-label={label} className="flex gap-4 self-stretch shrink-0 max-[900px]:hidden">
        {tabs.map((tab) => (
          <Link
            key={tab.to}
            to={tab.to}
            aria-current={tab === here ? 'page' : undefined}
            className={`flex items-center gap-1.5 border-y-[4px] border-t-transparent ${tab === here ? 'border-b-pick font-bold' : 'border-b-transparent text-ink2 hover:text-ink'}`}
          >
            <TabWords tab={tab} />
          </Link>
        ))}
      </nav>
      <Menu
        label={`${label}: ${here?.name ?? 'none of them'}`}
        className="flex items-center gap-1.5 font-bold shrink-0 min-[901px]:hidden"
        open={{ is: openAt === pathname, onChange: (is) => useOpenAt.setState({ path: is ? pathname : null }) }}
        lines={tabs.map((tab) => ({
          name: tab.name,
          run: () => void navigate(tab.to),
          show: (
            <span className="flex gap-1.5">
              <TabWords tab={tab} />
            </span>
          ),
        }))}
      >
        {here ? <TabWords tab={here} /> : 'views'} <span aria-hidden="true">▾</span>
      </Menu>
    </>
  );
}

const TabWords = ({ tab }: { readonly tab: BarTab }) => (
  <>
    <span className="plain-key" aria-hidden="true">
      {tab.key}
    </span>
    {tab.name}
  </>
);
