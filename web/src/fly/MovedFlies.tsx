import { changedFigures } from '@jobbet/core/contract';
import { Link } from 'react-router';
import type { FlyChange } from '../shared/api/client.ts';
import { useStyle } from '../shared/settings/settings.ts';
import { SnagFlag } from '../shared/ui/SnagFlag.tsx';

interface MovedFliesProps {
  readonly words: string;
  readonly changes: readonly FlyChange[];
  /** What moved them is still at work. */
  readonly working?: boolean;
  readonly onSeen: () => void;
}

/** Flies whose figures or checks moved, with the earlier ones beside them: verdicts first, then figures. */
export function MovedFlies({ words, changes, working = false, onSeen }: MovedFliesProps) {
  const style = useStyle();
  const flies = changes.map((change) => ({ change, figures: changedFigures(change.before, change.after, style) }));
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
          {words}{' '}
          {!working && (
            <span className="font-normal text-ink2">
              {flies.length === 0
                ? 'No fly’s figures or checks moved.'
                : `${String(flies.length)} ${flies.length === 1 ? 'fly' : 'flies'} moved, ${verdicts === 0 ? 'no verdict' : `${String(verdicts)} ${verdicts === 1 ? 'verdict' : 'verdicts'}`} among them.`}
            </span>
          )}
        </p>
        <button type="button" className="ml-auto underline" onClick={onSeen}>
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
              {figures.map(({ words: said, verdict }, i) => (
                <span key={said} className={verdict ? 'text-warn font-semibold' : 'text-ink2'}>
                  {verdict && <SnagFlag />} {said}
                  {i < figures.length - 1 ? ';' : ''}
                </span>
              ))}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
