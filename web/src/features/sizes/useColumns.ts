import type { ListedFly } from '@jobbet/core/contract';
import { layFly, type LaidFly } from '@jobbet/core/model';
import { useMemo } from 'react';
import { useBench } from '../../fly/store.ts';
import { useFlies } from '../../shared/api/listed.ts';
import { useSettings } from '../../shared/settings/settings.ts';
import type { Column } from './RunTable.tsx';
import { useRun } from './useRun.ts';
import type { RunOfFly } from './useRunAsked.ts';

const NO_FLIES: readonly ListedFly[] = [];

const laidOf = (read: ReturnType<typeof layFly>): LaidFly | null => (read.ok ? read.value : null);

/** A column for each size of a run, filled one after the other. */
export function useColumns({ sizes, hold, pins }: RunOfFly): {
  readonly columns: readonly Column[];
  readonly done: boolean;
  /** How many sizes have their figures. */
  readonly reckoned: number;
} {
  const id = useBench((state) => state.id);
  const file = useBench((state) => state.calm.file);
  const tables = useBench((state) => state.drawers);
  const { looks } = useSettings();
  /** All flies in the box, to find those that are sizes of this one. */
  const flies = useFlies().flies ?? NO_FLIES;
  const { answers, weights, done } = useRun(file, sizes, hold, pins, tables, looks);
  const columns = useMemo(
    () =>
      sizes.map((size): Column => {
        const answer = answers.get(size.text) ?? null;
        const laid = answer?.ok ? laidOf(layFly(answer.file, tables)) : null;
        const saved = flies.find(({ listed }) => listed?.sizeOf?.id === id && listed.sizeOf.size === size.text) ?? null;
        return { size, answer, laid, weights: weights.get(size.text) ?? null, saved };
      }),
    [sizes, answers, weights, tables, flies, id],
  );
  return { columns, done, reckoned: answers.size };
}
