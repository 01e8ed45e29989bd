import { clock, isFinished, tyingTime, usualTime, type TyingSheet } from '@jobbet/core/tying';
import type { Tying } from './useTying.ts';

interface ViseHeadProps extends Pick<Tying, 'tying' | 'all'> {
  readonly sheet: TyingSheet;
  /** The step it is at, from nought. */
  readonly at: number;
}

/** Which fly it is, how far it is, and what it takes. */
export function ViseHead({ sheet: { name, steps }, tying, all, at }: ViseHeadProps) {
  const finished = isFinished(tying);
  const usual = usualTime(all);
  const nth = all.filter((each) => isFinished(each) && each.begun !== tying.begun).length + 1;
  return (
    <header className="flex flex-wrap items-center gap-x-6 px-[clamp(12px,2.5vw,32px)] min-h-[min(62px,10vh)] py-1 bg-ink text-sheet shrink-0">
      <h1 className="text-[clamp(18px,2vw,25px)] font-semibold truncate max-w-full">{name}</h1>
      <span className="text-[clamp(15px,1.5vw,19px)] opacity-80 whitespace-nowrap">fly {nth}</span>
      <ol
        className="flex-1 flex items-center justify-center gap-2 max-[900px]:order-last max-[900px]:basis-full max-[900px]:gap-1"
        aria-label="Steps"
      >
        {steps.map(({ key, title }, i) => {
          const here = i === at && !finished;
          const dot = `w-3 h-3 max-[900px]:w-2 max-[900px]:h-2 border-2 border-sheet ${i < at || finished ? 'bg-sheet' : ''}`;
          return (
            <li
              key={key}
              aria-current={here ? 'step' : undefined}
              title={title}
              className={`grid place-items-center rounded-full ${here ? 'w-9 h-9 max-[900px]:w-7 max-[900px]:h-7 bg-pick text-on-pick text-[19px] font-bold' : dot}`}
            >
              {here ? i + 1 : <span className="sr-only">{title}</span>}
            </li>
          );
        })}
      </ol>
      <span className="ml-auto text-[clamp(15px,1.5vw,19px)] whitespace-nowrap" data-testid="vise-clock">
        {!finished && <>step {clock(tying.spent[steps[at]?.key ?? ''] ?? 0)}, </>}this fly {clock(tyingTime(tying))}
        {usual !== null && <span className="opacity-80">, usually {clock(usual)}</span>}
      </span>
    </header>
  );
}
