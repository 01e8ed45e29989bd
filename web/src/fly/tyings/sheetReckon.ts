import type { FlyFile } from '@jobbet/core/pattern';
import { sheetOf, type TyingSheet } from '@jobbet/core/tying';
import type { Style } from '@jobbet/core/units';
import type { Desk } from '../../shared/solve/desk.ts';
import { goodOf } from '../../shared/solve/reckon.ts';

export const sheetReckon = (desk: Desk) => ({
  /** The tying sheet of a fly. @param beginner techniques written out @throws Unsolved */
  sheet: (file: FlyFile, style: Style, beginner: boolean): TyingSheet =>
    sheetOf(goodOf(desk.solved(file)), style, desk.drawers, { beginner }),
});
