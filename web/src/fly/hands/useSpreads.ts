import { OWN_HANDS, type StoredHand, type TyingHand } from '@jobbet/core/records';
import { useEffect } from 'react';
import useSWR, { mutate } from 'swr';
import { z } from 'zod';
import { api, RequestError } from '../../shared/api/client.ts';
import { kept } from '../../shared/kept/kept.ts';
import { inTurns } from '../../shared/kept/turns.ts';
import { say } from '../../shared/ui/toast.ts';

/** A tier's own standard deviations for a fly, by their keys. */
export type OwnSpreads = Readonly<Record<string, number>>;

const HANDS = 'hands';
/** Where this browser kept them before the server did. */
const before = kept('jobbet.spreads', z.record(z.string(), z.record(z.string(), z.number().min(0))), {});

const ownOf = (hands: readonly StoredHand[] | undefined): StoredHand | undefined =>
  hands?.find(({ name }) => name === OWN_HANDS);

const inTurn = inTurns();

type Change = (hand: TyingHand) => TyingHand;
const FRESH: StoredHand = { name: OWN_HANDS, spreads: {}, revision: 0 };

/** Hands as they will be, for what is shown until the server has them. */
const withOwn = (hands: readonly StoredHand[], how: Change): StoredHand[] => {
  const { revision, ...own } = ownOf(hands) ?? FRESH;
  return [...hands.filter(({ name }) => name !== OWN_HANDS), { ...how(own), revision: Math.max(1, revision) }];
};

/** Changes the hands as they are by then; what another window changed meanwhile is fetched first. */
async function change(how: Change): Promise<void> {
  await mutate<StoredHand[]>(HANDS, (hands) => hands && withOwn(hands, how), { revalidate: false });
  try {
    await inTurn(() => changed(how));
  } finally {
    await mutate(HANDS);
  }
}

async function changed(how: Change): Promise<void> {
  for (let tries = 0; ; tries++) {
    const { revision, ...own } = ownOf(await api.hands()) ?? FRESH;
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
  await change((hand) => ({ ...hand, spreads: { ...own, ...hand.spreads } }));
  before.remove();
}

/** The spreads of a fly, and the way to keep others; null until they are here. Without a server they are the usual ones. */
export function useSpreads(fly: string): {
  readonly own: OwnSpreads | null;
  readonly keep: (how: (own: OwnSpreads) => OwnSpreads) => void;
} {
  const { data, error } = useSWR<StoredHand[], unknown>(HANDS, api.hands);
  const told = (work: Promise<void>): void => {
    work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
  };
  useEffect(() => {
    told(moveIn());
  }, []);
  const own = data ? (ownOf(data)?.spreads[fly] ?? NONE) : error === undefined ? null : NONE;
  const keep = (how: (own: OwnSpreads) => OwnSpreads): void =>
    told(change((hand) => ({ ...hand, spreads: { ...hand.spreads, [fly]: { ...how(hand.spreads[fly] ?? NONE) } } })));
  return { own, keep };
}

/** One and the same, so that what depends on it is not made anew. */
const NONE: OwnSpreads = {};
