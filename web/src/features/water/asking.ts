import { beatAt } from '@jobbet/core/records';
import { METRIC, parseQuantity, saying } from '@jobbet/core/units';
import { type Fishes, readAbove, readAsked, type WaterAsked, type WaterTexts } from '@jobbet/core/water';
import type { Fault } from '@jobbet/core/base';
import { useMemo, useState } from 'react';
import { z } from 'zod';
import { useBench } from '../../fly/store.ts';
import type { StoredBeat } from '../../shared/api/client.ts';
import { kept } from '../../shared/kept/kept.ts';

const keptSchema = z.object({
  beat: z.string().optional(),
  level: z.string().optional(),
  texts: z.record(z.string(), z.string()).optional(),
  /** A second fly on the leader, by its id, and how far above. */
  dropper: z.object({ fly: z.string(), above: z.string() }).optional(),
});
type KeptAsking = z.infer<typeof keptSchema>;
/** How each fly was asked about last, by its id. */
const asking = kept('jobbet.water', z.record(z.string(), keptSchema), {});

/** What can be pulled. */
export type Handled = Pick<WaterAsked, 'castMm' | 'fishing' | 'wantMm'>;

/** How the fly on the bench is asked about, kept in this browser for each fly. */
export interface Asking {
  readonly beat: StoredBeat | null;
  readonly level: string;
  readonly texts: WaterTexts;
  readonly dropper: { readonly fly: string; readonly above: string } | null;
  readonly setBeat: (id: string) => void;
  /** Ties a second fly into the leader, or takes it off. */
  readonly setDropper: (fly: string | null) => void;
  /** Ties it in elsewhere, or says why not. */
  readonly setAbove: (above: string) => readonly Fault[];
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

/** Ties a second fly in, takes it off, ties it in elsewhere. */
const dropperSetters = (
  { dropper, ...others }: KeptAsking,
  keep: (next: KeptAsking) => void,
): Pick<Asking, 'setDropper' | 'setAbove'> => ({
  setDropper: (fly) => keep(fly === null ? others : { ...others, dropper: { fly, above: dropper?.above ?? '' } }),
  setAbove: (above) => {
    const read = readAbove(above);
    if (!read.ok) return read.faults;
    if (dropper) keep({ ...others, dropper: { ...dropper, above: above.trim() } });
    return [];
  },
});

/** How a fly was asked about last, and the way to keep another. */
function useKeptAsking(fly: string): readonly [KeptAsking, (next: KeptAsking) => void] {
  const [own, setOwn] = useState<KeptAsking>(() => asking.read()[fly] ?? {});
  return [
    own,
    (next) => {
      setOwn(next);
      asking.write({ ...asking.read(), [fly]: next });
    },
  ];
}

export function useAsking(beats: readonly StoredBeat[]): Asking {
  const fly = useBench((state) => state.id);
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const [own, keep] = useKeptAsking(fly);
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
    dropper: own.dropper ?? null,
    ...dropperSetters(own, keep),
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
