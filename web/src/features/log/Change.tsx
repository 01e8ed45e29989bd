import type { Change, Version } from '@jobbet/core/log';
import { hoursWords } from '@jobbet/core/log';
import { sentence } from '@jobbet/core/base';
import type { ReactNode } from 'react';
import { formatNumber } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import type { FlyAnswer } from './reckon.ts';
import { longDay } from '../../shared/ui/dates.ts';

const KEYS = ['T', 'Y', 'U'] as const;

/** The versions of a fly with what each did, and the one thing to change next. */
export function ChangeMargin({
  name,
  answer,
  onShow,
  children,
}: {
  readonly name: string | null;
  readonly answer: FlyAnswer | null;
  readonly onShow: (change: Change) => void;
  readonly children: ReactNode;
}) {
  return (
    <aside
      aria-label="Change one thing"
      className="w-64 shrink-0 border-l border-ink overflow-y-auto px-4 py-2 max-[900px]:w-full max-[900px]:border-l-0 max-[900px]:border-t"
      data-testid="change"
      data-settled={name === null || answer !== null}
    >
      <h2 className="text-sentence font-bold">Change one thing</h2>
      {name === null ? (
        <p className="text-ink2">Choose a fly of the outing.</p>
      ) : (
        <>
          <p className="italic text-ink2 mb-1">{name}, by what was lost and seen of it as it is now</p>
          {answer?.changes.length === 0 && <p>Nothing was lost or seen of it that asks for a change.</p>}
          {answer?.changes.map((change, i) => (
            <OneChange key={change.words} change={change} keyName={KEYS[i]} onShow={() => onShow(change)} />
          ))}
          {answer?.strength.map((words) => (
            <p key={words} className="border-t border-hair py-1">
              {sentence(words)}
            </p>
          ))}
          {answer && answer.versions.length > 0 && (
            <>
              <h3 className="font-bold border-b border-hair mt-3">Its versions</h3>
              <ol>
                {answer.versions.map((version, i) => (
                  <OneVersion key={version.since + String(i)} version={version} at={i + 1} />
                ))}
              </ol>
            </>
          )}
        </>
      )}
      {children}
    </aside>
  );
}

const OneChange = ({
  change: { words, because, moves, keeps, file },
  keyName,
  onShow,
}: {
  readonly change: Change;
  readonly keyName: string | undefined;
  readonly onShow: () => void;
}) => (
  <div className="border-t border-hair py-1.5">
    {file ? (
      <button type="button" className="font-bold text-left hover:text-measure" onClick={onShow}>
        {words} {keyName !== undefined && <span className="plain-key font-normal">{keyName}</span>}
      </button>
    ) : (
      <b>{words}</b>
    )}
    <p>{because}.</p>
    {moves !== '' && (
      <p className="text-label text-ink2">
        It {moves}; it {keeps}.
      </p>
    )}
  </div>
);

function OneVersion({
  version: { since, changed, atOnce, takes, hours, interval, fouled, lost, ratio },
  at,
}: {
  readonly version: Version;
  readonly at: number;
}) {
  const style = useStyle();
  const figure = (value: number): string =>
    Number.isFinite(value) ? formatNumber(value, value < 9.95 ? 1 : 0, style) : 'any number of';
  return (
    <li className="border-b border-hair py-1">
      <b>{at}</b> <i className="text-ink2">since {longDay(since)}</i>
      {changed.length > 0 && <p className={atOnce ? 'text-warn' : ''}>{changed.join('; ')}</p>}
      {atOnce && (
        <p className="text-label text-warn">{changed.length} things at once: what came of it may be either’s.</p>
      )}
      <p className="text-label">
        {takes} {takes === 1 ? 'take' : 'takes'} in {hoursWords(hours, style)}, {formatNumber(interval[0], 2, style)} to{' '}
        {formatNumber(interval[1], 2, style)} an hour; fouled {fouled}, lost {lost}
        {ratio && (
          <>
            ; {figure(ratio[0])} to {figure(ratio[1])} times as many as before
          </>
        )}
      </p>
    </li>
  );
}
