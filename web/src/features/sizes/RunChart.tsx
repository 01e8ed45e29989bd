import { formatNumber, MM_S_PER } from '@jobbet/core/units';
import { useMemo } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { Chart, type ChartOption } from '../../shared/charts/Chart.tsx';
import { useChartTheme } from '../../shared/charts/theme.ts';
import type { Column } from './RunTable.tsx';

/** How firmly the fly rides, the current it holds to and how fast it sinks, from size to size. */
export function RunChart({ columns }: { readonly columns: readonly Column[] }) {
  const theme = useChartTheme();
  const style = useStyle();
  const option = useMemo((): ChartOption => {
    const reports = columns.map(({ answer }) => (answer?.ok ? answer.report : null));
    const speed = (mmS: number | null | undefined): number | null =>
      mmS == null ? null : Number((mmS / MM_S_PER[style.speed]).toFixed(2));
    const ratios = reports.map((report) => {
      const ratio = report?.keel.tipping?.ratio;
      return ratio === undefined ? null : Number(ratio.toFixed(2));
    });
    // A fly that nothing tips has no ratio, and no axis for one.
    const tips = ratios.some((ratio) => ratio !== null);
    const { ink, faint, hair } = theme;
    const line = (name: string, colour: string, symbol: string, axis: 0 | 1, data: (number | null)[]) => ({
      name,
      type: 'line' as const,
      yAxisIndex: axis,
      data,
      symbol,
      symbolSize: 8,
      lineStyle: { color: colour, width: 1.6 },
      itemStyle: { color: colour },
    });
    const axis = (name: string, right: boolean) => ({
      name,
      type: 'value' as const,
      min: 0,
      nameTextStyle: { color: ink, align: right ? ('right' as const) : ('left' as const) },
      axisLabel: { color: faint, formatter: (value: number) => formatNumber(value, value % 1 === 0 ? 0 : 1, style) },
      splitLine: { show: !right, lineStyle: { color: hair } },
    });
    return {
      ...theme.plain,
      grid: { left: 44, right: 44, top: 48, bottom: 26 },
      legend: { top: 2, textStyle: { color: ink }, itemGap: 24 },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'category',
        data: columns.map(({ size }) => size.text.replace(':', ' ')),
        axisLabel: { color: ink },
        axisLine: { lineStyle: { color: faint } },
      },
      yAxis: [axis(style.speed, false), ...(tips ? [axis('× tipping', true)] : [])],
      series: [
        line(
          'sinks',
          theme.colour('--air'),
          'circle',
          0,
          reports.map((report) => speed(report?.sink?.terminal_mm_s)),
        ),
        line(
          'holds to',
          theme.colour('--measure'),
          'rect',
          0,
          reports.map((report) => speed(report?.keel.holdsTo_mm_s)),
        ),
        ...(tips ? [line('tipping ratio', theme.colour('--weight'), 'diamond', 1, ratios)] : []),
      ],
    };
  }, [columns, style, theme]);
  return (
    <Chart
      option={option}
      label="Tipping ratio, side current held and sinking speed over the sizes; the figures stand in the table above"
      className="h-56 w-full"
      testId="run-chart"
    />
  );
}
