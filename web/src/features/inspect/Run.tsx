import type { InspectReport, SeriesReport } from '@jobbet/core/inspect';
import { formatLength, type Style } from '@jobbet/core/units';
import { useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { useSize } from '../../shared/ui/useSize.ts';
import type { MeasureShown } from './reckon.ts';

const ROW = 58;
const NAMES = 132;
const WORDS = 250;
const WIDEST = 47;
/** A row tells apart so much, mm, however alike its flies are. */
const LEAST_MM = 0.3;
/** Past so many only the last are shown. */
const MOST = 30;

interface RunProps {
  readonly report: InspectReport;
  readonly measures: readonly MeasureShown[];
  /** The number of the fly that is looked at. */
  readonly at: number | null;
  readonly onPick: (number: number) => void;
}

const length = (mm: number, style: Style): string => Object.values(formatLength(mm, style)).join(' ');

/** Each measure over the flies of the table in the order they were tied: its band, the plan, a tick a fly. */
export function Run({ report, measures, at, onPick }: RunProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const numbers = report.specimens
    .map(({ number }) => number)
    .sort((a, b) => a - b)
    .slice(-MOST);
  const across = Math.max(12, Math.min(WIDEST, (width - NAMES - WORDS) / Math.max(1, numbers.length)));
  return (
    <div
      ref={frame}
      className="shrink-0 max-h-[330px] overflow-y-auto border-t border-ink"
      tabIndex={0}
      role="group"
      aria-label="The run"
    >
      <table className="border-collapse">
        <thead>
          <tr className="text-label italic text-ink2">
            <th style={{ width: NAMES }} className="text-left font-normal pl-3">
              as they were tied
            </th>
            {numbers.map((number) => (
              <th
                key={number}
                style={{ width: across }}
                className={`font-normal p-0 ${number === at ? 'bg-sunk' : ''}`}
              >
                <button
                  type="button"
                  aria-label={`fly ${String(number)}`}
                  aria-pressed={number === at}
                  className={`w-full h-6 not-italic ${number === at ? 'font-bold border-t-[3px] border-pick' : ''}`}
                  onClick={() => onPick(number)}
                >
                  {number}
                </button>
              </th>
            ))}
            <th className="text-left font-normal pl-3" style={{ width: WORDS }}>
              middle, spread
            </th>
          </tr>
        </thead>
        <tbody>
          {report.series.map((series) => (
            <Row
              key={series.measure}
              series={series}
              measure={measures.find(({ key }) => key === series.measure)}
              report={report}
              numbers={numbers}
              across={across}
              at={at}
              onPick={onPick}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps extends Omit<RunProps, 'measures'> {
  readonly series: SeriesReport;
  readonly measure: MeasureShown | undefined;
  readonly numbers: readonly number[];
  readonly across: number;
}

function Row({ series, measure, report, numbers, across, at, onPick }: RowProps) {
  const style = useStyle();
  const values = new Map(
    report.specimens.flatMap(({ number, lengths }) => {
      const own = lengths.find(({ part }) => part === series.measure);
      return own ? [[number, own] as const] : [];
    }),
  );
  const band = measure?.bandMm ?? null;
  const plan = measure?.planMm ?? series.mean;
  // As wide as the flies lie apart: a band that is broader fills the row.
  const reach = Math.max(LEAST_MM, ...[...values.values()].map(({ mm }) => 1.25 * Math.abs(mm - plan)));
  const y = (mm: number): number => Math.max(0, Math.min(ROW, ROW / 2 - ((mm - plan) / reach) * (ROW / 2)));
  return (
    <tr className="border-t border-hair">
      <th scope="row" className="text-left font-bold pl-3 align-middle first-letter:uppercase">
        {measure?.words ?? series.measure}
        <span className="block font-normal italic text-label text-measure">plan {length(plan, style)}</span>
      </th>
      {numbers.map((number) => {
        const found = values.get(number);
        const mm = found?.mm;
        const out = found?.in === false;
        return (
          <td
            key={number}
            className={`p-0 cursor-pointer ${number === at ? 'bg-sunk' : ''}`}
            onClick={() => onPick(number)}
          >
            <svg width={across} height={ROW} className="block" aria-hidden="true">
              {band && (
                <rect x={0} width={across} y={y(band[1])} height={y(band[0]) - y(band[1])} className="fill-band" />
              )}
              <line x1={0} x2={across} y1={ROW / 2} y2={ROW / 2} stroke="var(--measure)" strokeWidth={1} />
              {mm !== undefined && (
                <line
                  x1={across * 0.2}
                  x2={across * 0.8}
                  y1={y(mm)}
                  y2={y(mm)}
                  stroke={out ? 'var(--warn)' : 'var(--ink)'}
                  strokeWidth={number === at ? 4 : 2.5}
                />
              )}
            </svg>
            <span className="sr-only">
              {mm === undefined ? 'not measured' : `${length(mm, style)}${out ? ', out of its band' : ''}`}
            </span>
          </td>
        );
      })}
      <td className="pl-3 align-middle leading-tight" style={{ width: WORDS }}>
        {length(series.mean, style)}
        {series.sd !== null && <span className="text-ink2"> ± {formatLength(series.sd, style).figure}</span>}
        {series.words.slice(0, 1).map((words) => (
          <span key={words} className={`block text-label ${series.drift === null ? 'text-ink2' : 'text-warn'}`}>
            {series.drift !== null && <SnagFlag />} {words}
          </span>
        ))}
      </td>
    </tr>
  );
}
