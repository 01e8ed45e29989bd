import type { FlyFile } from '@jobbet/core/pattern';
import { meantFor, timeTo, type Fall, type Leader } from '@jobbet/core/model';
import { figureOf, formatDepth, formatNumber, MM_PER, MM_S_PER, readTyped, type Typed } from '@jobbet/core/units';
import { useMemo } from 'react';
import { FigureField } from '../../shared/fields/FigureField.tsx';
import type { OfFly } from '../../shared/solve/useReport.ts';
import { setSettings, useSettings, useStyle } from '../../shared/settings/settings.ts';
import { SinkTest } from './SinkTest.tsx';
import { useCurves } from './useBalance.ts';
import { Chart, type ChartOption } from '../../shared/charts/Chart.tsx';
import { useChartTheme } from '../../shared/charts/theme.ts';

const DEPTH_MM = 3000;
const POINTS = 40;
/** Pulls of the droop curve, mm/s. */
const PULLS = Array.from({ length: 26 }, (_, i) => 20 + 39.2 * i);
const MOST_AIR = 20;

interface CurvesProps {
  /** The fly that is shown, and the one on the bench. */
  readonly of: OfFly;
  readonly plan: OfFly;
  readonly onKeep: (file: FlyFile, words: string) => void;
}

const lengthTyped = (text: string): Typed => readTyped('length', text, { above: 0 });

function leaderOf(length: string, thick: string): Leader | null {
  const [lengthMm, diameterMm] = [figureOf(lengthTyped(length)), figureOf(lengthTyped(thick))];
  return lengthMm !== null && diameterMm !== null ? { lengthMm, diameterMm } : null;
}

/** How deep it is after so long, with what may slow it; how it hangs on a pull; and a sink test that corrects its drag. */
export function Curves({ of, plan, onKeep }: CurvesProps) {
  const style = useStyle();
  const { leaderLength, leaderThick, airShare } = useSettings();
  const deepest = Math.max(DEPTH_MM, meantFor(of.file).depthMm ?? 0);
  const leader = useMemo(() => leaderOf(leaderLength, leaderThick), [leaderLength, leaderThick]);
  const curves = useCurves(
    useMemo(() => ({ of, leader, airShare, depthMm: deepest, pullsMmS: PULLS }), [of, leader, airShare, deepest]),
  );
  const to = (fall: Fall | null): string => {
    const seconds = timeTo(fall, 1000);
    return seconds === null ? 'not at all' : `${formatNumber(seconds, 1, style)} s`;
  };
  const [wrongLength, wrongThick] = [leaderLength, leaderThick].map((text) => lengthTyped(text).is === 'wrong');
  const wrongLeader = wrongLength === true || wrongThick === true;
  const half = (leaderLength.trim() === '') !== (leaderThick.trim() === '');
  return (
    <section aria-label="Pulled and sinking, as curves" className="px-4 py-2">
      <p className="leading-[2]">
        With a leader of{' '}
        <FigureField
          label="leader length"
          value={leaderLength}
          empty="none"
          wrong={wrongLength === true}
          onChange={(text) => setSettings({ leaderLength: text })}
        />{' '}
        that is{' '}
        <FigureField
          label="leader thickness"
          value={leaderThick}
          empty="0.25 mm"
          wrong={wrongThick === true}
          onChange={(text) => setSettings({ leaderThick: text })}
        />{' '}
        thick, and air in{' '}
        <input
          type="number"
          className="field w-14"
          aria-label="air in the soft parts, per cent"
          min={0}
          max={MOST_AIR}
          value={Number((100 * airShare).toFixed(1))}
          onChange={(event) =>
            setSettings({ airShare: Math.min(MOST_AIR, Math.max(0, Number(event.target.value))) / 100 })
          }
        />{' '}
        % of what the soft parts enclose, it is down 1 m in{' '}
        <b data-testid="to-a-metre">{curves ? to(curves.soaked) : '…'}</b>
        {airShare > 0 && curves?.airy !== undefined && (
          <>
            {' '}
            soaked, <b>{curves.airy ? to(curves.airy) : 'and floats'}</b>{' '}
            {curves.airy ? 'as it goes in dry' : 'as long as it is dry'}
          </>
        )}
        .
      </p>
      {(wrongLeader || half) && (
        <p role="alert" className="text-warn">
          {wrongLeader
            ? 'A leader is written such as 3 m and 0.25 mm.'
            : 'A leader takes both its length and its thickness.'}
        </p>
      )}
      {curves && (
        <div className="grid grid-cols-2 gap-4">
          <SinkChart soaked={curves.soaked} airy={curves.airy ?? null} deepest={deepest} />
          <DroopChart angles={curves.droopDeg} />
        </div>
      )}
      <SinkTest plan={plan} onKeep={onKeep} />
    </section>
  );
}

function SinkChart({ soaked, airy, deepest }: { soaked: Fall | null; airy: Fall | null; deepest: number }) {
  const style = useStyle();
  const theme = useChartTheme();
  const option = useMemo((): ChartOption => {
    const per = MM_PER[style.length === 'in' ? 'ft' : 'm'];
    const points = (fall: Fall | null): [number, number][] =>
      fall
        ? Array.from({ length: POINTS + 1 }, (_, i): [number, number] => {
            const depth = (i / POINTS) * deepest;
            return [Number((i === 0 ? 0 : (timeTo(fall, depth) ?? NaN)).toFixed(2)), Number((depth / per).toFixed(2))];
          }).filter(([seconds]) => !Number.isNaN(seconds))
        : [];
    return {
      ...theme.plain,
      grid: { left: 44, right: 12, top: 10, bottom: 38 },
      tooltip: { trigger: 'axis' },
      xAxis: theme.axis('seconds from rest', 22),
      yAxis: { ...theme.axis(`${formatDepth(1, style).unit} down`, 28), inverse: true, max: deepest / per },
      series: [
        theme.line('soaked', '--air', points(soaked)),
        ...(airy ? [theme.line('going in dry', '--air', points(airy), 'dashed')] : []),
      ],
    };
  }, [soaked, airy, deepest, style, theme]);
  return (
    <figure>
      <figcaption className="italic text-ink2">
        sinking in still water, at the attitude it takes; good to some ten per cent
      </figcaption>
      {soaked ? (
        <Chart
          option={option}
          label="Depth against time; times to depths stand at the left"
          className="h-[150px] w-full"
          testId="sink-chart"
        />
      ) : (
        <p>It floats.</p>
      )}
    </figure>
  );
}

function DroopChart({ angles }: { readonly angles: readonly number[] }) {
  const style = useStyle();
  const theme = useChartTheme();
  const option = useMemo((): ChartOption => {
    const scale = MM_S_PER[style.speed];
    return {
      ...theme.plain,
      grid: { left: 44, right: 12, top: 10, bottom: 38 },
      tooltip: { trigger: 'axis' },
      xAxis: { ...theme.axis(`pull, ${style.speed}`, 22), max: Math.round(1000 / scale) },
      yAxis: theme.axis('° tail down', 28),
      series: [
        theme.line(
          'tail hangs',
          '--weight',
          PULLS.map((pull, i) => [Number((pull / scale).toFixed(1)), Number((angles[i] ?? 0).toFixed(1))] as const),
        ),
      ],
    };
  }, [angles, style, theme]);
  return (
    <figure>
      <figcaption className="italic text-ink2">how it hangs behind the knot while it is drawn</figcaption>
      <Chart
        option={option}
        label="Droop against the speed of the pull; three of them stand at the left"
        className="h-[150px] w-full"
      />
    </figure>
  );
}
