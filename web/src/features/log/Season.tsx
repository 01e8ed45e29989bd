import { fishedOf, type Occurrence, occurrencesOf } from '@jobbet/core/log';
import { dayMinutes, momentText } from '@jobbet/core/records';
import { formatNumber, parseQuantity } from '@jobbet/core/units';
import { useRef, useState } from 'react';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import type { StoredDate, StoredOuting } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { longDay } from '../../shared/ui/dates.ts';

interface SeasonProps {
  readonly outings: readonly StoredOuting[];
  readonly dates: readonly StoredDate[];
  readonly open: string | null;
  readonly onOpen: (id: string) => void;
}

const HEIGHT = 148;
const MARGIN = { left: 62, right: 18, top: 34, bottom: 24 } as const;
const DAY_MINUTES = 24 * 60;
/** px between one take and the next on a staff; above so many they are a figure. */
const APART = 7;
const MOST_DOTS = 6;

/** What stands on the staff of an outing. */
interface Staff {
  readonly id: string;
  readonly day: number;
  /** What it is drawn along: the level, m, or the temperature, °C. */
  readonly value: number | null;
  readonly takes: number;
  readonly lost: number;
  readonly name: string;
}

function staffOf({ id, record }: StoredOuting, along: Along): Staff {
  const fished = fishedOf(record);
  const all = fished.ok ? fished.value : [];
  const text = record.gauge?.[along];
  const read = text === undefined ? null : parseQuantity(along === 'level' ? 'length' : 'temperature', text);
  const takes = all.reduce((sum, each) => sum + each.takes, 0);
  const lost = all.reduce((sum, each) => sum + each.lost.length, 0);
  return {
    id,
    day: dayMinutes(record.date) / DAY_MINUTES,
    value: read?.ok === true ? read.value / ALONG[along].per : null,
    takes,
    lost,
    name: `${longDay(record.date)}, ${record.beat}, ${String(takes)} ${takes === 1 ? 'take' : 'takes'}, ${String(lost)} lost`,
  };
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** Days a month's name needs before the end. */
const MONTH_ROOM = 10;

/** The first of each month between two days. */
function monthsBetween(first: number, last: number): readonly { readonly day: number; readonly name: string }[] {
  const all: { day: number; name: string }[] = [];
  const at = new Date(first * 86_400_000);
  for (let k = 0; k < 40; k++) {
    const day = Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + k, 1) / 86_400_000;
    if (day > last) break;
    if (day >= first && last - day > MONTH_ROOM) all.push({ day, name: MONTHS[(at.getUTCMonth() + k) % 12] ?? '' });
  }
  return all;
}

const ALONG = {
  level: { words: 'gauge in m', per: 1000, least: 0.5, ticks: [0.5, 1, 1.5, 2, 3], digits: 1, without: 0.5 },
  temperature: { words: 'water in °C', per: 1, least: 8, ticks: [5, 10, 15, 20], digits: 0, without: 6 },
} as const;
type Along = keyof typeof ALONG;

/** The season along the river's level or the water's temperature, with the runs of fish: one staff an outing, a dot a take, a bar a loss, a ring for nothing. */
export function Season({ outings, dates, open, onOpen }: SeasonProps) {
  const [along, setAlong] = useState<Along>('level');
  const { least, without } = ALONG[along];
  const frame = useRef<HTMLElement>(null);
  const { width } = useSize(frame);
  const staffs = outings.map((each) => staffOf(each, along));
  const [first, last] = [Math.min(...staffs.map(({ day }) => day)) - 6, Math.max(...staffs.map(({ day }) => day)) + 6];
  const most = Math.max(least, ...staffs.map(({ value }) => value ?? 0)) * 1.35;
  const x = (day: number): number =>
    MARGIN.left + ((day - first) / (last - first)) * (width - MARGIN.left - MARGIN.right);
  const base = HEIGHT - MARGIN.bottom;
  const y = (value: number): number => base - (value / most) * (base - MARGIN.top);
  const known = staffs.filter(({ value }) => value !== null);
  const line = known.map(({ day, value }) => `${x(day).toFixed(1)} ${y(value ?? 0).toFixed(1)}`).join('L');
  const [from, to] = [known[0], known.at(-1)];
  return (
    <figure
      ref={frame}
      className="relative border-b-2 border-rule shrink-0"
      style={{ height: HEIGHT }}
      data-testid="season"
    >
      <figcaption className="absolute left-4 top-1.5">
        <b>The season</b> along{' '}
        <ChoiceField
          label="along what the season is drawn"
          value={along}
          options={(['level', 'temperature'] as const).map((each) => [each, ALONG[each].words] as const)}
          onChange={(next) => setAlong(next as Along)}
        />{' '}
        <i className="text-ink2 text-label max-[640px]:hidden">
          one staff an outing, a dot a take, a bar a loss, a ring for nothing
        </i>
      </figcaption>
      {width > 0 && staffs.length > 0 && (
        <>
          <svg width={width} height={HEIGHT} aria-hidden="true">
            {from && to && (
              <path
                d={`M${x(from.day).toFixed(1)} ${String(base)}L${line}L${x(to.day).toFixed(1)} ${String(base)}Z`}
                fill="var(--air)"
                fillOpacity={0.14}
                stroke="none"
              />
            )}
            {known.length > 1 && <path d={`M${line}`} fill="none" stroke="var(--air)" strokeWidth={1.5} />}
            <Runs {...{ x, first, last, dates }} />
            <Axes {...{ x, y, base, most, first, last, along }} right={width - MARGIN.right} />
            {staffs.map((staff) => (
              <OneStaff
                key={staff.id}
                staff={staff}
                at={[x(staff.day), y(staff.value ?? without)]}
                base={base}
                chosen={staff.id === open}
              />
            ))}
          </svg>
          <ol aria-label="Outings">
            {staffs.map(({ id, day, name }) => (
              <li key={id}>
                <button
                  type="button"
                  aria-label={name}
                  title={name}
                  aria-pressed={id === open}
                  className="absolute w-4 -ml-2"
                  style={{ left: x(day), top: MARGIN.top - 14, height: base - MARGIN.top + 14 }}
                  onClick={() => onOpen(id)}
                />
              </li>
            ))}
          </ol>
        </>
      )}
    </figure>
  );
}

