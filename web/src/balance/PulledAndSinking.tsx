import type { FlyReport } from '@jobbet/core';
import { droopAt } from '@jobbet/core/balance/droop';
import { effectiveMass, fallFromRest, timeTo } from '@jobbet/core/balance/fromRest';
import { sinkingDrag } from '@jobbet/core/balance/sinking';
import { formatAngle, formatNumber, formatSpeed } from '@jobbet/core/units/format';
import { parseQuantity } from '@jobbet/core/units/quantity';
import { useMemo } from 'react';
import { useStyle } from '../settings/settings.ts';
import type { BalanceOf } from './useBalance.ts';

/** Pulls a fly is looked at, mm/s: left to hang in a slow glide, drawn, and stripped. */
const PULLS = [100, 300, 600] as const;
const DEPTHS_M = [0.5, 1, 2] as const;

/** How it hangs on the pull of the line, and how long it takes down to a depth. */
export function PulledAndSinking({ of, report }: { readonly of: BalanceOf; readonly report: FlyReport | null }) {
  const style = useStyle();
  const { laid, model } = of;
  const droops = useMemo(
    () => PULLS.map((pull) => ({ pull, deg: droopAt(model, laid.tight.heelDeg ?? 0, pull) })),
    [model, laid.tight.heelDeg],
  );
  const meant = laid.file.intent?.depth === undefined ? null : parseQuantity('length', laid.file.intent.depth);
  const depths = useMemo(
    () => [...new Set([...DEPTHS_M, ...(meant?.ok === true ? [meant.value / 1000] : [])])].sort((a, b) => a - b),
    [meant],
  );
  const fall = useMemo(() => {
    const terminal = report?.sink?.terminal_mm_s;
    if (!report || terminal === undefined) return null;
    const [rest, nose] = [of.slack.heelDeg ?? laid.tight.heelDeg ?? 0, Math.max(0, report.trim.noseDown_deg ?? 0)];
    const balls = laid.parts.reduce((sum, part) => sum + (part.built.ball?.volumeMm3 ?? 0), 0);
    const mass = effectiveMass(model, laid.castingMg, balls, rest, nose);
    // A little deeper than asked, so that the last depth is passed.
    const deepest = 1001 * Math.max(...depths);
    return fallFromRest(laid.submergedMg, mass, sinkingDrag(model, rest, nose), terminal, deepest);
  }, [report, of.slack.heelDeg, laid, model, depths]);
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  const seconds = (s: number | null): string => (s === null ? 'no time known' : `${formatNumber(s, 1, style)} s`);
  const depth = (m: number): string =>
    style.length === 'in'
      ? `${formatNumber(m / 0.3048, 1, style)} ft`
      : `${formatNumber(m, m % 1 === 0 ? 0 : 1, style)} m`;
  return (
    <section aria-label="Pulled and sinking" className="px-4 py-2 border-t border-hair" data-testid="pulled">
      <h2 className="font-semibold">Pulled and sinking</h2>
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
              Still water, soaked; nose-first sinking of soft flies is the least certain figure.
            </span>
          </>
        ) : (
          report && 'It floats.'
        )}
      </p>
    </section>
  );
}
