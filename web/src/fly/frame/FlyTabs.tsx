import { NavLink, useNavigate } from 'react-router';
import { useOffered } from '../../shared/commands/useKeys.ts';

/** The views of one fly, each with the key that leads there. */
export function FlyTabs({ id }: { readonly id: string }) {
  const navigate = useNavigate();
  const tabs = [
    { key: '1', name: 'Bench', to: `/fly/${id}` },
    { key: '2', name: 'Balance', to: `/fly/${id}/balance` },
    { key: '3', name: 'Sizes', to: `/fly/${id}/sizes` },
    { key: '4', name: 'Sheet', to: `/fly/${id}/sheet` },
  ];
  useOffered(
    'fly',
    tabs.map(({ key, name, to }) => ({
      name: `${name} of this fly`,
      group: 'Fly',
      keys: key,
      run: () => void navigate(to),
    })),
  );
  return (
    <nav aria-label="Views of the fly" className="flex gap-4 self-stretch">
      {tabs.map(({ key, name, to }) => (
        <NavLink
          key={to}
          to={to}
          end={key === '1'}
          className={({ isActive }) =>
            `flex items-center gap-1.5 border-b-[3px] ${isActive ? 'border-pickline font-bold' : 'border-transparent text-ink2 hover:text-ink'}`
          }
        >
          <span className="plain-key" aria-hidden="true">
            {key}
          </span>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
