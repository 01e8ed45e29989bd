import type { LaidFly } from '@jobbet/core/model';
import { causesIn, constraintsOf, movesOf, travelMm, bestOrder } from '@jobbet/core/tying';
import { saying } from '@jobbet/core/units';
import { useMemo } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';

/** How the order of a fly stands: how much it breaks, how far the thread travels, and the order that would be better. */
export interface OrderStanding {
  readonly best: readonly string[];
  readonly isBest: boolean;
  readonly broken: number;
  readonly travelMm: number;
  readonly bestTravelMm: number;
}

export function useOrder(laid: LaidFly): OrderStanding {
  return useMemo(() => {
    const now = laid.parts.map((part) => part.file.id);
    const best = bestOrder(laid);
    const travel = (ids: readonly string[]): number => travelMm(laid, movesOf(laid, ids));
    return {
      best,
      isBest: best.join() === now.join(),
      broken: causesIn(constraintsOf(laid), now).length,
      travelMm: travel(now),
      bestTravelMm: travel(best),
    };
  }, [laid]);
}

/** How the order stands, with the way to a better one. */
export function OrderLine({ order, onReorder }: { readonly order: OrderStanding; readonly onReorder: () => void }) {
  const { length } = saying(useStyle());
  const { broken, isBest } = order;
  return (
    <p className="my-1" role="status" data-testid="order">
      {broken === 0
        ? 'The order breaks nothing; '
        : `${String(broken)} ${broken === 1 ? 'thing stands' : 'things stand'} in the way of this order; `}
      the thread travels {length(order.travelMm)} along the shank.{' '}
      {!isBest && (
        <button type="button" className="underline underline-offset-2" onClick={onReorder}>
          {broken > 0
            ? 'Put the parts in order'
            : order.bestTravelMm < order.travelMm - 0.05
              ? `Another order needs ${length(order.bestTravelMm)}`
              : 'Another order lies more even under the body'}{' '}
          <span className="plain-key">O</span>
        </button>
      )}
    </p>
  );
}
