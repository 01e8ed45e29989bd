import type { LaidFly } from '@jobbet/core';
import { SideFlow } from '@jobbet/core/balance/heeling';
import { sideLimits, type SideLimit } from '@jobbet/core/balance/sideCurrent';
import { slackRest, type SlackRest } from '@jobbet/core/balance/slack';
import type { BalanceModel } from '@jobbet/core/balance/model';
import { contributionsOf, tippingsOf, type Contribution, type TippingOf } from '@jobbet/core/solve/contributions';
import { balanceModel } from '@jobbet/core/solve/solveFly';
import { useMemo } from 'react';

/** What the balance of a fly is shown and asked by. */
export interface BalanceOf {
  readonly laid: LaidFly;
  readonly model: BalanceModel;
  readonly slack: SlackRest;
  readonly limits: readonly SideLimit[];
  readonly flow: SideFlow;
  readonly contributions: readonly Contribution[];
  readonly tippings: readonly TippingOf[];
}

export function useBalance(laid: LaidFly): BalanceOf {
  return useMemo(() => {
    const model = balanceModel(laid);
    return {
      laid,
      model,
      slack: slackRest(model),
      limits: sideLimits(model, laid.tight),
      flow: new SideFlow(model),
      contributions: contributionsOf(laid),
      tippings: tippingsOf(laid),
    };
  }, [laid]);
}

/** What is done to the fly on the dial: left to rest, rolled by hand, or put in a side current. */
export type Asked =
  | { readonly kind: 'rest' }
  | { readonly kind: 'heel'; readonly deg: number }
  | { readonly kind: 'current'; readonly speedMmS: number; readonly flow: 1 | -1 };
