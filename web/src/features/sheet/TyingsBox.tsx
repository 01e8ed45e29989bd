import { shortly } from '../../shared/ui/dates.ts';
import { say } from '../../shared/ui/toast.ts';
import type { TyingRecord } from '@jobbet/core/contract';
import { clock, isFinished, tyingTime, usualTime } from '@jobbet/core/tying';

interface TyingsBoxProps {
  readonly tyings: readonly TyingRecord[];
  readonly onRemove: (tying: TyingRecord) => Promise<void>;
  readonly onRestore: (tying: TyingRecord) => Promise<void>;
}

const SHOWN = 6;

/** How often a fly was tied, how long it usually takes, and what differed each time. */
export function TyingsBox({ tyings, onRemove, onRestore }: TyingsBoxProps) {
  const usual = usualTime(tyings);
  const done = tyings.filter(isFinished);
  if (tyings.length === 0) return null;
  const remove = (tying: TyingRecord): void => {
    onRemove(tying)
      .then(() => say('The record of that tying is gone.', { name: 'Undo', run: () => void onRestore(tying) }))
      .catch((error: unknown) => say(error instanceof Error ? error.message : 'It could not be removed.'));
  };
  return (
    <section aria-label="Tied before" data-testid="tyings">
      <h2 className="font-semibold mt-3">
        {done.length === 0
          ? 'Begun at the vise'
          : done.length === 1
            ? 'Tied once'
            : `Tied ${String(done.length)} times`}
        {usual !== null && (
          <span className="font-normal" data-testid="usual-time">
            , usually in <b>{clock(usual)}</b>
          </span>
        )}
      </h2>
      <ul>
        {tyings
          .slice(-SHOWN)
          .reverse()
          .map((each) => (
            <li key={each.begun} className="border-t border-hair py-0.5 flex gap-2 items-baseline">
              <span className="flex-1">
                {shortly(each.begun)}, {clock(tyingTime(each))}
                {!isFinished(each) && <i className="text-ink2"> not finished</i>}
                {Object.entries(each.differs).map(([step, words]) => (
                  <span key={step} className="block text-ink2">
                    {step.replaceAll('/', ' ')}: {words}
                  </span>
                ))}
              </span>
              <button
                type="button"
                className="text-ink2 hover:text-ink underline underline-offset-2"
                aria-label={`Remove the record of ${shortly(each.begun)}`}
                onClick={() => remove(each)}
              >
                remove
              </button>
            </li>
          ))}
      </ul>
      {tyings.length > SHOWN && <p className="text-ink2">and {String(tyings.length - SHOWN)} before these</p>}
    </section>
  );
}
