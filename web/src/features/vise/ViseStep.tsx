import type { LaidFly } from '@jobbet/core/model';
import { byEye, cutWords, relationWords, type Step, techniquesIn } from '@jobbet/core/tying';
import { formatLength, formatNumber, saying } from '@jobbet/core/units';
import { useMemo } from 'react';
import { TechniqueKeys } from '../../fly/tyings/TechniqueKeys.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { SecondLook, ViseStage } from './ViseStage.tsx';

interface ViseStepProps {
  readonly laid: LaidFly;
  readonly step: Step;
  readonly threadMm: number | null;
  /** Turns counted so far. */
  readonly turns: number;
  readonly far: boolean;
  readonly onTap: () => void;
}

/** One step to be read from a metre away: its measure first, then what is done, the fly, and what is minded. */
export function ViseStep({ laid, step, threadMm, turns, far, onTap }: ViseStepProps) {
  const style = useStyle();
  const { measure } = step;
  const shown = measure && formatLength(measure.mm, style);
  const alike = useMemo(() => byEye(laid, step), [laid, step]);
  return (
    <section
      className="flex-1 min-h-0 flex flex-col px-[clamp(12px,2.5vw,32px)] pt-3 overflow-y-auto"
      aria-live="polite"
      data-testid="vise-step"
      data-step={step.key}
    >
      <div className="flex gap-[clamp(12px,2.8vw,36px)] items-center">
        {shown && (
          <strong className="vise-measure tabular-nums" data-testid="vise-measure">
            {shown.figure}
          </strong>
        )}
        <div className="min-w-0">
          <p className="text-[clamp(21px,min(3.3vw,5.2vh),42px)] font-semibold leading-tight">{step.title}</p>
          {measure && shown && (
            <p className="text-[clamp(18px,min(2.7vw,4.3vh),34px)] leading-tight">
              {shown.unit} {measure.words}
            </p>
          )}
          <p className="leading-tight">
            {measure?.relation && (
              <span className="text-[clamp(18px,min(3vw,4.7vh),38px)] italic text-measure pr-6">
                {relationWords(measure.relation)}
              </span>
            )}
            {alike && (
              <span className="text-[clamp(16px,min(2vw,3.2vh),25px)]" data-testid="by-eye">
                by eye: {alike.words}
              </span>
            )}
          </p>
        </div>
        <SecondLook laid={laid} step={step} far={far} />
      </div>
      <p className="text-[clamp(16px,min(2vw,3.2vh),25px)] leading-snug mt-2">{step.how.join(' ')}</p>
      <TechniqueKeys step={step} laid={laid} className="text-[clamp(15px,1.5vw,19px)]" />
      <ViseStage laid={laid} step={step} threadMm={threadMm} alike={alike} far={far} onTap={onTap} />
      <div className="flex gap-8 items-end text-[clamp(15px,min(1.7vw,2.7vh),21px)] leading-snug pb-1">
        <div className="flex-1 min-w-0">
          {step.inHand.length > 0 && <p className="text-ink2">In hand</p>}
          {step.inHand.map((each) => (
            <p key={each}>{each}</p>
          ))}
          {step.cutMm !== null && <p className="font-semibold">{cutWords(step.cutMm, saying(style))} long</p>}
        </div>
        <div className="flex-1 min-w-0 text-right">
          {far && <p className="text-ink2">From the far side</p>}
          {[...(step.tool === null ? [] : [step.tool]), ...(step.face === null ? [] : [step.face]), ...step.look].map(
            (each) => (
              <p key={each}>{each}</p>
            ),
          )}
          {(step.turns !== null || turns > 0) && (
            <p data-testid="vise-turns">
              <b className="text-[34px]">{turns}</b>
              {step.turns !== null && ` of ${formatNumber(step.turns, 0, style)}`}{' '}
              {turns === 1 && step.turns === null ? 'turn' : 'turns'}
            </p>
          )}
        </div>
      </div>
      <Warned step={step} />
    </section>
  );
}

/** What goes wrong here, and what may hurt. */
function Warned({ step }: { readonly step: Step }) {
  // What may hurt is said whether or not the technique is opened.
  const cautions = new Set([step.caution, ...techniquesIn(step).map(({ caution }) => caution ?? null)]);
  const words = [step.wrong, ...cautions].filter((each) => each !== null);
  return words.length === 0 ? null : (
    <p className="-mx-[clamp(12px,2.5vw,32px)] px-[clamp(12px,2.5vw,32px)] py-1.5 text-[clamp(15px,min(1.75vw,2.8vh),22px)] bg-warnwash leading-snug">
      <SnagFlag /> {words.join(' ')}
    </p>
  );
}
