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
  readonly colour: string;
  readonly label: string;
  /** What it says, in words. */
  readonly told: string;
}

/** How many flies come out how: a small histogram under its words. */
export function SpreadChart({ values, speed = false, unit, colour, label, told }: SpreadChartProps) {
  const style = useStyle();
  const theme = useChartTheme();
  const option = useMemo((): ChartOption => {
    const scale = speed ? MM_S_PER[style.speed] : 1;
    const { from, breadth, counts } = histogramOf(Array.from(values, (value) => value / scale));
    const digits = breadth >= 1 ? 0 : breadth >= 0.1 ? 1 : 2;
    return {
      ...theme.plain,
      grid: { left: 4, right: 4, top: 2, bottom: 18 },
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
          itemStyle: { color: theme.colour(colour) },
          barCategoryGap: '8%',
        },
      ],
    };
  }, [values, speed, unit, colour, label, style, theme]);
  return (
    <figure className="mb-1">
      <figcaption className="leading-tight">{told}</figcaption>
      <Chart option={option} label={`Histogram of ${label}: ${told}`} className="h-[58px] w-full" />
    </figure>
  );
}
