import type { FlyFile } from '@jobbet/core/pattern';
import { wantsSettling, withMute, withoutMute, type Checked, type Finding } from '@jobbet/core/checks';
import { useState } from 'react';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { useOfFly, useReport } from '../../shared/solve/useReport.ts';
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
  const [leaving, setLeaving] = useState<string | null>(null);
  const fixes = findings.filter((each) => each.fix !== null).slice(0, TAKES.length);
  const [first] = findings;
  useTakeKeys(fixes, first ? () => setLeaving(keyOf(first)) : null);
  if (findings.length === 0) return null;
  return (
    <ul className="flex flex-col" aria-label="Checks">
      {findings.map((each) => (
        <CheckCard
          key={keyOf(each)}
          finding={each}
          take={TAKES[fixes.indexOf(each)]}
          leaving={leaving === keyOf(each)}
          onLeaving={(is) => setLeaving(is ? keyOf(each) : null)}
        />
      ))}
    </ul>
  );
}

const keyOf = ({ code, parts, message }: Finding): string => `${code} ${parts.join()} ${message}`;

/** The keys that take the first, the second and the third of what is offered, wherever something is. */
const TAKES = ['t', 'y', 'u'] as const;
const NTH = ['first', 'second', 'third'] as const;

type Fix = NonNullable<Finding['fix']>;

/** Shows a fix on the drawing; shown already, takes it. @param after fixes that are in it already */
function showOrTake(bench: Bench, fix: Fix, after: readonly FlyFile[] = []): void {
  if (bench.getState().preview?.file === fix.file) takeShown(bench);
  else showPreview(bench, fix.words, fix.file, after);
}

/** Takes the first fixes by key, and leaves what is shown, else the first finding, by another. */
function useTakeKeys(fixes: readonly Finding[], onLeave: (() => void) | null): void {
  const bench = useBenchStore();
  const shown = useBench((state) => state.preview !== null);
  const leave = shown ? () => leavePreview(bench) : onLeave;
  useOffered('checks', [
    ...fixes.flatMap(({ fix }, i) =>
      fix
        ? [
            {
              name: `Show or take the ${NTH[i] ?? ''} fix: ${fix.words}`,
              group: 'Checks',
              keys: TAKES[i] ?? '',
              run: () => showOrTake(bench, fix),
            },
          ]
        : [],
    ),
    ...(leave ? [{ name: 'Leave it', group: 'Checks', keys: 'l', run: leave }] : []),
  ]);
}

interface CheckCardProps {
  readonly finding: Finding;
  /** The key its fix is taken by. */
  readonly take: string | undefined;
  readonly leaving: boolean;
  readonly onLeaving: (is: boolean) => void;
}

function CheckCard({ finding, take, leaving, onLeaving }: CheckCardProps) {
  const { fix, severity, code } = finding;
  const loud = wantsSettling(finding);
  return (
    <li className="border-t border-hair py-2 first:border-t-0 first:pt-0" data-check={code} data-severity={severity}>
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
      {fix && <FixKeys fix={fix} take={take} />}
      <LeaveIt finding={finding} leaving={leaving} onLeaving={onLeaving} />
    </li>
  );
}

interface FixKeysProps {
  readonly fix: Fix;
  /** The key it is taken by. */
  readonly take?: string | undefined;
  /** Fixes it goes on from. */
  readonly after?: readonly FlyFile[];
}

const NOTHING: readonly FlyFile[] = [];

/** What mends it: a press shows it on the drawing, another takes it. */
function FixKeys({ fix, take, after = NOTHING }: FixKeysProps) {
  const bench = useBenchStore();
  const shown = useBench((state) => state.preview?.file === fix.file);
  // What is said then stays while one of its own fixes is shown.
  const goesOn = useBench((state) => state.preview?.by.includes(fix.file) === true);
  return (
    <div className="mt-1">
      <div className="flex items-baseline justify-between gap-2">
        <button
          type="button"
          aria-pressed={shown}
          className={`text-left font-semibold hover:underline ${shown ? 'bg-pick text-on-pick px-1' : ''}`}
          onClick={() => showOrTake(bench, fix, after)}
        >
          {fix.words} {take !== undefined && !shown && <span className="plain-key">{take.toUpperCase()}</span>}
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
      {goesOn && <ThenSaid fix={fix} after={[...after, fix.file]} />}
    </div>
  );
}

/** One finding and another are of the same thing where their check and their part are. */
const aboutOf = ({ code, parts: [part = ''] }: Finding): string => `${code} ${part}`;

/** What is said of the fly once a fix is taken that is not said now, each with what mends that in turn. */
function ThenSaid({ fix, after }: { readonly fix: Fix; readonly after: readonly FlyFile[] }) {
  const drawers = useBench((state) => state.drawers);
  const file = useBench((state) => state.calm.file);
  const now = useReport(useOfFly(file, drawers));
  const then = useReport(useOfFly(fix.file, drawers));
  const [before, { all }] = [useFindings(now.checked).all, useFindings(then.checked)];
  if (!now.current || !then.current) return null;
  const known = new Set(before.map(aboutOf));
  const come = all.filter((each) => !known.has(aboutOf(each)));
  return (
    <div role="status" data-testid="then-said" className="mt-1 pl-3">
      {come.length === 0 ? (
        <span className="text-ink2">Nothing else is said then.</span>
      ) : (
        come.map((each) => (
          <div key={keyOf(each)}>
            <span className={wantsSettling(each) ? 'text-warn' : 'text-ink2'}>
              {wantsSettling(each) && <SnagFlag />} Then: {each.message}
            </span>
            {each.fix && <FixKeys fix={{ ...each.fix, words: `and ${each.fix.words}` }} after={after} />}
          </div>
        ))
      )}
    </div>
  );
}

/** Leaves a check as it is on this fly, with a reason. */
function LeaveIt({ finding, leaving, onLeaving }: Omit<CheckCardProps, 'take'>) {
  const bench = useBenchStore();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const mute = (): void => {
    let { file } = bench.getState();
    // What the same cause trips is left with it.
    for (const code of [finding.code, ...(finding.with ?? [])]) {
      const muted = withMute(file, code, why);
      if (!muted.ok) {
        setProblem(muted.faults[0]?.message ?? 'Say why.');
        return;
      }
      file = muted.value;
    }
    if (changeOrSay(bench, file)) onLeaving(false);
  };
  return (
    <div className="mt-1">
      {!leaving ? (
        <button type="button" className="text-ink2 hover:text-ink hover:underline" onClick={() => onLeaving(true)}>
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
            value={why}
            onChange={(event) => {
              setWhy(event.target.value);
              setProblem(null);
            }}
            onKeyDown={(event) => {
              if (event.key === 'Escape') onLeaving(false);
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
