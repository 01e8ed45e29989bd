import type { Drawers } from '@jobbet/core/drawers';
import type { LaidFly } from '@jobbet/core/model';
import type { TyingSheet } from '@jobbet/core/tying';
import type { Style } from '@jobbet/core/units';
import { useMemo } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked, type AnswerTo } from '../../shared/solve/useAsked.ts';
import { useBench } from '../store.ts';
import type { sheetReckon } from './sheetReckon.ts';

const reckoner = reckonerOf<ReturnType<typeof sheetReckon>>('sheet');

interface Question {
  readonly laid: LaidFly;
  readonly drawers: Drawers;
  readonly style: Style;
  readonly beginner: boolean;
}

/** A tying sheet and the fly it is of, which are drawn together. */
export interface SheetOfFly {
  readonly sheet: TyingSheet;
  readonly laid: LaidFly;
}

const sheetFor = async ({ laid, drawers, style, beginner }: Question): Promise<SheetOfFly> => ({
  sheet: await reckoner.short<TyingSheet>(drawers, async (sheet) => sheet.sheet(laid.file, style, beginner)),
  laid,
});

/** The tying sheet of a fly, made off the main thread; while the next one is made, the one before. @param beginner techniques written out */
export function useSheetOf(laid: LaidFly | null, drawers: Drawers, beginner = false): AnswerTo<SheetOfFly> {
  const style = useStyle();
  return useAsked(
    useMemo(() => laid && { laid, drawers, style, beginner }, [laid, drawers, style, beginner]),
    sheetFor,
  );
}

/** The tying sheet of the fly on the bench. */
export function useSheet(beginner = false): AnswerTo<SheetOfFly> {
  return useSheetOf(
    useBench((state) => state.calm),
    useBench((state) => state.drawers),
    beginner,
  );
}
