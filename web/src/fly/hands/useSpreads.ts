import { OWN_HANDS, type StoredHand, type TyingHand } from '@jobbet/core/records';
import { useEffect, useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { z } from 'zod';
import { api, RequestError } from '../../shared/api/client.ts';
import { kept } from '../../shared/kept/kept.ts';
import { inTurns } from '../../shared/kept/turns.ts';
import { useSettings } from '../../shared/settings/settings.ts';
import { say } from '../../shared/ui/toast.ts';

/** A tier's own standard deviations for a fly, by their keys. */
export type OwnSpreads = Readonly<Record<string, number>>;

const HANDS = 'hands';
/** Where this browser kept them before the server did. */
const before = kept('jobbet.spreads', z.record(z.string(), z.record(z.string(), z.number().min(0))), {});

const handOf = (hands: readonly StoredHand[] | undefined, name: string): StoredHand | undefined =>
  hands?.find((each) => each.name === name);

const inTurn = inTurns();

type Change = (hand: TyingHand) => TyingHand;
const fresh = (name: string): StoredHand => ({ name, spreads: {}, revision: 0 });

/** Hands as they will be, for what is shown until the server has them. */
const withHand = (hands: readonly StoredHand[], name: string, how: Change): StoredHand[] => {
  const { revision, ...own } = handOf(hands, name) ?? fresh(name);
  return [...hands.filter((each) => each.name !== name), { ...how(own), revision: Math.max(1, revision) }];
};

/** Changes the hands as they are by then; what another window changed meanwhile is fetched first. */
async function change(name: string, how: Change): Promise<void> {
  await mutate<StoredHand[]>(HANDS, (hands) => hands && withHand(hands, name, how), { revalidate: false });
  try {
    await inTurn(() => changed(name, how));
  } finally {
    await mutate(HANDS);
  }
}

async function changed(name: string, how: Change): Promise<void> {
  for (let tries = 0; ; tries++) {
    const { revision, ...own } = handOf(await api.hands(), name) ?? fresh(name);
    try {
      await api.keepHand(how(own), revision);
      return;
    } catch (error) {
      if (tries > 0 || !(error instanceof RequestError) || error.code !== 'stale') throw error;
    }
  }
}

/** Takes what this browser kept to the server: fly by fly, where it has nothing of that fly yet. */
async function moveIn(): Promise<void> {
  const own = before.read();
  if (Object.keys(own).length === 0) return;
  await change(OWN_HANDS, (hand) => ({ ...hand, spreads: { ...own, ...hand.spreads } }));
  before.remove();
}

const told = (work: Promise<void>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};

/** Whose hands tie at this browser. */
export const useTier = (): string => useSettings(({ tier }) => tier) || OWN_HANDS;

/** The names of all hands that share the box, but for those nobody named. */
export function useTiers(): readonly string[] {
  const { data } = useSWR<StoredHand[], unknown>(HANDS, api.hands);
  const tier = useSettings((now) => now.tier);
  const named = (data ?? []).map(({ name }) => name).filter((name) => name !== OWN_HANDS);
  return [...new Set([...named, ...(tier === '' ? [] : [tier])])].sort((a, b) => a.localeCompare(b));
}

/** Keeps spreads of a fly that come out of some hands. */
export const keepSpreads = (fly: string, name: string, how: (own: OwnSpreads) => OwnSpreads): void =>
  told(
    change(name, (hand) => ({ ...hand, spreads: { ...hand.spreads, [fly]: { ...how(hand.spreads[fly] ?? NONE) } } })),
  );

/** The spreads of a fly by whose hands it is tied; null until they are here. Without a server they are the usual ones. */
export function useSpreads(fly: string): ((name: string) => OwnSpreads) | null {
  const { data, error } = useSWR<StoredHand[], unknown>(HANDS, api.hands);
  useEffect(() => {
    told(moveIn());
  }, []);
  const there = data !== undefined || error !== undefined;
  return useMemo(() => (there ? (name) => handOf(data, name)?.spreads[fly] ?? NONE : null), [there, data, fly]);
}

/** One and the same, so that what depends on it is not made anew. */
const NONE: OwnSpreads = {};
