import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { say } from '../ui/toast.ts';
import { inTurns } from '../kept/turns.ts';

/** A record as the house keeps it. */
interface Stored<F> {
  readonly id: string;
  readonly name: string;
  readonly record: F;
  readonly revision: number;
  readonly deletedAt: number | null;
}

/** How records of a kind are asked of the house. */
interface Ways<F, S extends Stored<F>> {
  readonly all: () => Promise<S[]>;
  readonly create: (record: F) => Promise<{ readonly id: string }>;
  readonly save: (id: string, record: F, revision: number) => Promise<S>;
  readonly remove: (id: string) => Promise<unknown>;
  readonly undelete: (id: string) => Promise<unknown>;
}

const told = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};

/** Records of one kind, as every view has them: all of them, one kept, laid in or put in the trash, each with the way back. @param key under which this window remembers them */
export function houseRecords<F, S extends Stored<F>>(key: string, ways: Ways<F, S>) {
  const inTurn = inTurns();
  const refresh = (): Promise<unknown> => mutate(key);
  return {
    /** Those that are not in the trash, by name; undefined until they are here. */
    useAll: (): readonly S[] | undefined => {
      const { data } = useSWR<S[], unknown>(key, ways.all);
      return useMemo(() => data?.filter(({ deletedAt }) => deletedAt === null), [data]);
    },
    keep: async (stored: S, record: F): Promise<void> => {
      const saved = await inTurn(() => ways.save(stored.id, record, stored.revision));
      await refresh();
      say(`${saved.name} is kept.`, {
        name: 'Undo',
        run: () => told(inTurn(() => ways.save(saved.id, stored.record, saved.revision)).then(refresh)),
      });
    },
    /** @returns its id */
    add: async (record: F): Promise<string> => {
      const made = await ways.create(record);
      await refresh();
      return made.id;
    },
    remove: ({ id, name }: S): void =>
      told(
        ways
          .remove(id)
          .then(refresh)
          .then(() =>
            say(`${name} is in the trash.`, { name: 'Undo', run: () => told(ways.undelete(id).then(refresh)) }),
          ),
      ),
  };
}
