import { timeTo, type Fall, type FlyReport, type LaidFly } from '@jobbet/core/model';
import { formatAngle, formatDepth, formatNumber, formatSpeed } from '@jobbet/core/units';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { depthsM } from './depth.ts';

/** Pulls a fly is looked at, mm/s: left to hang in a slow glide, drawn, and stripped. */
const PULLS = [100, 300, 600] as const;

interface PulledProps {
  readonly laid: LaidFly;
  /** From rest in still water, soaked and alone; null where it floats. */
  readonly fall: Fall | null;
  readonly report: FlyReport | null;
}

/** How it hangs on the pull of the line, and how long it takes down to a depth. */
export function PulledAndSinking({ laid, fall, report }: PulledProps) {
  const style = useStyle();
  const droops = report
    ? PULLS.map((pull) => ({ pull, deg: report.trim.droop_deg[String(pull) as keyof typeof report.trim.droop_deg] }))
    : [];
  const depths = depthsM(laid.file);
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  const seconds = (s: number | null): string => (s === null ? 'no time known' : `${formatNumber(s, 1, style)} s`);
  const depth = (m: number): string => Object.values(formatDepth(1000 * m, style)).join(' ');
  return (
    <section aria-label="Pulled and sinking" className="px-4 py-2 border-t border-hair" data-testid="pulled">
      <h2 className="font-semibold">
        <WhyButton asked="droop" laid={laid}>
          Pulled
        </WhyButton>{' '}
        and{' '}
        <WhyButton asked="depth" laid={laid}>
          sinking
        </WhyButton>
      </h2>
      <p>
        On the pull of the line the tail hangs{' '}
        {droops.map(({ pull, deg }, i) => (
          <span key={pull}>
            {i > 0 && (i === droops.length - 1 ? ' and ' : ', ')}
            <b>{formatAngle(deg, style)}°</b> at {speed(pull)}
          </span>
        ))}
        .
      </p>
      <p>
        {fall ? (
          <>
            From rest it is down to{' '}
            {depths.map((m, i) => (
              <span key={m}>
                {i > 0 && (i === depths.length - 1 ? ' and ' : ', ')}
                {depth(m)} in <b>{seconds(timeTo(fall, 1000 * m))}</b>
              </span>
            ))}
            .{' '}
            <span className="italic text-ink3">
              Still water, soaked{laid.file.measured?.dragFactor === undefined ? '' : ', with its drag as timed'};
              nose-first sinking of soft flies is the least certain figure.
            </span>
          </>
        ) : (
          'It floats.'
        )}
      </p>
    </section>
  );
}
