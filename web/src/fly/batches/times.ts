import type { BatchFile } from '@jobbet/core/records';
import { usualStepTime } from '@jobbet/core/tying';
import useSWR from 'swr';
import { api, RequestError } from '../../shared/api/client.ts';

/** What this tier takes for each step of a fly, minutes, by the fly and the step. */
export type StepTimes = Readonly<Record<string, Readonly<Record<string, number>>>>;

const MS = 60_000;
const NONE: StepTimes = {};

/** The usual times of the steps of one fly, of those that were tied to the end at the vise; none of a fly that is not in the box. */
async function timesOf(fly: string): Promise<readonly [string, Readonly<Record<string, number>>]> {
  try {
    const tyings = await api.tyings(fly);
    const steps = new Set(tyings.flatMap(({ spent }) => Object.keys(spent)));
    const usual = [...steps].flatMap((step): [string, number][] => {
      const ms = usualStepTime(tyings, step);
      return ms === null ? [] : [[step, ms / MS]];
    });
    return [fly, Object.fromEntries(usual)];
  } catch (error) {
    if (error instanceof RequestError && error.code !== 'offline') return [fly, {}];
    throw error;
  }
}

/** The times of all flies of a batch; undefined until they are here. Those that cannot be fetched are the usual ones. */
export function useStepTimes(batch: BatchFile | undefined): StepTimes | undefined {
  const flies = [...new Set(batch?.rows.map(({ fly }) => fly))].sort();
  const { data, error } = useSWR<StepTimes, unknown>(batch ? ['step-times', ...flies] : null, async () =>
    Object.fromEntries(await Promise.all(flies.map(timesOf))),
  );
  return error === undefined ? data : NONE;
}
