import { balanceReckon } from '../features/balance/reckon.ts';
import { batchReckon } from '../fly/batches/reckon.ts';
import { drillReckon } from '../features/drill/reckon.ts';
import { inspectReckon } from '../features/inspect/reckon.ts';
import { logReckon } from '../features/log/reckon.ts';
import { waterReckon } from '../features/water/reckon.ts';
import { sizesReckon } from '../features/sizes/reckon.ts';
import { sheetReckon } from '../fly/tyings/sheetReckon.ts';
import { certaintyReckon } from '../fly/verdict/certaintyReckon.ts';
import { Desk } from '../shared/solve/desk.ts';
import { figuresReckon } from '../shared/solve/reckon.ts';
import type { WorkerFrame } from '../shared/solve/solver.ts';

/** All that is reckoned off the main thread: handlers of each feature under its name, about one desk. */
export function handlersOf(desk: Desk) {
  const frame: WorkerFrame = {
    use: (drawers) => desk.use(drawers),
    leave: () => desk.leave(),
  };
  return {
    ...frame,
    figures: figuresReckon(desk),
    balance: balanceReckon(desk),
    sizes: sizesReckon(desk),
    batch: batchReckon(desk),
    sheet: sheetReckon(desk),
    inspect: inspectReckon(desk),
    water: waterReckon(desk),
    log: logReckon(desk),
    drill: drillReckon(desk),
    certainty: certaintyReckon(desk),
  };
}
