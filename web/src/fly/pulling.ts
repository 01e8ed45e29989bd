import { gripBy, gripStepMm, partGrips, pullGrip, type Grip, pullerOf } from '@jobbet/core/edit';
import type { Pulling } from '../shared/drawing/Grips.tsx';
import { partOf } from './selection.ts';
import { asOneStep, changeOrSay, type Bench } from './store.ts';

/** Pulls a grip as one step of undo; where it cannot go it stays, and says why. */
export const dragOf =
  (bench: Bench) =>
  (gripId: string): Pulling | null => {
    const { laid: start, drawers } = bench.getState();
    const grip = gripBy(start, gripId);
    const puller = grip && pullerOf(start, grip, drawers);
    if (!puller) return null;
    const step = asOneStep(bench);
    return {
      to: (deltaMm, withinMm) => {
        const { file, words, snapped } = puller(deltaMm, withinMm);
        if (changeOrSay(bench, file)) bench.setState({ pull: { gripId, words, snapped } });
      },
      end: () => {
        bench.setState({ pull: null });
        step.end();
      },
    };
  };

function moveBy(bench: Bench, grip: Grip, deltaMm: number): void {
  const file = pullGrip(bench.getState().laid, grip, deltaMm);
  if (file) changeOrSay(bench, file);
}

/** Moves a grip by steps of its relation, aft or outward when above zero; each is a step of undo. */
export function nudge(bench: Bench, gripId: string, steps: number): void {
  const { laid } = bench.getState();
  const grip = gripBy(laid, gripId);
  if (grip) moveBy(bench, grip, steps * gripStepMm(laid, grip));
}

/** Moves a grip by tenths of the shank; how thick a clump is goes by steps of its own. */
export function byStations(bench: Bench, gripId: string, stations: number): void {
  const { laid } = bench.getState();
  const grip = gripBy(laid, gripId);
  if (!grip) return;
  moveBy(bench, grip, stations * (grip.way === 'out' ? 4 * gripStepMm(laid, grip) : laid.platform.shankMm / 10));
}

/** Nudges what a tier would pull first on the picked part: its tip, else where it sits; of the hook, its head space. */
export function nudgePicked(bench: Bench, steps: number): void {
  const { laid, selected } = bench.getState();
  const part = laid.parts.find((each) => each.file.id === partOf(selected));
  const grip = part ? partGrips(part)[0]?.id : selected.kind === 'hook' ? 'headSpace' : undefined;
  if (grip !== undefined) nudge(bench, grip, steps);
}