/** Runs and seasons as bands over the staffs, each by its name; a trip as a tick. */
function Runs({
  x,
  first,
  last,
  dates,
}: {
  readonly x: (day: number) => number;
  readonly first: number;
  readonly last: number;
  readonly dates: readonly StoredDate[];
}) {
  const dayAt = (day: number): string => momentText(day * DAY_MINUTES).slice(0, 10);
  const all = dates.flatMap(({ record }): readonly Occurrence[] => occurrencesOf(record, dayAt(first), dayAt(last)));
  return all.map(({ name, sort, from, to }) => {
    const [left, right] = [from, to].map((day) =>
      x(Math.min(last, Math.max(first, dayMinutes(day) / DAY_MINUTES))),
    ) as [number, number];
    return (
      <g key={name + from}>
        <rect
          x={left}
          y={MARGIN.top - 9}
          width={Math.max(2, right - left)}
          height={HEIGHT - MARGIN.bottom - MARGIN.top + 9}
          fill={sort === 'run' ? 'var(--measure)' : 'var(--ink)'}
          opacity={0.07}
        />
        <text x={left + 4} y={MARGIN.top + 7} className="text-label italic" fill="var(--ink2)">
          {name}
        </text>
      </g>
    );
  });
}

/** The level or the temperature on the left, the months below. */
function Axes({
  x,
  y,
  base,
  most,
  first,
  last,
  along,
  right,
}: {
  readonly x: (day: number) => number;
  readonly y: (value: number) => number;
  readonly base: number;
  readonly most: number;
  readonly first: number;
  readonly last: number;
  readonly along: Along;
  readonly right: number;
}) {
  const style = useStyle();
  return (
    <>
      {ALONG[along].ticks
        .filter((value) => value < most)
        .map((value) => (
          <text
            key={value}
            x={MARGIN.left - 8}
            y={y(value) + 4}
            textAnchor="end"
            className="text-label"
            fill="var(--ink2)"
          >
            {formatNumber(value, ALONG[along].digits, style)}
          </text>
        ))}
      <line x1={MARGIN.left} x2={right} y1={base} y2={base} stroke="var(--ink2)" />
      {monthsBetween(first, last).map(({ day, name }) => (
        <g key={day}>
          <line x1={x(day)} x2={x(day)} y1={base} y2={base + 5} stroke="var(--ink2)" />
          <text x={x(day) + 4} y={base + 16} className="text-label italic" fill="var(--ink2)">
            {name}
          </text>
        </g>
      ))}
    </>
  );
}

function OneStaff({
  staff: { takes, lost },
  at: [x, y],
  base,
  chosen,
}: {
  readonly staff: Staff;
  readonly at: readonly [number, number];
  readonly base: number;
  readonly chosen: boolean;
}) {
  const top = Math.max(MARGIN.top + 6, y - 14);
  const dots = takes > MOST_DOTS ? 1 : takes;
  return (
    <g>
      {chosen && (
        <rect
          x={x - 9}
          y={MARGIN.top - 10}
          width={18}
          height={base - MARGIN.top + 10}
          fill="var(--pick)"
          opacity={0.35}
        />
      )}
      <line x1={x} x2={x} y1={top} y2={base} stroke="var(--ink)" strokeWidth={chosen ? 2 : 1.2} />
      {takes === 0 && lost === 0 && <circle cx={x} cy={top} r={3.4} fill="var(--sheet)" stroke="var(--ink)" />}
      {Array.from({ length: dots }, (_, i) => (
        <circle key={i} cx={x} cy={top + i * APART} r={3.2} fill="var(--ink)" />
      ))}
      {takes > MOST_DOTS && (
        <text x={x + 5} y={top + 4} className="text-label" fill="var(--ink)">
          {takes}
        </text>
      )}
      {Array.from({ length: lost }, (_, i) => (
        <line
          key={i}
          x1={x - 5}
          x2={x + 5}
          y1={top + (dots + i) * APART}
          y2={top + (dots + i) * APART}
          stroke="var(--warn)"
          strokeWidth={2.4}
        />
      ))}
    </g>
  );
}
