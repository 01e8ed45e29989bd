import { wordsIn } from '../base/index.ts';
import { partSchema, type Construction } from './parts.ts';
import { flySchema, hookKeys, intentSchema } from './schema.ts';

/** The words a key of a part may hold. @example partWords('strip', 'ends') // ['square', 'angled', 'tapered'] */
export function partWords(construction: Construction, key: string): readonly string[] {
  const option = partSchema.options.find(({ shape }) => shape.construction.value === construction);
  return wordsIn((option?.shape as Readonly<Record<string, unknown>> | undefined)?.[key]);
}

/** The words a key of a hook may hold. */
export const hookWords = (key: keyof typeof hookKeys): readonly string[] => wordsIn(hookKeys[key]);

/** The words a wish for a fly may hold. */
export const intentWords = (key: keyof typeof intentSchema.shape): readonly string[] =>
  wordsIn(intentSchema.shape[key]);

/** Kinds of water, and sizes of head. */
export const WATER_KINDS = wordsIn(intentSchema.shape.water.unwrap().shape.kind);
export const HEADS = wordsIn(flySchema.shape.head);
