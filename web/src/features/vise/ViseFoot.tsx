import { clock, isFinished, type Step } from '@jobbet/core/tying';
import type { Runs } from '../../shared/commands/commands.ts';
import type { VISE } from './commands.ts';
import type { Tying } from './useTying.ts';
import { Menu } from '../../shared/ui/Menu.tsx';
import { ViseKey } from './ViseKeys.tsx';

interface ViseFootProps extends Pick<Tying, 'tying' | 'all' | 'now'> {
  readonly step: Step;
  /** What is done next; null after the last step. */
  readonly next: string | null;
  readonly runs: Runs<typeof VISE>;
  /** What is turned on: the far side, the voice. */
  readonly far: boolean;
  readonly aloud: boolean;
}

/** What comes next, what dries, and the keys; each can be pressed with a knuckle too. */
export function ViseFoot({ tying, all, now, step, next, runs, far, aloud }: ViseFootProps) {
  const finished = isFinished(tying);
  const key = (name: string, cap: string, run: (() => void) | null | undefined) =>
    run && (
      <ViseKey name={name} onPress={run}>
        {cap}
      </ViseKey>
    );
  const more = [
    { name: 'what differs from the plan', cap: 'W', run: finished ? null : runs.differs },
    { name: 'count a turn', cap: 'C', run: finished ? null : runs.count },
    { name: 'the far side', cap: 'F', run: finished ? null : runs.flip, on: far },
    { name: 'speak the steps', cap: 'S', run: runs.aloud, on: aloud },
    { name: 'out', cap: 'Esc', run: runs.out },
  ].flatMap((each) => (each.run ? [{ ...each, run: each.run }] : []));
  return (
    <footer className="flex flex-wrap items-center gap-x-5 max-[560px]:gap-x-3 gap-y-2 px-[clamp(12px,2.5vw,32px)] min-h-[min(66px,11vh)] py-1.5 border-t border-hair shrink-0 text-[clamp(16px,1.6vw,20px)]">
      <p className="flex-1 min-w-[120px] truncate max-[560px]:basis-full">
        {finished ? 'N begins the next one.' : next !== null ? <Next title={next} /> : 'Then it is done.'}
        {all.flatMap(({ drying }) =>
          Object.entries(drying)
            .filter(([, ready]) => ready > now)
            .map(([what, ready]) => (
              <span key={`${what}${String(ready)}`} className="ml-5 text-air" data-testid="drying">
                {what.replace('/', ' ')} dry in {clock(ready - now)}
              </span>
            )),
        )}
      </p>
      {key('back', '←', runs.back)}
      {finished ? key('next fly', 'N', runs.again) : key('done', 'space', runs.on)}
      {!finished && runs.count && step.turns !== null && key('turn', 'C', runs.count)}
      <Menu
        label="More at the vise"
        className="border-2 border-rule rounded-[3px] min-w-[44px] min-h-[40px] px-2 font-bold"
        lines={more.map(({ name, cap, run, on = false }) => ({
          name,
          run,
          show: (
            <span className="flex justify-between gap-6 text-[18px] py-1">
              <span>
                {on ? '✓ ' : ''}
                {name}
              </span>
              <span className="plain-key">{cap}</span>
            </span>
          ),
        }))}
      >
        ⋯
      </Menu>
    </footer>
  );
}

const Next = ({ title }: { readonly title: string }) => (
  <>
    <span className="text-ink2">Next</span> <b>{title}</b>
  </>
);
