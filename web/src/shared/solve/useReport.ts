import type { FlyFile } from '@jobbet/core/pattern';
import type { FlyReport } from '@jobbet/core/model';
import type { Checked } from '@jobbet/core/checks';
import type { Drawers } from '@jobbet/core/drawers';
import type { Deviation } from '@jobbet/core/study';
import { useMemo } from 'react';
import type { figuresReckon, FlyFigures } from './reckon.ts';
import { reckonerOf } from './solver.ts';
import { useAsked } from './useAsked.ts';

/** A fly that is asked about, and with what it is solved. */
export interface OfFly {
  readonly file: FlyFile;
  /** What came out off the plan; nothing for the fly as planned. */
  readonly off: readonly Deviation[];
  readonly drawers: Drawers;
}

const AS_PLANNED: readonly Deviation[] = [];

/**
 * A question about a fly, the same as long as nothing of it changes.
 * @param off what came out off the plan; the same list as long as it is the same
 */
export const useOfFly = (file: FlyFile, drawers: Drawers, off: readonly Deviation[] = AS_PLANNED): OfFly =>
  useMemo(() => ({ file, off, drawers }), [file, off, drawers]);

const reckoner = reckonerOf<ReturnType<typeof figuresReckon>>('figures');

let tookMs = 0;
/** How long the last figures took from being asked to being there, ms. */
export const figuresTookMs = (): number => tookMs;

async function figuresOf({ file, off, drawers }: OfFly): Promise<FlyFigures> {
  const began = performance.now();
  const answer = await reckoner.short<FlyFigures>(drawers, async (figures) => figures.figures(file, off));
  tookMs = performance.now() - began;
  return answer;
}

/** Figures of a fly that is looked at. */
export interface Reckoned {
  readonly report: FlyReport | null;
  readonly checked: Checked | null;
  /** Whether they are of the fly as it is now. */
  readonly current: boolean;
  /** Asks again, where the figures of the fly as it is now could not be reckoned; else null. */
  readonly again: (() => void) | null;
}

/** The newest figures of a fly, solved off the main thread. */
export function useReport(of: OfFly): Reckoned {
  const { answer, ...asked } = useAsked(of, figuresOf);
  return { report: answer?.report ?? null, checked: answer?.checked ?? null, ...asked };
}
