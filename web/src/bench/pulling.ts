import { pullTip, tipStepMm } from '@jobbet/core/edit/pull';
import { asOneStep, changeOrSay, type Bench } from './store.ts';

/** Pulls a tip as one step of undo; where it cannot go it stays, and says why. */
export const dragOf = (bench: Bench) => (id: string) => {
  const start = bench.getState().laid;
  const from = start.parts.find((part) => part.file.id === id)?.extent.tipMm ?? 0;
  const step = asOneStep(bench);
  return {
    to: (mm: number): void => {
      const file = pullTip(start, id, mm - from);
      if (file) changeOrSay(bench, file);
    },
    end: step.end,
  };
};

/** Moves a tip by steps of its relation, aft when above zero; each is a step of undo. */
export function nudge(bench: Bench, id: string, steps: number): void {
  const { laid } = bench.getState();
  const file = pullTip(laid, id, steps * tipStepMm(laid, id));
  if (file) changeOrSay(bench, file);
}
