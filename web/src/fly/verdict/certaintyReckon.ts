import type { FlyFile } from '@jobbet/core/pattern';
import { certaintyOf, type Certainty } from '@jobbet/core/study';
import type { Desk } from '../../shared/solve/desk.ts';
import { goodOf } from '../../shared/solve/reckon.ts';

export const certaintyReckon = (desk: Desk) => ({
  /** How far to trust the figures of a fly, and what would settle them. @throws Unsolved */
  certainty: (file: FlyFile): Certainty => certaintyOf(goodOf(desk.laid(file))),
});
