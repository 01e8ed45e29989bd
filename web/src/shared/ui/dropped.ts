import type { DragEndEvent } from '@dnd-kit/react';
import { isSortable } from '@dnd-kit/react/sortable';
import { shiftedBy } from './order.ts';

/**
 * The order of a list once something was dropped in it, and what was moved; null where nothing was. Where it stood last counts, even if the
 * pointer was over nothing when it was let go: that is what was shown.
 */
export function dropped(
  ids: readonly string[],
  { canceled, operation }: Pick<DragEndEvent, 'canceled' | 'operation'>,
): { readonly ids: readonly string[]; readonly moved: string; readonly to: number } | null {
  const { source } = operation;
  if (canceled || !isSortable(source) || source.index === source.initialIndex) return null;
  const moved = String(source.id);
  const order = shiftedBy(ids, moved, source.index - source.initialIndex);
  return order && { ids: order, moved, to: order.indexOf(moved) };
}
