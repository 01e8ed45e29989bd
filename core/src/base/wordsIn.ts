import { z } from 'zod';

/** The words a schema takes, in its order; none for one that takes no words. So that a list of them is written once. */
export function wordsIn(schema: unknown): readonly string[] {
  if (schema instanceof z.ZodOptional || schema instanceof z.ZodNullable) return wordsIn(schema.unwrap());
  return schema instanceof z.ZodEnum ? schema.options.map(String) : [];
}
