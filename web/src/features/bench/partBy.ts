import type { OfferedPart } from '@jobbet/core/edit';
import type { FoundBy } from '../../shared/ui/found.ts';

/**
 * What a part to tie in is found by. A material told by its whole name counts for more than half a part's: flash is a part, silver flash a
 * material.
 */
export const PART_BY: FoundBy<OfferedPart> = {
  name: { weight: 4, of: ({ name }) => name },
  called: { weight: 3, of: ({ called }) => called },
  role: { weight: 2, of: ({ part }) => part.role },
  material: { weight: 3, of: ({ of }) => of ?? '' },
  alsoMaterial: { weight: 2, of: ({ alsoOf }) => alsoOf },
  means: { weight: 1, of: ({ of, means }) => (of === null ? means : '') },
};
