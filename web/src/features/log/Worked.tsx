import { BY, type By, type Group, hoursWords } from '@jobbet/core/log';
import { formatNumber } from '@jobbet/core/units';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { scaleMost } from './scaleMost.ts';
import { Over } from './Over.tsx';
import type { LogAnswer, Only, Told } from './reckon.ts';
import { BY_WORDS } from './words.ts';

interface WorkedProps {
  readonly answer: LogAnswer | null;
  readonly by: readonly By[];
  readonly onBy: (at: number, by: By) => void;
  readonly only: Only | null;
  readonly onOnly: (only: Only | null) => void;
}

/** Takes an hour against hours fished, in groups of two kinds, with what can be told apart and what would tell more. */
export function Worked({ answer, by, onBy, only, onOnly }: WorkedProps) {
  const keyOf = (each: Only | null): string => (each ? `${each.by}:${each.group}` : '');
  return (
    <section aria-label="What worked" className="flex flex-col min-h-0 border-t-2 border-rule" data-testid="worked">
      <h2 className="px-4 pt-1.5">
        <b>What worked</b>{' '}
        <ChoiceField
          label="of what was fished"
          value={keyOf(only)}
          empty="in all of it"
          options={(answer?.onlies ?? []).map((each) => [keyOf(each), `${BY_WORDS[each.by]}: ${each.group}`] as const)}
          onChange={(key) => onOnly(answer?.onlies.find((each) => keyOf(each) === key) ?? null)}
        />{' '}
        <i className="text-ink2 text-label">
          takes an hour; a line holds the true rate nine times in ten, and what counts is the interval of the ratio
        </i>
      </h2>
      <div className="flex-1 min-h-0 grid grid-cols-2 max-[900px]:grid-cols-1 gap-x-6 px-4 overflow-y-auto">
        {by.map((each, i) => (
          <div key={String(i)} className="min-w-0">
            <p className="py-0.5">
              <ChoiceField
                label={i === 0 ? 'what is counted by' : 'what is counted by beside it'}
                value={each}
                options={BY.map((name) => [name, BY_WORDS[name]] as const)}
                onChange={(next) => onBy(i, next as By)}
              />
            </p>
            {answer?.told[i]?.by === each && <Groups told={answer.told[i]} />}
          </div>
        ))}
      </div>
    </section>
  );
}

const MARK: Readonly<Record<Group['verdict'], string>> = {
  more: 'text-measure font-bold',
  fewer: 'text-warn font-bold',
  'too few to tell': 'text-ink2',
};

function Groups({ told: { groups, words, together, two } }: { readonly told: Told }) {
  const style = useStyle();
  const most = scaleMost(groups);
  const at = (rate: number): string => `${String(Math.min(100, (100 * rate) / most))}%`;
  if (groups.length === 0) return <p className="text-ink2">None of it was told.</p>;
  return (
    <>
      <ol>
        {groups.map((group, i) => (
          <li
            key={group.name}
            className="grid grid-cols-[minmax(0,9rem)_5rem_minmax(0,1fr)_5.6rem] max-[1150px]:grid-cols-[minmax(0,6.4rem)_4.4rem_minmax(0,1fr)_3.4rem] gap-2 items-center border-t border-hair py-0.5"
            title={words[i]}
          >
            <span className="truncate">{group.name}</span>
            <span className="figure text-right">
              {group.takes} in {hoursWords(group.hours, style)}
            </span>
            <span className="relative h-4" aria-hidden="true">
              <span
                className="absolute top-2 border-t-2 border-ink"
                style={{ left: at(group.interval[0]), right: `calc(100% - ${at(group.interval[1])})` }}
              />
              <span
                className="absolute top-0.5 w-3 h-3 -ml-1.5 rounded-full bg-sheet border-2 border-ink"
                style={{ left: at(group.ratePerHour) }}
              />
            </span>
            <span className={`text-label ${MARK[group.verdict]}`}>{group.verdict}</span>
            <span className="sr-only">{words[i]}</span>
          </li>
        ))}
        <li
          className="grid grid-cols-[minmax(0,9rem)_5rem_minmax(0,1fr)_5.6rem] max-[1150px]:grid-cols-[minmax(0,6.4rem)_4.4rem_minmax(0,1fr)_3.4rem] gap-2 text-label text-ink2 border-t border-hair"
          aria-hidden="true"
        >
          <span />
          <span className="text-right italic">an hour</span>
          <span className="flex justify-between">
            <span>0</span>
            <span>{formatNumber(most / 2, most < 1 ? 2 : 1, style)}</span>
            <span>{formatNumber(most, 1, style)}</span>
          </span>
        </li>
      </ol>
      <p className="py-1">{together}</p>
      {two && <Over two={two} />}
      {groups.map(({ name, verdict, confounded }, i) =>
        verdict === 'too few to tell' && confounded.length === 0 ? null : (
          <p key={name} className="text-label text-ink2">
            {words[i]}.
          </p>
        ),
      )}
    </>
  );
}
