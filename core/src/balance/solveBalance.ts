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

/** Everything the balance of weights and sections comes to. With the slack rest undecided, trim and sinking are taken at the tight one, or at 0°. */
export function solveBalance(model: BalanceModel): Balance {
  const tight = tightKeel(model);
  const slack = slackRest(model);
  const restDeg = slack.heelDeg ?? tight.heelDeg ?? 0;
  const trim = trimAt(model, restDeg);
  return {
    tight,
    slack,
    hold: sideHold(model, tight),
    restDeg,
    trim,
    sink: sinking(model, restDeg, trim.noseDownDeg ?? 0),
  };
}
