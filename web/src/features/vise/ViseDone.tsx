import { useRef } from 'react';
import { clock, tyingTime } from '@jobbet/core/tying';
import type { TyingRecord } from '@jobbet/core/contract';
import type { LaidFly } from '@jobbet/core/model';
import { useSize } from '../../shared/ui/useSize.ts';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';

interface ViseDoneProps {
  readonly tying: TyingRecord;
  readonly laid: LaidFly;
  /** What comes next in a batch; null for a fly by itself. */
  readonly next: string | null;
}

/** A fly that is done: how it is to look, what it took, and how it differs from the plan. */
export function ViseDone({ tying, laid, next }: ViseDoneProps) {
  const frame = useRef<HTMLElement>(null);
  const { width } = useSize(frame);
  const across = Math.min(900, width - 48);
  const differs = Object.entries(tying.differs).map(([key, words]) => `${key}: ${words}`);
  return (
    <section
      ref={frame}
      className="flex-1 min-h-0 grid place-content-center justify-items-center text-center gap-3"
      data-testid="vise-done"
    >
      {across > 100 && <FlyThumb laid={laid} width={across} height={Math.round(across * 0.42)} />}
      <p className="text-[clamp(26px,3.6vw,46px)] font-bold">Done in {clock(tyingTime(tying))}</p>
      {next !== null && (
        <p className="text-[clamp(16px,2vw,25px)]">
          {next} <span className="plain-key">N</span>
        </p>
      )}
      <p className="text-[clamp(16px,2vw,25px)] text-ink2">
        {differs.length === 0 ? 'As it was planned.' : `Differs: ${differs.join('; ')}.`}
      </p>
    </section>
  );
}
