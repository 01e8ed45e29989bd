import { type Leans, leansFrom } from '@jobbet/core/drill';
import type { FlyFile } from '@jobbet/core/pattern';
import { scatterMoved, type ScatterMoved } from '@jobbet/core/study';
import type { Desk } from '../../shared/solve/desk.ts';

/** What the drill asks of a fly: from which unevenness it leans, what other hands change in its scatter. */
export const drillReckon = (desk: Desk) => ({
  leans: (file: FlyFile): Leans | null => {
    const laid = desk.laid(file);
    return laid.ok ? leansFrom(laid.value, desk.drawers) : null;
  },
  moves: (
    file: FlyFile,
    own: Readonly<Record<string, number>>,
    changed: Readonly<Record<string, number>>,
  ): ScatterMoved | null => {
    const laid = desk.laid(file);
    return laid.ok ? scatterMoved(laid.value, desk.drawers, own, changed) : null;
  },
});
