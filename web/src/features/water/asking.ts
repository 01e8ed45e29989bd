import { beatAt, type BeatFile } from '@jobbet/core/records';
import { METRIC, parseQuantity, saying } from '@jobbet/core/units';
import { type Fishes, readAsked, type WaterAsked, type WaterTexts } from '@jobbet/core/water';
import type { Fault } from '@jobbet/core/base';
import { useMemo, useState } from 'react';
import useSWR, { mutate } from 'swr';
import { z } from 'zod';
import { useBench } from '../../fly/store.ts';
import { api, type StoredBeat } from '../../shared/api/client.ts';
import { kept } from '../../shared/kept/kept.ts';
import { inTurns } from '../../shared/kept/turns.ts';
import { say } from '../../shared/ui/toast.ts';

export const BEATS = 'beats';

const keptSchema = z.object({
  beat: z.string().optional(),
  level: z.string().optional(),
  texts: z.record(z.string(), z.string()).optional(),
});
type KeptAsking = z.infer<typeof keptSchema>;
/** How each fly was asked about last, by its id. */
const asking = kept('jobbet.water', z.record(z.string(), keptSchema), {});

/** The beats of the house, by name; undefined until they are here. */
export function useBeats(): readonly StoredBeat[] | undefined {
  const { data } = useSWR<StoredBeat[], unknown>(BEATS, api.beats);
  return useMemo(() => data?.filter(({ deletedAt }) => deletedAt === null), [data]);
}

const told = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};
const inTurn = inTurns();
const refresh = (): Promise<unknown> => mutate(BEATS);

/** Keeps a beat, with the way back. */
export async function keepBeat(stored: StoredBeat, record: BeatFile): Promise<void> {
  const saved = await inTurn(() => api.saveBeat(stored.id, record, stored.revision));
  await refresh();
  say(`${record.name} is kept.`, {
    name: 'Undo',
    run: () => told(inTurn(() => api.saveBeat(saved.id, stored.record, saved.revision)).then(refresh)),
  });
}

export async function addBeat(record: BeatFile): Promise<string> {
  const made = await api.createBeat(record);
  await refresh();
  return made.id;
}

/** Puts a beat in the trash, with the way back. */
export const removeBeat = ({ id, name }: StoredBeat): void =>
  told(
    api
      .removeBeat(id)
      .then(refresh)
      .then(() =>
        say(`${name} is in the trash.`, { name: 'Undo', run: () => told(api.undeleteBeat(id).then(refresh)) }),
      ),
  );

/** What can be pulled. */
export type Handled = Pick<WaterAsked, 'castMm' | 'fishing' | 'wantMm'>;

/** How the fly on the bench is asked about, kept in this browser for each fly. */
export interface Asking {
  readonly beat: StoredBeat | null;
  readonly level: string;
  readonly texts: WaterTexts;
  readonly setBeat: (id: string) => void;
  /** Takes a level, or says why not. */
  readonly setLevel: (level: string) => readonly Fault[];
  /** Takes one text, or says why not. */
  readonly set: (key: keyof WaterTexts, text: string) => readonly Fault[];
  /** How it is asked just now, before it is answered; null where it cannot be asked so. */
  readonly now: Handled | null;
  /** Takes several texts at once, where they can be asked. */
  readonly take: (texts: WaterTexts) => void;
  /** Whether something is pulled: what is asked is as it is just now, and kept once it is let go. */
  readonly pulling: boolean;
  /** Shows how it would be asked while something is pulled; what cannot be asked so is passed over. */
  readonly pull: (texts: WaterTexts) => void;
  /** Keeps what was pulled. */
  readonly letGo: () => void;
}

/** Has another fly asked about as it fishes best here, so that its water opens on what was told of it. */
export function carryTo(fly: string, { beat, level, texts }: Asking, { line, countS, leader, wantMm }: Carried): void {
  const { count: _count, leader: _leader, ...others } = texts;
  asking.write({
    ...asking.read(),
    [fly]: {
      ...(beat ? { beat: beat.id } : {}),
      level,
      texts: {
        ...others,
        line,
        ...(countS > 0 ? { count: `${String(countS)} s` } : {}),
        ...(leader === null ? {} : { leader }),
        ...(wantMm === null ? {} : { want: saying(METRIC).depth(wantMm) }),
      },
    },
  });
}
type Carried = Pick<Fishes, 'line' | 'countS' | 'leader'> & { readonly wantMm: number | null };

/** What pulling does: shown as it would be while it is pulled, kept once it is let go. */
export type Pulls = Pick<Asking, 'now' | 'pull' | 'letGo' | 'take'>;

/** The beat that is shallowest of those a fly may be fished in as deep as it is meant; the first where it means nothing. */
function likely(beats: readonly StoredBeat[], depth: string | undefined): StoredBeat | undefined {
  const meant = depth === undefined ? null : parseQuantity('length', depth);
  if (meant?.ok !== true) return beats[0];
  const depthOf = ({ record }: StoredBeat): number => {
    const at = beatAt(record);
    return at.ok ? at.value.depthMm : 0;
  };
  const deep = beats.filter((beat) => depthOf(beat) >= meant.value).sort((one, other) => depthOf(one) - depthOf(other));
  return deep[0] ?? beats[0];
}

export function useAsking(beats: readonly StoredBeat[]): Asking {
  const fly = useBench((state) => state.id);
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const [own, setOwn] = useState<KeptAsking>(() => asking.read()[fly] ?? {});
  const keep = (next: KeptAsking): void => {
    setOwn(next);
    asking.write({ ...asking.read(), [fly]: next });
  };
  const [pulled, setPulled] = useState<WaterTexts | null>(null);
  const texts = useMemo((): WaterTexts => ({ ...own.texts, ...pulled }), [own.texts, pulled]);
  const now = useMemo(() => {
    const read = readAsked(texts, file, drawers);
    return read.ok ? read.value : null;
  }, [texts, file, drawers]);
  const beat = beats.find(({ id }) => id === own.beat) ?? likely(beats, file.intent?.depth) ?? null;
  return {
    beat,
    level: own.level ?? '',
    texts,
    setBeat: (id) => keep({ ...own, beat: id }),
    setLevel: (level) => {
      const read = level === '' ? null : parseQuantity('length', level);
      if (read && !read.ok) return [{ path: 'level', code: read.code, message: read.message }];
      keep({ ...own, level });
      return [];
    },
    set: (key, text) => {
      const { [key]: _was, ...others } = texts;
      const next = text.trim() === '' ? others : { ...others, [key]: text.trim() };
      const read = readAsked(next, file, drawers);
      const faults = read.ok ? [] : read.faults.filter(({ path }) => path === key);
      if (faults.length === 0) keep({ ...own, texts: next });
      return faults;
    },
    now,
    take: (next) => {
      const all = { ...texts, ...next };
      if (readAsked(all, file, drawers).ok) keep({ ...own, texts: all });
    },
    pulling: pulled !== null,
    pull: (next) => {
      if (readAsked({ ...texts, ...next }, file, drawers).ok) setPulled({ ...pulled, ...next });
    },
    letGo: () => {
      if (pulled) keep({ ...own, texts });
      setPulled(null);
    },
  };
}
