import { measuresOf } from '@jobbet/core/inspect';
import type { SpecimenFile } from '@jobbet/core/records';
import { type RefObject, useMemo, useRef, useState } from 'react';
import { useBench } from '../../fly/store.ts';
import type { StoredSpecimen } from '../../shared/api/client.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useSettings } from '../../shared/settings/settings.ts';
import { say } from '../../shared/ui/toast.ts';
import { INSPECT } from './commands.ts';
import { useWatch, withFall } from './Jar.tsx';
import { takeFirst } from './Looked.tsx';
import { VERDICTS } from './Margin.tsx';
import { isPicture, saveSpecimen, saveTable, type TakenFor, takingIn } from './takingIn.ts';
import { useInspected } from './useInspected.ts';
import { usePhotographing } from './usePhotographing.ts';
import { addSpecimen, changeSpecimen, layIn, removeSpecimen } from './useSpecimens.ts';
import { useTakes } from './useTakes.ts';

/** Says why something could not be done. */
const doing = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};

/** Takes finished flies in from files; what does not read is told by file and place. */
async function takeAll(files: readonly File[], of: TakenFor): Promise<void> {
  const { fresh, changes, reasons } = await takingIn(files, of);
  if (fresh.length + changes.length > 0) await layIn(of.fly, fresh, changes);
  if (reasons.length > 0) say(reasons.slice(0, 4).join(' '));
}

/** The fly that is looked at, and the ways to those beside it. */
function usePicked(specimens: readonly StoredSpecimen[]) {
  const [picked, pick] = useState<number | null>(null);
  const index = Math.max(
    0,
    specimens.findIndex(({ record }) => record.number === picked),
  );
  const here = specimens[index];
  const number = here?.record.number ?? null;
  const step = (by: number): (() => void) | null => {
    const other = specimens[index + by];
    return other ? () => pick(other.record.number ?? number) : null;
  };
  return { here, number, pick, before: step(-1), after: step(1) };
}

type Verdict = NonNullable<SpecimenFile['verdict']>;

/** Everything that is known of the flies on the table and done with them, by hand and by key. */
export function useOnTable(specimens: readonly StoredSpecimen[]) {
  const id = useBench((state) => state.id);
  const calm = useBench((state) => state.calm);
  const revision = useBench((state) => state.revision);
  const drawers = useBench((state) => state.drawers);
  const tier = useSettings((now) => now.tier);
  const margin = useRef<HTMLElement>(null);
  const records = useRef<HTMLInputElement>(null);
  const picked = usePicked(specimens);
  const { here, number, pick } = picked;
  const inspected = useInspected(specimens, number);
  const { good } = inspected;
  const takes = useTakes(good);
  // What is measured is known by the plan, before anything is worked out.
  const measured = useMemo(() => measuresOf(calm, drawers).map(({ key }) => key), [calm, drawers]);
  const known = useMemo(() => new Set(measured), [measured]);
  const photographing = usePhotographing(here, known);
  const watch = useWatch((seconds) => {
    if (here)
      changeSpecimen(id, here.id, `A fall of fly ${String(number)}: ${seconds.toFixed(2)} s`, (now) =>
        withFall(now, seconds),
      );
  });
  const onTable = {
    picked,
    inspected,
    takes,
    photographing,
    watch,
    margin,
    records,
    takeFiles: (taken: FileList | null): void => {
      const all = [...(taken ?? [])];
      if (all.every(isPicture)) takeFirst(taken, photographing.photo.take);
      else {
        doing(takeAll(all, { fly: id, pattern: calm.file, revision, measures: measured, there: specimens }));
      }
    },
    another: (): void => doing(addSpecimen(id, calm.file, revision, tier).then(pick)),
    settle: (verdict: Verdict): void => {
      if (here)
        changeSpecimen(id, here.id, `Fly ${String(number)}: ${VERDICTS[verdict].words}`, (now) => ({
          ...now,
          verdict,
        }));
    },
  };
  useInspectKeys(onTable, specimens);
  return onTable;
}

/** Puts the keyboard on the first of something in the margin. */
const enter = (margin: RefObject<HTMLElement | null>, what: string) => (): void =>
  margin.current?.querySelector<HTMLElement>(what)?.focus();

function useInspectKeys(
  {
    picked: { here, before, after },
    takes,
    photographing: { photo, ask, turn },
    watch,
    margin,
    records,
    another,
    settle,
  }: ReturnType<typeof useOnTable>,
  specimens: readonly StoredSpecimen[],
): void {
  const id = useBench((state) => state.id);
  const { name } = useBench((state) => state.calm.file);
  const of = (run: (fly: StoredSpecimen) => void): (() => void) | null => (here ? () => run(here) : null);
  useTable('inspect', INSPECT, {
    before,
    after,
    add: another,
    measure: here ? enter(margin, '[data-testid=found] input') : null,
    look: here ? enter(margin, '[data-look=open] button') : null,
    keep: of(() => settle('keep')),
    retie: of(() => settle('retie')),
    practice: of(() => settle('practice')),
    take: takes[0]?.run ?? null,
    second: takes[1]?.run ?? null,
    save: of(({ record }) => doing(saveSpecimen(record, name))),
    table: of(() => saveTable(specimens, name)),
    takeIn: () => records.current?.click(),
    remove: of((fly) => removeSpecimen(id, fly)),
    photo: here ? ask : null,
    view: turn,
    unphoto: photo.drop,
    drop: here?.record.jar ? watch.press : null,
  });
}
