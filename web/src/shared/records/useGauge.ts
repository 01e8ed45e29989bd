import { faultLine } from '@jobbet/core/base';
import { type GaugeFeed, gaugeNow, readGauge, simulatedStation } from '@jobbet/core/records';
import { useMemo, useState } from 'react';
import useSWR from 'swr';
import { z } from 'zod';
import { api, type StoredOuting } from '../api/client.ts';
import { OUTINGS } from '../api/keys.ts';
import { kept } from '../kept/kept.ts';
import { cellsOf } from '../ui/csv.ts';
import { say } from '../ui/toast.ts';

/** Tables of gauges that were taken in, by station, as their cells. */
const tables = kept('jobbet.gauges', z.record(z.string(), z.array(z.array(z.string()))), {});

/** The feed of a station: a table that was taken in, else the station that is made up. */
export function feedOf(station: string, cells: readonly (readonly string[])[] | undefined): GaugeFeed {
  const read = cells && readGauge(cells, station);
  return read?.ok === true ? read.value : simulatedStation(station);
}

/** The level that was written down last on a beat, and when; null where none was. */
function useLastLevel(beat: string | undefined): { readonly level: string; readonly date: string } | null {
  const { data } = useSWR<StoredOuting[], unknown>(beat === undefined ? null : OUTINGS, api.outings);
  return useMemo(() => {
    const [latest] = (data ?? [])
      .filter(
        ({ record, deletedAt }) => deletedAt === null && record.beat === beat && record.gauge?.level !== undefined,
      )
      .sort((one, other) => other.record.date.localeCompare(one.record.date));
    return latest ? { level: latest.record.gauge?.level ?? '', date: latest.record.date } : null;
  }, [data, beat]);
}

/** The level of a beat's gauge now, that of the last outing there, and the way to take another table in. */
export function useGauge(station: string | undefined, beat: string | undefined) {
  const last = useLastLevel(beat);
  const [own, setOwn] = useState(() => tables.read());
  // The hour is what a feed tells: it is asked once a visit.
  const [now] = useState(() => Date.now());
  const feed = useMemo(() => (station === undefined ? null : feedOf(station, own[station])), [station, own]);
  return {
    now: useMemo(() => feed && gaugeNow(feed, now), [feed, now]),
    simulated: feed?.simulated === true,
    last,
    takeIn: (files: FileList | null): void => {
      const [file] = files ?? [];
      if (!file || station === undefined) return;
      file
        .text()
        .then((text) => {
          const cells = cellsOf(text);
          const read = readGauge(cells, station);
          if (!read.ok) {
            say(`${file.name}: ${read.faults.slice(0, 3).map(faultLine).join('; ')}`);
            return;
          }
          const before = own;
          const next = { ...own, [station]: cells };
          tables.write(next);
          setOwn(next);
          say(`${station} goes by ${file.name}.`, {
            name: 'Undo',
            run: () => {
              tables.write(before);
              setOwn(before);
            },
          });
        })
        .catch(() => say(`${file.name} does not read.`));
    },
  };
}
