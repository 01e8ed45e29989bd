import { clock, isFinished, type Step } from '@jobbet/core/tying';
import type { Runs } from '../../shared/commands/commands.ts';
import type { VISE } from './commands.ts';
import type { Tying } from './useTying.ts';
import { ViseKey } from './ViseKeys.tsx';

interface ViseFootProps extends Pick<Tying, 'tying' | 'all' | 'now'> {
  readonly next: Step | undefined;
  readonly runs: Runs<typeof VISE>;
  /** What is turned on: the far side, the voice. */
  readonly far: boolean;
  readonly aloud: boolean;
}

/** What comes next, what dries, and the keys; each can be pressed with a knuckle too. */
export function ViseFoot({ tying, all, now, next, runs, far, aloud }: ViseFootProps) {
  const finished = isFinished(tying);
  const key = (name: string, cap: string, run: (() => void) | null | undefined, pressed?: boolean) =>
    run && (
      <ViseKey name={name} onPress={run} {...(pressed === undefined ? {} : { pressed })}>
        {cap}
      </ViseKey>
    );
  return (
    <footer className="flex items-center gap-5 px-8 h-[66px] border-t border-hair shrink-0 text-[20px]">
      <p className="flex-1 min-w-0 truncate">
        {finished ? 'Space begins the next one.' : next ? <Next title={next.title} /> : 'Then it is done.'}
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
      {!finished && key('differs', 'W', runs.differs)}
      {key('back', '←', runs.back)}
      {key(finished ? 'next fly' : 'done', 'space', runs.on)}
      {!finished && key('turn', 'C', runs.count)}
      {!finished && key('flip', 'F', runs.flip, far)}
      {key('aloud', 'S', runs.aloud, aloud)}
      {key('out', 'Esc', runs.out)}
    </footer>
  );
}

const Next = ({ title }: { readonly title: string }) => (
  <>
    <span className="text-ink2">Next</span> <b>{title}</b>
  </>
);
