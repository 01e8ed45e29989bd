import { sentence } from '@jobbet/core/base';
import type { FlyFile } from '@jobbet/core/pattern';
import { wantsSettling, type Finding } from '@jobbet/core/checks';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';

interface FindingsProps {
  readonly findings: readonly Finding[];
  readonly onTake: (file: FlyFile, words: string) => void;
}

/** What checks say of how the fly is tied, a line each, with what mends it. */
export function Findings({ findings, onTake }: FindingsProps) {
  if (findings.length === 0) return null;
  return (
    <ul aria-label="To be settled">
      {findings.map((each) => (
        <FindingLine key={`${each.code} ${each.message}`} finding={each} onTake={onTake} />
      ))}
    </ul>
  );
}

interface FindingLineProps extends Pick<FindingsProps, 'onTake'> {
  readonly finding: Finding;
}

function FindingLine({ finding, onTake }: FindingLineProps) {
  const { code, message, reason, fix } = finding;
  const settles = wantsSettling(finding);
  return (
    <li data-check={code}>
      <span className={settles ? 'text-warn' : ''}>
        {settles && <SnagFlag />} {sentence(message)}
      </span>{' '}
      <span className="text-ink2">{reason}</span>{' '}
      {fix && (
        <button
          type="button"
          className="underline underline-offset-2"
          onClick={() => onTake(fix.file, sentence(fix.words))}
        >
          {fix.words}
        </button>
      )}
    </li>
  );
}
