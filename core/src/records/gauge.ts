import { bad, type Fault, good, type Outcome } from '../base/index.ts';
import { noise, seedOf } from '../numeric/index.ts';

/** A reading of a river’s gauge. */
export interface GaugeRow {
  /** `2026-03-14T06:00Z`, or as the feed writes it, where a clock reads it. */
  readonly time: string;
  readonly levelM: number;
  readonly flowM3S: number | null;
  readonly temperatureC: number | null;
}

/** Where readings come from: a table that was taken in, or a station that is made up. */
export interface GaugeFeed {
  readonly station: string;
  readonly simulated: boolean;
  /** Readings in order of time, up to a moment, ms since 1970. */
  readonly rows: (toMs: number) => readonly GaugeRow[];
}

const HOUR_MS = 3_600_000;
const HOURS = 72;

/** A made-up river: low water, on which a spate comes down now and then, quickly up and slowly down. m, hours. */
const RIVER = { low: 0.55, drift: 0.08, spateEvery: 96, chance: 0.45, rise: 7, fall: 40, most: 0.5 } as const;

/** The level of a made-up station at an hour since 1970, m. */
function levelAt(hour: number, seed: number): number {
  const slow = RIVER.drift * Math.sin((2 * Math.PI * hour) / (24 * 61) + (seed % 7));
  let level = RIVER.low + slow + 0.006 * (noise(seed, hour, 0) - 0.5);
  const span = Math.floor(hour / RIVER.spateEvery);
  for (let k = span - 2; k <= span; k++) {
    if (noise(seed, k, 1) > RIVER.chance) continue;
    const begun = k * RIVER.spateEvery + noise(seed, k, 2) * RIVER.spateEvery;
    const since = hour - begun;
    if (since <= 0) continue;
    const high = RIVER.most * (0.25 + 0.75 * noise(seed, k, 3));
    level += high * (since < RIVER.rise ? since / RIVER.rise : Math.exp(-(since - RIVER.rise) / RIVER.fall));
  }
  return level;
}

/** A station that is made up, from its name: the same hour always has the same level. */
export const simulatedStation = (station: string): GaugeFeed => ({
  station,
  simulated: true,
  rows: (toMs) => {
    const last = Math.floor(toMs / HOUR_MS);
    const seed = seedOf(station);
    return Array.from({ length: HOURS }, (_, i): GaugeRow => {
      const hour = last - HOURS + 1 + i;
      const levelM = Math.round(levelAt(hour, seed) * 1000) / 1000;
      return {
        time: new Date(hour * HOUR_MS).toISOString().replace(':00.000', ''),
        levelM,
        // A river of some twenty metres, by the power of its level that is usual of a broad bed.
        flowM3S: Math.round(18 * levelM ** 1.7 * 10) / 10,
        temperatureC: Math.round((8 + 4 * Math.sin((2 * Math.PI * (hour / 24 - 110)) / 365)) * 10) / 10,
      };
    });
  },
});

const COLUMNS = { time: 'time', level_m: 'levelM', flow_m3s: 'flowM3S', temperature_c: 'temperatureC' } as const;

/** A figure of a table, with a point or a comma. */
const figureOf = (text: string | undefined): number | null => {
  const value = Number((text ?? '').trim().replace(',', '.'));
  return text === undefined || text.trim() === '' || !Number.isFinite(value) ? null : value;
};

/** A feed out of a table of `time, level_m, flow_m3s, temperature_C`. @returns every row that does not read, by its line */
export function readGauge(cells: readonly (readonly string[])[], station: string): Outcome<GaugeFeed> {
  const [head = [], ...body] = cells;
  const at = Object.fromEntries(
    Object.entries(COLUMNS).map(([name, key]) => [key, head.findIndex((each) => each.trim().toLowerCase() === name)]),
  ) as Readonly<Record<(typeof COLUMNS)[keyof typeof COLUMNS], number>>;
  if (at.time < 0 || at.levelM < 0)
    return bad({
      path: 'line 1',
      code: 'syntax',
      message: 'a gauge’s table has the columns time and level_m, and may have flow_m3s and temperature_C',
    });
  const faults: Fault[] = [];
  const rows = body.flatMap((row, i): GaugeRow[] => {
    if (row.every((cell) => cell.trim() === '')) return [];
    const time = (row[at.time] ?? '').trim();
    const levelM = figureOf(row[at.levelM]);
    const path = `line ${String(i + 2)}`;
    if (Number.isNaN(Date.parse(time)))
      faults.push({ path, code: 'syntax', message: `"${time}" is no time: write 2026-03-14T06:00` });
    if (levelM === null)
      faults.push({ path, code: 'syntax', message: `"${row[at.levelM] ?? ''}" is no level in metres` });
    return [
      { time, levelM: levelM ?? 0, flowM3S: figureOf(row[at.flowM3S]), temperatureC: figureOf(row[at.temperatureC]) },
    ];
  });
  if (faults.length > 0) return bad(...faults.slice(0, 20));
  if (rows.length === 0) return bad({ path: 'line 2', code: 'syntax', message: 'there is no reading in it' });
  const inOrder = rows.sort((one, other) => Date.parse(one.time) - Date.parse(other.time));
  return good({
    station,
    simulated: false,
    rows: (toMs) => inOrder.filter(({ time }) => Date.parse(time) <= toMs),
  });
}

export type Trend = 'rising' | 'steady' | 'falling';
/** The trend goes by the readings of so long before the last, and by so much of it, m. */
const [TREND_MS, TREND_M] = [6 * HOUR_MS, 0.02] as const;

/** The last reading of a feed, and which way the river goes; null where it has none. */
export function gaugeNow(feed: GaugeFeed, toMs: number): { readonly row: GaugeRow; readonly trend: Trend } | null {
  const rows = feed.rows(toMs);
  const row = rows.at(-1);
  if (!row) return null;
  const before = rows.find(({ time }) => Date.parse(time) >= Date.parse(row.time) - TREND_MS) ?? row;
  const by = row.levelM - before.levelM;
  return { row, trend: by > TREND_M ? 'rising' : by < -TREND_M ? 'falling' : 'steady' };
}
