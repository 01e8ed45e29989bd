import {
  type LaidFly,
  SideFlow,
  sideLimits,
  type SideLimit,
  slackRest,
  type SlackRest,
  type BalanceModel,
  contributionsOf,
  tippingsOf,
  type Contribution,
  type TippingOf,
  balanceModel,
} from '@jobbet/core/model';
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
