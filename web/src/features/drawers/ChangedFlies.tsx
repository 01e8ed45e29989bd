import { changedFigures } from '@jobbet/core/contract';
import { Link } from 'react-router';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { useDrawerHistory } from './history.ts';

/** What the last change in the drawers did to the flies: verdicts first, then figures. */
export function ChangedFlies() {
  const { told, working } = useDrawerHistory();
  const style = useStyle();
  if (!told && !working) return null;
  const flies = (told?.changes ?? []).map((change) => ({
    change,
    figures: changedFigures(change.before, change.after, style),
  }));
  const verdicts = flies.filter(({ figures }) => figures.some((each) => each.verdict)).length;
  const sorted = flies.toSorted(
    (a, b) => Number(b.figures.some((each) => each.verdict)) - Number(a.figures.some((each) => each.verdict)),
  );
  return (
    <section
      aria-label="What it changed"
      role="status"
      data-testid="changed"
      className="shrink-0 max-h-40 overflow-y-auto border-t border-ink px-4 py-2 bg-band/50"
    >
      <div className="flex items-baseline gap-3">
        <p className="font-semibold">
          {working ? 'Solving the flies that use it.' : told?.words}{' '}
          {!working && told && (
            <span className="font-normal text-ink2">
              {flies.length === 0
                ? 'No fly’s figures moved.'
                : `${String(flies.length)} ${flies.length === 1 ? 'fly' : 'flies'} moved, ${verdicts === 0 ? 'no verdict' : `${String(verdicts)} ${verdicts === 1 ? 'verdict' : 'verdicts'}`} among them.`}
            </span>
          )}
        </p>
        <button type="button" className="ml-auto underline" onClick={() => useDrawerHistory.setState({ told: null })}>
          seen
        </button>
      </div>
      {!working && (
        <ul>
          {sorted.map(({ change, figures }) => (
            <li key={change.flyId} className="flex flex-wrap gap-x-2">
              <Link className="font-semibold underline" to={`/fly/${change.flyId}`}>
                {change.name}
              </Link>
              {figures.map(({ words, verdict }) => (
                <span key={words} className={verdict ? 'text-warn font-semibold' : 'text-ink2'}>
                  {verdict && <SnagFlag />} {words};
                </span>
              ))}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
