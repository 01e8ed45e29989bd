import type { FlyFile } from '@jobbet/core/pattern';
import type { Found } from '@jobbet/core/study';
import { formatMass, formatSpeed, MG_PER, MM_S_PER } from '@jobbet/core/units';
import { useMemo } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { Chart, type ChartOption } from '../../shared/charts/Chart.tsx';
import { useChartTheme } from '../../shared/charts/theme.ts';

/** mg in one of the unit masses are shown in. */

interface FrontChartProps {
  readonly found: readonly Found[];
  readonly shown: FlyFile | null;
  readonly onShow: (found: Found) => void;
}

/** What was found, its weight against the current it holds: the front joins those that nothing lighter outdoes. A press shows one. */
export function FrontChart({ found, shown, onShow }: FrontChartProps) {
  const style = useStyle();
  const theme = useChartTheme();
  /** Those that hold in any current have no place on the axis. */
  const placed = useMemo(() => found.filter((each) => each.holdsToMmS !== null), [found]);
  const option = useMemo((): ChartOption => {
    const at = ({ dryMg, holdsToMmS }: Found): [number, number] => [
      Number((dryMg / MG_PER[style.mass]).toFixed(3)),
      Number(((holdsToMmS ?? 0) / MM_S_PER[style.speed]).toFixed(2)),
    ];
    const front = placed.filter((each) => each.front).sort((a, b) => a.dryMg - b.dryMg);
    return {
      ...theme.plain,
      grid: { left: 44, right: 10, top: 10, bottom: 36 },
      tooltip: {
        formatter: (of: { dataIndex: number; seriesIndex: number }) =>
          of.seriesIndex === 0 ? (placed[of.dataIndex]?.words ?? '') : '',
      },
      xAxis: { ...theme.axis(`dry, ${formatMass(1000, style).unit}`, 20), scale: true },
      yAxis: { ...theme.axis(`holds, ${formatSpeed(100, style).unit}`, 30), scale: true },
      series: [
        {
          type: 'scatter',
          name: 'found',
          data: placed.map((each) => ({
            value: at(each),
            symbol: each.front ? 'diamond' : 'circle',
            symbolSize: each.file === shown ? 15 : 9,
            itemStyle: {
              color:
                each.file === shown
                  ? theme.colour('--pick')
                  : each.front
                    ? theme.colour('--weight')
                    : theme.colour('--sheet'),
              borderColor: each.file === shown ? theme.colour('--on-pick') : theme.colour('--weight'),
              borderWidth: 1.2,
            },
          })),
        },
        {
          type: 'line',
          name: 'front',
          data: front.map(at),
          showSymbol: false,
          silent: true,
          z: 1,
          lineStyle: { color: theme.colour('--weight'), width: 1, type: 'dashed' },
        },
      ],
    };
  }, [placed, shown, style, theme]);
  return (
    <Chart
      option={option}
      label="Weight against the current held, of what was found; the list beside it tells each"
      className="h-[176px] w-full"
      testId="front-chart"
      onPick={(index) => {
        const one = placed[index];
        if (one) onShow(one);
      }}
    />
  );
}
