import { LOOKED, looksOf } from '@jobbet/core/inspect';
import type { LaidFly } from '@jobbet/core/model';
import type { SpecimenFile } from '@jobbet/core/records';
import type { ChangeFly } from './Entry.tsx';

/** A record with one look answered, or asked anew. */
function withLook(record: SpecimenFile, key: string, answer: string | null): SpecimenFile {
  const { looks = {}, ...rest } = record;
  const { [key]: _was, ...others } = looks;
  const next = answer === null ? others : { ...others, [key]: answer };
  return Object.keys(next).length === 0 ? rest : { ...rest, looks: next };
}

interface ByEyeProps {
  readonly record: SpecimenFile;
  readonly plan: LaidFly;
  readonly onChange: ChangeFly;
  /** Told whether somebody is at the list: what is looked at is then shown on the fly. */
  readonly onLooking: (looking: boolean) => void;
}

/** What a tier looks at on a finished fly without a camera or a caliper, in the order he does; each answered by a button. */
export function ByEye({ record, plan, onChange, onLooking }: ByEyeProps) {
  const looks = looksOf(plan);
  const answers = record.looks ?? {};
  const answered = looks.filter(({ key }) => answers[key] !== undefined).length;
  const number = String(record.number ?? 1);
  return (
    <section
      aria-label="By eye"
      className="px-4 py-3 border-t border-hair"
      onFocus={() => onLooking(true)}
      onBlur={({ currentTarget, relatedTarget }) => {
        if (!currentTarget.contains(relatedTarget)) onLooking(false);
      }}
    >
      <h2 className="font-bold">
        By eye <span className="plain-key">L</span>
      </h2>
      <p className="text-label italic text-ink2 mb-1">
        {answered} of {looks.length} looked at; mind the point while you tug
      </p>
      <ol>
        {looks.map(({ key, words }, i) => (
          <li key={key} className="border-t border-hair py-1" data-look={answers[key] === undefined ? 'open' : 'done'}>
            <p className={answers[key] === 'not so' ? 'text-warn' : ''}>
              <b>{i + 1}</b> {words}
            </p>
            <span role="group" aria-label={words} className="flex gap-2">
              {LOOKED.map((answer) => (
                <button
                  key={answer}
                  type="button"
                  aria-pressed={answers[key] === answer}
                  className={`text-label px-1 border ${answers[key] === answer ? 'border-ink font-bold' : 'border-hair text-ink2 hover:text-ink'}`}
                  onClick={() =>
                    onChange(`Fly ${number}, by eye: ${answer}`, (now) =>
                      withLook(now, key, now.looks?.[key] === answer ? null : answer),
                    )
                  }
                >
                  {answer}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
