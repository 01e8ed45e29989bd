import { wantsSettling, withMute, withoutMute, type Checked, type Finding } from '@jobbet/core/checks';
import { useState } from 'react';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { changeOrSay, leavePreview, showPreview, takePreview, useBench, useBenchStore, type Bench } from '../store.ts';
import { ALL_CHECKS } from '../selection.ts';
import { sayUndoable } from '../undoable.ts';
import { useFindings } from './useFindings.ts';

/** Makes the change that is shown on the drawing, and says so. */
export function takeShown(bench: Bench): void {
  const words = takePreview(bench);
  if (words === null) return;
  sayUndoable(bench, `Done: ${words}.`);
}

const COSTS: Readonly<Record<Finding['costs'], string>> = {
  fish: 'Costs fish',
  strength: 'Costs strength',
  looks: 'Costs looks',
};

/** What is to be said of one part, or of the fly as a whole, with what mends it. */
export function CheckCards({ findings }: { readonly findings: readonly Finding[] }) {
  if (findings.length === 0) return null;
  return (
    <ul className="flex flex-col gap-3" aria-label="Checks">
      {findings.map((each) => (
        <CheckCard key={`${each.code} ${each.parts.join()} ${each.message}`} finding={each} />
      ))}
    </ul>
  );
}

function CheckCard({ finding }: { readonly finding: Finding }) {
  const { fix, severity, code } = finding;
  const loud = wantsSettling(finding);
  return (
    <li
      className={`border-l-[3px] pl-3 ${loud ? 'border-warn' : 'border-rule'}`}
      data-check={code}
      data-severity={severity}
    >
      <p className={`font-semibold ${loud ? 'text-warn' : 'text-ink'}`}>
        {loud && (
          <>
            <SnagFlag />{' '}
          </>
        )}
        {finding.message}
      </p>
      <p className="text-ink2">
        {finding.reason}{' '}
        <span className="italic text-ink3">
          {severity === 'stop' ? 'Stop. ' : ''}
          {COSTS[finding.costs]}.
        </span>
      </p>
      {fix && <FixKeys fix={fix} />}
      <LeaveIt code={code} />
    </li>
  );
}

/** What mends it: a press shows it on the drawing, another takes it. */
function FixKeys({ fix }: { readonly fix: NonNullable<Finding['fix']> }) {
  const bench = useBenchStore();
  const shown = useBench((state) => state.preview?.file === fix.file);
  return (
    <div className="flex items-baseline justify-between gap-2 border-t border-hair mt-1 pt-1">
      <button
        type="button"
        aria-pressed={shown}
        className={`text-left font-semibold hover:underline ${shown ? 'bg-pick text-on-pick px-1' : ''}`}
        onClick={() => {
          if (shown) takeShown(bench);
          else showPreview(bench, fix.words, fix.file);
        }}
      >
        {fix.words}
      </button>
      {shown && (
        <span className="flex gap-2 shrink-0">
          <button type="button" className="underline font-semibold" onClick={() => takeShown(bench)}>
            take it
          </button>
          <button type="button" className="underline" onClick={() => leavePreview(bench)}>
            back
          </button>
        </span>
      )}
    </div>
  );
}

/** Leaves a check as it is on this fly, with a reason. */
function LeaveIt({ code }: Pick<Finding, 'code'>) {
  const bench = useBenchStore();
  const [leaving, setLeaving] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const mute = (): void => {
    const muted = withMute(bench.getState().file, code, leaving ?? '');
    if (!muted.ok) setProblem(muted.faults[0]?.message ?? 'Say why.');
    else if (changeOrSay(bench, muted.value)) setLeaving(null);
  };
  return (
    <div className="border-t border-hair mt-1 pt-1">
      {leaving === null ? (
        <button type="button" className="text-ink2 hover:text-ink hover:underline" onClick={() => setLeaving('')}>
          Leave it, and say why
        </button>
      ) : (
        <form
          className="flex items-baseline gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            mute();
          }}
        >
          <input
            autoFocus
            aria-label="why it does not matter on this fly"
            aria-invalid={problem !== null}
            className="field flex-1"
            placeholder="why it does not matter here"
            maxLength={400}
            value={leaving}
            onChange={(event) => {
              setLeaving(event.target.value);
              setProblem(null);
            }}
            onKeyDown={(event) => {
              if (event.key === 'Escape') setLeaving(null);
            }}
          />
          <button type="submit" className="underline">
            leave it
          </button>
        </form>
      )}
      {problem !== null && (
        <p role="alert" className="text-warn">
          {problem}
        </p>
      )}
    </div>
  );
}

/** Shows all there is to say of the fly and takes the keyboard there. */
export function goToChecks(bench: Bench): void {
  bench.setState({ selected: ALL_CHECKS });
  requestAnimationFrame(() => {
    document.querySelector<HTMLElement>('[aria-label="Checks of the fly"] [data-check] button')?.focus();
  });
}

/** All there is to say of the fly, and what it was told to keep quiet about. */
export function CheckInspector({ checked }: { readonly checked: Checked | null }) {
  const bench = useBenchStore();
  const { looks } = useSettings();
  const findings = useFindings(checked);
  const count = findings.toSettle.length;
  return (
    <section aria-label="Checks of the fly" className="h-full overflow-y-auto px-4 pt-3 pb-4">
      <h2 className="text-part font-bold mb-1">Checks</h2>
      <p className="mb-3 text-ink2">
        {count === 0 ? 'Nothing to settle' : `${String(count)} to settle`}
        {findings.all.length > count ? `, ${String(findings.all.length - count)} worth knowing` : ''}.
      </p>
      <CheckCards findings={findings.all} />
      <label className="flex items-center gap-2 mt-4">
        <input type="checkbox" checked={looks} onChange={(event) => setSettings({ looks: event.target.checked })} />
        also what costs only looks
      </label>
      {checked !== null && checked.muted.length > 0 && (
        <>
          <h3 className="font-bold mt-4 mb-1">Left as it is</h3>
          <ul className="flex flex-col gap-2">
            {checked.muted.map((each) => (
              <li key={`${each.code} ${each.message}`}>
                {each.message}: <span className="italic">{each.muteReason}</span>{' '}
                <button
                  type="button"
                  className="underline"
                  onClick={() => changeOrSay(bench, withoutMute(bench.getState().file, each.code))}
                >
                  say it again
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
