import { clock, tyingTime } from '@jobbet/core/tying';
import type { TyingRecord } from '@jobbet/core/contract';

/** A fly that is done: what it took, and how it differs from the plan. */
export function ViseDone({ tying }: { readonly tying: TyingRecord }) {
  const differs = Object.entries(tying.differs).map(([key, words]) => `${key}: ${words}`);
  return (
    <section className="flex-1 grid place-content-center text-center gap-4" data-testid="vise-done">
      <p className="text-[46px] font-bold">Done in {clock(tyingTime(tying))}</p>
      <p className="text-[25px] text-ink2">
        {differs.length === 0 ? 'As it was planned.' : `Differs: ${differs.join('; ')}.`}
      </p>
    </section>
  );
}
