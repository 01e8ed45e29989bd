import { histogramOf } from '@jobbet/core/study';
import { formatNumber, MM_S_PER } from '@jobbet/core/units';
import { useMemo } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { Chart, type ChartOption } from '../../shared/charts/Chart.tsx';
import { useChartTheme } from '../../shared/charts/theme.ts';

interface SpreadChartProps {
  /** Degrees, or mm/s where they are speeds. */
  readonly values: ArrayLike<number>;
  readonly speed?: boolean;
  readonly unit: string;
  readonly label: string;
  /** What the plan itself comes to, in the same measure; null where that is no figure. */
  readonly meant: number | null;
  /** What it says, in words. */
  readonly told: string;
}

const HIGH_PX = 58;
const AXIS_PX = 18;

/** How many flies come out how: a small histogram under its words. */
export function SpreadChart({ values, speed = false, unit, label, meant, told }: SpreadChartProps) {
  const style = useStyle();
  const theme = useChartTheme();
  const option = useMemo((): ChartOption => {
    const scale = speed ? MM_S_PER[style.speed] : 1;
    const { from, breadth, counts } = histogramOf(Array.from(values, (value) => value / scale));
    const share = meant === null ? -1 : (meant / scale - from) / (breadth * counts.length);
    const at = `${String(100 * share)}%`;
    const digits = breadth >= 1 ? 0 : breadth >= 0.1 ? 1 : 2;
    return {
      ...theme.plain,
      // The breadth of the whole is that of the bars, so that a place among them is a share of it.
      grid: { left: 0, right: 0, top: 2, bottom: AXIS_PX },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'category',
        data: counts.map((_, i) => formatNumber(from + (i + 0.5) * breadth, breadth >= 1 ? digits : digits + 1, style)),
        axisLabel: { color: theme.ink, hideOverlap: true, fontSize: 11 },
        axisTick: { show: false },
        axisLine: { lineStyle: { color: theme.rule } },
      },
      yAxis: { type: 'value', show: false, min: 0 },
      series: [
        {
          type: 'bar',
          name: `flies, ${label} in ${unit}`,
          data: counts,
          itemStyle: { color: theme.ink },
          barCategoryGap: '8%',
          // Where the plan itself lies among them.
          markLine: {
            silent: true,
            symbol: 'none',
            animation: false,
            label: { show: false },
            lineStyle: { color: theme.colour('--measure'), width: 2, type: 'solid' },
            data:
              share >= 0 && share <= 1
                ? [
                    [
                      { x: at, y: 0 },
                      { x: at, y: HIGH_PX - AXIS_PX },
                    ],
                  ]
                : [],
          },
        },
      ],
    };
  }, [values, speed, unit, label, meant, style, theme]);
  return (
    <figure className="mb-1">
      <figcaption className="leading-tight">{told}</figcaption>
      <Chart option={option} label={`Histogram of ${label}: ${told}`} className="h-[58px] w-full" />
    </figure>
  );
}
