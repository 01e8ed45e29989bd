import { sideHold, type SideHold } from './sideCurrent.ts';
import { sinking, type Sinking } from './sinking.ts';
import { slackRest, type SlackRest } from './slack.ts';
import { tightKeel, type TightKeel } from './keel.ts';
import { trimAt, type Trim } from './trim.ts';
import type { BalanceModel } from './model.ts';

export interface Balance {
  readonly tight: TightKeel;
  readonly slack: SlackRest;
  readonly hold: SideHold;
  readonly restDeg: number;
  readonly trim: Trim;
  readonly sink: Sinking | null;
}

interface Rest {
  readonly slack: SlackRest;
  readonly restDeg: number;
  readonly trim: Trim;
  readonly sink: Sinking | null;
}

const rests = new WeakMap<BalanceModel, Rest>();

/** How a fly comes to rest and sinks, worked out once for a model. An undecided fly sinks at its rest of lowest energy; one that nothing turns at its tight rest, or at 0°. */
export function restAndSink(model: BalanceModel): Rest {
  const known = rests.get(model);
  if (known) return known;
  const slack = slackRest(model);
  const restDeg = slack.lowestDeg ?? tightKeel(model).heelDeg ?? 0;
  const trim = trimAt(model, restDeg);
  const rest = { slack, restDeg, trim, sink: sinking(model, restDeg, trim.noseDownDeg ?? 0) };
  rests.set(model, rest);
  return rest;
}

/** Everything the balance of weights and sections comes to. */
export function solveBalance(model: BalanceModel): Balance {
  const tight = tightKeel(model);
  return { tight, ...restAndSink(model), hold: sideHold(model, tight) };
}
