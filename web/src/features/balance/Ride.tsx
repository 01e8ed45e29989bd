import type { FlyReport, LaidFly } from '@jobbet/core/model';
import { CurrentBar } from './CurrentBar.tsx';
import { PulledAndSinking } from './PulledAndSinking.tsx';
import type { BalanceFigures } from './reckon.ts';
import { RideDial } from './RideDial.tsx';
import type { Asked, CurrentShown } from './useBalance.ts';

interface RideProps {
  readonly laid: LaidFly;
  readonly figures: BalanceFigures | null;
  readonly report: FlyReport | null;
  readonly current: CurrentShown | null;
  readonly asked: Asked;
  readonly onAsk: (asked: Asked) => void;
}

/** Which way up it rides and how firmly: the dial, a side current, how it is pulled and sinks. */
export function Ride({ laid, figures, report, current, asked, onAsk }: RideProps) {
  const shownDeg = asked.kind === 'heel' ? asked.deg : current ? current.restDeg : laid.tight.heelDeg;
  return (
    <div className="w-[536px] max-[1180px]:w-[500px] max-[1000px]:w-[376px] shrink-0 border-r border-hair overflow-y-auto py-3">
      <RideDial laid={laid} figures={figures} current={current} asked={asked} shownDeg={shownDeg} onAsk={onAsk} />
      <p className="px-4 text-ink2 leading-tight">
        <Key stroke="var(--weight)" width={2} /> turns it back, tight{' '}
        <Key stroke="var(--weight)" width={0.9} dash="2 3" /> slack, own scale{' '}
        <Key stroke="var(--shape)" width={1.6} dash="7 4" /> push of the current
        {asked.kind !== 'rest' && (
          <button
            type="button"
            className="underline underline-offset-2 ml-3 hover:text-ink"
            onClick={() => onAsk({ kind: 'rest' })}
          >
            let it come to rest <span className="plain-key">Esc</span>
          </button>
        )}
      </p>
      {figures && (
        <CurrentBar
          laid={laid}
          limits={figures.limits}
          range={figures.holdRange}
          asked={asked}
          current={current}
          onAsk={onAsk}
        />
      )}
      {figures && <PulledAndSinking laid={laid} fall={figures.fall} report={report} />}
    </div>
  );
}

/** A line of the legend. */
function Key({ stroke, width, dash }: { readonly stroke: string; readonly width: number; readonly dash?: string }) {
  return (
    <svg width={26} height={8} className="inline mx-1" aria-hidden="true">
      <line x1={1} x2={25} y1={4} y2={4} stroke={stroke} strokeWidth={width} strokeDasharray={dash} />
    </svg>
  );
}
