import { useMemo } from 'react';
import { useDark } from '../settings/useDark.ts';

/** A colour of the page, as it is in the theme in use. */
const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

type Point = number | null | readonly [x: number, y: number];

/** How charts are drawn: the page's type and colours, nothing that moves. Read from the page, so that there is one a theme. */
class ChartTheme {
  /** What every chart has. */
  readonly plain = { animation: false, aria: { enabled: true }, textStyle: { fontFamily: 'inherit' } } as const;
  readonly ink = token('--ink2');
  readonly faint = token('--ink3');
  readonly rule = token('--rule');
  readonly hair = token('--hair');

  /** @param name of a token of the page, such as `--weight` */
  colour(name: string): string {
    return token(name);
  }

  /** An axis of figures with its name along it. @param gap px from the axis to its name */
  axis(name: string, gap: number) {
    return {
      type: 'value' as const,
      name,
      nameLocation: 'middle' as const,
      nameGap: gap,
      nameTextStyle: { color: this.ink, fontStyle: 'italic' as const },
      axisLabel: { color: this.ink },
      splitLine: { lineStyle: { color: this.hair } },
    };
  }

  /** A line without marks. @param name of the token of its colour */
  line(name: string, of: string, data: readonly Point[], type: 'solid' | 'dashed' = 'solid') {
    const color = token(of);
    return {
      type: 'line' as const,
      name,
      data,
      showSymbol: false,
      lineStyle: { color, width: 2, type },
      itemStyle: { color },
    };
  }
}

/** The theme charts are drawn in now; another object once it is another theme. */
export function useChartTheme(): ChartTheme {
  const dark = useDark();
  // The colours are read from the page, which the theme changes.
  // oxlint-disable-next-line react/exhaustive-deps
  return useMemo(() => new ChartTheme(), [dark]);
}
