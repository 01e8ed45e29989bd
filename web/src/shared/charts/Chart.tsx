import { BarChart, LineChart, ScatterChart } from 'echarts/charts';
import { AriaComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import { useSize } from '../ui/useSize.ts';

register([
  BarChart,
  LineChart,
  ScatterChart,
  GridComponent,
  TooltipComponent,
  LegendComponent,
  MarkLineComponent,
  AriaComponent,
  SVGRenderer,
]);

export type ChartOption = EChartsCoreOption;

interface ChartProps {
  readonly option: ChartOption;
  /** What it shows, for one who does not see it; its figures stand in words beside it. */
  readonly label: string;
  readonly className: string;
  readonly testId?: string;
  /** Told the place in the list of the point that is pressed. */
  readonly onPick?: (dataIndex: number) => void;
}

/** A chart that fills its frame. */
export function Chart({ option, label, className, testId, onPick }: ChartProps) {
  const frame = useRef<HTMLDivElement>(null);
  const chart = useRef<ReturnType<typeof init> | null>(null);
  const pick = useRef(onPick);
  const { width, height } = useSize(frame);
  useEffect(() => {
    pick.current = onPick;
  });
  useEffect(() => {
    if (!frame.current || width === 0) return;
    if (!chart.current) {
      chart.current = init(frame.current, undefined, { renderer: 'svg' });
      chart.current.on('click', ({ dataIndex }) => pick.current?.(dataIndex));
    }
    chart.current.resize({ width, height });
    chart.current.setOption(option, true);
  }, [option, width, height]);
  useEffect(
    () => () => {
      chart.current?.dispose();
      chart.current = null;
    },
    [],
  );
  return <div ref={frame} role="img" aria-label={label} className={className} data-testid={testId} />;
}
